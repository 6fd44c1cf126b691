const PREFIX = 'fanega.typed.';

/** What was typed before on this device under this name, and neither saved nor given up. */
export function kept<T>(name: string): T | undefined {
  try {
    const text = localStorage.getItem(PREFIX + name);
    return text === null ? undefined : (JSON.parse(text) as T);
  } catch {
    // Not ours, or not whole: begin over.
    return undefined;
  }
}
export const keep = (name: string, value: unknown): void => localStorage.setItem(PREFIX + name, JSON.stringify(value));
export const forget = (name: string): void => localStorage.removeItem(PREFIX + name);
