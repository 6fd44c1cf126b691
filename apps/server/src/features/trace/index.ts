import {
  type Account,
  type DeliveryTraceView,
  type FieldRecords,
  type LotStatement,
  fieldMoney,
  type FieldMoney,
  type LotInfo,
  lotStatement,
  deliveryTraceView,
  type LotTraceView,
  lotTraceView,
  placeNames,
  type Position,
  searchBook,
  type TraceFound,
} from '@fanega/core';
import { Controller, Get, Inject, Module, Param, Query, Res } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { Allow } from '../../platform/access.js';
import { sendSheet } from '../../platform/print.js';
import { Answers } from '../../platform/answer.js';
import { Refused } from '../../platform/refused.js';
import { FieldsModule, FieldsService } from '../fields/index.js';
import { FarmClock, farmAsPrinted, LedgerModule, LedgerService, letterhead } from '../ledger/index.js';
import { RecordsModule, RecordsService } from '../records/index.js';
import { SellBooks, SellModule } from '../sell/index.js';
import { csvOf } from './formats.js';
import { printLot } from './print-lot.js';
import type { Response } from 'express';
import { Clock } from '../../platform/clock.js';
import { DayController, DayService } from './day.controller.js';
import { YearController, YearService } from './year.controller.js';
import { ImportsController } from './imports.controller.js';
import { ImportsRepository } from './imports.repository.js';
import { ImportsService } from './imports.service.js';
import { InsuranceController, InsuranceService } from './insurance.controller.js';
import { LinksRepository } from './links.repository.js';
import { OriginController, SharedOriginController } from './origin.controller.js';
import { OriginService } from './origin.service.js';
import { OutController } from './out.controller.js';

@ApiTags('trace')
@Controller('farms/:farmId')
class TraceController {
  constructor(
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(FieldsService) private readonly fields: FieldsService,
    @Inject(RecordsService) private readonly records: RecordsService,
    @Inject(SellBooks) private readonly books: SellBooks,
    @Inject(FarmClock) private readonly farmClock: FarmClock,
    @Inject(Clock) private readonly clock: Clock,
  ) {}

  @Get('positions')
  @Allow('viewer')
  @Answers('Positions', { topics: ['book', 'header'] })
  async positions(@Param('farmId') farmId: string): Promise<Record<string, Position>> {
    return (await this.ledgers.open(farmId)).ledger.positions();
  }

  @Get('accounts')
  @Allow('viewer')
  @Answers('Accounts', { topics: ['book', 'header'] })
  async accounts(@Param('farmId') farmId: string): Promise<Record<string, Account>> {
    return (await this.ledgers.open(farmId)).ledger.accounts();
  }

  /** From a field to its tickets. */
  @Get('lots/:lotId/trace')
  @Allow('viewer')
  @Answers('LotTraceView', { topics: ['book', 'header', 'fields'], keep: true })
  async lot(@Param('farmId') farmId: string, @Param('lotId') lotId: string): Promise<LotTraceView> {
    const row = (await this.fields.rows(farmId)).find(({ lot }) => lot.id === lotId);
    if (!row) throw new Refused('not_found', 'There is no such field in the book.');
    return this.ledgers.answer(
      farmId,
      `lot ${lotId}`,
      (book) => lotTraceView(book, row),
      ({ versions }) => String(versions.topics.fields),
    );
  }

  /** A field's statement on paper: every load, way, loss and delivery, and the proof that its account closes. */
  @Get('lots/:lotId/statement/pdf')
  @Allow('viewer')
  async statement(
    @Param('farmId') farmId: string,
    @Param('lotId') lotId: string,
    @Res() response: Response,
  ): Promise<void> {
    const letter = await letterhead(this.ledgers, farmId, this.clock.now());
    const statement = await this.lotStatement(farmId, lotId);
    const pdf = await printLot(letter, statement, await this.lotMoney(farmId, statement.lot), await this.names(farmId));
    sendSheet(response, 'field', pdf);
  }

  /** The same lines as CSV. */
  @Get('lots/:lotId/statement/csv')
  @Allow('viewer')
  async statementCsv(
    @Param('farmId') farmId: string,
    @Param('lotId') lotId: string,
    @Res() response: Response,
  ): Promise<void> {
    const { lot, lines } = await this.lotStatement(farmId, lotId);
    const money = (await this.lotMoney(farmId, lot)).lines;
    const heads = ['at', 'what', 'from', 'to', 'ticket', 'wet_kg', 'dry_kg', 'part', 'moisture', 'method', 'by', 'due', 'paid', 'id']; // prettier-ignore
    const rows = lines.map((one) => [one.at, one.what, one.from, one.to, one.ticket, one.wetKg, one.dryKg, one.part, one.moisture, one.method, one.by, money.get(one.id)?.due ?? null, money.get(one.id)?.paid ?? null, one.id]); // prettier-ignore
    response
      .type('text/csv')
      .attachment('field.csv')
      .send([...csvOf(heads, rows)].join(''));
  }

  private async lotStatement(farmId: string, lotId: string): Promise<LotStatement> {
    const records = (await this.records.everything(farmId, 'cut')) as unknown as FieldRecords;
    const statement = lotStatement(await this.ledgers.open(farmId), lotId, records.logs);
    if (!statement) throw new Refused('not_found', 'There is no such field in the book.');
    return statement;
  }

  private async lotMoney(farmId: string, { id, season }: LotInfo): Promise<FieldMoney> {
    const farm = await farmAsPrinted(this.ledgers, farmId, await this.farmClock.now(farmId));
    return fieldMoney((await this.books.of(farmId, farm, season)).accounts, id);
  }

  private async names(farmId: string): Promise<(id: string) => string> {
    return placeNames((await this.ledgers.open(farmId)).places);
  }

  /** Fields, places and entries by a ticket's number, a day, a truck, a bin, a field, a name. */
  @Get('search')
  @Allow('viewer')
  @Answers('TraceFound', { topics: ['book', 'header'] })
  async search(@Param('farmId') farmId: string, @Query('q') asked?: string): Promise<TraceFound> {
    const book = await this.ledgers.open(farmId);
    return searchBook(book, (asked ?? '').slice(0, 200), book.header.farm.timeZone);
  }

  /** From a ticket back to each load off the field. */
  @Get('deliveries/:entryId/trace')
  @Allow('viewer')
  @Answers('DeliveryTraceView', { topics: ['book', 'header'], keep: true })
  delivery(@Param('farmId') farmId: string, @Param('entryId') entryId: string): Promise<DeliveryTraceView> {
    return this.ledgers.answer(farmId, `delivery ${entryId}`, (book) => {
      const view = deliveryTraceView(book, entryId);
      if (!view)
        throw new Refused(
          'not_found',
          book.ledger.isVoided(entryId) ? 'This delivery was voided.' : 'There is no such delivery in the book.',
        );
      return view;
    });
  }
}

@Module({
  imports: [LedgerModule, FieldsModule, RecordsModule, SellModule],
  controllers: [
    TraceController,
    OutController,
    OriginController,
    SharedOriginController,
    InsuranceController,
    ImportsController,
    DayController,
    YearController,
  ],
  providers: [
    LinksRepository,
    OriginService,
    InsuranceService,
    ImportsRepository,
    ImportsService,
    DayService,
    YearService,
  ],
})
export class TraceModule {}
export { FileImportFieldRow, FileImportRow, OriginLinkRow } from './trace.entity.js';
