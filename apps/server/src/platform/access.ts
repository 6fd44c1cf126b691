import { type Role, ROLES } from '@fanega/contract';
import {
  applyDecorators,
  type CanActivate,
  createParamDecorator,
  type ExecutionContext,
  Inject,
  Injectable,
  SetMetadata,
} from '@nestjs/common';
import { Reflector } from '@nestjs/core';
import { ApiExtension } from '@nestjs/swagger';
import type { Request } from 'express';
import { DataSource } from 'typeorm';
import { setBounded } from './bounded.js';
import { Buckets } from './buckets.js';
import { Fellows } from './fellows.js';
import { Clock } from './clock.js';
import { CONFIG, type Config } from './config.js';
import { tokenOf } from './cookie.js';
import { type JobCaller, Jobs, notItsJob, onJob } from './jobs.js';
import { Refused } from './refused.js';
import { ApiTokenRow, DeviceRow, MembershipRow, SessionRow, UserRow } from './entities/identity.entity.js';
import { hashToken } from './tokens.js';

export const ACCESS = 'fanega:access';
const FOR_JOBS = 'fanega:jobs';

/** Who may call a route: anyone, anyone signed in, a device with its token, or a member of the farm in the path with at least a role. */
export type Access = 'public' | 'signedIn' | 'device' | Role;

/** Every route says who may call it; one that does not is refused to everybody. */
export const Allow = (access: Access) => applyDecorators(SetMetadata(ACCESS, access), ApiExtension('x-access', access));

/** A paired phone may call it too: it reads what its cab shows, and where it writes, the route looks whether that is its job's. */
export const ForJobs = (open = true) => applyDecorators(SetMetadata(FOR_JOBS, open), ApiExtension('x-jobs', open));

export interface Caller {
  readonly id: string;
  readonly name: string;
  readonly email: string;
}

/** A device, by its token: it belongs to one farm and writes what its kind may. */
export interface DeviceCaller {
  readonly farmId: string;
  readonly id: string;
  readonly name: string;
  readonly kind: string;
}

export interface CalledRequest extends Request {
  device?: DeviceCaller;
  caller?: Caller;
  role?: Role;
  /** a paired phone, which is nobody's account */
  job?: JobCaller;
}

/** Who writes: a person, a device or a paired phone; the last two are nobody's account. */
export interface Writer {
  readonly id: string | null;
  readonly name: string;
  readonly job?: JobCaller;
}
const writerOf = ({ caller, job }: CalledRequest): Writer | null =>
  job ? { id: null, name: onJob(job), job } : (caller ?? null);

export const WriterOf = createParamDecorator((_: unknown, context: ExecutionContext) =>
  writerOf(context.switchToHttp().getRequest<CalledRequest>()),
);

export const CallerOf = createParamDecorator(
  (_: unknown, context: ExecutionContext) => context.switchToHttp().getRequest<CalledRequest>().caller ?? null,
);

export const RoleOf = createParamDecorator(
  (_: unknown, context: ExecutionContext) => context.switchToHttp().getRequest<CalledRequest>().role ?? 'viewer',
);

export const DeviceOf = createParamDecorator(
  (_: unknown, context: ExecutionContext) => context.switchToHttp().getRequest<CalledRequest>().device ?? null,
);

/** Whoever watches over the server asks as often as he likes. */
const HEALTH = '/api/health';
const SAFE = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Calls that a device may make at once, for each that comes back in a second. */
const BURST = 4;
/** How long a token that was found is taken for right. */
const KNOWN_FOR_MS = 1000;
const MOST_KNOWN = 1000;
/** How often it is written down that a device was seen. */
const SEEN_EVERY_MS = 30_000;
const SESSION_SEEN_EVERY_MS = 10 * 60_000;

@Injectable()
export class DeviceTokens {
  private readonly calls: Buckets;
  private readonly seen = new Map<string, number>();
  private readonly known = new Map<string, { readonly row: DeviceCaller; readonly until: number }>();
  private asked: { readonly hashes: Set<string>; readonly rows: Promise<ReadonlyMap<string, DeviceCaller>> } | null = null; // prettier-ignore

