import {
  living,
  type MonitorView,
  monitorsView,
  qualityBySettings,
  type RecordsOf,
  sampleOfPaper,
  type SheetQuality,
  type TicketWay,
  traceDelivery,
  type YearLot,
  yearLots,
} from '@fanega/core';
import { Controller, Get, Inject, Module, Param } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { Allow, ForJobs } from '../../platform/access.js';
import { Answers } from '../../platform/answer.js';
import { LedgerModule, LedgerService } from '../ledger/index.js';
import { RecordsModule, RecordsService } from '../records/index.js';

/** Tickets that are followed back to their loads: the newest that say something, fewer in a large book, where each way is long. */
const MOST_TICKETS = 60;
const MOST_STEPS = 1_000_000;

@ApiTags('cut')
@Controller('farms/:farmId')
class CutController {
  constructor(
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(RecordsService) private readonly records: RecordsService,
  ) {}

  /** Displays against scales, by combine. */
  @Get('monitors')
  @Allow('viewer')
  @ForJobs()
  @Answers('MonitorView[]', { topics: ['book', 'header'], keep: true })
  monitors(@Param('farmId') farmId: string): Promise<MonitorView[]> {
    return this.ledgers.answer(farmId, 'monitors', monitorsView);
  }

  /** What samples, and the tickets of the grain that was cut with it, say of each sheet of settings. */
  @Get('cut/quality')
  @Allow('viewer')
  @Answers('SheetQuality[]', { topics: ['book', 'header', 'cut', 'sell'], keep: true })
  async quality(@Param('farmId') farmId: string): Promise<SheetQuality[]> {
    // Read before the book is opened: what comes meanwhile makes a version of its own, and the question is asked again.
    const [cut, sell] = await Promise.all([
      this.records.everything(farmId, 'cut') as unknown as Promise<RecordsOf<'settingsEntry' | 'grainSample'>>,
      this.records.everything(farmId, 'sell') as unknown as Promise<RecordsOf<'ticketPaper'>>,
    ]);
    return this.ledgers.answer(
      farmId,
      'cut quality',
      (book) => {
        const most = Math.min(MOST_TICKETS, Math.ceil(MOST_STEPS / Math.max(1, book.ledger.steps)));
        const said = living<'ticketPaper'>(sell.logs.ticketPaper)
          .map(({ body }) => ({ id: body.entryId, factors: sampleOfPaper(body.factors) }))
          .filter(({ factors }) => Object.keys(factors).length > 0)
          .slice(0, most);
        const ways = said.flatMap(({ id, factors }): TicketWay[] => {
          const way = traceDelivery(book.ledger, id);
          return way ? [{ factors, loads: way.loads }] : [];
        });
        return qualityBySettings(book, cut, ways);
      },
      ({ versions }) => `${versions.topics.cut} ${versions.topics.sell}`,
    );
  }

  /** Every field of every season that was cut, with its settings and what was counted under them: for years side by side. */
  @Get('years')
  @Allow('viewer')
  @Answers('YearLot[]', { topics: ['book', 'header', 'cut'], keep: true })
  async years(@Param('farmId') farmId: string): Promise<YearLot[]> {
    const cut = (await this.records.everything(farmId, 'cut')) as unknown as RecordsOf<'settingsEntry' | 'lossCheck', 'combineProfile'>; // prettier-ignore
    return this.ledgers.answer(
      farmId,
      'years',
      (book) => yearLots(book, cut),
      ({ versions }) => String(versions.topics.cut),
    );
  }
}

@Module({ imports: [LedgerModule, RecordsModule], controllers: [CutController] })
export class CutModule {}
