import { startTransition, useEffect, useState } from 'react';

/**
 * How many of a list are drawn: as many as a screen shows at first, and all of them a moment later, between what a reader does.
 */
export function useSoon(first: number): number {
  const [count, setCount] = useState(first);
  useEffect(() => startTransition(() => setCount(Infinity)), []);
  return count;
}
