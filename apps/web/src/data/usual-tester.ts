/** The tester of the last reading on this device: most people have one. */
const KEY = 'fanega.tester';
export const usualTester = (): string | null => localStorage.getItem(KEY);
export const keepTester = (name: string): void => localStorage.setItem(KEY, name);
