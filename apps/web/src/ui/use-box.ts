import { type RefObject, useLayoutEffect, useRef, useState } from 'react';

/** How large a part of the page is, px: null until it was laid out, and from then on always as it is. */
export function useBox<T extends Element>(): readonly [
  RefObject<T | null>,
  { readonly width: number; readonly height: number } | null,
] {
  const ref = useRef<T>(null);
  const [box, setBox] = useState<{ readonly width: number; readonly height: number } | null>(null);
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      setBox({ width: Math.round(width), height: Math.round(height) });
    });
    observer.observe(ref.current!);
    return () => observer.disconnect();
  }, []);
  return [ref, box];
}
