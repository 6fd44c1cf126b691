import {
  type CropCosts,
  currentSeason,
  deliveries,
  type DryerSetup,
  type HaulTimes,
  sellBookOf,
  type SellRecords,
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
import { printYear } from './print-year.js';

type Settings<T> = { readonly settings: Readonly<Record<string, Readonly<Record<string, { readonly value: T }>>>> };

/** What a year came to, and what it cost on its way. */
@Injectable()
export class YearService {
  constructor(
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(FieldsService) private readonly fields: FieldsService,
    @Inject(RecordsService) private readonly records: RecordsService,
    @Inject(FarmClock) private readonly farmClock: FarmClock,
    @Inject(Clock) private readonly clock: Clock,
  ) {}

  async costs(farmId: string, asked: number | undefined): Promise<CropCosts[]> {
    const book = await this.ledgers.open(farmId);
    const season = asked ?? currentSeason(book.lots) ?? 0;
    const [dry, haul] = await Promise.all([
      this.records.station(farmId, 'dry', [], 1) as unknown as Promise<Settings<DryerSetup>>,
      this.records.station(farmId, 'haul', [], 1) as unknown as Promise<Settings<HaulTimes>>,
    ]);
    const setups = Object.fromEntries(
      Object.entries(dry.settings.dryerSetup ?? {}).map(([id, { value }]) => [id, value]),
    );
    const times = haul.settings.haulTimes?.farm?.value ?? (USUAL_HAUL_TIMES as HaulTimes);
    return yearCosts(book, setups, times, times.truckCostPerHour ?? USUAL_HARVEST_COSTS.truckPerHour, season);
  }

  async print(farmId: string, asked: number | undefined): Promise<Uint8Array> {
    const book = await this.ledgers.open(farmId);
    const season = asked ?? currentSeason(book.lots) ?? 0;
    const farm = await farmAsPrinted(this.ledgers, farmId, await this.farmClock.now(farmId));
    const records = (await this.records.everything(farmId, 'sell')) as unknown as SellRecords;
    const sold = sellBookOf(farm, records, season, deliveries(book, season), deliveries(book, season - 1));
    const [rows, before] = [await this.fields.rows(farmId, season), await this.fields.rows(farmId, season - 1)];
    const year = yearOf(farm, rows, before, sold.accounts);
    const letter = await letterhead(this.ledgers, farmId, this.clock.now());
    return printYear(letter, season, year, await this.costs(farmId, season));
  }
}

@ApiTags('trace')
@Controller('farms/:farmId/year')
export class YearController {
  constructor(@Inject(YearService) private readonly service: YearService) {}

  /** Drying and hauling of a season by crop. */
  @Get('costs')
  @Allow('viewer')
  @Answers('CropCosts[]', { topics: ['book', 'header', 'dry', 'haul'] })
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
