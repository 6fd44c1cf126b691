import {
  type AcceptBody,
  type AuditLine,
  type InviteBody,
  type InviteInfo,
  type InviteShown,
  type MemberInfo,
  type NewLink,
  type NewToken,
  type ProfileAnswer,
  type Role,
  ROLES,
  type TokenBody,
  type TokenInfo,
} from '@fanega/contract';
import { Inject, Injectable } from '@nestjs/common';
import { ulid } from 'ulid';
import type { Caller } from '../../platform/access.js';
import { Clock, isoOf } from '../../platform/clock.js';
import { Mail } from '../../platform/mail.js';
import type { InviteRow, UserRow } from '../../platform/entities/identity.entity.js';
import { FarmWrites, type Tx } from '../../platform/farm-write.js';
import { Refused } from '../../platform/refused.js';
import { hashToken, mayBeToken, newToken } from '../../platform/tokens.js';
import { MembersRepository } from './members.repository.js';
import { Passwords } from './passwords.js';
import { DEMO_USER, PeopleService, plainAddress } from './people.service.js';

const DAY = 86_400_000;
const PASSWORD_DAYS = 2;
const MOST_TOKENS = 100;
const AUDIT_PAGE = 200;
const rank = (role: Role): number => ROLES.indexOf(role);
/** What others know of somebody, and try first. */
const knownOf = (user: Pick<UserRow, 'name' | 'email'> | null): string[] => (user ? [user.name, user.email] : []);
/** Of an invitation or a job that is shut. */
export const noLink = (): Refused => new Refused('not_found', 'This link was used, has ended, or there never was one like it. Ask for a new one.'); // prettier-ignore

/** Who belongs to a farm, how somebody comes in and goes, and what one changes of oneself. */
@Injectable()
export class MembersService {
  constructor(
    @Inject(MembersRepository) private readonly people: MembersRepository,
    @Inject(PeopleService) private readonly sessions: PeopleService,
    @Inject(Passwords) private readonly passwords: Passwords,
    @Inject(FarmWrites) private readonly writes: FarmWrites,
    @Inject(Clock) private readonly clock: Clock,
    @Inject(Mail) private readonly mail: Mail,
  ) {}

  async members(farmId: string, caller: Caller): Promise<MemberInfo[]> {
    const all = await this.people.members(farmId, this.clock.now());
    return all
      .map(({ member, user, sessions }) => ({
        userId: user.id,
        name: user.name,
        email: user.email,
        role: member.role,
        sessions: sessions.length,
        seenAt: isoOf(sessions.reduce<number | null>((last, one) => (one.seenMs !== null && one.seenMs > (last ?? 0) ? one.seenMs : last), null)), // prettier-ignore
        self: user.id === caller.id,
      }))
      .sort((a, b) => rank(b.role) - rank(a.role) || a.name.localeCompare(b.name));
  }

  /** Nobody gives more than he has. */
  private mayGive(own: Role, role: Role): void {
    if (rank(role) > rank(own)) throw new Refused('role_too_low', `As ${own} you cannot make somebody ${role}.`);
  }

  /** Whether invitations can be mailed. */
  get mails(): boolean {
    return this.mail.on;
  }

  /** @param address of this server as the caller reached it: its Host was checked before */
  async invite(farmId: string, body: InviteBody, caller: Caller, own: Role, address: string): Promise<NewLink> {
    this.mayGive(own, body.role);
    const link = await this.door(farmId, { kind: 'join', role: body.role, userId: null, givenTo: body.givenTo.trim(), byName: caller.name }, body.days); // prettier-ignore
    if (body.email === undefined || !this.mail.on) return link;
    const farm = (await this.people.farm(farmId))?.name ?? 'a farm';
    const text = [
      `${caller.name} invites you to the grain book of ${farm}.`,
      `Open this link within ${body.days} ${body.days === 1 ? 'day' : 'days'}; it works once:`,
      `${address}/join/${link.secret}`,
    ].join('\n\n');
    return { ...link, mailed: await this.mail.send(body.email, `${farm}: your way into the grain book`, text) };
  }

