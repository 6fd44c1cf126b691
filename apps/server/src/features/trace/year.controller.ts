import {
  bookGaps,
  type CropCosts,
  currentSeason,
  gapWords,
  type SellBook,
  type HaulTimes,
  storagePaid,
  type StoreRecords,
  type StoringFan,
  switchesOf,
  USUAL_HARVEST_COSTS,
  USUAL_HAUL_TIMES,
  yearCosts,
  yearOf,
} from '@fanega/core';
import { Controller, Get, Inject, Injectable, Param, Query, Res } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import { Allow } from '../../platform/access.js';
import { sendSheet } from '../../platform/print.js';
import { Answers } from '../../platform/answer.js';
import { Clock } from '../../platform/clock.js';
import { seasonIn } from '../../platform/query.js';
import { FieldsService } from '../fields/index.js';
import { FarmClock, farmAsPrinted, LedgerService, letterhead } from '../ledger/index.js';
import { RecordsService } from '../records/index.js';
import { SellBooks } from '../sell/index.js';
import { printYear } from './print-year.js';

/** What a year came to, and what it cost on its way. */
@Injectable()
export class YearService {
  constructor(
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(FieldsService) private readonly fields: FieldsService,
    @Inject(RecordsService) private readonly records: RecordsService,
    @Inject(SellBooks) private readonly books: SellBooks,
    @Inject(FarmClock) private readonly farmClock: FarmClock,
    @Inject(Clock) private readonly clock: Clock,
  ) {}

  async costs(farmId: string, asked: number | undefined): Promise<CropCosts[]> {
    const season = asked ?? currentSeason((await this.ledgers.open(farmId)).lots) ?? 0;
    const farm = await farmAsPrinted(this.ledgers, farmId, await this.farmClock.now(farmId));
    return this.costsOf(farmId, season, farm.data.now, await this.books.of(farmId, farm, season));
  }

  private async costsOf(farmId: string, season: number, nowMs: number, sold: SellBook): Promise<CropCosts[]> {
    const book = await this.ledgers.open(farmId);
    const [dry, haul, fansOf, store] = await Promise.all([
      this.records.settingsOf(farmId, 'dryerSetup'),
      this.records.settingsOf(farmId, 'haulTimes'),
      this.records.settingsOf(farmId, 'binFan'),
      this.records.everything(farmId, 'store') as unknown as Promise<StoreRecords>,
    ]);
    const setups = Object.fromEntries(Object.entries(dry).map(([id, { value }]) => [id, value]));
    const fans = Object.fromEntries(
      book.places.flatMap(({ id }): [string, StoringFan][] => {
        const switches = switchesOf(store.logs.fanSwitch, id);
        return switches.length === 0 ? [] : [[id, { switches, fan: fansOf[id]?.value, setup: store.settings.binSetup[id]?.value }]]; // prettier-ignore
      }),
    );
    const times = haul.farm?.value ?? (USUAL_HAUL_TIMES as HaulTimes);
    const perHour = times.truckCostPerHour ?? USUAL_HARVEST_COSTS.truckPerHour;
    return yearCosts(book, setups, times, perHour, season, { fans, nowMs, paid: storagePaid(sold.settled.sheets) });
  }

  async print(farmId: string, asked: number | undefined): Promise<Uint8Array> {
    const book = await this.ledgers.open(farmId);
    const season = asked ?? currentSeason(book.lots) ?? 0;
    const farm = await farmAsPrinted(this.ledgers, farmId, await this.farmClock.now(farmId));
    const sold = await this.books.of(farmId, farm, season);
    const [rows, before] = [await this.fields.rows(farmId, season), await this.fields.rows(farmId, season - 1)];
    const year = yearOf(farm, rows, before, sold.accounts, sold.papers.papers);
    const gaps = bookGaps(farm, sold, []).map((gap) => ({ words: gapWords(gap, farm.placeName(gap.place)), money: gap.money })); // prettier-ignore
    const letter = await letterhead(this.ledgers, farmId, this.clock.now());
    return printYear(letter, season, year, gaps, await this.costsOf(farmId, season, farm.data.now, sold));
  }
}

@ApiTags('trace')
@Controller('farms/:farmId/year')
export class YearController {
  constructor(@Inject(YearService) private readonly service: YearService) {}

  /** Drying, storing and hauling of a season by crop. */
  @Get('costs')
  @Allow('viewer')
  @Answers('CropCosts[]', { topics: ['book', 'header', 'dry', 'haul', 'store', 'sell'] })
  costs(@Param('farmId') farmId: string, @Query('season') season?: string): Promise<CropCosts[]> {
    return this.service.costs(farmId, seasonIn(season));
  }

  @Get('pdf')
  @Allow('viewer')
  async pdf(
    @Param('farmId') farmId: string,
    @Res() response: Response,
    @Query('season') season?: string,
  ): Promise<void> {
    const pdf = await this.service.print(farmId, seasonIn(season));
    sendSheet(response, 'year', pdf);
  }
}
