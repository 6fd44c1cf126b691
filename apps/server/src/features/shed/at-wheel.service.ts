import type { AtWheelInfo } from '@fanega/contract';
import { atTheWheel, type Crew, instantOf, signerOf, startOfDay, USUAL_HOURS } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { FarmClock, LedgerService } from '../ledger/index.js';
import { RecordsRepository } from '../records/index.js';

/** Who works since when, by what each recorded today. */
@Injectable()
export class AtWheelService {
  constructor(
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(RecordsRepository) private readonly records: RecordsRepository,
    @Inject(FarmClock) private readonly clock: FarmClock,
  ) {}

  async today(farmId: string): Promise<AtWheelInfo[]> {
    const [crew] = await this.records.settings(farmId, 'crew');
    const most = (crew?.body as Crew | undefined)?.mostHours ?? USUAL_HOURS;
    const [book, nowMs] = [await this.ledgers.open(farmId), await this.clock.now(farmId)];
    const dayMs = startOfDay(nowMs, book.header.farm.timeZone);
    const moments = new Map<string, number[]>();
    for (const { at, by } of book.ledger.entriesFrom(0)) {
      const ms = instantOf(at);
      const name = ms >= dayMs && ms <= nowMs ? signerOf(by) : '';
      if (name !== '') moments.set(name, [...(moments.get(name) ?? []), ms]);
    }
    return [...moments]
      .map(([name, all]) => {
        const moments = all.sort((a, b) => a - b);
        // Up to what he recorded last: what he does since, nobody knows.
        const { hours, sinceMs, rest } = atTheWheel(moments, dayMs, moments.at(-1)!, most);
        return { name, hours, sinceMs: sinceMs ?? nowMs, rest };
      })
      .sort((a, b) => b.hours - a.hours || (a.name < b.name ? -1 : 1));
  }
}
