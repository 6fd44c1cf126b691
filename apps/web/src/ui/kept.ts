const PREFIX = 'fanega.typed.';

/** What this device keeps under a key; undefined where it keeps nothing. */
export function readKept<T>(key: string): T | undefined {
  try {
    const text = localStorage.getItem(key);
    return text === null ? undefined : (JSON.parse(text) as T);
  } catch {
    // Not ours, or not whole: begin over.
    return undefined;
  }
}

/** What was typed before on this device under this name, and neither saved nor given up. */
export const kept = <T>(name: string): T | undefined => readKept<T>(PREFIX + name);
export const keep = (name: string, value: unknown): void => localStorage.setItem(PREFIX + name, JSON.stringify(value));
export const forget = (name: string): void => localStorage.removeItem(PREFIX + name);
