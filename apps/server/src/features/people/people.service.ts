import type { BeginFarmBody, ClaimBody, Me, SetupBody, UnitSystem } from '@fanega/contract';
import { createHash, timingSafeEqual } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import { CHAIN_START, DEFAULT_MOISTURE } from '@fanega/core';
import { ulid } from 'ulid';
import type { Caller } from '../../platform/access.js';
import { Clock } from '../../platform/clock.js';
import { CONFIG, type Config } from '../../platform/config.js';
import type { FarmRow } from '../../platform/entities/farm.entity.js';
import { programMark } from '../../platform/program.js';
import { Refused } from '../../platform/refused.js';
import { hashToken, newToken } from '../../platform/tokens.js';
import { PeopleRepository } from './people.repository.js';
import { Passwords } from './passwords.js';
import { SignInLimit } from './sign-in-limit.js';

export const SESSION_MS = 30 * 24 * 3_600_000;
/** The demo's visitor: a person without a password, who exists only beside a demo farm. */
export const DEMO_USER = 'demo-visitor';

/** An address as it is kept: letters that look alike to people and to the database are one. */
export const plainAddress = (email: string): string => email.normalize('NFKC').trim().toLowerCase();

/** Compared without telling by the time it takes how much of it was right; nothing is the same as no code. */
function sameText(given: string, wanted: string | null): boolean {
  if (wanted === null) return false;
  const [a, b] = [given, wanted].map((text) => createHash('sha256').update(text).digest());
  return timingSafeEqual(a!, b!);
}

@Injectable()
export class PeopleService {
  constructor(
    @Inject(PeopleRepository) private readonly people: PeopleRepository,
    @Inject(Clock) private readonly clock: Clock,
    @Inject(CONFIG) private readonly config: Config,
    @Inject(SignInLimit) private readonly limit: SignInLimit,
    @Inject(Passwords) private readonly passwords: Passwords,
  ) {}

  hasDemo(): Promise<boolean> {
    return this.people.hasDemo();
  }

  async me(caller: Caller | null): Promise<Omit<Me, 'job' | 'jobOver'>> {
    const [demo, program] = [await this.people.hasDemo(), programMark()];
    if (!caller) {
      const [firstRun, claim] = [await this.people.isEmpty(), await this.people.waitsForOwner()];
      return { user: null, farms: [], firstRun, claim, demo, program };
    }
    const farms = await this.people.farmsOf(caller.id);
    return {
      user: caller,
      farms: farms.map(({ farm, role }) => ({
        id: farm.id,
        name: farm.name,
        role,
        demo: Boolean(farm.demo),
        timeZone: farm.timeZone,
      })),
      firstRun: false,
      claim: false,
      demo,
      program,
    };
  }

  /** @returns the token for the cookie */
  async signIn(email: string, password: string, address: string, device = ''): Promise<string> {
    const user = await this.people.byEmail(plainAddress(email));
    // By who it is, and not by how his address was written this time.
    const account = user?.id ?? plainAddress(email);
    const right = await this.limit.begin(account, address, this.clock.now());
    const isRight = await this.passwords.isRight(user?.passwordHash, password);
    if (!user || !isRight) throw new Refused('sign_in_wrong', 'Address or password is wrong.');
    await right();
    await this.limit.signedIn(account, address, this.clock.now());
    return this.open(user.id, device);
  }

  async enterDemo(device = ''): Promise<string> {
    if (!(await this.people.exists(DEMO_USER))) throw new Refused('not_found', 'There is no demo farm here.');
    return this.open(DEMO_USER, device);
  }

  async signOut(token: string): Promise<void> {
    await this.people.endSession(hashToken(token));
  }

  async knows(email: string): Promise<boolean> {
    return (await this.people.byEmail(email)) !== null;
  }

  /** @param device as its browser calls itself */
  async open(userId: string, device = ''): Promise<string> {
    const token = newToken();
    const now = this.clock.now();
    await this.people.openSession(
      { tokenHash: hashToken(token), userId, expiresAt: now + SESSION_MS, id: ulid(now), device: device.slice(0, 120), madeMs: now, seenMs: now },
      now,
    ); // prettier-ignore
    return token;
  }

  /** @throws Refused for another code than the one that `npm start` prints */
  private async requireCode(code: string, address: string): Promise<void> {
    const right = await this.limit.begin('set-up', address, this.clock.now());
    if (!sameText(code, this.config.setUpCode))
      throw new Refused('code_wrong', 'The code is wrong: npm start prints it.', [
        { field: 'code', code: 'code_wrong', message: 'the code is wrong: npm start prints it' },
      ]);
    await right();
  }

  /** An owner's first password in a farm that was brought back. */
  async claim({ code, email, password }: ClaimBody, address: string): Promise<string> {
    await this.requireCode(code, address);
    const passwordHash = await this.passwords.choose(password, [email]);
    const userId = await this.people.claim(plainAddress(email), passwordHash);
    if (userId === null)
      throw new Refused('sign_in_wrong', 'No owner without a password has this address.', [
        { field: 'email', code: 'sign_in_wrong', message: 'no owner without a password has this address' },
      ]);
    return this.open(userId);
  }

  /**
   * Begins another farm, in the units of the one that its owner has.
   * @throws Refused for somebody who owns none, or too many
   */
  async beginFarm(caller: Caller, body: BeginFarmBody): Promise<{ id: string }> {
    const own = (await this.people.farmsOf(caller.id)).filter(({ farm, role }) => role === 'owner' && !farm.demo);
    if (own.length === 0) throw new Refused('role_too_low', 'Who owns a farm here begins another one.');
    const most = this.config.farmLimit;
    if (own.length >= most) throw new Refused('body_wrong', `One person owns at most ${most} farms here.`);
    if (own.some(({ farm }) => farm.name.trim().toLowerCase() === body.farm.trim().toLowerCase()))
      throw new Refused('name_used', 'You have a farm of this name.', [{ field: 'farm', code: 'name_used', message: 'you have a farm of this name' }]); // prettier-ignore
    const farm = emptyFarm(body.farm.trim(), body.timeZone, own[0]!.farm.units);
    await this.people.addFarm(farm, caller.id);
    return { id: farm.id };
  }

  /** Makes the first farm and its owner; refused once anybody is there. */
  async setUp(body: SetupBody, address: string): Promise<string> {
    await this.requireCode(body.code, address);
    const passwordHash = await this.passwords.choose(body.password, [body.name, body.email, body.farm]);
    const userId = ulid();
    const isFirst = await this.people.setUp(emptyFarm(body.farm, body.timeZone, body.units ?? 'us'), {
      id: userId,
      email: plainAddress(body.email),
      name: body.name,
      passwordHash,
    });
    if (!isFirst) throw new Refused('set_up_already', 'This farm has an owner already; sign in.');
    return this.open(userId);
  }
}

const emptyFarm = (name: string, timeZone: string, units: UnitSystem): FarmRow => ({
  ...{ id: ulid(), name, timeZone, units, seq: 0, chain: CHAIN_START, demo: false },
  defaultMoisture: DEFAULT_MOISTURE,
  clock: units === 'metric' ? '24' : '12',
});
