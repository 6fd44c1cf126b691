import { useState } from 'react';
import { ApiError } from './api';

export interface Sending {
  readonly busy: boolean;
  /** What was refused, in one sentence; null when nothing was. */
  readonly message: string | null;
  /** The same at its place, by the body's field. */
  readonly at: Readonly<Record<string, string>>;
  /** Sends, and keeps what was refused; undefined then, so that what was typed stays on the screen. */
  readonly send: <T>(work: () => Promise<T>) => Promise<T | undefined>;
  readonly clear: () => void;
}

const NOTHING = { busy: false, message: null, at: {} };

/** One send at a time, with the server's refusals kept for their fields. */
export function useSend(): Sending {
  const [state, setState] = useState<Omit<Sending, 'send' | 'clear'>>(NOTHING);
  return {
    ...state,
    clear: () => setState(NOTHING),
    send: async (work) => {
      setState({ ...NOTHING, busy: true });
      try {
        const answer = await work();
        setState(NOTHING);
        return answer;
      } catch (error) {
        if (!(error instanceof ApiError)) {
          setState(NOTHING);
          throw error;
        }
        const message = error.message;
        setState({
          busy: false,
          message,
          at: Object.fromEntries(
            [...error.issues].reverse().flatMap((issue) => (issue.field ? [[issue.field, issue.message]] : [])),
          ),
        });
        return undefined;
      }
    },
  };
}
