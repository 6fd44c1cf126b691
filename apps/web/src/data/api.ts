import type { ErrorAnswer, ErrorIssue } from '@fanega/contract';

/** What the server refused, in its own words, or that it could not be reached at all. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly code: string,
    readonly issues: readonly ErrorIssue[] = [],
  ) {
    super(message);
    this.name = 'ApiError';
  }

  /** No answer: no signal, or the server is down. What was typed is kept and can be sent again. */
  get unreachable(): boolean {
    return this.status === 0;
  }
}

/** Answers that came from this device's own store because there was no signal, with when they were fetched, ms. */
const kept = new Map<string, number>();
export const keptSince = (path: string): number | undefined => kept.get(path);

/** On a line that hangs, no answer by then is no answer; what is large (a photo, a whole book) may take as long as it takes. */
const PATIENCE_MS = 20_000;
const SMALL = 100_000;

async function call<T>(method: string, path: string, body?: unknown): Promise<T> {
  const asItIs = body instanceof Blob;
  const sent = asItIs || body === undefined ? body : JSON.stringify(body);
  const patience = new AbortController();
  const timer = sent === undefined || (typeof sent === 'string' && sent.length < SMALL) ? setTimeout(() => patience.abort(), PATIENCE_MS) : undefined;
  let response: Response;
  let answer: T | ErrorAnswer | null = null;
  try {
    response = await fetch(`/api${path}`, {
      method,
      signal: patience.signal,
      headers: body === undefined ? {} : { 'Content-Type': asItIs ? 'application/octet-stream' : 'application/json' },
      ...(sent === undefined ? {} : { body: sent }),
    });
    if (response.status !== 204)
      answer = (await response.json().catch((broken: unknown) => {
        // Cut off in the middle is no answer either; what is no JSON is one that cannot be read.
        if (!(broken instanceof SyntaxError)) throw broken;
        return null;
      })) as T | ErrorAnswer | null;
  } catch {
    throw new ApiError(0, 'No signal, or the server does not answer.', 'unreachable');
  } finally {
    clearTimeout(timer);
  }
  if (response.status === 204) return undefined as T;
  if (!response.ok) {
    const error = answer as ErrorAnswer | null;
    throw new ApiError(response.status, error?.message ?? `The server answered ${response.status}.`, error?.code ?? 'unknown', error?.issues);
  }
  const keptAt = Number(response.headers.get('x-fanega-kept'));
  if (keptAt > 0) kept.set(path, keptAt);
  else kept.delete(path);
  return answer as T;
}

/** The one place that fetches. */
export const get = <T>(path: string): Promise<T> => call<T>('GET', path);
export const post = <T = void>(path: string, body?: unknown): Promise<T> => call<T>('POST', path, body ?? {});
export const put = <T = void>(path: string, body: unknown): Promise<T> => call<T>('PUT', path, body);
