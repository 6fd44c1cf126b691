import { Inject, Injectable } from '@nestjs/common';
import type { Book } from '@fanega/core';
import type { Writable } from 'node:stream';
import path from 'node:path';
import { DataSource, type DataSourceOptions } from 'typeorm';
import { ulid } from 'ulid';
import { FarmRow } from '../../platform/entities/farm.entity.js';
import type { Progress } from '../../platform/lines.js';
import { Refused } from '../../platform/refused.js';
import { ArchiveReader } from './archive.js';
import { dumpFarm } from './dump.repository.js';
import { bringBack, migrationsFor } from './rows.repository.js';
import { schemaOf } from './tables.repository.js';

/** Whole farms out of the database and into it. */
@Injectable()
export class BackupRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  /** Farms that are nobody's demo. */
  realFarms(): Promise<FarmRow[]> {
    return this.db.getRepository(FarmRow).findBy({ demo: false });
  }

  /** Runs while no other server does the same. @returns false where one does */
  async alone(name: string, work: () => Promise<void>): Promise<boolean> {
    const runner = this.db.createQueryRunner();
    const lock = name.slice(0, 64);
    try {
      const [{ got }] = (await runner.query('SELECT GET_LOCK(?, 0) got', [lock])) as [{ got: unknown }];
      if (Number(got) !== 1) return false;
      await work();
      return true;
    } finally {
      await runner.query('DO RELEASE_LOCK(?)', [lock]).catch(() => undefined);
      await runner.release();
    }
  }

  async dump(farmId: string, to: Writable | string, now: number, book: (seq: number) => Promise<Book>): Promise<void> {
    await dumpFarm(this.db, farmId, to, now, book);
  }

  /** The backup's own farm, where there is none. */
  async restore(archive: ArchiveReader, progress: Progress): Promise<void> {
    await this.db.transaction((tx) => bringBack(tx, archive, null, progress));
  }

  /**
   * An archive that was looked at whole, in the tables of this program: an older one goes through the changes since, in a database of its own.
   * @throws Refused
   */
  async open(file: string, folder: string, now: number): Promise<ArchiveReader> {
    const { db } = this;
    const archive = await ArchiveReader.open(file);
    const { schema, farm } = archive.manifest;
    if (schema === (await schemaOf(db))) return archive;
    const { known, upTo } = migrationsFor(db, schema);
    if (!known) {
      archive.close();
      throw new Refused('backup_refused', 'A newer program made this backup: bring this one up to date first.');
    }
    const name = `${String(db.options.database).slice(0, 30)}_old_${ulid().toLowerCase()}`;
    const scratch = (migrations: unknown): DataSource =>
      new DataSource({ ...db.options, database: name, migrations, poolSize: 4 } as DataSourceOptions);
    await db.query(`CREATE DATABASE \`${name}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
    try {
      const old = scratch(upTo);
      await old.initialize();
      try {
        await old.runMigrations({ transaction: 'each' });
        await old.transaction((tx) => bringBack(tx, archive, null, () => undefined));
      } finally {
        await old.destroy();
      }
      const present = scratch(db.options.migrations);
      await present.initialize();
      try {
        await present.runMigrations({ transaction: 'each' });
        const again = path.join(folder, 'up-to-date.zip');
        await dumpFarm(present, farm.id, again, now, null);
        return await ArchiveReader.open(again);
      } finally {
        await present.destroy();
      }
    } finally {
      archive.close();
      await db.query(`DROP DATABASE IF EXISTS \`${name}\``);
    }
  }
}
