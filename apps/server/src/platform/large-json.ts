import type { Readable } from 'node:stream';
import { JSONParser } from '@streamparser/json';
import { isRecord } from '@fanega/contract';
import { findWrong } from './body.js';
import { Refused } from './refused.js';

/** A body as it comes: of a request, or of a test. */
export interface Incoming extends Readable {
  readonly headers: {
    readonly 'content-length'?: string | undefined;
    readonly 'content-encoding'?: string | undefined;
  };
}

/**
 * Reads a large JSON object as it comes in, piece by piece: its text is never held whole, and between two pieces the server answers others.
 * @throws Refused for one that is packed, too large, too slow, no JSON or no object
 */
export async function readLargeJson(body: Incoming, mostBytes: number, patienceMs: number): Promise<object> {
  const { 'content-length': length, 'content-encoding': packed } = body.headers;
  const tooLarge = (): Refused => new Refused('too_large', 'This is too large for one request.');
  if (packed !== undefined && packed !== 'identity')
    throw new Refused('body_wrong', 'What is packed is not taken: send the body as it is.');
  if (Number(length ?? 0) > mostBytes) throw tooLarge();
  let found: unknown;
  const parser = new JSONParser({ paths: ['$'] });
  parser.onValue = ({ value, stack }) => {
    if (stack.length === 0) found = value;
  };
  let bytes = 0;
  const late = setTimeout(
    () => body.destroy(new Refused('too_slow', 'The rest of this request did not come; send it again.')),
    patienceMs,
  );
  try {
    for await (const piece of body) {
      bytes += (piece as Buffer).length;
      if (bytes > mostBytes) throw tooLarge();
      write(parser, piece as Buffer);
    }
  } finally {
    clearTimeout(late);
  }
  if (!isRecord(found)) throw new Refused('body_wrong', 'The body is not an object.');
  const issue = findWrong(found);
  if (issue) throw new Refused('body_wrong', issue.message, [issue]);
  return found;
}

function write(parser: JSONParser, piece: Buffer): void {
  try {
    parser.write(piece);
  } catch {
    throw new Refused('body_wrong', 'The body is not JSON that can be read.');
  }
}
