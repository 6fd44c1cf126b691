import type { Me, SetupBody } from '@fanega/contract';
import { Inject, Injectable } from '@nestjs/common';
import { hash, verify } from '@node-rs/argon2';
import { DEFAULT_MOISTURE } from '@fanega/core';
import { ulid } from 'ulid';
import type { Caller } from '../../platform/access.js';
import { Clock } from '../../platform/clock.js';
import { CONFIG, type Config } from '../../platform/config.js';
import { Refused } from '../../platform/refused.js';
import { hashToken, newToken } from '../../platform/tokens.js';
import { PeopleRepository } from './people.repository.js';

export const SESSION_MS = 30 * 24 * 3_600_000;
const WINDOW_MS = 15 * 60_000;
/** The demo's visitor: a person without a password, who exists only beside a demo farm. */
export const DEMO_USER = 'demo-visitor';

/** Hash of a password nobody has, so that an unknown address costs as much time as a known one. */
const NOBODY = hash('no such password');

@Injectable()
export class PeopleService {
  private readonly failures = new Map<string, { count: number; since: number }>();

  constructor(
    @Inject(PeopleRepository) private readonly people: PeopleRepository,
    @Inject(Clock) private readonly clock: Clock,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  async me(caller: Caller | null): Promise<Me> {
    const demo = await this.people.hasDemo();
    if (!caller) return { user: null, farms: [], firstRun: await this.people.isEmpty(), demo };
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
      demo,
    };
  }

  /** @returns the token for the cookie */
  async signIn(email: string, password: string, address: string): Promise<string> {
    const keys = [`address ${address}`, `account ${email.toLowerCase()}`];
    for (const key of keys) this.throttle(key);
    const user = await this.people.byEmail(email.toLowerCase());
    const right = await verify(user?.passwordHash ?? (await NOBODY), password);
    if (!user?.passwordHash || !right) {
      for (const key of keys) this.fail(key);
      throw new Refused('sign_in_wrong', 'Address or password is wrong.');
    }
    for (const key of keys) this.failures.delete(key);
    return this.open(user.id);
  }

  private throttle(key: string): void {
    const limit = this.config.signInLimit;
    const found = this.failures.get(key);
    if (!found || limit === 0) return;
    const left = found.since + WINDOW_MS - this.clock.now();
    if (left <= 0) this.failures.delete(key);
    else if (found.count >= limit)
      throw new Refused(
        'too_many_sign_ins',
        `Too many wrong passwords. Try again in ${Math.ceil(left / 60_000)} minutes.`,
      );
  }

  private fail(key: string): void {
    const now = this.clock.now();
    // Forget what is over, so that the list cannot be grown without end.
    for (const [other, { since }] of this.failures) if (since + WINDOW_MS < now) this.failures.delete(other);
    const found = this.failures.get(key);
    if (found) found.count++;
    else this.failures.set(key, { count: 1, since: now });
  }

  async enterDemo(): Promise<string> {
    if (!(await this.people.exists(DEMO_USER))) throw new Refused('not_found', 'There is no demo farm here.');
    return this.open(DEMO_USER);
  }

  async signOut(token: string): Promise<void> {
    await this.people.endSession(hashToken(token));
  }

  private async open(userId: string): Promise<string> {
    const token = newToken();
    const now = this.clock.now();
    await this.people.openSession({ tokenHash: hashToken(token), userId, expiresAt: now + SESSION_MS }, now);
    return token;
  }

  /** Makes the first farm and its owner; refused once anybody is there. */
  async setUp(body: SetupBody): Promise<string> {
    const passwordHash = await hash(body.password);
    const userId = ulid();
    const isFirst = await this.people.setUp(
      {
        id: ulid(),
        name: body.farm,
        timeZone: body.timeZone,
        seq: 0,
        demo: false,
        defaultMoisture: DEFAULT_MOISTURE,
        units: body.units ?? 'us',
        clock: body.units === 'metric' ? '24' : '12',
      },
      { id: userId, email: body.email.toLowerCase(), name: body.name, passwordHash },
    );
    if (!isFirst) throw new Refused('set_up_already', 'This farm has an owner already; sign in.');
    return this.open(userId);
  }
}
