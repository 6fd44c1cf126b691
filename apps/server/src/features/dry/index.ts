import { tracePlace, type WetPlace, wetView } from '@fanega/core';
import { Controller, Get, Inject, Module, Param } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { Allow, ForJobs } from '../../platform/access.js';
import { Answers } from '../../platform/answer.js';
import { LedgerModule, LedgerService } from '../ledger/index.js';

@ApiTags('dry')
@Controller('farms/:farmId')
class DryController {
  constructor(@Inject(LedgerService) private readonly ledgers: LedgerService) {}

  /** Everything wet and where it is, a layer at a time, with when it was cut. */
  @Get('wet')
  @Allow('viewer')
  @ForJobs()
  @Answers('WetPlace[]', { topics: ['book', 'header'], keep: true })
  wet(@Param('farmId') farmId: string): Promise<WetPlace[]> {
    return this.ledgers.answer(farmId, 'wet', (book) =>
      wetView(book, book.header.defaults, (placeId, layer) => tracePlace(book.ledger, placeId, layer).loads),
    );
  }
}

@Module({ imports: [LedgerModule], controllers: [DryController] })
export class DryModule {}