  constructor(
    @Inject(DataSource) private readonly db: DataSource,
    @Inject(Clock) private readonly clock: Clock,
    @Inject(CONFIG) private readonly config: Config,
    @Inject(Fellows) fellows: Fellows,
  ) {
    this.calls = new Buckets(BURST * config.deviceLimit, config.deviceLimit, () => fellows.count);
  }

  /** @throws Refused for a token that is none, was revoked, or calls too often */
  async of(authorization: string | undefined): Promise<DeviceCaller> {
    const token = /^Bearer ([\w-]{20,100})$/.exec(authorization ?? '')?.[1];
    const row = token === undefined ? null : await this.rowOf(hashToken(token));
    if (!row)
      throw new Refused('sign_in_needed', 'This device is not known here: its token is missing, wrong or revoked.');
    const now = this.clock.now();
    const { deviceLimit } = this.config;
    if (deviceLimit > 0 && !this.calls.take(row.id, now))
      throw new Refused(
        'too_often',
        `A device calls at most ${deviceLimit} times a second; put several figures into one call.`,
      );
    if (now - (this.seen.get(row.id) ?? 0) > SEEN_EVERY_MS) {
      this.seen.set(row.id, now);
      await this.db.getRepository(DeviceRow).update({ farmId: row.farmId, id: row.id }, { seenMs: now });
    }
    return row;
  }

  /** One that was right a moment ago is not looked up again; one that is cut off writes for that moment at most. */
  private async rowOf(tokenHash: string): Promise<DeviceCaller | null> {
    const now = this.clock.now();
    const kept = this.known.get(tokenHash);
    if (kept && now < kept.until && now >= kept.until - KNOWN_FOR_MS) return kept.row;
    const row = (await this.lookUp(tokenHash)).get(tokenHash) ?? null;
    if (row) setBounded(this.known, tokenHash, { row, until: now + KNOWN_FOR_MS }, MOST_KNOWN);
    else this.known.delete(tokenHash);
    return row;
  }

  /** Fifty machines that call at once are one question to the database, and not fifty. */
  private lookUp(tokenHash: string): Promise<ReadonlyMap<string, DeviceCaller>> {
    this.asked ??= { hashes: new Set(), rows: this.rowsOfAsked() };
    this.asked.hashes.add(tokenHash);
    return this.asked.rows;
  }

  private async rowsOfAsked(): Promise<ReadonlyMap<string, DeviceCaller>> {
    await new Promise(setImmediate);
    const hashes = [...this.asked!.hashes];
    this.asked = null;
    const rows = await this.db.query<(DeviceCaller & { readonly hash: string })[]>(
      'SELECT id, farm_id AS farmId, name, kind, token_hash AS hash FROM devices WHERE token_hash IN (?) AND revoked = 0',
      [hashes],
    );
    return new Map(rows.map(({ hash, ...row }) => [hash, row]));
  }

  /** A device that is cut off here is cut off at once. */
  forget(): void {
    this.known.clear();
  }
}

/** What a token may at most, whoever made it. */
const SCOPE_ROLE = { read: 'viewer', record: 'operator' } as const satisfies Record<ApiTokenRow['scope'], Role>;

/** Tokens of people for programs of their own. */
@Injectable()
export class ApiTokens {
  private readonly calls: Buckets;
  private readonly seen = new Map<string, number>();

  constructor(
    @Inject(DataSource) private readonly db: DataSource,
    @Inject(Clock) private readonly clock: Clock,
    @Inject(CONFIG) private readonly config: Config,
    @Inject(Fellows) fellows: Fellows,
  ) {
    this.calls = new Buckets(BURST * config.deviceLimit, config.deviceLimit, () => fellows.count);
  }

