import { useSyncExternalStore } from 'react';

/** Something that the farm has one way, and a reader may have another way on a device of his own. */
export interface Choice<T extends string> {
  /** What counts: the reader's, or else the farm's. */
  readonly now: () => T;
  /** What this reader chose for himself; null: as the farm has it. */
  readonly readers: () => T | null;
  readonly setReaders: (chosen: T | null) => void;
  /** As the farm was told to have it; called before anything of the farm is shown. What is none of them is the usual one. */
  readonly setFarms: (told: T | undefined) => void;
  /** The reader's; a component that uses it is made again when it changes. */
  readonly use: () => T | null;
}

/** @param key under which the reader's is kept on the device @param usual the farm's until it is told */
export function choice<T extends string>(key: string, options: readonly T[], usual: T): Choice<T> {
  const isOne = (value: unknown): value is T => options.includes(value as T);
  const kept = typeof localStorage === 'undefined' ? null : localStorage.getItem(key);
  let reader: T | null = isOne(kept) ? kept : null;
  let farm = usual;
  const listeners = new Set<() => void>();
  const subscribe = (listener: () => void): (() => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  };
  const readers = (): T | null => reader;
  return {
    now: () => reader ?? farm,
    readers,
    setReaders: (chosen) => {
      reader = chosen;
      if (chosen === null) localStorage.removeItem(key);
      else localStorage.setItem(key, chosen);
      for (const listener of listeners) listener();
    },
    setFarms: (told) => {
      farm = isOne(told) ? told : usual;
    },
    use: () => useSyncExternalStore(subscribe, readers),
  };
}