  private async door(
    farmId: string,
    of: Pick<InviteRow, 'kind' | 'role' | 'userId' | 'givenTo' | 'byName'>,
    days: number,
  ): Promise<NewLink> {
    const secret = newToken();
    const id = ulid();
    const madeMs = this.clock.now();
    await this.writes.run(farmId, async ({ tx }) => {
      await this.people.addInvite(tx, { farmId, id, ...of, tokenHash: hashToken(secret), madeMs, endsMs: madeMs + days * DAY, usedMs: null, usedBy: null, revoked: false }); // prettier-ignore
    });
    return { id, secret };
  }

  async invites(farmId: string): Promise<InviteInfo[]> {
    return (await this.people.invites(farmId)).map((row) => ({
      ...{ id: row.id, kind: row.kind, role: row.role, givenTo: row.givenTo, by: row.byName, usedBy: row.usedBy },
      madeAt: isoOf(row.madeMs)!,
      endsAt: isoOf(row.endsMs)!,
      usedAt: isoOf(row.usedMs),
      revoked: Boolean(row.revoked),
    }));
  }

  revokeInvite(farmId: string, id: string): Promise<{ id: string }> {
    return this.writes.run(farmId, async ({ tx }) => {
      if (!(await this.people.revokeInvite(tx, farmId, id))) throw new Refused('not_found', 'There is no such link.');
      return { id };
    });
  }

  private async open(secret: string): Promise<InviteRow> {
    const row = mayBeToken(secret) ? await this.people.inviteBySecret(hashToken(secret)) : null;
    if (!row || row.revoked || row.usedMs !== null || row.endsMs < this.clock.now()) throw noLink();
    return row;
  }

  async shown(secret: string): Promise<InviteShown> {
    const row = await this.open(secret);
    const farm = await this.people.farm(row.farmId);
    const user = row.userId === null ? null : await this.people.user(row.userId);
    if (!farm) throw noLink();
    return { kind: row.kind, farm: farm.name, role: row.role, by: row.byName, givenTo: row.givenTo, email: user?.email ?? null }; // prettier-ignore
  }

  /** Goes through a door once: whoever comes second finds it shut. */
  private through<T>(row: InviteRow, usedBy: string, work: (tx: Tx) => Promise<T>): Promise<T> {
    return this.writes.run(row.farmId, async ({ tx, changed }) => {
      const now = await this.people.lockedInvite(tx, row.farmId, row.id);
      if (!now || now.usedMs !== null || now.revoked) throw noLink();
      const done = await work(tx);
      await this.people.useInvite(tx, row, this.clock.now(), usedBy);
      changed('header');
      return done;
    });
  } // prettier-ignore

  /** Somebody new with an account of his own. @returns the token for his cookie */
  async accept(secret: string, body: AcceptBody, device: string): Promise<string> {
    const row = await this.open(secret);
    if (row.kind !== 'join') throw noLink();
    const email = plainAddress(body.email);
    if (await this.sessions.knows(email))
      throw new Refused('name_used', 'Somebody with this address has an account: sign in first, then open the link again.', [{ field: 'email', code: 'name_used', message: 'this address has an account: sign in first, then open the link again' }]); // prettier-ignore
    const passwordHash = await this.passwords.choose(body.password, [body.name, email]);
    const userId = ulid();
    await this.through(row, body.name.trim(), async (tx) => {
      await this.people.addUser(tx, { id: userId, email, name: body.name.trim(), passwordHash });
      await this.people.join(tx, { farmId: row.farmId, userId, role: row.role });
    });
    return this.sessions.open(userId, device);
  }

