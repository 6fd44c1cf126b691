import type { CablesAnswer, CableReadingsBody } from '@fanega/contract';
import { bookLevel, cablesNow, instantOf } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { FarmWrites } from '../../platform/farm-write.js';
import { FieldsService } from '../fields/index.js';
import { FarmClock, LedgerService } from '../ledger/index.js';
import { RecordsService } from '../records/index.js';
import { CablesRepository, packed } from './cables.repository.js';
import { grainIn, requirePlaces } from './device-figures.js';

const DAY = 86_400_000;

/** Temperature cables in bins: what they read comes in from a device, what it means goes out as one view. */
@Injectable()
export class CablesService {
  constructor(
    @Inject(FarmWrites) private readonly writes: FarmWrites,
    @Inject(CablesRepository) private readonly readings: CablesRepository,
    @Inject(RecordsService) private readonly records: RecordsService,
    @Inject(FieldsService) private readonly fields: FieldsService,
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(FarmClock) private readonly clock: FarmClock,
  ) {}

  async add(farmId: string, body: CableReadingsBody): Promise<{ samples: number }> {
    requirePlaces(body.readings, await this.ledgers.open(farmId), await this.clock.now(farmId), 'reading');
    return this.writes.run(farmId, async ({ tx, changed }) => {
      await this.readings.put(
        tx,
        body.readings.map(({ placeId, cable, at, celsius }) => ({
          farmId,
          placeId,
          cable,
          atMs: instantOf(at),
          celsius: packed(celsius),
          importId: null,
        })),
      );
      // What stations measured, like the weather: it comes by the hour, and no sheet of the farm changed.
      changed('weather');
      return { samples: body.readings.length };
    });
  }

  async now(farmId: string, placeId: string, days: number): Promise<CablesAnswer> {
    const setups = await this.records.settingsOf(farmId, 'binCables');
    const setup = setups[placeId]?.value;
    if (!setup) return { cables: null };
    const now = await this.clock.now(farmId);
    const [readings, air, bins, book] = await Promise.all([
      this.readings.between(farmId, placeId, now - days * DAY, now),
      this.fields.weather(farmId, now - DAY, now),
      this.records.settingsOf(farmId, 'binSetup'),
      this.ledgers.open(farmId),
    ]);
    const bin = bins[placeId]?.value;
    const { crop, moisture, wetKg } = grainIn(book, placeId);
    const level = bin ? bookLevel(bin, crop, moisture, wetKg) : null;
    return {
      cables: cablesNow(setup, readings, now, level, air.filter(({ forecast }) => !forecast).map(({ temperature }) => temperature), days), // prettier-ignore
    };
  }
}
