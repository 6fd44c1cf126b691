import { createHash } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { again } from '../../platform/again.js';
import { CONFIG, type Config } from '../../platform/config.js';
import { Refused } from '../../platform/refused.js';

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
    @Inject(DataSource) private readonly db: DataSource,
    @Inject(CONFIG) private readonly config: Pick<Config, 'signInLimit'>,
  ) {}

  /** Counts a try. @throws Refused where there were too many @returns what takes it off again */
  async begin(account: string, address: string, nowMs: number): Promise<() => Promise<void>> {
    const most = this.config.signInLimit;
    if (most === 0) return async () => undefined;
    const known = (await this.query('SELECT 1 FROM sign_in_known WHERE of_hash = ?', [hashOf(account, address)])).length > 0; // prettier-ignore
    const keys = [hashOf('address', address), ...(known ? [] : [hashOf('account', account)])];
    for (const key of keys) {
      if ((await this.count(key, nowMs)) <= most) continue;
      const [row] = await this.query('SELECT since_ms FROM sign_in_tries WHERE of_hash = ?', [key]);
      const left = Number(row?.since_ms ?? nowMs) + WINDOW_MS - nowMs;
      throw new Refused(
        'too_many_sign_ins',
        `Too many wrong passwords. Try again in ${Math.max(1, Math.ceil(left / 60_000))} minutes.`,
        [],
        Math.max(1, Math.ceil(left / 1000)),
      );
    }
    return async () => {
      for (const key of keys) await this.query('DELETE FROM sign_in_tries WHERE of_hash = ?', [key]);
    };
  }

  /** An account signed in well from here: what others guess at it elsewhere is not held against this address. */
  async signedIn(account: string, address: string, nowMs: number): Promise<void> {
    await this.query('INSERT INTO sign_in_known (of_hash, at_ms) VALUES (?, ?) ON DUPLICATE KEY UPDATE at_ms = VALUES(at_ms)', [hashOf(account, address), nowMs]); // prettier-ignore
    // What is over is forgotten, so that the lists cannot be grown without end.
    await this.query('DELETE FROM sign_in_known WHERE at_ms < ? LIMIT 100', [nowMs - KNOWN_MS]);
    await this.query('DELETE FROM sign_in_tries WHERE since_ms < ? LIMIT 1000', [nowMs - WINDOW_MS]);
  }

  /** @returns which try this one is: its own number, however many come at once */
  private async count(key: string, nowMs: number): Promise<number> {
    const old = nowMs - WINDOW_MS;
    // The count looks at the old time: the columns are set in this order.
    const { insertId } = (await this.query(
      `INSERT INTO sign_in_tries (of_hash, tries, since_ms) VALUES (?, 1, ?)
       ON DUPLICATE KEY UPDATE tries = LAST_INSERT_ID(IF(since_ms <= ?, 1, tries + 1)), since_ms = IF(since_ms <= ?, VALUES(since_ms), since_ms)`,
      [key, nowMs, old, old],
    )) as unknown as { insertId: number | string };
    return Number(insertId) || 1;
  }

  private query(sql: string, values: readonly unknown[]): Promise<Record<string, unknown>[]> {
    return again(() => this.db.query(sql, [...values]) as Promise<Record<string, unknown>[]>);
  }
}