  /** Whose token it is and what it may on a farm; null for one that is none, has ended or is of another farm. */
  async of(
    authorization: string | undefined,
    farmId: string,
  ): Promise<{ readonly caller: Caller; readonly role: Role } | null> {
    const token = /^Bearer (fg_[\w-]{20,100})$/.exec(authorization ?? '')?.[1];
    if (token === undefined) return null;
    const row = await this.db.getRepository(ApiTokenRow).findOneBy({ tokenHash: hashToken(token), revoked: false });
    const now = this.clock.now();
    if (!row || row.farmId !== farmId || row.endsMs < now) return null;
    const [user, membership] = await Promise.all([
      this.db.getRepository(UserRow).findOneBy({ id: row.userId }),
      this.db.getRepository(MembershipRow).findOneBy({ farmId, userId: row.userId }),
    ]);
    if (!user || !membership) return null;
    const { deviceLimit } = this.config;
    if (deviceLimit > 0 && !this.calls.take(row.id, now))
      throw new Refused('too_often', `A token calls at most ${deviceLimit} times a second.`);
    if (now - (this.seen.get(row.id) ?? 0) > SEEN_EVERY_MS) {
      setBounded(this.seen, row.id, now, MOST_KNOWN);
      await this.db.getRepository(ApiTokenRow).update({ farmId, id: row.id }, { usedMs: now });
    }
    const role = ROLES[Math.min(ROLES.indexOf(membership.role), ROLES.indexOf(SCOPE_ROLE[row.scope]))]!;
    return { caller: { id: user.id, name: `${user.name} (${row.name})`, email: user.email }, role };
  }
}

/** Who is signed in, by the token that a request brings. */
@Injectable()
export class Sessions {
  constructor(
    @Inject(DataSource) private readonly db: DataSource,
    @Inject(Clock) private readonly clock: Clock,
    @Inject(ApiTokens) private readonly tokens: ApiTokens,
    @Inject(Jobs) private readonly jobs: Jobs,
  ) {}

  async callerOf(request: Request): Promise<Caller | undefined> {
    return (await this.memberOf(request, ''))?.caller;
  }

  /** Who is signed in, and what on a farm: one question, for every call asks it. */
  async memberOf(
    request: Request,
    farmId: string,
  ): Promise<{ readonly caller: Caller; readonly membership: Pick<MembershipRow, 'farmId' | 'role'> | null } | null> {
    const token = tokenOf(request);
    if (token === undefined) return null;
    const tokenHash = hashToken(token);
    const [found] = await this.db.query<{ id: string; name: string; email: string; ends: string; seen: string | null; farm: string | null; role: Role }[]>(
      'SELECT u.id, u.name, u.email, s.expires_at AS ends, s.seen_ms AS seen, m.farm_id AS farm, m.role ' +
        'FROM sessions s JOIN users u ON u.id = s.user_id LEFT JOIN memberships m ON m.user_id = s.user_id AND m.farm_id = ? ' +
        'WHERE s.token_hash = ?',
      [farmId, tokenHash],
    ); // prettier-ignore
    if (!found || Number(found.ends) < this.clock.now()) return null;
    await this.saw(tokenHash, Number(found.seen ?? 0));
    const { id, name, email, farm, role } = found;
    return { caller: { id, name, email }, membership: farm === null ? null : { farmId: farm, role } };
  }

  /** Whether the session of a request goes on, and its member still belongs to the farm. */
  async isWelcome(request: Request, farmId: string): Promise<boolean> {
    if (request.headers.authorization !== undefined) return (await this.tokens.of(request.headers.authorization, farmId)) !== null; // prettier-ignore
    const member = await this.memberOf(request, farmId);
    if (member === null) return (await this.jobs.of(request))?.farmId === farmId;
    return member.membership !== null;
  }

  private async saw(tokenHash: string, before: number): Promise<void> {
    const now = this.clock.now();
    if (now - before > SESSION_SEEN_EVERY_MS)
      await this.db.getRepository(SessionRow).update({ tokenHash }, { seenMs: now });
  }
}

@Injectable()
export class AccessGuard implements CanActivate {
  private readonly strangers: Buckets;

