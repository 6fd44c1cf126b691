import { Inject, Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { again } from '../../platform/again.js';

/** Wrong sign-ins and known addresses, by fingerprints, for all servers of a database together. */
@Injectable()
export class SignInRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  /**
   * Counts a try; one that began before `oldMs` is over, and counting begins again.
   * @returns which try this one is: its own number, however many come at once
   */
  async count(key: string, nowMs: number, oldMs: number): Promise<number> {
    // The count looks at the old time: the columns are set in this order.
    const { insertId } = (await this.query(
      `INSERT INTO sign_in_tries (of_hash, tries, since_ms) VALUES (?, 1, ?)
       ON DUPLICATE KEY UPDATE tries = LAST_INSERT_ID(IF(since_ms <= ?, 1, tries + 1)), since_ms = IF(since_ms <= ?, VALUES(since_ms), since_ms)`,
      [key, nowMs, oldMs, oldMs],
    )) as unknown as { insertId: number | string };
    return Number(insertId) || 1;
  }

  /** When counting began, ms; null where nothing is counted. */
  async since(key: string): Promise<number | null> {
    const [row] = await this.query('SELECT since_ms FROM sign_in_tries WHERE of_hash = ?', [key]);
    return row ? Number(row.since_ms) : null;
  }

  async forget(key: string): Promise<void> {
    await this.query('DELETE FROM sign_in_tries WHERE of_hash = ?', [key]);
  }

  async isKnown(key: string): Promise<boolean> {
    return (await this.query('SELECT 1 FROM sign_in_known WHERE of_hash = ?', [key])).length > 0;
  }

  async know(key: string, nowMs: number): Promise<void> {
    await this.query('INSERT INTO sign_in_known (of_hash, at_ms) VALUES (?, ?) ON DUPLICATE KEY UPDATE at_ms = VALUES(at_ms)', [key, nowMs]); // prettier-ignore
  }

  /** Some of what is over, so that the lists cannot be grown without end. */
  async forgetOld(knownBeforeMs: number, triesBeforeMs: number): Promise<void> {
    await this.query('DELETE FROM sign_in_known WHERE at_ms < ? LIMIT 100', [knownBeforeMs]);
    await this.query('DELETE FROM sign_in_tries WHERE since_ms < ? LIMIT 1000', [triesBeforeMs]);
  }

  private query(sql: string, values: readonly unknown[]): Promise<Record<string, unknown>[]> {
    return again(() => this.db.query(sql, [...values]) as Promise<Record<string, unknown>[]>);
  }
}
