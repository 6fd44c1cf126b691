import type { BroughtLine, ErrorAnswer } from '@fanega/contract';
import { ApiError } from './api';

/** How far a backup is: on its way to the server, or being written there. */
export interface Bringing {
  readonly doing: 'sending' | 'writing';
  /** Of 1. */
  readonly done: number;
}

/**
 * Sends a backup file as it is and follows what the server does with it. By the older request of the browser: the newer one does not say
 * how much of a body has gone out.
 * @returns the number that the book has come to
 */
export function bringFile(
  farmId: string,
  what: 'backup' | 'book',
  file: Blob,
  tell: (how: Bringing) => void,
): Promise<number> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open('POST', `/api/farms/${encodeURIComponent(farmId)}/${what}`);
    request.setRequestHeader('Content-Type', what === 'book' ? 'application/json' : 'application/octet-stream');
    request.upload.onprogress = ({ loaded, total }) => tell({ doing: 'sending', done: loaded / Math.max(1, total) });
    const lines = (): BroughtLine[] =>
      request.responseText
        .split('\n')
        .slice(0, -1)
        .map((line) => JSON.parse(line) as BroughtLine);
    request.onprogress = () => {
      if (request.status !== 200) return;
      const last = lines().at(-1);
      if (last?.of) tell({ doing: 'writing', done: (last.done ?? 0) / last.of });
    };
    request.onerror = () => reject(new ApiError(0, 'No signal, or the server does not answer.', 'unreachable'));
    request.onload = () => {
      if (request.status !== 200) {
        const said = answerOf(request.responseText);
        const message = said?.message ?? `The server answered ${request.status}.`;
        return reject(new ApiError(request.status, message, said?.code ?? 'unknown'));
      }
      const last = lines().at(-1);
      if (last?.entries === undefined)
        return reject(
          new ApiError(500, last?.problem ?? 'The answer was cut off; look whether it is there.', 'unknown'),
        );
      resolve(last.entries);
    };
    request.send(file);
  });
}

function answerOf(text: string): ErrorAnswer | null {
  try {
    return JSON.parse(text) as ErrorAnswer;
  } catch {
    return null;
  }
}