  constructor(
    @Inject(Reflector) private readonly reflector: Reflector,
    @Inject(DataSource) private readonly db: DataSource,
    @Inject(Clock) private readonly clock: Clock,
    @Inject(DeviceTokens) private readonly devices: DeviceTokens,
    @Inject(Sessions) private readonly sessions: Sessions,
    @Inject(ApiTokens) private readonly tokens: ApiTokens,
    @Inject(Jobs) private readonly jobs: Jobs,
    @Inject(CONFIG) private readonly config: Config,
    @Inject(Fellows) fellows: Fellows,
  ) {
    this.strangers = new Buckets(10 * config.strangerLimit, config.strangerLimit, () => fellows.count);
  }

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const request = context.switchToHttp().getRequest<CalledRequest>();
    const access = this.reflector.getAllAndOverride<Access | undefined>(ACCESS, [
      context.getHandler(),
      context.getClass(),
    ]);
    if (access === undefined) throw new Refused('role_too_low', 'nobody may call this');
    // No browser sends a device's token by itself, so its writes need no origin.
    if (access === 'device') {
      request.device = await this.devices.of(request.headers.authorization).catch((error: unknown) => {
        // Whoever tries tokens is a stranger.
        if (error instanceof Refused && error.code === 'sign_in_needed') this.slowDown(request);
        throw error;
      });
      return true;
    }
    const { farmId } = request.params;
    // A program of the farm's own: no browser sends its token by itself, so its writes need no origin.
    if (
      request.headers.authorization !== undefined &&
      typeof farmId === 'string' &&
      (ROLES as readonly string[]).includes(access)
    ) {
      // prettier-ignore
      const own = await this.tokens.of(request.headers.authorization, farmId);
      if (!own) {
        this.slowDown(request);
        throw new Refused('sign_in_needed', 'This token is not known here: it is wrong, has ended, was revoked, or is of another farm.'); // prettier-ignore
      }
      request.caller = own.caller;
      request.role = own.role;
      if (ROLES.indexOf(own.role) < ROLES.indexOf(access as Role))
        throw new Refused('role_too_low', `This token may ${own.role === 'viewer' ? 'read' : 'read and record'}, and not do this.`); // prettier-ignore
      return true;
    }
    if (!SAFE.has(request.method)) checkOrigin(request);
    const member = await this.sessions.memberOf(request, typeof farmId === 'string' ? farmId : '');
    request.caller = member?.caller;
    const job = request.caller ? undefined : await this.jobs.of(request);
    if (!request.caller && !job) this.slowDown(request);
    if (access === 'public') return true;
    if (job) {
      const isOpen = this.reflector.getAllAndOverride<boolean | undefined>(FOR_JOBS, [
        context.getHandler(),
        context.getClass(),
      ]);
      return this.letJobIn(request, job, isOpen === true);
    }
    if (!request.caller) throw new Refused('sign_in_needed', 'Sign in first.');
    if (access === 'signedIn') return true;
    const membership = member?.membership;
    // The database holds a padded or a differently cased id to be the same; a cache does not.
    if (!membership || membership.farmId !== farmId)
      throw new Refused('not_a_member', 'You are not a member of this farm.');
    request.role = membership.role;
    if (ROLES.indexOf(membership.role) < ROLES.indexOf(access)) {
      throw new Refused(
        'role_too_low',
        `As ${membership.role} you may look but not do this; it needs ${access === 'operator' ? 'an operator' : `a ${access}`}.`,
      );
    }
    return true;
  }

  /** A paired phone calls what its cab needs, of its own farm. */
  private letJobIn(request: CalledRequest, job: JobCaller, isOpen: boolean): true {
    const { farmId } = request.params;
    if (typeof farmId === 'string' && farmId !== job.farmId)
      throw new Refused('not_a_member', 'This phone is paired with another farm.');
    if (!isOpen) throw notItsJob(job);
    request.job = job;
    request.role = 'operator';
    return true;
  }

  /** Who is not signed in may ask as often as a page does, and not as often as a program can. */
  private slowDown(request: Request): void {
    if (this.config.strangerLimit === 0 || request.path === HEALTH) return;
    if (!this.strangers.take(request.ip ?? '', this.clock.now()))
      throw new Refused('too_often', 'Too many requests from this address. Wait a moment.', [], 2);
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
    throw new Refused(
      'origin_wrong',
      'Writes are taken from this address only (the Origin header is missing or names another).',
    );
}
