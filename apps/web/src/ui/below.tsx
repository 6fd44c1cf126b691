import { type ReactNode, useEffect, useState } from 'react';
import { useInSlices } from './use-soon';

type Turn = () => void;
/** Parts that wait for their turn, in the order in which they stand on the page. */
const waiting: Turn[] = [];
/** The one that is being drawn. */
let running: Turn | undefined;

function next(): void {
  running = waiting.shift();
  running?.();
}

function come(turn: Turn): void {
  waiting.push(turn);
  // When the page as it stands is on the screen.
  if (waiting.length === 1 && running === undefined) setTimeout(next);
}

/** Drawn, or taken off the page before it was. */
function gone(turn: Turn): void {
  const at = waiting.indexOf(turn);
  if (at >= 0) waiting.splice(at, 1);
  else if (running === turn) setTimeout(next);
}

/**
 * What stands below the first screen, or takes long to work out: drawn a moment after what stands above it, one part after the other, so that
 * the browser answers between them. Until then it is marked as on its way, for whoever measures.
 */
export function Below({ children }: { children: ReactNode }) {
  const [mine, setMine] = useState(false);
  const shown = useInSlices(mine);
  useEffect(() => {
    if (shown) return;
    const turn = () => setMine(true);
    come(turn);
    return () => gone(turn);
  }, [shown]);
  return shown ? children : <span hidden data-on-its-way />;
}
