import { type CallHandler, type ExecutionContext, Inject, Injectable, type NestInterceptor } from '@nestjs/common';
import type { Observable } from 'rxjs';
import { tap } from 'rxjs';
import { ulid } from 'ulid';
import type { CalledRequest } from '../../platform/access.js';
import { Clock } from '../../platform/clock.js';
import { MembersRepository } from './members.repository.js';

/** What stands in the book or in a log with its author anyway, and what nobody could read. */
const ELSEWHERE = /\/(entries|corrections|weigh-tickets|reading|delay|field-change|settings-entry|loss-check|dryer-sample|grain-temperature|photos|climb|fan-switch|route-set|step-heard|acknowledgement|next-field-notice)(\/|$)|\/imports\/loads$/; // prettier-ignore
/** Nothing of these is written down. */
const SECRET = /password|secret|token|photo/i;
const MOST = 2000;

/** "sell/contract/contract-118" */
const whatOf = (path: string): string => path.replace(/^\/api\/farms\/[^/]+\//, '').slice(0, 120);

const spoken = (body: unknown): string => {
  if (typeof body !== 'object' || body === null) return '';
  const text = JSON.stringify(body, (key, value: unknown) => (SECRET.test(key) ? '…' : Array.isArray(value) && value.length > 20 ? `${value.length} lines` : value)); // prettier-ignore
  return text === '{}' ? '' : text.slice(0, MOST);
};

/** Writes down who changed what of a farm beside the grain, once it is done. */
@Injectable()
export class AuditInterceptor implements NestInterceptor {
  constructor(
    @Inject(MembersRepository) private readonly people: MembersRepository,
    @Inject(Clock) private readonly clock: Clock,
  ) {}

  intercept(context: ExecutionContext, next: CallHandler): Observable<unknown> {
    const request = context.switchToHttp().getRequest<CalledRequest>();
    const { farmId } = request.params ?? {};
    const { caller, method, path } = request;
    if (method === 'GET' || !caller || typeof farmId !== 'string' || ELSEWHERE.test(path)) return next.handle();
    const now = this.clock.now();
    const line = { farmId, id: ulid(now), atMs: now, byName: caller.name.slice(0, 120), what: whatOf(path), about: spoken(request.body) }; // prettier-ignore
    // What is done is done: a line that cannot be written must not undo it.
    return next.handle().pipe(tap(() => void this.people.writeAudit(line).catch(() => undefined)));
  }
}
