import { type Role, ROLES } from '@fanega/contract';
import { type CanActivate, createParamDecorator, type ExecutionContext, Inject, Injectable, SetMetadata } from '@nestjs/common';
import { Reflector } from '@nestjs/core';
import type { Request } from 'express';
import { DataSource } from 'typeorm';
import { Clock } from './clock.js';
import { Refused } from './refused.js';
import { MembershipRow, SessionRow, UserRow } from './rows.js';
import { hashToken } from './tokens.js';

export const COOKIE = 'fanega';
export const ACCESS = 'fanega:access';

/** Who may call a route: anyone, anyone signed in, or a member of the farm in the path with at least a role. */
export type Access = 'public' | 'signedIn' | Role;

/** Every route says who may call it; one that does not is refused to everybody. */
export const Allow = (access: Access) => SetMetadata(ACCESS, access);

export interface Caller {
  readonly id: string;
  readonly name: string;
  readonly email: string;
}

export interface CalledRequest extends Request {
  caller?: Caller;
  role?: Role;
}

export const CallerOf = createParamDecorator((_: unknown, context: ExecutionContext) => context.switchToHttp().getRequest<CalledRequest>().caller ?? null);

const SAFE = new Set(['GET', 'HEAD', 'OPTIONS']);

@Injectable()
export class AccessGuard implements CanActivate {
  constructor(
    @Inject(Reflector) private readonly reflector: Reflector,
    @Inject(DataSource) private readonly db: DataSource,
    @Inject(Clock) private readonly clock: Clock,
  ) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const request = context.switchToHttp().getRequest<CalledRequest>();
    const access = this.reflector.getAllAndOverride<Access | undefined>(ACCESS, [context.getHandler(), context.getClass()]);
    if (access === undefined) throw new Refused('role_too_low', 'nobody may call this');
    if (!SAFE.has(request.method)) checkOrigin(request);
    await this.identify(request);
    if (access === 'public') return true;
    if (!request.caller) throw new Refused('sign_in_needed', 'Sign in first.');
    if (access === 'signedIn') return true;
    const farmId = request.params.farmId;
    const membership = typeof farmId === 'string' ? await this.db.getRepository(MembershipRow).findOneBy({ farmId, userId: request.caller.id }) : null;
    if (!membership) throw new Refused('not_a_member', 'You are not a member of this farm.');
    request.role = membership.role;
    if (ROLES.indexOf(membership.role) < ROLES.indexOf(access)) {
      throw new Refused('role_too_low', `As ${membership.role} you may look but not do this; it needs ${access === 'operator' ? 'an operator' : `a ${access}`}.`);
    }
    return true;
  }

  private async identify(request: CalledRequest): Promise<void> {
    const token = (request.cookies as Record<string, unknown> | undefined)?.[COOKIE];
    if (typeof token !== 'string' || token === '') return;
    const session = await this.db.getRepository(SessionRow).findOneBy({ tokenHash: hashToken(token) });
    if (!session || session.expiresAt < this.clock.now()) return;
    const user = await this.db.getRepository(UserRow).findOneBy({ id: session.userId });
    if (user) request.caller = { id: user.id, name: user.name, email: user.email };
  }
}

/** A write must come from our own pages: a browser always names the origin of one. */
function checkOrigin(request: Request): void {
  const origin = request.headers.origin;
  let host: string | undefined;
  try {
    host = origin === undefined ? undefined : new URL(origin).host;
  } catch {
    host = undefined;
  }
  if (host === undefined || host !== request.headers.host)
    throw new Refused('origin_wrong', 'Writes are taken from this address only (the Origin header is missing or names another).');
}
