import type { LevelInfo, LevelsBody } from '@fanega/contract';
import { instantOf, levelWatch, tapePage } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { FarmWrites } from '../../platform/farm-write.js';
import { FarmClock, LedgerService } from '../ledger/index.js';
import { RecordsService } from '../records/index.js';
import { grainIn, requirePlaces } from './device-figures.js';
import { LevelsRepository } from './levels.repository.js';

const DAY = 86_400_000;
/** Entries in which a day's loads of a bin site lie. */
const LINES = 400;

/** Level sensors of bins: what they say comes in from a device, and is held against the loads in the book. */
@Injectable()
export class LevelsService {
  constructor(
    @Inject(FarmWrites) private readonly writes: FarmWrites,
    @Inject(LevelsRepository) private readonly levels: LevelsRepository,
    @Inject(RecordsService) private readonly records: RecordsService,
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(FarmClock) private readonly clock: FarmClock,
  ) {}

  async add(farmId: string, body: LevelsBody): Promise<{ samples: number }> {
    requirePlaces(body.levels, await this.ledgers.open(farmId), await this.clock.now(farmId), 'level');
    return this.writes.run(farmId, async ({ tx, changed }) => {
      await this.levels.put(
        tx,
        body.levels.map(({ placeId, at, belowEave }) => ({ farmId, placeId, atMs: instantOf(at), belowEave })),
      );
      changed('devices');
      return { samples: body.levels.length };
    });
  }

  async now(farmId: string): Promise<LevelInfo[]> {
    const now = await this.clock.now(farmId);
    const rows = await this.levels.since(farmId, now - DAY);
    if (rows.length === 0) return [];
    const [setups, book] = await Promise.all([this.records.settingsOf(farmId, 'binSetup'), this.ledgers.open(farmId)]);
    const lines = tapePage(book, book.seqOf, LINES);
    return [...new Set(rows.map(({ placeId }) => placeId))].flatMap((placeId): LevelInfo[] => {
      const setup = setups[placeId]?.value;
      if (!setup || setup.eave < 0.5) return [];
      const { crop, moisture } = grainIn(book, placeId, setup.crop);
      const watch = levelWatch({
        setup,
        crop,
        moisture,
        readings: rows.filter((row) => row.placeId === placeId),
        bookedBetween: (fromMs, untilMs) =>
          lines.reduce((sum, { entry, voided, wetKg }) => {
            const ms = instantOf(entry.at);
            if (voided || wetKg === null || ms <= fromMs || ms > untilMs) return sum;
            if ((entry.type === 'harvest' || entry.type === 'move') && entry.to === placeId) return sum + wetKg;
            if (entry.type === 'move' && entry.from === placeId) return sum - wetKg;
            return entry.type === 'loss' && entry.place === placeId ? sum - wetKg : sum;
          }, 0),
      });
      return watch ? [{ placeId, ...watch }] : [];
    });
  }
}
