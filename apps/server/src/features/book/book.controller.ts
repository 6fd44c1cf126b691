import {
  AppendBody,
  type AppendAnswer,
  CorrectionBody,
  type Delivery,
  type DeliveryTraceAnswer,
  type FarmNow,
  type FieldRow,
  type LotTraceAnswer,
  type MonitorAnswer,
  type ReadingInfo,
  type TapeLine,
} from '@fanega/contract';
import { type Account, type Entry, type Position, serializeBook } from '@fanega/core';
import { Body, Controller, Get, Headers, HttpCode, Inject, type MessageEvent, Param, Post, Query, Req, Res, Sse } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { map, type Observable } from 'rxjs';
import { Allow, type Caller, CallerOf } from '../../platform/access.js';
import { beating } from '../../platform/beat.js';
import { Refused } from '../../platform/refused.js';
import { AnswersService } from './answers.service.js';
import { asEntry } from './as-entry.js';
import { BookService } from './book.service.js';
import { FeedService } from './feed.service.js';

@ApiTags('book')
@Controller('farms/:farmId')
export class BookController {
  constructor(
    @Inject(BookService) private readonly books: BookService,
    @Inject(AnswersService) private readonly answers: AnswersService,
    @Inject(FeedService) private readonly feed: FeedService,
  ) {}

  /** Appends entries, all or nothing; sending the same again is harmless. */
  @Post('entries')
  @HttpCode(200)
  @Allow('operator')
  append(@Param('farmId') farmId: string, @Body() body: AppendBody, @CallerOf() caller: Caller): Promise<AppendAnswer> {
    return this.books.append(farmId, body.entries.map(asEntry), caller);
  }

  /** Voids an entry and makes it again, both or neither. */
  @Post('corrections')
  @HttpCode(200)
  @Allow('operator')
  correct(@Param('farmId') farmId: string, @Body() body: CorrectionBody, @CallerOf() caller: Caller): Promise<AppendAnswer> {
    if (body.void.type !== 'void') {
      throw new Refused('body_wrong', 'void must be an entry of the type void', [{ field: 'void', code: 'type', message: 'must be an entry of the type void' }]);
    }
    return this.books.append(farmId, [body.void, ...(body.entry ? [body.entry] : [])].map(asEntry), caller, body.entry ? body.void.voids : undefined);
  }

  /** Arrivals, newest first; of some types only (`types=harvest,move`), or that touch some places (`places=ID,ID`). */
  @Get('entries')
  @Allow('viewer')
  tape(
    @Param('farmId') farmId: string,
    @Query('before') before?: string,
    @Query('limit') limit?: string,
    @Query('types') types?: string,
    @Query('places') places?: string,
  ): Promise<TapeLine[]> {
    const ofTypes = types === undefined ? null : new Set(types.split(','));
    const atPlaces = places === undefined ? null : new Set(places.split(','));
    const wanted = (entry: Entry): boolean => (ofTypes?.has(entry.type) ?? true) && (atPlaces === null || placesOf(entry).some((place) => atPlaces.has(place)));
    return this.answers.tape(farmId, wholeNumber('before', before, 4_000_000_000, 4_000_000_000), wholeNumber('limit', limit, 100, 500), wanted);
  }

  @Get('entries/:entryId')
  @Allow('viewer')
  entry(@Param('farmId') farmId: string, @Param('entryId') entryId: string): Promise<TapeLine> {
    return this.answers.entry(farmId, entryId);
  }

  @Get('lots/:lotId/moistures')
  @Allow('viewer')
  lotMoistures(@Param('farmId') farmId: string, @Param('lotId') lotId: string): Promise<ReadingInfo[]> {
    return this.answers.lotMoistures(farmId, lotId);
  }

  @Get('monitors')
  @Allow('viewer')
  monitors(@Param('farmId') farmId: string): Promise<MonitorAnswer[]> {
    return this.answers.monitors(farmId);
  }

  @Get('now')
  @Allow('viewer')
  now(@Param('farmId') farmId: string): Promise<FarmNow> {
    return this.answers.now(farmId);
  }

  @Get('positions')
  @Allow('viewer')
  async positions(@Param('farmId') farmId: string): Promise<Record<string, Position>> {
    return (await this.books.open(farmId)).ledger.positions();
  }

  @Get('accounts')
  @Allow('viewer')
  async accounts(@Param('farmId') farmId: string): Promise<Record<string, Account>> {
    return (await this.books.open(farmId)).ledger.accounts();
  }

  @Get('lots')
  @Allow('viewer')
  fields(@Param('farmId') farmId: string): Promise<FieldRow[]> {
    return this.answers.fields(farmId);
  }

  @Get('lots/:lotId/trace')
  @Allow('viewer')
  lot(@Param('farmId') farmId: string, @Param('lotId') lotId: string): Promise<LotTraceAnswer> {
    return this.answers.lot(farmId, lotId);
  }

  @Get('deliveries')
  @Allow('viewer')
  deliveries(@Param('farmId') farmId: string): Promise<Delivery[]> {
    return this.answers.deliveries(farmId);
  }

  @Get('deliveries/:entryId/trace')
  @Allow('viewer')
  delivery(@Param('farmId') farmId: string, @Param('entryId') entryId: string): Promise<DeliveryTraceAnswer> {
    return this.answers.delivery(farmId, entryId);
  }

  /** The whole book as a file: the backup that needs no Fanega to be read. */
  @Get('book')
  @Allow('viewer')
  async book(@Param('farmId') farmId: string, @Res() response: Response): Promise<void> {
    const text = serializeBook(await this.answers.book(farmId));
    response.type('application/json').attachment('grain-book.json').send(text);
  }

  /** Brings a book file into a farm that has no book yet. */
  @Post('book')
  @HttpCode(200)
  @Allow('owner')
  restore(@Param('farmId') farmId: string, @Req() request: Request, @CallerOf() caller: Caller): Promise<{ entries: number }> {
    return this.books.restore(farmId, request.body, caller);
  }

  /** Server-sent events, one for each change, and a `beat` in between; `Last-Event-ID` or `after` resumes by sequence. */
  @Sse('feed')
  @Allow('viewer')
  follow(@Param('farmId') farmId: string, @Query('after') after?: string, @Headers('last-event-id') lastEventId?: string): Observable<MessageEvent> {
    const from = Number(lastEventId ?? after ?? -1);
    return beating(this.feed.follow(farmId, Number.isFinite(from) ? from : -1).pipe(map((event) => ({ id: String(event.seq), data: event }))));
  }
}

/** The places that an entry names. */
function placesOf(entry: Entry): string[] {
  const { from, to, place } = entry as { from?: string; to?: string; place?: string };
  return [from, to, place].filter((id) => id !== undefined);
}

/** A number in the address, from 1 to `most`. */
function wholeNumber(field: string, text: string | undefined, otherwise: number, most: number): number {
  if (text === undefined) return otherwise;
  const value = Number(text);
  if (Number.isInteger(value) && value >= 1 && value <= most) return value;
  const message = `${field} is "${text}"; it must be a whole number from 1 to ${most}`;
  throw new Refused('body_wrong', message, [{ field, code: 'range', message }]);
}
