/** Two servers that write to one farm by two nodes meet often: a write is tried until its caller would give up by himself. */
const TRIES_MS = 12_000;
const LONGEST_PAUSE_MS = 250;
/** The database chose this transaction to end a deadlock, or (Galera) another node was faster: the same again is right. */
const CONFLICTS = new Set(['ER_LOCK_DEADLOCK', 'ER_LOCK_WAIT_TIMEOUT', 'ER_CHECKREAD', 'ER_ERROR_DURING_COMMIT']);
/** A node that fell out of its cluster takes nothing; what it refused was not begun. */
const NOT_READY = 'ER_UNKNOWN_COM_ERROR';

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** Does a piece of work that is all or nothing, and does it again where the database gave another one the way. @param leave the node that is not ready */
export async function again<T>(work: () => Promise<T>, leave: () => void = () => undefined): Promise<T> {
  const until = Date.now() + TRIES_MS;
  for (let tried = 1; ; tried++) {
    try {
      return await work();
    } catch (error) {
      const code = (error as { code?: string }).code ?? '';
      if (code === NOT_READY) leave();
      if (Date.now() > until || !(CONFLICTS.has(code) || code === NOT_READY)) throw error;
      // Longer each time, and not the same for both, so that two that met do not meet again.
      await pause(Math.min(10 * 2 ** tried, LONGEST_PAUSE_MS) * (0.5 + Math.random() / 2));
    }
  }
}
