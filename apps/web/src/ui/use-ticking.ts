import { useEffect, useState } from 'react';

/** Draws its component again every so often: times that run need no news, and run without a signal too. */
export function useTicking(everyMs = 15_000): void {
  const [, tick] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => tick((n) => n + 1), everyMs);
    return () => clearInterval(timer);
  }, [everyMs]);
}
