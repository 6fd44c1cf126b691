import type { AtWheelInfo } from '@fanega/contract';
import { atTheWheel, type Crew, groupBy, inOrder, instantOf, signerOf, startOfDay, USUAL_HOURS } from '@fanega/core';
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
    const { ledger } = book;
    const today = ledger.entriesFrom(ledger.positionsUntil(dayMs - 1));
    const signed = today.filter(({ by, at }) => signerOf(by) !== '' && instantOf(at) <= nowMs);
    return [...groupBy(signed, ({ by }) => signerOf(by))]
      .map(([name, entries]) => {
        const moments = entries.map(({ at }) => instantOf(at));
        // Up to what he recorded last: what he does since, nobody knows.
        const { hours, sinceMs, rest } = atTheWheel(moments, dayMs, moments.at(-1)!, most);
        return { name, hours, sinceMs: sinceMs ?? nowMs, rest };
      })
      .sort((a, b) => b.hours - a.hours || inOrder(a.name, b.name));
  }
}