  /** Somebody who is signed in, of another farm. */
  async join(secret: string, caller: Caller): Promise<{ id: string }> {
    const row = await this.open(secret);
    if (row.kind !== 'join') throw noLink();
    if (caller.id === DEMO_USER) throw new Refused('role_too_low', 'The demo’s visitor joins no farm: sign out first.');
    await this.through(row, caller.name, async (tx) => {
      const own = (await this.people.locked(tx, row.farmId)).find(({ userId }) => userId === caller.id);
      if (own) throw new Refused('name_used', 'You belong to this farm already.');
      await this.people.join(tx, { farmId: row.farmId, userId: caller.id, role: row.role });
    });
    return { id: row.farmId };
  }

  /** A new password by a link; all sessions of before end. @returns the token for the cookie */
  async newPassword(secret: string, password: string, device: string): Promise<string> {
    const row = await this.open(secret);
    if (row.kind !== 'password' || row.userId === null) throw noLink();
    const { userId } = row;
    const passwordHash = await this.passwords.choose(password, knownOf(await this.people.user(userId)));
    await this.through(row, row.givenTo, async (tx) => {
      await this.people.setPassword(tx, userId, passwordHash);
      await this.people.endSessions(tx, userId);
    });
    return this.sessions.open(userId, device);
  }

  /** A member as he stands, where the caller may change him: nobody changes whoever is above him. */
  private async changeable(tx: Tx, farmId: string, userId: string, own: Role): Promise<{ role: Role; owners: number }> {
    const all = await this.people.locked(tx, farmId);
    const member = all.find((one) => one.userId === userId);
    if (!member) throw new Refused('not_found', 'Nobody like that belongs to this farm.');
    if (rank(member.role) > rank(own)) throw new Refused('role_too_low', `As ${own} you cannot change ${member.role === 'owner' ? 'an owner' : `a ${member.role}`}.`); // prettier-ignore
    return { role: member.role, owners: all.filter(({ role }) => role === 'owner').length };
  } // prettier-ignore

  setRole(farmId: string, userId: string, role: Role, own: Role): Promise<{ userId: string }> {
    this.mayGive(own, role);
    return this.writes.run(farmId, async ({ tx, changed }) => {
      const now = await this.changeable(tx, farmId, userId, own);
      if (now.role === 'owner' && role !== 'owner' && now.owners === 1) throw lastOwner();
      await this.people.setRole(tx, farmId, userId, role);
      changed('header');
      return { userId };
    });
  }

  remove(farmId: string, userId: string, own: Role): Promise<{ userId: string }> {
    return this.writes.run(farmId, async ({ tx, changed }) => {
      const now = await this.changeable(tx, farmId, userId, own);
      if (now.role === 'owner' && now.owners === 1) throw lastOwner();
      await this.people.remove(tx, farmId, userId);
      changed('header');
      return { userId };
    });
  }

  signOut(farmId: string, userId: string, own: Role): Promise<{ userId: string }> {
    return this.writes.run(farmId, async ({ tx }) => {
      await this.changeable(tx, farmId, userId, own);
      await this.people.endSessions(tx, userId);
      return { userId };
    });
  }

  /** A link to a new password. Only where nobody but owners of this farm could be harmed by it: a person of another farm is told there. */
  async passwordLink(farmId: string, userId: string, caller: Caller, own: Role): Promise<NewLink> {
    const user = await this.people.user(userId);
    await this.writes.run(farmId, async ({ tx }) => {
      await this.changeable(tx, farmId, userId, own);
      const farms = await this.people.membershipsOf(tx, userId);
      if (farms.some((one) => one.farmId !== farmId))
        throw new Refused('role_too_low', 'This person belongs to another farm too: he changes his password himself.');
    });
    return this.door(farmId, { kind: 'password', role: own, userId, givenTo: user!.name, byName: caller.name }, PASSWORD_DAYS); // prettier-ignore
  }

  async profile(caller: Caller, tokenHash: string): Promise<ProfileAnswer> {
    const [user, sessions] = await Promise.all([this.people.user(caller.id), this.people.sessionsOf(caller.id, this.clock.now())]); // prettier-ignore
    return {
      name: user!.name,
      email: user!.email,
      hasPassword: user!.passwordHash !== null,
      sessions: sessions.map((one) => ({
        id: one.id ?? '',
        device: one.device,
        madeAt: isoOf(one.madeMs),
        seenAt: isoOf(one.seenMs),
        here: one.tokenHash === tokenHash,
      })),
    };
  }

