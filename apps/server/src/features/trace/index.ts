import {
  type Account,
  type DeliveryTraceView,
  deliveryTraceView,
  type LotTraceView,
  lotTraceView,
  type Position,
  searchBook,
  type TraceFound,
} from '@fanega/core';
import { Controller, Get, Inject, Module, Param, Query } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { Allow } from '../../platform/access.js';
import { Answers } from '../../platform/answer.js';
import { Refused } from '../../platform/refused.js';
import { FieldsModule, FieldsService } from '../fields/index.js';
import { LedgerModule, LedgerService } from '../ledger/index.js';
import { RecordsModule } from '../records/index.js';
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
  imports: [LedgerModule, FieldsModule, RecordsModule],
  controllers: [
    TraceController,
    OutController,
    OriginController,
    SharedOriginController,
    InsuranceController,
    ImportsController,
  ],
  providers: [LinksRepository, OriginService, InsuranceService, ImportsRepository, ImportsService],
})
export class TraceModule {}
export { FileImportFieldRow, FileImportRow, OriginLinkRow } from './trace.entity.js';
