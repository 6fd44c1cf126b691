import {
  AppendBody,
  type AppendAnswer,
  type BookCheckAnswer,
  CorrectionBody,
  type FingerprintAnswer,
  type RevisionAnswer,
  RevisionBody,
  type RevisionInfo,
} from '@fanega/contract';
import { type Entry, placesOf, serializeBook, type TapeLine, tapeLines, tapePage } from '@fanega/core';
import {
  Body,
  Controller,
  Get,
  Headers,
  HttpCode,
  Inject,
  Logger,
  type MessageEvent,
  Param,
  Post,
  Query,
  Req,
  Res,
  Sse,
} from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { map, type Observable } from 'rxjs';
import { Allow, type Caller, CallerOf, ForJobs, Sessions, type Writer, WriterOf } from '../../platform/access.js';
import { TakesBody } from '../../platform/body.js';
import { Answers } from '../../platform/answer.js';
import { beating } from '../../platform/beat.js';
import { FeedService } from '../../platform/feed.service.js';
import { readLargeJson } from '../../platform/large-json.js';
import { answerInLines } from '../../platform/lines.js';
import { wholeNumber } from '../../platform/query.js';
import { Refused } from '../../platform/refused.js';
import { versionText } from '../../platform/versions.js';
import { asEntry } from './as-entry.js';
import { LedgerService } from './ledger.service.js';

const MOST_SEQ = 4_000_000_000;
const MOST_BOOK_BYTES = 256 * 1024 * 1024;
const BOOK_PATIENCE_MS = 600_000;

@ApiTags('ledger')
@Controller('farms/:farmId')
export class LedgerController {
  private readonly log = new Logger('book');
  constructor(
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(FeedService) private readonly feed: FeedService,
    @Inject(Sessions) private readonly sessions: Sessions,
  ) {}

  /** Appends entries, all or nothing; sending the same again is harmless. */
  @Post('entries')
  @HttpCode(200)
  @Allow('operator')
  @ForJobs()
  @Answers('AppendAnswer')
  async append(
    @Param('farmId') farmId: string,
    @Body() body: AppendBody,
    @WriterOf() writer: Writer,
  ): Promise<AppendAnswer> {
    const entries = body.entries.map(asEntry);
    await this.ledgers.requireJobs(farmId, writer, entries);
    return this.ledgers.append(farmId, entries, writer);
  }

  /** Voids an entry and makes it again, both or neither. */
  @Post('corrections')
  @HttpCode(200)
  @Allow('operator')
  @Answers('AppendAnswer')
  correct(
    @Param('farmId') farmId: string,
    @Body() body: CorrectionBody,
    @CallerOf() caller: Caller,
  ): Promise<AppendAnswer> {
    if (body.void.type !== 'void') {
      throw new Refused('body_wrong', 'void must be an entry of the type void', [
        { field: 'void', code: 'type', message: 'must be an entry of the type void' },
      ]);
    }
    return this.ledgers.append(
      farmId,
      [body.void, ...(body.entry ? [body.entry] : [])].map(asEntry),
      caller,
      body.entry ? body.void.voids : undefined,
    );
  }

  /** Arrivals, newest first; of some types only (`types=harvest,move`), or that touch some places (`places=ID,ID`). */
  @Get('entries')
  @Allow('viewer')
  @Answers('TapeLine[]', { topics: ['book', 'header'], keep: true })
  async tape(
    @Param('farmId') farmId: string,
    @Query('before') before?: string,
    @Query('limit') limit?: string,
    @Query('types') types?: string,
    @Query('places') places?: string,
  ): Promise<TapeLine[]> {
    const ofTypes = types === undefined ? null : new Set(types.split(','));
    const atPlaces = places === undefined ? null : new Set(places.split(','));
    const wanted = (entry: Entry): boolean =>
      (ofTypes?.has(entry.type) ?? true) && (atPlaces === null || placesOf(entry).some((place) => atPlaces.has(place)));
    const [most, until] = [wholeNumber('limit', limit, 100, 500), wholeNumber('before', before, MOST_SEQ, MOST_SEQ)];
    const book = await this.ledgers.open(farmId);
    return tapePage(book, book.seqOf, most, until, wanted);
  }

