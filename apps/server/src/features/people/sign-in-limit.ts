import { setBounded } from '../../platform/bounded.js';
import { Refused } from '../../platform/refused.js';

const WINDOW_MS = 15 * 60_000;
/** Addresses from which an account signed in well, for each account. */
const MOST_KNOWN = 20;
const MOST_ACCOUNTS = 10_000;

/**
 * Wrong passwords by address and by account in a quarter of an hour. A try counts before it is looked at, so that many at once are no way
 * around it; a right one is taken off again. Whoever guesses at an account from elsewhere does not lock its owner out from where he
 * signed in before.
 */
export class SignInLimit {
  private readonly tries = new Map<string, { count: number; since: number }>();
  private readonly known = new Map<string, Map<string, true>>();

  /** @param most tries; 0 for no limit */
  constructor(private readonly most: number) {}

  /** Counts a try. @throws Refused where there were too many @returns what takes it off again */
  begin(account: string, address: string, nowMs: number): () => void {
    const keys = [`address ${address}`];
    if (!this.known.get(account)?.has(address)) keys.push(`account ${account}`);
    if (this.most === 0) return () => undefined;
    this.forgetOld(nowMs);
    for (const key of keys) {
      const found = this.tries.get(key);
      if (found && found.count >= this.most) {
        const left = found.since + WINDOW_MS - nowMs;
        throw new Refused(
          'too_many_sign_ins',
          `Too many wrong passwords. Try again in ${Math.ceil(left / 60_000)} minutes.`,
          [],
          Math.ceil(left / 1000),
        );
      }
    }
    for (const key of keys) {
      const found = this.tries.get(key);
      if (found) found.count++;
      else this.tries.set(key, { count: 1, since: nowMs });
    }
    return () => {
      for (const key of keys) this.tries.delete(key);
    };
  }

  /** An account signed in well from here: what others guess at it elsewhere is not held against this address. */
  signedIn(account: string, address: string): void {
    const addresses = this.known.get(account) ?? new Map<string, true>();
    setBounded(addresses, address, true, MOST_KNOWN);
    setBounded(this.known, account, addresses, MOST_ACCOUNTS);
  }

  /** What is over is forgotten, so that the list cannot be grown without end. */
  private forgetOld(nowMs: number): void {
    for (const [key, { since }] of this.tries) if (since + WINDOW_MS <= nowMs) this.tries.delete(key);
  }
}
