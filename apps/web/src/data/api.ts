import type { ErrorAnswer, ErrorIssue } from '@fanega/contract';
import createClient, { createFinalURL, createQuerySerializer, defaultPathSerializer } from 'openapi-fetch';
import type { paths } from './api-types';
import { doubt, doubtsSoFar, heard, heldAnswer, MARK, markOf } from './held';
import { changedBy } from './topics';

/** The server is there, its database or its disk is not. */
const AWAY = new Set(['database_gone', 'database_silent', 'disk_full']);

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

  /** Nobody can take it just now, here or behind the server; the same again, later, is right. */
  get away(): boolean {
    return this.unreachable || AWAY.has(this.code);
  }
}

type Json<T> = T extends { readonly content: { readonly 'application/json': infer A } } ? A : void;
type Success<R> = R extends { readonly 200: infer A } ? Json<A> : R extends { readonly 201: infer A } ? Json<A> : void;
type Filled<P> = { readonly [K in keyof P as P[K] extends undefined ? never : K]: P[K] };
type Operation<P extends keyof paths, M extends 'get' | 'post' | 'put'> =
  paths[P] extends Readonly<Record<M, infer O>> ? O : never;

/** Routes that answer with what they declare. */
export type GetPath = { [P in keyof paths]: paths[P] extends { readonly get: object } ? P : never }[keyof paths];
export type WritePath = {
  [P in keyof paths]: paths[P] extends { readonly post: object } | { readonly put: object } ? P : never;
}[keyof paths];
export type AnswerOf<P extends GetPath> =
  Operation<P, 'get'> extends { readonly responses: infer R } ? Success<R> : never;
export type ParamsOf<P extends keyof paths, M extends 'get' | 'post' | 'put' = 'get'> =
  Operation<P, M> extends { readonly parameters: infer A } ? Filled<A> : never;
type MethodOf<P extends WritePath> = paths[P] extends { readonly post: object } ? 'post' : 'put';
export type BodyOf<P extends WritePath> =
  Operation<P, MethodOf<P>> extends {
    readonly requestBody: { readonly content: { readonly 'application/json': infer B } };
  }
    ? B
    : undefined;
export type WrittenOf<P extends WritePath> =
  Operation<P, MethodOf<P>> extends { readonly responses: infer R } ? Success<R> : never;

/** One request that changes something, ready to be sent and to be kept. */
export interface Command<P extends WritePath = WritePath> {
  readonly method: 'POST' | 'PUT';
  readonly path: P;
  readonly params: {
    readonly path?: Readonly<Record<string, string | number>>;
    readonly query?: Readonly<Record<string, string>>;
  };
  readonly body?: unknown;
}

/** A command by its declared route: parameters and body are those of the server's description. */
export const post = <P extends WritePath>(
  path: P,
  params: ParamsOf<P, 'post'>,
  ...[body]: BodyOf<P> extends undefined ? [] : [BodyOf<P>]
): Command<P> => ({
  method: 'POST',
  path,
  params: params as Command['params'],
  body,
});
export const put = <P extends WritePath>(path: P, params: ParamsOf<P, 'put'>, body: BodyOf<P>): Command<P> => ({
  method: 'PUT',
  path,
  params: params as Command['params'],
  body,
});

/** Answers that came from this device's own store because there was no signal, with when they were fetched, ms. */
const kept = new Map<string, number>();
export const keptSince = (path: GetPath): number | undefined => kept.get(path);

/** On a line that hangs, no answer by then is no answer; what is large (a photo, a whole book) may take as long as it takes. */
const PATIENCE_MS = 20_000;
const SMALL = 100_000;

const client = createClient<paths>({
  baseUrl: globalThis.location?.origin ?? 'http://localhost',
  fetch: (request) => globalThis.fetch(request),
});
const ask = client.request as unknown as (
  method: string,
  path: string,
  init: object,
) => Promise<{ data?: unknown; error?: unknown; response: Response }>;

