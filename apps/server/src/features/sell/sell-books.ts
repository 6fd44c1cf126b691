import { deliveries, type FarmView, type SellBook, sellBookOf, type SellRecords } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { LedgerService } from '../ledger/index.js';
import { RecordsService } from '../records/index.js';

/** What was sold of a season, worked out where no page does: for sheets on paper and for the year. */
@Injectable()
export class SellBooks {
  constructor(
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(RecordsService) private readonly records: RecordsService,
  ) {}

  async of(farmId: string, farm: FarmView, season: number): Promise<SellBook> {
    const [own, earlier] = await Promise.all(
      [season, season - 1].map((of) => this.ledgers.answer(farmId, `deliveries ${of}`, (book) => deliveries(book, of))),
    );
    const records = (await this.records.everything(farmId, 'sell')) as unknown as SellRecords;
    return sellBookOf(farm, records, season, own!, earlier);
  }
}
