import { type ErrorIssue, isRecord, MOST_PHOTO_BYTES } from '@fanega/contract';
import { hasHalfLetter } from '@fanega/core';
import { type CanActivate, type ExecutionContext, Inject, Injectable, SetMetadata } from '@nestjs/common';
import { Reflector } from '@nestjs/core';
import { json, raw, type RequestHandler, type Response } from 'express';
import { ACCESS, type Access, type CalledRequest } from './access.js';
import { Refused } from './refused.js';

const BODY = 'fanega:body';
/** A `stream` is taken in by its route as it comes, piece by piece. */
type Large = 'photo' | 'stream';

/** A route that takes more than a megabyte. */
export const TakesBody = (kind: Large) => SetMetadata(BODY, kind);

/** How deep a body may be nested: none of ours is a third of it. */
const MOST_DEPTH = 32;

interface Taking {
  readonly read: RequestHandler;
  readonly patienceMs: number;
}
/** What is packed may be a thousand times as large unpacked: nothing packed is taken. */
const plain = (limit: string, patienceMs: number): Taking => ({ read: json({ limit, inflate: false }), patienceMs });
const STRANGER = plain('16kb', 10_000);
const MEMBER = plain('1mb', 60_000);
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

function readBody(request: CalledRequest, response: Response, { read, patienceMs }: Taking): Promise<void> {
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
