import { currentSeason, deliveries, type Delivery } from '@fanega/core';
import { Controller, Get, Inject, Module, Param, Query } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { Allow } from '../../platform/access.js';
import { Answers } from '../../platform/answer.js';
import { seasonIn } from '../../platform/query.js';
import { LedgerModule, LedgerService } from '../ledger/index.js';

@ApiTags('sell')
@Controller('farms/:farmId')
class SellController {
  constructor(@Inject(LedgerService) private readonly ledgers: LedgerService) {}

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
}

@Module({ imports: [LedgerModule], controllers: [SellController] })
export class SellModule {}
