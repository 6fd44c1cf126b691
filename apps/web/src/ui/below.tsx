import { type ReactNode, useEffect, useState } from 'react';
import { useInSlices } from './use-soon';

/** Parts that wait for their turn, in the order in which they stand on the page. */
const waiting: (() => void)[] = [];
let busy = false;

function next(): void {
  const turn = waiting.shift();
  busy = turn !== undefined;
  turn?.();
}

/**
 * What stands below the first screen, or takes long to work out: drawn a moment after what stands above it, one part after the other, so that
 * the browser answers between them. Until then it is marked as on its way, for whoever measures.
 */
export function Below({ children }: { children: ReactNode }) {
  const [mine, setMine] = useState(false);
  const shown = useInSlices(mine);
  useEffect(() => {
    const turn = () => setMine(true);
    waiting.push(turn);
    if (!busy) {
      busy = true;
      // When the page as it stands is on the screen.
      setTimeout(next);
    }
    return () => {
      const at = waiting.indexOf(turn);
      if (at >= 0) waiting.splice(at, 1);
    };
  }, []);
  useEffect(() => {
    if (!mine || shown) return;
    // Drawn, or gone from the page: the next one's turn.
    return () => void setTimeout(next);
  }, [mine, shown]);
  return shown ? children : <span hidden data-on-its-way />;
}
