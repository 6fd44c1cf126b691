import { randomUUID } from 'node:crypto';
import { Inject, Injectable, type OnApplicationShutdown, type OnModuleInit } from '@nestjs/common';
import { DataSource } from 'typeorm';

const EVERY_MS = 5000;
/** A process that was not heard for so long is gone, s. */
const GONE_AFTER = 20;

/** How many server processes stand before the database: what a limit allows is divided among them, so that all together allow no more. */
@Injectable()
export class Fellows implements OnModuleInit, OnApplicationShutdown {
  private readonly id = randomUUID();
  private alive = 1;
  private timer: NodeJS.Timeout | undefined;

  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  get count(): number {
    return this.alive;
  }

  async onModuleInit(): Promise<void> {
    await this.look();
    this.timer = setInterval(() => void this.look(), EVERY_MS);
    this.timer.unref();
  }

  /** Says that this one is there, and counts the others; by the database's clock, which all of them share. */
  async look(): Promise<void> {
    try {
      await this.db.query('INSERT INTO server_processes (id, seen) VALUES (?, NOW()) ON DUPLICATE KEY UPDATE seen = NOW()', [this.id]); // prettier-ignore
      await this.db.query(`DELETE FROM server_processes WHERE seen < NOW() - INTERVAL ${GONE_AFTER} SECOND`);
      const [found] = await this.db.query<{ alive: string }[]>('SELECT COUNT(*) AS alive FROM server_processes');
      this.alive = Math.max(1, Number(found?.alive ?? 1));
    } catch {
      // A database that is away answers nobody: the count of before stands until it is back.
    }
  }

  async onApplicationShutdown(): Promise<void> {
    clearInterval(this.timer);
    await this.db.query('DELETE FROM server_processes WHERE id = ?', [this.id]).catch(() => undefined);
  }
}
