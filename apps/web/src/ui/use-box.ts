import { type RefObject, useLayoutEffect, useRef, useState } from 'react';
import { readKept } from './kept';

interface Box {
  readonly width: number;
  readonly height: number;
}

const KEY = 'fanega.boxes';
/** By what each is called, as large as it was in a window of what width. */
type Kept = Record<string, Box & { readonly of: number }>;

const keptBoxes = (): Kept => readKept<Kept>(KEY) ?? {};

/**
 * How large a part of the page is, px: null until it was laid out, and from then on always as it is.
 * @param name of one that is drawn by its size: what it was in a window as wide as this one is taken for it until it is laid out, so that it is
 * drawn once and not twice
 */
export function useBox<T extends Element>(name?: string): readonly [RefObject<T | null>, Box | null] {
  const ref = useRef<T>(null);
  const [box, setBox] = useState<Box | null>(() => {
    const before = name === undefined ? undefined : keptBoxes()[name];
    return before?.of === window.innerWidth ? before : null;
  });
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => {
      const [width, height] = [entry!.contentRect.width, entry!.contentRect.height].map(Math.round) as [number, number];
      setBox((was) => (was?.width === width && was.height === height ? was : { width, height }));
      if (name === undefined || width === 0) return;
      const kept = keptBoxes();
      const of = window.innerWidth;
      if (kept[name]?.of === of && kept[name].width === width && kept[name].height === height) return;
      localStorage.setItem(KEY, JSON.stringify({ ...kept, [name]: { width, height, of } }));
    });
    observer.observe(ref.current!);
    return () => observer.disconnect();
  }, [name]);
  return [ref, box];
}
