import { startTransition, useEffect, useState } from 'react';

/**
 * How many of a list are drawn: as many as a screen shows at first, then as many more a moment later, and so on, between what a reader does.
 * @param of how long the list is
 */
export function useSoon(first: number, of: number): number {
  const [count, setCount] = useState(first);
  useEffect(() => {
    if (count < of) startTransition(() => setCount(count + first));
  }, [count, first, of]);
  return count;
}

/** A farm whose figures come ten times a second would put it off for good. */
const AT_LAST_MS = 250;

/**
 * True a moment after something is there: what comes with it is made in slices, between what a reader does, instead of at one stroke.
 */
export function useInSlices(there: boolean): boolean {
  const [shown, setShown] = useState(there);
  useEffect(() => {
    if (!there || shown) return;
    startTransition(() => setShown(true));
    const late = setTimeout(() => setShown(true), AT_LAST_MS);
    return () => clearTimeout(late);
  }, [there, shown]);
  return there && shown;
}