  async rename(caller: Caller, name: string): Promise<void> {
    if (caller.id === DEMO_USER) throw new Refused('role_too_low', 'The demo’s visitor has no name of his own.');
    await this.people.setName(caller.id, name.trim());
  }

  async changePassword(caller: Caller, old: string, password: string, tokenHash: string): Promise<void> {
    const user = await this.people.user(caller.id);
    const isRight = await this.passwords.isRight(user?.passwordHash, old);
    if (!isRight)
      throw new Refused('sign_in_wrong', 'The old password is wrong.', [{ field: 'old', code: 'sign_in_wrong', message: 'the old password is wrong' }]); // prettier-ignore
    await this.people.setPassword(null, caller.id, await this.passwords.choose(password, knownOf(user)));
    await this.people.endOthers(caller.id, tokenHash);
  }

  async endSession(caller: Caller, id: string): Promise<void> {
    if (!(await this.people.endSession(caller.id, id)))
      throw new Refused('not_found', 'This session has ended already.');
  }

  endOthers(caller: Caller, tokenHash: string): Promise<void> {
    return this.people.endOthers(caller.id, tokenHash);
  }

  /** One's own tokens; an owner sees everybody's. */
  async tokens(farmId: string, caller: Caller, own: Role): Promise<TokenInfo[]> {
    const rows = await this.people.tokens(farmId);
    const members = new Map((await this.people.members(farmId, this.clock.now())).map(({ user }) => [user.id, user.name])); // prettier-ignore
    return rows
      .filter(({ userId }) => own === 'owner' || userId === caller.id)
      .map((row) => ({
        ...{ id: row.id, name: row.name, scope: row.scope, by: members.get(row.userId) ?? '' },
        madeAt: isoOf(row.madeMs)!,
        endsAt: isoOf(row.endsMs)!,
        usedAt: isoOf(row.usedMs),
        revoked: Boolean(row.revoked),
      }));
  }

  addToken(farmId: string, body: TokenBody, caller: Caller, own: Role): Promise<NewToken> {
    if (body.scope === 'record' && rank(own) < rank('operator')) throw new Refused('role_too_low', 'As viewer you read, and so does your token.'); // prettier-ignore
    const token = `fg_${newToken()}`;
    const id = ulid();
    const madeMs = this.clock.now();
    return this.writes.run(farmId, async ({ tx }) => {
      if ((await this.people.tokensInUse(tx, farmId)) >= MOST_TOKENS) throw new Refused('body_wrong', `A farm has at most ${MOST_TOKENS} tokens; revoke one first.`); // prettier-ignore
      await this.people.addToken(tx, { farmId, id, userId: caller.id, name: body.name.trim(), scope: body.scope, tokenHash: hashToken(token), madeMs, endsMs: madeMs + body.days * DAY, usedMs: null, revoked: false }); // prettier-ignore
      return { id, token };
    });
  }

  revokeToken(farmId: string, id: string, caller: Caller, own: Role): Promise<{ id: string }> {
    return this.writes.run(farmId, async ({ tx }) => {
      const where = own === 'owner' ? { farmId, id } : { farmId, id, userId: caller.id };
      if (!(await this.people.revokeToken(tx, where))) throw new Refused('not_found', 'There is no such token of yours.'); // prettier-ignore
      return { id };
    });
  }

  async audit(farmId: string, before: string | undefined): Promise<AuditLine[]> {
    return (await this.people.audit(farmId, before, AUDIT_PAGE)).map(({ id, atMs, byName, what, about }) => ({ id, at: isoOf(atMs)!, by: byName, what, about })); // prettier-ignore
  }
}

const lastOwner = (): Refused => new Refused('name_used', 'A farm has an owner: make somebody else one first.');