  @Get('entries/:entryId')
  @Allow('viewer')
  @Answers('TapeLine', { topics: ['book', 'header'], keep: true })
  async entry(@Param('farmId') farmId: string, @Param('entryId') entryId: string): Promise<TapeLine> {
    const book = await this.ledgers.open(farmId);
    const entry = book.ledger.entry(entryId);
    if (!entry) throw new Refused('not_found', 'There is no such entry in the book.');
    return tapeLines(book, [entry], book.seqOf)[0]!;
  }

  /** What the book was read with, and since when; newest first. */
  @Get('revisions')
  @Allow('viewer')
  @Answers('RevisionInfo[]', { topics: ['header'] })
  revisions(@Param('farmId') farmId: string): Promise<RevisionInfo[]> {
    return this.ledgers.revisions(farmId);
  }

  /** Changes owner shares, the order of trust, a base moisture or how grain comes out of a place: dated, with author and reason. */
  @Post('revisions')
  @HttpCode(200)
  @Allow('manager')
  @Answers('RevisionAnswer')
  revise(
    @Param('farmId') farmId: string,
    @Body() body: RevisionBody,
    @CallerOf() caller: Caller,
  ): Promise<RevisionAnswer> {
    return this.ledgers.revise(farmId, body, caller);
  }

  /** The whole book as a file, the backup that needs no Fanega to be read; as of an earlier number of its sequence with `asOf`. */
  @Get('book')
  @Allow('viewer')
  @Answers('Book')
  async book(@Param('farmId') farmId: string, @Res() response: Response, @Query('asOf') asOf?: string): Promise<void> {
    const text = serializeBook(
      await this.ledgers.book(farmId, asOf === undefined ? undefined : wholeNumber('asOf', asOf, 0, MOST_SEQ, 0)),
    );
    response.type('application/json').attachment('grain-book.json').send(text);
  }

  /** Is the book what was written down, record by record? */
  @Get('book/check')
  @Allow('manager')
  @Answers('BookCheckAnswer')
  check(@Param('farmId') farmId: string): Promise<BookCheckAnswer> {
    return this.ledgers.checkBook(farmId);
  }

  /** Did this book ever have the fingerprint that stands on a printed sheet? */
  @Get('book/fingerprint')
  @Allow('viewer')
  @Answers('FingerprintAnswer')
  fingerprint(@Param('farmId') farmId: string, @Query('text') text?: string): Promise<FingerprintAnswer> {
    return this.ledgers.fingerprint(farmId, String(text ?? ''));
  }

  /** Brings a book file into a farm that has no book yet. */
  @Post('book')
  @HttpCode(200)
  @Allow('owner')
  @TakesBody('stream')
  @Answers('BroughtLine')
  async restore(
    @Param('farmId') farmId: string,
    @Req() request: Request,
    @Res() response: Response,
    @CallerOf() caller: Caller,
  ): Promise<void> {
    const json = await readLargeJson(request, MOST_BOOK_BYTES, BOOK_PATIENCE_MS);
    const failed = 'The book could not be brought in. Nothing was changed.';
    await answerInLines(response, this.log, failed, (tell) => this.ledgers.restore(farmId, json, caller, tell));
  }

  /** Server-sent events, one for each change, and a `beat` in between; `Last-Event-ID` or `after` names the state that is known. */
  @Sse('feed')
  @Allow('viewer')
  @ForJobs()
  follow(
    @Param('farmId') farmId: string,
    @Req() request: Request,
    @Query('after') after?: string,
    @Headers('last-event-id') lastEventId?: string,
  ): Observable<MessageEvent> {
    return beating(
      this.feed
        .follow(farmId, String(lastEventId ?? after ?? ''))
        .pipe(map((event) => ({ id: versionText(event), data: event }))),
      () => this.sessions.isWelcome(request, farmId),
    );
  }
}
