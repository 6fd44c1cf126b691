import type { FuelInfo } from '@fanega/contract';
import {
  currentSeason,
  type DryerSetup,
  fuelNow,
  fuelPerBushel,
  type FuelTank,
  instantOf,
  kgPerBushelOf,
  placesOf,
} from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { FarmClock, LedgerService, type OpenBook } from '../ledger/index.js';
import { RecordsRepository } from '../records/index.js';

/** Of a season no machine is filled more often. */
const MOST_FILLS = 5000;

/** What is left in the tanks of machines, by their fills and by how long they worked. */
@Injectable()
export class FuelService {
  constructor(
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(RecordsRepository) private readonly records: RecordsRepository,
    @Inject(FarmClock) private readonly clock: FarmClock,
  ) {}

  async all(farmId: string): Promise<FuelInfo[]> {
    const tanks = await this.records.settings(farmId, 'fuelTank');
    if (tanks.length === 0) return [];
    const [book, nowMs] = [await this.ledgers.open(farmId), await this.clock.now(farmId)];
    const season = currentSeason(book.lots) ?? new Date(nowMs).getUTCFullYear();
    const { kept } = await this.records.page(farmId, 'fuelFill', [season, season - 1], { skip: 0, take: MOST_FILLS });
    const fills = kept
      .filter(({ row }) => !row.voided)
      .map(({ row, body }) => ({ ...(body as { placeId: string; gallons: number; full: boolean }), atMs: Number(row.at_ms), season: Number(row.season) })); // prettier-ignore
    const dryers = new Map((await this.records.settings(farmId, 'dryerSetup')).map(({ row, body: sheet }) => [String(row.id), sheet as unknown as DryerSetup])); // prettier-ignore
    const used = await this.ledgers.answer(farmId, 'machines used', (now) => usedOf(now, season));
    return tanks.map(({ row, body }) => {
      const placeId = String(row.id);
      const { gallons, burnPerHour, reserve, homeMin } = body as unknown as FuelTank;
      // A dryer burns by its own sheet what it takes in an hour, until its fills say it.
      const dryer = dryers.get(placeId);
      const likely =
        burnPerHour ?? (dryer?.fuel === 'propane' ? dryer.bushelPointsPerHour * dryer.fuelPerPointBushel : null);
      const own = fills.filter((fill) => fill.placeId === placeId);
      const { moments, bushels } = used.get(placeId) ?? { moments: [], bushels: 0 };
      const here = own.filter((fill) => fill.season === season);
      return {
        placeId,
        state: fuelNow({
          tankGallons: gallons,
          burnPerHour: likely,
          reserve,
          ...(homeMin === undefined ? {} : { homeMin }),
          fills: own,
          moments,
          nowMs,
        }),
        gallons: here.reduce((sum, fill) => sum + fill.gallons, 0),
        perBushel: fuelPerBushel(here, bushels),
      };
    });
  }
}

/** When grain went into each machine or out of it, and bushels that were cut into it in a season. */
function usedOf({ ledger, lots }: OpenBook, season: number): Map<string, { moments: number[]; bushels: number }> {
  const crops = new Map(lots.filter((lot) => lot.season === season).map((lot) => [lot.id, lot.crop]));
  const used = new Map<string, { moments: number[]; bushels: number }>();
  for (const entry of ledger.entriesFrom(0)) {
    if (entry.type !== 'harvest' && entry.type !== 'move' && entry.type !== 'condition') continue;
    for (const place of placesOf(entry)) {
      const one = used.get(place) ?? { moments: [], bushels: 0 };
      used.set(place, one);
      one.moments.push(instantOf(entry.at));
      if (entry.type === 'harvest' && crops.has(entry.lot))
        one.bushels += entry.wetKg / kgPerBushelOf(crops.get(entry.lot));
    }
  }
  for (const { moments } of used.values()) moments.sort((a, b) => a - b);
  return used;
}
