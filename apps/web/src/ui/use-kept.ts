import { useCallback, useEffect, useState } from 'react';

const PREFIX = 'fanega.typed.';

function kept<T>(key: string): T | undefined {
  try {
    const text = localStorage.getItem(key);
    return text === null ? undefined : (JSON.parse(text) as T);
  } catch {
    // Not ours, or not whole: begin over.
    return undefined;
  }
}

/**
 * What is typed in a form, kept on this device over a reload and a flat battery until it is saved or the form is closed.
 * @param name of the form and of what it is about, and of the units that are typed in
 * @param then comes after it is forgotten: the form closes
 * @returns the text, how to change it, and how to be done with it
 */
export function useKept<T>(
  name: string,
  start: () => T,
  then?: () => void,
): readonly [T, (next: T) => void, () => void] {
  const key = PREFIX + name;
  const [value, setValue] = useState<{ readonly of: T; readonly typed: boolean }>(() => {
    const before = kept<T>(key);
    return before === undefined ? { of: start(), typed: false } : { of: before, typed: true };
  });
  useEffect(() => {
    if (value.typed) localStorage.setItem(key, JSON.stringify(value.of));
  }, [key, value]);
  const change = useCallback((next: T) => setValue({ of: next, typed: true }), []);
  const done = (): void => {
    setValue((now) => ({ of: now.of, typed: false }));
    localStorage.removeItem(key);
    then?.();
  };
  return [value.of, change, done];
}
