import { createHash } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import { CONFIG, type Config } from '../../platform/config.js';
import { Refused } from '../../platform/refused.js';
import { SignInRepository } from './sign-in.repository.js';

const WINDOW_MS = 15 * 60_000;
/** From where an account signed in well is remembered for so long. */
const KNOWN_MS = 400 * 24 * 3_600_000;

const hashOf = (...parts: string[]): string => createHash('sha256').update(JSON.stringify(parts)).digest('hex');

/**
 * Wrong passwords by address and by account in a quarter of an hour, counted for all servers together. A try counts before it is looked at,
 * so that many at once are no way around it; a right one is taken off again. Whoever guesses at an account from elsewhere does not lock its
 * owner out from where he signed in before.
 */
@Injectable()
export class SignInLimit {
  constructor(
    @Inject(SignInRepository) private readonly kept: SignInRepository,
    @Inject(CONFIG) private readonly config: Pick<Config, 'signInLimit'>,
  ) {}

  /** Counts a try. @throws Refused where there were too many @returns what takes it off again */
  async begin(account: string, address: string, nowMs: number): Promise<() => Promise<void>> {
    const most = this.config.signInLimit;
    if (most === 0) return async () => undefined;
    const known = await this.kept.isKnown(hashOf(account, address));
    const keys = [hashOf('address', address), ...(known ? [] : [hashOf('account', account)])];
    for (const key of keys) {
      if ((await this.kept.count(key, nowMs, nowMs - WINDOW_MS)) <= most) continue;
      const left = ((await this.kept.since(key)) ?? nowMs) + WINDOW_MS - nowMs;
      throw new Refused(
        'too_many_sign_ins',
        `Too many wrong passwords. Try again in ${Math.max(1, Math.ceil(left / 60_000))} minutes.`,
        [],
        Math.max(1, Math.ceil(left / 1000)),
      );
    }
    return async () => {
      for (const key of keys) await this.kept.forget(key);
    };
  }

  /** An account signed in well from here: what others guess at it elsewhere is not held against this address. */
  async signedIn(account: string, address: string, nowMs: number): Promise<void> {
    await this.kept.know(hashOf(account, address), nowMs);
    await this.kept.forgetOld(nowMs - KNOWN_MS, nowMs - WINDOW_MS);
  }
}
