import { type ErrorIssue, isRecord, MOST_PHOTO_BYTES } from '@fanega/contract';
import { hasHalfLetter } from '@fanega/core';
import { type CanActivate, type ExecutionContext, Inject, Injectable, SetMetadata } from '@nestjs/common';
import { Reflector } from '@nestjs/core';
import { json, type NextFunction, raw, type RequestHandler, type Response } from 'express';
import { ACCESS, type Access, type CalledRequest } from './access.js';
import { Refused } from './refused.js';

const BODY = 'fanega:body';
/** A `stream` is taken in by its route as it comes, piece by piece. */
type Large = 'photo' | 'stream';

/** A route that takes more than a megabyte. */
export const TakesBody = (kind: Large) => SetMetadata(BODY, kind);

/** How deep a body may be nested: none of ours is a third of it. */
const MOST_DEPTH = 32;

export interface Taking {
  readonly read: RequestHandler;
  readonly patienceMs: number;
}
/** What is packed may be a thousand times as large unpacked: nothing packed is taken. */
export const plain = (limit: number, patienceMs: number): Taking => {
  const every = json({ limit, inflate: false });
  return {
    read: (request, response, next) => {
      if (isOrdinary(request, limit)) readOrdinary(request, next);
      else void every(request, response, next);
    },
    patienceMs,
  };
};
const STRANGER = plain(16_384, 10_000);
const MEMBER = plain(1_048_576, 60_000);
const PHOTO: Taking = {
  read: raw({ type: () => true, limit: MOST_PHOTO_BYTES, inflate: false }),
  patienceMs: 120_000,
};

/** Reads the body of a request once it is known who sends it, and no more of it than he may send. Stands behind the guard of access. */
@Injectable()
export class BodyGuard implements CanActivate {
  constructor(@Inject(Reflector) private readonly reflector: Reflector) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const http = context.switchToHttp();
    const request = http.getRequest<CalledRequest>();
    if (request.method === 'GET' || request.method === 'HEAD') return true;
    const targets = [context.getHandler(), context.getClass()];
    const access = this.reflector.getAllAndOverride<Access | undefined>(ACCESS, targets);
    const large = this.reflector.getAllAndOverride<Large | undefined>(BODY, targets);
    if (large === 'stream') return true;
    await readBody(request, http.getResponse(), large ? PHOTO : access === 'public' ? STRANGER : MEMBER);
    if (large === 'photo') return true;
    const body: unknown = request.body;
    if (body !== undefined && !isRecord(body)) throw new Refused('body_wrong', 'The body is not an object.');
    const issue = findWrong(body);
    if (issue) throw new Refused('body_wrong', issue.message, [issue]);
    return true;
  }
}

const ORDINARY_TYPE = /^application\/json(; ?charset=utf-8)?$/i;

/** Our own pages and every device say in one way what they send, and how long it is; whatever is said otherwise is the library's to read. */
const isOrdinary = ({ headers }: CalledRequest, limit: number): boolean =>
  ORDINARY_TYPE.test(headers['content-type'] ?? '') &&
  headers['content-encoding'] === undefined &&
  headers['transfer-encoding'] === undefined &&
  Number(headers['content-length']) > 0 &&
  Number(headers['content-length']) <= limit;

/** The parser of HTTP gives no more than was said to come. Errors are those of the library. */
function readOrdinary(request: CalledRequest, next: NextFunction): void {
  const parts: Buffer[] = [];
  const done = (error?: unknown): void => {
    request.off('data', take).off('end', end).off('error', fail).off('close', cut);
    next(error);
  };
  const take = (part: Buffer): void => void parts.push(part);
  const cut = (): void => done(Object.assign(new Error('request aborted'), { status: 400, type: 'request.aborted' }));
  const fail = (): void => cut();
  const end = (): void => {
    try {
      const text = parts.length === 1 ? parts[0]!.toString() : Buffer.concat(parts).toString();
      request.body = JSON.parse(text) as unknown;
    } catch (error) {
      done(Object.assign(error as Error, { status: 400, type: 'entity.parse.failed' }));
      return;
    }
    done();
  };
  if (request.destroyed) return cut();
  request.on('data', take).once('end', end).once('error', fail).once('close', cut);
}

export function readBody(request: CalledRequest, response: Response, { read, patienceMs }: Taking): Promise<void> {
  return new Promise((resolve, reject) => {
    const timer = setTimeout(
      () => reject(new Refused('too_slow', 'The rest of this request did not come; send it again.')),
      patienceMs,
    );
    read(request, response, (error?: unknown) => {
      clearTimeout(timer);
      if (error === undefined || error === null) resolve();
      else reject(error instanceof Error ? error : new Error('the body cannot be read', { cause: error }));
    });
  });
}

/** What no body of ours has, whatever its route: too deep, half a letter, a number that is none. Walked without recursion. */
export function findWrong(body: unknown): ErrorIssue | undefined {
  const waiting: { readonly value: unknown; readonly field: string; readonly depth: number }[] = [
    { value: body, field: '', depth: 0 },
  ];
  while (waiting.length > 0) {
    const { value, field, depth } = waiting.pop()!;
    const wrong = (message: string): ErrorIssue => ({ ...(field === '' ? {} : { field }), code: 'malformed', message });
    if (typeof value === 'string') {
      if (hasHalfLetter(value)) return wrong(`${field || 'the body'} holds half a letter`);
    } else if (typeof value === 'number') {
      if (!Number.isFinite(value)) return wrong(`${field || 'the body'} is larger than any number`);
    } else if (typeof value === 'object' && value !== null) {
      if (depth >= MOST_DEPTH) return wrong(`the body is nested more than ${MOST_DEPTH} deep`);
      const isList = Array.isArray(value);
      for (const [name, inner] of Object.entries(value)) {
        if (!isList && hasHalfLetter(name)) return wrong('the name of a field holds half a letter');
        waiting.push({ value: inner, field: isList ? field : name, depth: depth + 1 });
      }
    }
  }
  return undefined;
}
