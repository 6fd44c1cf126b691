import { createWriteStream } from 'node:fs';
import { mkdir, mkdtemp, readdir, rename, rm, stat } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { type Readable, Transform, type Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { BackupInfo, BackupsAnswer } from '@fanega/contract';
import { Inject, Injectable, Logger, type OnModuleDestroy, type OnModuleInit } from '@nestjs/common';
import { ulid } from 'ulid';
import { Clock } from '../../platform/clock.js';
import { CONFIG, type Config } from '../../platform/config.js';
import { FarmWrites } from '../../platform/farm-write.js';
import type { Progress } from '../../platform/lines.js';
import { Refused } from '../../platform/refused.js';
import { LedgerService } from '../ledger/index.js';
import { MOST_UNPACKED } from './archive.js';
import { BackupRepository } from './backup.repository.js';
import { bringBack, hasNothing } from './rows.repository.js';
import { keptBackups } from './rotation.js';

const HOUR_MS = 3_600_000;
const DAILY_MS = 24 * HOUR_MS;
/** After so long without one, it is said. */
const TOO_OLD_MS = 48 * HOUR_MS;
const LOOK_EVERY_MS = 10 * 60_000;
const NAME = /^fanega-(\d{8}T\d{6}Z)\.zip$/;

const nameOf = (ms: number): string => `fanega-${new Date(ms).toISOString().replace(/[-:]|\.\d+/g, '')}.zip`;
const timeOf = (name: string): number => {
  const [, text = ''] = NAME.exec(name) ?? [];
  return Date.parse(text.replace(/(....)(..)(..)T(..)(..)(..)Z/, '$1-$2-$3T$4:$5:$6Z'));
};

/** Backups of whole farms: made on demand and once a day, looked at before they are brought back. */
@Injectable()
export class BackupService implements OnModuleInit, OnModuleDestroy {
  private readonly log = new Logger('backup');
  private readonly failed = new Map<string, string>();
  private timer: NodeJS.Timeout | undefined;

  constructor(
    @Inject(BackupRepository) private readonly repository: BackupRepository,
    @Inject(CONFIG) private readonly config: Config,
    @Inject(Clock) private readonly clock: Clock,
    @Inject(FarmWrites) private readonly writes: FarmWrites,
    @Inject(LedgerService) private readonly ledgers: LedgerService,
  ) {}

  onModuleInit(): void {
    if (this.config.backups === null) return;
    this.timer = setInterval(() => void this.daily(), LOOK_EVERY_MS);
    this.timer.unref();
  }

  onModuleDestroy(): void {
    clearInterval(this.timer);
  }

  /** A backup of every farm that has had none for a day. One server of several makes it. */
  async daily(): Promise<void> {
    try {
      for (const { id } of await this.repository.realFarms()) {
        const newest = (await this.kept(id))[0];
        if (newest && this.clock.now() - Date.parse(newest.at) < DAILY_MS) continue;
        await this.keep(id).catch((error: unknown) => this.log.error(`no backup of ${id}: ${String(error)}`));
      }
    } catch (error) {
      this.log.error(String(error));
    }
  }

  async list(farmId: string): Promise<BackupsAnswer> {
    const kept = await this.kept(farmId);
    const first = await this.ledgers.firstReceived(farmId);
    const since = kept[0] ? Date.parse(kept[0].at) : first;
    return {
      automatic: this.config.backups !== null,
      kept,
      tooOld: since !== null && this.clock.now() - since > TOO_OLD_MS,
      failed: this.failed.get(farmId) ?? null,
    };
  }

  /** Writes one into the folder, and takes away those that are not kept any longer. */
  async keep(farmId: string): Promise<BackupInfo> {
    const folder = this.folder(farmId);
    if (folder === null) throw new Refused('no_backup_folder', 'This server has no folder for backups: FANEGA_BACKUPS names one.'); // prettier-ignore
    const now = this.clock.now();
    const file = path.join(folder, nameOf(now));
    const part = path.join(folder, `.${ulid()}.part`);
    try {
      const made = await this.repository.alone(`fanega-backup-${farmId}`, async () => {
        await mkdir(folder, { recursive: true, mode: 0o700 });
        await this.write(farmId, part);
        await rename(part, file);
        await this.rotate(folder);
      });
      if (!made) throw new Refused('busy', 'A backup is being made just now.');
      this.failed.delete(farmId);
      return { name: path.basename(file), at: new Date(now).toISOString(), bytes: (await stat(file)).size };
    } catch (error) {
      if (!(error instanceof Refused)) this.failed.set(farmId, (error as Error).message);
      throw error;
    } finally {
      await rm(part, { force: true });
    }
  }

  /** A backup as it is made now. */
  async write(farmId: string, to: Writable | string): Promise<void> {
    await this.repository.dump(farmId, to, this.clock.now(), (seq) => this.ledgers.book(farmId, seq));
  }

  /** Brings a backup into a database that has no farm of its own yet. @throws Refused */
  async restore(file: string, progress: Progress): Promise<{ readonly name: string; readonly seq: number }> {
    const [farm] = await this.repository.realFarms();
    if (farm) throw new Refused('book_begun', `${farm.name} is here already; a backup goes into an empty place only.`);
    const folder = await mkdtemp(path.join(os.tmpdir(), 'fanega-backup-'));
    try {
      const archive = await this.repository.open(file, folder, this.clock.now());
      try {
        await this.repository.restore(archive, progress);
        return { name: archive.manifest.farm.name, seq: archive.manifest.seq };
      } finally {
        archive.close();
      }
    } finally {
      await rm(folder, { recursive: true, force: true });
    }
  }

  /** The file of one that was kept. */
  async fileOf(farmId: string, name: string): Promise<string> {
    const folder = this.folder(farmId);
    if (folder === null || !NAME.test(name) || !(await this.kept(farmId)).some((one) => one.name === name))
      throw new Refused('not_found', 'There is no such backup.');
    return path.join(folder, name);
  }

  /** Takes an archive as it comes in, looks at all of it, and gives it to be brought into a farm. Nothing is written before. */
  async receive(
    farmId: string,
    body: Readable,
  ): Promise<{ bring: (progress: Progress) => Promise<number>; drop: () => Promise<void> }> {
    const folder = await mkdtemp(path.join(os.tmpdir(), 'fanega-backup-'));
    const drop = (): Promise<void> => rm(folder, { recursive: true, force: true });
    try {
      const file = path.join(folder, 'brought.zip');
      await pipeline(body, atMost(MOST_UNPACKED / 4), createWriteStream(file, { mode: 0o600 }));
      const archive = await this.repository.open(file, folder, this.clock.now());
      return {
        drop: async () => {
          archive.close();
          await drop();
        },
        bring: async (progress) => {
          await this.writes.run(farmId, async ({ tx, farm, changed }) => {
            if (!(await hasNothing(tx, farm.id)))
              throw new Refused('book_begun', 'This farm has begun already; a backup goes into an empty one only.');
            await bringBack(tx, archive, farm.id, progress);
            changed('book');
            changed('header');
          });
          return archive.manifest.seq;
        },
      };
    } catch (error) {
      await drop();
      throw error;
    }
  }

  private folder(farmId: string): string | null {
    return this.config.backups === null ? null : path.join(this.config.backups, farmId.replace(/[^\w-]/g, '_'));
  }

  private async kept(farmId: string): Promise<BackupInfo[]> {
    const folder = this.folder(farmId);
    if (folder === null) return [];
    const names = (await readdir(folder).catch(() => [] as string[])).filter((name) => NAME.test(name));
    const infos = await Promise.all(
      names.map(async (name) => ({
        name,
        at: new Date(timeOf(name)).toISOString(),
        bytes: (await stat(path.join(folder, name))).size,
      })),
    );
    return infos.sort((a, b) => (a.at < b.at ? 1 : -1));
  }

  private async rotate(folder: string): Promise<void> {
    const names = (await readdir(folder)).filter((name) => NAME.test(name));
    const stay = keptBackups(names.map(timeOf));
    for (const name of names) if (!stay.has(timeOf(name))) await rm(path.join(folder, name), { force: true });
  }
}

function atMost(bytes: number): Transform {
  let come = 0;
  return new Transform({
    transform(part: Buffer, _encoding, done) {
      come += part.length;
      if (come > bytes) done(new Refused('body_wrong', 'This file is larger than any farm’s backup.'));
      else done(null, part);
    },
  });
}
