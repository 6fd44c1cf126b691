import { monitorsView, type MonitorView } from '@fanega/core';
import { Controller, Get, Inject, Module, Param } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { Allow, ForJobs } from '../../platform/access.js';
import { Answers } from '../../platform/answer.js';
import { LedgerModule, LedgerService } from '../ledger/index.js';

@ApiTags('cut')
@Controller('farms/:farmId')
class CutController {
  constructor(@Inject(LedgerService) private readonly ledgers: LedgerService) {}

  /** Displays against scales, by combine. */
  @Get('monitors')
  @Allow('viewer')
  @ForJobs()
  @Answers('MonitorView[]', { topics: ['book', 'header'], keep: true })
  monitors(@Param('farmId') farmId: string): Promise<MonitorView[]> {
    return this.ledgers.answer(farmId, 'monitors', monitorsView);
  }
}

@Module({ imports: [LedgerModule], controllers: [CutController] })
export class CutModule {}
