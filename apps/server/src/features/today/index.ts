import { createHash } from 'node:crypto';
import type { FarmHeaderAnswer, FarmNow, LayersAnswer } from '@fanega/contract';
import {
  type BookGap,
  bookGaps,
  currentSeason,
  deliveries,
  type Entry,
  sellBookOf,
  type SellRecords,
  startOfDay,
  type TapeLine,
  tapePage,
  type TodayView,
  todayView,
} from '@fanega/core';
import { Controller, Get, Inject, Module, Param, Query } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { Allow, ForJobs, type Writer, WriterOf } from '../../platform/access.js';
import { Answers } from '../../platform/answer.js';
import { versionText } from '../../platform/versions.js';
import { FarmClock, farmIn, LedgerModule, LedgerService, type OpenBook } from '../ledger/index.js';
import { RecordsModule, RecordsService } from '../records/index.js';

const TAPE_LENGTH = 60;
/** What is due today changes with the clock too, minute by minute. */
const MINUTE = 60_000;
/** What a buyer owes since a fortnight is a matter of hours. */
const HOUR = 60 * MINUTE;

@ApiTags('today')
@Controller('farms/:farmId')
class TodayController {
  constructor(
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(FarmClock) private readonly clock: FarmClock,
    @Inject(RecordsService) private readonly records: RecordsService,
  ) {}

  /** What the farm is called, and its lots and places. */
  @Get('header')
  @Allow('viewer')
  @ForJobs()
  @Answers('FarmHeaderAnswer', { topics: ['header', 'store'], keep: true })
  async header(@Param('farmId') farmId: string): Promise<FarmHeaderAnswer> {
    const { header, lots, places, versions } = await this.ledgers.open(farmId);
    const { id, name, timeZone, demo, units, clock } = header.farm;
    return {
      farm: { id, name, timeZone, demo: Boolean(demo), units, clock, defaults: header.defaults },
      lots,
      places,
      topics: { header: versions.topics.header, store: versions.topics.store },
    };
  }

  /** What lies where, what the day came to, and what is likely next. */
  @Get('now')
  @Allow('viewer')
  @ForJobs()
  @Answers('FarmNow', { topics: ['book', 'header'], keep: true, clock: true })
  async now(@Param('farmId') farmId: string, @WriterOf() { job }: Writer): Promise<FarmNow> {
    const now = await this.clock.now(farmId);
    const answer = await this.ledgers.answer(
      farmId,
      'now',
      (book): Omit<FarmNow, 'now'> => {
        const positions = book.ledger.positions();
        return {
          seq: book.versions.seq,
          positions,
          tape: tapePage(book, book.seqOf, TAPE_LENGTH),
          ...dayOf(book, now, positions),
          entries: book.ledger.size,
          broken: book.broken,
          topics: book.versions.topics,
        };
      },
      // It says how every topic stands, of those too that change nothing else of it.
      ({ versions }) => `${Math.floor(now / MINUTE)} ${versionText(versions)}`,
    );
    // Devices set their clocks by it: the answer may be a minute old, the time must not be.
    return { ...answer, now, ...(job ? { tape: answer.tape.map(withoutPrice) } : {}) };
  }

  /** What in the books of the season has no counterpart yet, the most money first: it takes all its tickets and sheets, which a page need not have. */
  @Get('gaps')
  @Allow('viewer')
  @Answers('BookGap[]', { topics: ['book', 'header', 'sell'], keep: true, clock: true })
  async gaps(@Param('farmId') farmId: string): Promise<BookGap[]> {
    // Read before the book is opened: what comes meanwhile makes a version of its own, and the question is asked again.
    const sell = (await this.records.everything(farmId, 'sell')) as unknown as SellRecords;
    const now = await this.clock.now(farmId);
    return this.ledgers.answer(
      farmId,
      'gaps',
      (book) => {
        const positions = book.ledger.positions();
        const farm = farmIn(book, now, positions);
        const season = currentSeason(book.lots) ?? 0;
        const sold = sellBookOf(farm, sell, season, deliveries(book, season), deliveries(book, season - 1));
        return bookGaps(farm, sold, dayOf(book, now, positions).steps);
      },
      ({ versions }) => `${Math.floor(now / HOUR)} ${versions.topics.sell}`,
    );
  }

  /** Strata of every place; only of those whose mark is not the one that is named (`have=PLACE:MARK,…`). */
  @Get('layers')
  @Allow('viewer')
  @ForJobs()
  @Answers('LayersAnswer', { topics: ['book', 'header'], keep: true })
  async layers(@Param('farmId') farmId: string, @Query('have') have?: string): Promise<LayersAnswer> {
    const all = await this.ledgers.answer(farmId, 'layers', ({ ledger, places, versions }): LayersAnswer => {
      const holding = places
        .filter((place) => place.kind !== 'buyer')
        .map(({ id }) => [id, ledger.layers(id)] as const);
      return {
        seq: versions.seq,
        places: Object.fromEntries(holding.map(([id, layers]) => [id, { mark: markOf(layers), layers }])),
      };
    });
    const known = new Map((have ?? '').split(',').map((pair) => pair.split(':') as [string, string]));
    return {
      seq: all.seq,
      places: Object.fromEntries(Object.entries(all.places).filter(([id, { mark }]) => known.get(id) !== mark)),
    };
  }
}

const dayOf = (book: OpenBook, now: number, positions: FarmNow['positions']): TodayView =>
  todayView(book, now, startOfDay(now, book.header.farm.timeZone), positions);

/** A paired phone sees what was hauled, and not what it brought. */
const withoutPrice = (line: TapeLine): TapeLine => {
  const unpriced = ({ pricePerBu: _, ...entry }: Entry & { readonly pricePerBu?: number }): Entry => entry;
  // A ticket that came late brings its price as a witness.
  return { ...line, entry: unpriced(line.entry), witnesses: line.witnesses.map(unpriced) };
};

const markOf = (layers: unknown): string =>
  createHash('sha1').update(JSON.stringify(layers)).digest('base64url').slice(0, 12);

@Module({ imports: [LedgerModule, RecordsModule], controllers: [TodayController] })
export class TodayModule {}
