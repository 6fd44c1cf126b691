const ALPHABET = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

/** A ULID with a given time and chance: 10 characters of milliseconds, 16 of chance. */
export function ulidAt(ms: number, random: () => number): string {
  let time = '';
  for (let i = 0, rest = Math.floor(ms); i < 10; i++, rest = Math.floor(rest / 32)) time = ALPHABET[rest % 32]! + time;
  let chance = '';
  for (let i = 0; i < 16; i++) chance += ALPHABET[Math.floor(random() * 32)]!;
  return time + chance;
}
