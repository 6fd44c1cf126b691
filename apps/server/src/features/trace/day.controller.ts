import type { DayAnswer } from '@fanega/contract';
import {
  calendarDay,
  calendarOf,
  currentSeason,
  dayAfter,
  dayReport,
  type FieldRecords,
  insuranceOf,
  isDay,
  placeNames,
  type SellRecords,
  type TraceRecords,
} from '@fanega/core';
import { Controller, Get, Inject, Injectable, Param, Query, Res } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import { Allow } from '../../platform/access.js';
import { sendSheet } from '../../platform/print.js';
import { Answers } from '../../platform/answer.js';
import { Clock } from '../../platform/clock.js';
import { Refused } from '../../platform/refused.js';
import { FarmClock, LedgerService, letterhead } from '../ledger/index.js';
import { RecordsService } from '../records/index.js';
import { printDay } from './print-day.js';

const DAYS_AHEAD = 7;
const NEXT_FIELDS = 3;

/** What was done on a day, and what comes after it. */
@Injectable()
export class DayService {
  constructor(
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(RecordsService) private readonly records: RecordsService,
    @Inject(FarmClock) private readonly farmClock: FarmClock,
    @Inject(Clock) private readonly clock: Clock,
  ) {}

  async of(farmId: string, asked: string | undefined): Promise<DayAnswer> {
    const book = await this.ledgers.open(farmId);
    const { timeZone } = book.header.farm;
    const now = await this.farmClock.now(farmId);
    const day = asked ?? calendarDay(now, timeZone);
    if (!isDay(day)) throw new Refused('body_wrong', `"${day}" is no day like 2026-09-08.`, [{ field: 'day', code: 'date_is_none', message: 'no day' }]); // prettier-ignore
    const [sell, trace, fields] = await Promise.all([
      this.records.everything(farmId, 'sell') as unknown as Promise<SellRecords>,
      this.records.everything(farmId, 'trace') as unknown as Promise<TraceRecords>,
      this.records.station(farmId, 'fields', [], 1) as unknown as Promise<FieldRecords>,
    ]);
    const season = currentSeason(book.lots) ?? Number(day.slice(0, 4));
    const insurance = insuranceOf(book, trace, season, timeZone, now);
    const until = dayAfter(day, DAYS_AHEAD);
    const order = fields.settings.nextFieldPlan.farm?.value.ownOrder ?? [];
    const accounts = book.ledger.accounts();
    const standing = order
      .flatMap((fieldId) => book.lots.filter((lot) => lot.fieldId === fieldId && lot.season === season))
      .filter(({ id }) => (accounts[id]?.harvestedDryKg ?? 0) === 0);
    return {
      report: dayReport(book, day, timeZone),
      ahead: calendarOf(sell, trace, insurance, placeNames(book.places), now, timeZone).filter(({ from }) => from > day && from <= until), // prettier-ignore
      nextLots: standing.slice(0, NEXT_FIELDS).map(({ id }) => id),
    };
  }

  async print(farmId: string, day: string | undefined): Promise<Uint8Array> {
    const answer = await this.of(farmId, day);
    const letter = await letterhead(this.ledgers, farmId, this.clock.now());
    const { lots, places } = await this.ledgers.open(farmId);
    const names = new Map([
      ...places.map(({ id, name }) => [id, name] as const),
      ...lots.map(({ id, fieldName }) => [id, fieldName] as const),
    ]);
    return printDay(letter, answer, (id) => names.get(id) ?? id);
  }
}

@ApiTags('trace')
@Controller('farms/:farmId/day')
export class DayController {
  constructor(@Inject(DayService) private readonly service: DayService) {}

  /** What was cut, hauled, dried, stored, sold and lost on a day (default: today), by whom, and what comes. */
  @Get()
  @Allow('viewer')
  @Answers('DayAnswer', { topics: ['book', 'header', 'sell', 'trace'], keep: true, clock: true })
  day(@Param('farmId') farmId: string, @Query('day') day?: string): Promise<DayAnswer> {
    return this.service.of(farmId, day);
  }

  @Get('pdf')
  @Allow('viewer')
  async pdf(@Param('farmId') farmId: string, @Res() response: Response, @Query('day') day?: string): Promise<void> {
    const pdf = await this.service.print(farmId, day);
    sendSheet(response, 'day', pdf);
  }
}
