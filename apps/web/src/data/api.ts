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

async function call<T>(method: string, path: string, body?: unknown): Promise<T> {
  const asItIs = body instanceof Blob;
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: body === undefined ? {} : { 'Content-Type': asItIs ? 'application/octet-stream' : 'application/json' },
      ...(body === undefined ? {} : { body: asItIs ? body : JSON.stringify(body) }),
    });
  } catch {
    throw new ApiError(0, 'No signal, or the server does not answer.', 'unreachable');
  }
  if (response.status === 204) return undefined as T;
  const answer = (await response.json().catch(() => null)) as T | ErrorAnswer | null;
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
