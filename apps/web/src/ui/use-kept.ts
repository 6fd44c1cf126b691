import { useCallback, useEffect, useState } from 'react';
import { forget, keep, kept } from './kept';

/**
 * What is typed where there are no boxes (a pad, a count), kept on this device over a reload and a flat battery until it is saved.
 * @param name of what it is and of what it is about, and of the units that are typed in
 * @returns what is typed, how to change it, and how to be done with it
 */
export function useKept<T>(name: string, start: () => T): readonly [T, (next: T) => void, () => void] {
  const [value, setValue] = useState<{ readonly of: T; readonly typed: boolean }>(() => {
    const before = kept<T>(name);
    return before === undefined ? { of: start(), typed: false } : { of: before, typed: true };
  });
  useEffect(() => {
    if (value.typed) keep(name, value.of);
  }, [name, value]);
  const change = useCallback((next: T) => setValue({ of: next, typed: true }), []);
  const done = (): void => {
    setValue((now) => ({ of: now.of, typed: false }));
    forget(name);
  };
  return [value.of, change, done];
}