async function call(
  method: 'get' | 'post' | 'put',
  path: string,
  params: object,
  { body, headers }: { readonly body?: unknown; readonly headers?: Readonly<Record<string, string>> } = {},
): Promise<unknown> {
  const asItIs = body instanceof Blob;
  const text = asItIs || body === undefined ? undefined : JSON.stringify(body);
  const patience = new AbortController();
  const timer = !asItIs && (text?.length ?? 0) < SMALL ? setTimeout(() => patience.abort(), PATIENCE_MS) : undefined;
  try {
    const { data, error, response } = await ask(method, path, {
      params,
      signal: patience.signal,
      ...(headers ? { headers } : {}),
      ...(body === undefined
        ? {}
        : {
            body,
            bodySerializer: () => (asItIs ? body : text),
            headers: { 'Content-Type': asItIs ? 'application/octet-stream' : 'application/json' },
          }),
    });
    if (!response.ok) {
      const said = (typeof error === 'object' ? error : null) as ErrorAnswer | null;
      throw new ApiError(
        response.status,
        said?.message ?? `The server answered ${response.status}.`,
        said?.code ?? 'unknown',
        said?.issues,
      );
    }
    const keptAt = Number(response.headers.get('x-fanega-kept'));
    if (keptAt > 0) kept.set(path, keptAt);
    else kept.delete(path);
    return data;
  } catch (error) {
    // Cut off in the middle is no answer either.
    throw error instanceof ApiError
      ? error
      : new ApiError(0, 'No signal, or the server does not answer.', 'unreachable');
  } finally {
    clearTimeout(timer);
  }
}

const querySerializer = createQuerySerializer();
const urlOf = (path: string, params: object): string =>
  createFinalURL(path, { baseUrl: '', params, querySerializer, pathSerializer: defaultPathSerializer });

/** The farm's answer; the one that this device keeps, where the farm is in the very state that it is of. */
async function answerOf(path: string, params: object): Promise<unknown> {
  const mark = markOf(path, params);
  const held = mark === undefined ? undefined : await heldAnswer(urlOf(path, params), mark);
  if (held) {
    kept.delete(path);
    return held.answer;
  }
  const asOf = doubtsSoFar();
  const answer = await call('get', path, params, mark === undefined ? {} : { headers: { [MARK]: mark } });
  if (!kept.has(path)) heard(path, params, answer, asOf);
  return answer;
}

/** Answers that were asked for before their page was there; soon they would be old. */
const early = new Map<string, { readonly answer: Promise<unknown>; readonly until: number }>();
const EARLY_MS = 5000;
const nameOf = (path: string, params: object): string => `${path} ${JSON.stringify(params)}`;

/** Asks before a page does. What fails is no answer: the page asks for itself, and says what it is told. */
export function askEarly<P extends GetPath>(path: P, params: ParamsOf<P>): Promise<unknown> {
  const answer = answerOf(path, params).catch(() => undefined);
  early.set(nameOf(path, params), { answer, until: Date.now() + EARLY_MS });
  return answer;
}

/** What was asked for early is asked for again by its page: an answer that the worker could not keep yet, or that is old since. */
export function forgetEarly(isOld: (route: string) => boolean = () => true): void {
  for (const name of early.keys()) if (isOld(name.slice(0, name.indexOf(' ')))) early.delete(name);
}

const earlyAnswer = (path: string, params: object): Promise<unknown> | undefined => {
  const asked = early.get(nameOf(path, params));
  return asked && Date.now() < asked.until ? asked.answer : undefined;
};
/** Was it asked for a moment ago, before its page was there? */
export const isEarly = <P extends GetPath>(path: P, params: ParamsOf<P>): boolean =>
  earlyAnswer(path, params) !== undefined;

/** The one place that fetches. */
export async function get<P extends GetPath>(path: P, params: ParamsOf<P>): Promise<AnswerOf<P>> {
  return ((await earlyAnswer(path, params)) ?? (await answerOf(path, params))) as AnswerOf<P>;
}

export async function send<P extends WritePath>(command: Command<P>): Promise<WrittenOf<P>> {
  const { method, path, params } = command;
  const body: unknown = command.body ?? (method === 'POST' ? {} : undefined);
  try {
    return (await call(method === 'POST' ? 'post' : 'put', path, params, { body })) as WrittenOf<P>;
  } finally {
    forgetEarly();
    // Without an answer it may have arrived all the same.
    const { farmId } = params.path ?? {};
    if (typeof farmId === 'string') doubt(farmId, changedBy(command));
  }
}

/** The address of an answer that the browser itself opens: a picture, a file. */
export const addressOf = (path: GetPath, params: Readonly<Record<string, string | number>>): string =>
  path.replace(/\{(\w+)\}/g, (_, name: string) => encodeURIComponent(params[name] ?? ''));
