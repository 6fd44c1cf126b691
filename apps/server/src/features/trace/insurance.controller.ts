import { type InsuranceAnswer, type MovedLoadsAnswer, MovedLoadsBody } from '@fanega/contract';
import {
  currentSeason,
  type FarmBook,
  type Insurance,
  insuranceOf,
  movedToField,
  placeNames,
  type TraceRecords,
  wrongFieldLoads,
} from '@fanega/core';
import { Body, Controller, Get, HttpCode, Inject, Injectable, Param, Post, Query, Res } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import { ulid } from 'ulid';
import { Allow, type Caller, CallerOf } from '../../platform/access.js';
import { sendSheet } from '../../platform/print.js';
import { Answers } from '../../platform/answer.js';
import { Clock } from '../../platform/clock.js';
import { seasonIn } from '../../platform/query.js';
import { Refused } from '../../platform/refused.js';
import { FarmClock, LedgerService, letterhead } from '../ledger/index.js';
import { RecordsService } from '../records/index.js';
import { printInsurance } from './print-insurance.js';

/** What is insured and what counts, out of the book and the policy's own tables. */
@Injectable()
export class InsuranceService {
  constructor(
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(RecordsService) private readonly records: RecordsService,
    @Inject(FarmClock) private readonly farmClock: FarmClock,
    @Inject(Clock) private readonly clock: Clock,
  ) {}

  async of(farmId: string, asked: number | undefined): Promise<InsuranceAnswer> {
    const [book, insurance] = await this.insured(farmId, asked);
    const lots = insurance.units.flatMap(({ fields }) => fields.map(({ lot }) => lot));
    return { insurance, wrong: wrongFieldLoads(book, lots) };
  }

  private async insured(farmId: string, asked: number | undefined): Promise<[FarmBook, Insurance]> {
    const records = (await this.records.everything(farmId, 'trace')) as unknown as TraceRecords;
    const now = await this.farmClock.now(farmId);
    const book = await this.ledgers.open(farmId);
    const season = asked ?? currentSeason(book.lots) ?? new Date(now).getUTCFullYear();
    return [book, insuranceOf(book, records, season, book.header.farm.timeZone, now)];
  }

  async moved(farmId: string, body: MovedLoadsBody, caller: Caller): Promise<MovedLoadsAnswer> {
    const book = await this.ledgers.open(farmId);
    if (!book.lots.some(({ id }) => id === body.lot))
      throw new Refused('body_wrong', 'There is no such field.', [{ field: 'lot', code: 'not_found', message: 'there is no such field' }]); // prettier-ignore
    const strange = body.loads.findIndex((id) => book.ledger.entry(id)?.type !== 'harvest');
    if (strange >= 0)
      throw new Refused('body_wrong', 'One of these is no load off a field.', [{ field: `loads[${strange}]`, code: 'not_found', message: 'no load off a field' }]); // prettier-ignore
    const now = new Date(await this.farmClock.now(farmId)).toISOString();
    const batch = movedToField(book, body.loads, body.lot, body.why.trim(), ulid, now);
    if (batch.length > 0) await this.ledgers.append(farmId, batch, { id: caller.id, name: caller.name });
    return { moved: batch.filter(({ type }) => type === 'harvest').length };
  }

  async print(farmId: string, asked: number | undefined): Promise<Uint8Array> {
    // Nobody prints which loads may be under another field: they are not looked for.
    const [book, insurance] = await this.insured(farmId, asked);
    const letter = await letterhead(this.ledgers, farmId, this.clock.now());
    return printInsurance(letter, insurance, placeNames(book.places));
  }
}

@ApiTags('trace')
@Controller('farms/:farmId/insurance')
export class InsuranceController {
  constructor(@Inject(InsuranceService) private readonly service: InsuranceService) {}

  @Get()
  @Allow('viewer')
  @Answers('InsuranceAnswer', { topics: ['book', 'header', 'trace'], keep: true, clock: true })
  insurance(@Param('farmId') farmId: string, @Query('season') season?: string): Promise<InsuranceAnswer> {
    return this.service.of(farmId, seasonIn(season));
  }

  /** Loads filed under the wrong field, put where they belong: all of them or none. */
  @Post('moved-loads')
  @HttpCode(200)
  @Allow('manager')
  @Answers('MovedLoadsAnswer')
  moved(
    @Param('farmId') farmId: string,
    @Body() body: MovedLoadsBody,
    @CallerOf() caller: Caller,
  ): Promise<MovedLoadsAnswer> {
    return this.service.moved(farmId, body, caller);
  }

  @Get('pdf')
  @Allow('viewer')
  async pdf(
    @Param('farmId') farmId: string,
    @Res() response: Response,
    @Query('season') season?: string,
  ): Promise<void> {
    const pdf = await this.service.print(farmId, seasonIn(season));
    sendSheet(response, 'insurance', pdf);
  }
}
