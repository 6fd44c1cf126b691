import { currentSeason, deliveries, type Delivery, type FarmView } from '@fanega/core';
import { Controller, Get, Inject, Injectable, Module, Param, Query, Res } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { Allow } from '../../platform/access.js';
import { Clock } from '../../platform/clock.js';
import { type Letterhead, sendSheet } from '../../platform/print.js';
import { Answers } from '../../platform/answer.js';
import { seasonIn } from '../../platform/query.js';
import type { Response } from 'express';
import { Refused } from '../../platform/refused.js';
import { FarmClock, farmAsPrinted, LedgerModule, LedgerService, letterhead } from '../ledger/index.js';
import { RecordsModule, RecordsService } from '../records/index.js';
import { SellBooks } from './sell-books.js';
import { type Print, PRINTS, printSelling, printStatement } from './print.js';

@Injectable()
class SellPrints {
  constructor(
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(RecordsService) private readonly records: RecordsService,
    @Inject(SellBooks) private readonly books: SellBooks,
    @Inject(FarmClock) private readonly clock: FarmClock,
    @Inject(Clock) private readonly time: Clock,
  ) {}

  /** A sheet of the season: its contracts, its settlements against the own arithmetic, or its deliveries. */
  async print(farmId: string, what: Print, asked: number | undefined): Promise<Uint8Array> {
    const { farm, letter } = await this.of(farmId);
    const season = asked ?? currentSeason(farm.data.lots) ?? new Date(this.time.now()).getUTCFullYear();
    return printSelling(what, letter, farm, season, await this.books.of(farmId, farm, season));
  }

  /** A statement out of its own lines: whatever was corrected since, it is the same. */
  async statement(farmId: string, id: string): Promise<{ readonly number: number; readonly pdf: Uint8Array }> {
    const body = await this.records.kept(farmId, 'statement', id);
    if (!body) throw new Refused('not_found', 'There is no such statement.');
    const { farm, letter } = await this.of(farmId);
    return { number: body.number, pdf: await printStatement(letter, farm, body) };
  }

  private async of(farmId: string): Promise<{ readonly farm: FarmView; readonly letter: Letterhead }> {
    const farm = await farmAsPrinted(this.ledgers, farmId, await this.clock.now(farmId));
    return { farm, letter: await letterhead(this.ledgers, farmId, this.time.now()) };
  }
}

@ApiTags('sell')
@Controller('farms/:farmId')
class SellController {
  constructor(
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(SellPrints) private readonly prints: SellPrints,
  ) {}

  /** Deliveries with their tickets, newest first: of the season's lots, of the newest season where none is named. */
  @Get('deliveries')
  @Allow('viewer')
  @Answers('Delivery[]', { topics: ['book', 'header'], keep: true })
  deliveries(@Param('farmId') farmId: string, @Query('season') season?: string): Promise<Delivery[]> {
    const of = seasonIn(season);
    return this.ledgers.answer(farmId, `deliveries ${of ?? ''}`, (book) =>
      deliveries(book, of ?? currentSeason(book.lots)),
    );
  }

  /** An owner's statement on paper, as it was given. */
  @Get('sell/statements/:statementId/pdf')
  @Allow('viewer')
  async statement(
    @Param('farmId') farmId: string,
    @Param('statementId') statementId: string,
    @Res() response: Response,
  ): Promise<void> {
    const { number, pdf } = await this.prints.statement(farmId, statementId);
    sendSheet(response, `statement-${number}`, pdf);
  }

  /** `contracts`, `settlements` or `deliveries` of a season on paper. */
  @Get('sell/print/:what/pdf')
  @Allow('viewer')
  async print(
    @Param('farmId') farmId: string,
    @Param('what') what: string,
    @Res() response: Response,
    @Query('season') season?: string,
  ): Promise<void> {
    const print = PRINTS.find((one) => one === what);
    if (print === undefined) throw new Refused('not_found', 'There is no such sheet.');
    const pdf = await this.prints.print(farmId, print, seasonIn(season));
    sendSheet(response, print, pdf);
  }
}

@Module({
  imports: [LedgerModule, RecordsModule],
  controllers: [SellController],
  providers: [SellBooks, SellPrints],
  exports: [SellBooks],
})
export class SellModule {}
export { SellBooks };
