import { useEffect } from 'react';

/** Loads what is opened by a tap behind what is shown first, so that it opens at once, and without a signal. */
export function usePreload(load: () => Promise<unknown>, afterMs: number): void {
  useEffect(() => {
    const later = setTimeout(() => void load(), afterMs);
    return () => clearTimeout(later);
  }, [load, afterMs]);
}
