/** What nobody types: the id that makes an item one of its kind. */
const ID = /\b[0-9a-z]{26}\b/g;
const plain = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/**
 * How well an item of the finder fits what was typed, 0 to 1: every word stands in it, and what begins with the first comes first. Letters
 * strewn over a name and an id are no find: "clock" is not "Ticket 40132 Redbud Elevator".
 */
export function finderMatch(value: string, typed: string): number {
  const text = value.toLowerCase().replace(ID, '').trim();
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  if (!words.every((word) => text.includes(word))) return 0;
  if (words.length === 0 || text.startsWith(words[0]!)) return 1;
  return words.every((word) => new RegExp(`(^|[^a-z0-9])${plain(word)}`).test(text)) ? 0.8 : 0.5;
}
