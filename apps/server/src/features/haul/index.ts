import {
  WeighTicketBody,
  WeighTicketCorrectionBody,
  type WeighTicketInfo,
  WeighTicketVoidBody,
} from '@fanega/contract';
import { haulView, type HaulView, weighedView, type WeighedView } from '@fanega/core';
import {
  Body,
  Controller,
  Get,
  HttpCode,
  Inject,
  type MessageEvent,
  Module,
  Param,
  ParseIntPipe,
  Post,
  Req,
  Res,
  Sse,
} from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { map, type Observable } from 'rxjs';
import { Allow, ForJobs, Sessions, type Writer, WriterOf } from '../../platform/access.js';
import { sendSheet } from '../../platform/print.js';
import { Answers } from '../../platform/answer.js';
import { beating } from '../../platform/beat.js';
import { LedgerModule, LedgerService } from '../ledger/index.js';
import { RecordsModule } from '../records/index.js';
import { LiveRepository } from './live.repository.js';
import { LiveService } from './live.service.js';
import { insertTicketLists, WeighTicketsRepository } from './weigh-tickets.repository.js';
import { WeighTicketsService } from './weigh-tickets.service.js';

@ApiTags('haul')
@Controller('farms/:farmId')
class HaulController {
  constructor(
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(LiveService) private readonly live: LiveService,
    @Inject(WeighTicketsService) private readonly tickets: WeighTicketsService,
    @Inject(Sessions) private readonly sessions: Sessions,
  ) {}

  /** What the book tells of the hauling. */
  @Get('haul')
  @Allow('viewer')
  @ForJobs()
  @Answers('HaulView', { topics: ['book', 'header'], keep: true })
  haul(@Param('farmId') farmId: string): Promise<HaulView> {
    return this.ledgers.answer(farmId, 'haul', haulView);
  }

  /** Loads that several scales weighed, and those of one scale alone. */
  @Get('haul/weighed')
  @Allow('viewer')
  @Answers('WeighedView', { topics: ['book', 'header'] })
  weighed(@Param('farmId') farmId: string): Promise<WeighedView> {
    return this.ledgers.answer(farmId, 'weighed', weighedView);
  }

  /** The newest tickets of the farm's own truck scale. */
  @Get('weigh-tickets')
  @Allow('viewer')
  @ForJobs()
  @Answers('WeighTicketInfo[]', { topics: ['haul'], keep: true })
  list(@Param('farmId') farmId: string): Promise<WeighTicketInfo[]> {
    return this.tickets.list(farmId);
  }

  /** Server-sent weights and flows: each device's curve as it stands, then every new figure. */
  @Sse('live')
  @Allow('viewer')
  @ForJobs()
  follow(@Param('farmId') farmId: string, @Req() request: Request): Observable<MessageEvent> {
    return beating(this.live.follow(farmId).pipe(map((data) => ({ data }))), () =>
      this.sessions.isWelcome(request, farmId),
    );
  }

  @Post('weigh-tickets')
  @HttpCode(200)
  @Allow('operator')
  @ForJobs()
  @Answers('WeighTicketInfo')
  weigh(
    @Param('farmId') farmId: string,
    @Body() body: WeighTicketBody,
    @WriterOf() writer: Writer,
  ): Promise<WeighTicketInfo> {
    return this.tickets.add(farmId, body, writer);
  }

  /** Takes a weight again: the old ticket and what it said are void, the new one stands; one request, all or nothing. */
  @Post('weigh-tickets/:number/correction')
  @HttpCode(200)
  @Allow('operator')
  @ForJobs()
  @Answers('WeighTicketInfo')
  correct(
    @Param('farmId') farmId: string,
    @Param('number', ParseIntPipe) number: number,
    @Body() body: WeighTicketCorrectionBody,
    @WriterOf() writer: Writer,
  ): Promise<WeighTicketInfo> {
    return this.tickets.correct(farmId, number, body, writer);
  }

  @Post('weigh-tickets/:number/void')
  @HttpCode(200)
  @Allow('operator')
  @ForJobs()
  @Answers('WeighTicketInfo')
  void(
    @Param('farmId') farmId: string,
    @Param('number', ParseIntPipe) number: number,
    @Body() body: WeighTicketVoidBody,
    @WriterOf() writer: Writer,
  ): Promise<WeighTicketInfo> {
    return this.tickets.void(farmId, number, body.void, writer);
  }

  @Get('weigh-tickets/:number/pdf')
  @Allow('viewer')
  @ForJobs()
  async print(
    @Param('farmId') farmId: string,
    @Param('number', ParseIntPipe) number: number,
    @Res() response: Response,
  ): Promise<void> {
    const pdf = await this.tickets.print(farmId, number);
    sendSheet(response, `weight-ticket-${number}`, pdf);
  }
}

@Module({
  imports: [LedgerModule, RecordsModule],
  controllers: [HaulController],
  providers: [LiveRepository, LiveService, WeighTicketsRepository, WeighTicketsService],
  exports: [LiveRepository, LiveService],
})
export class HaulModule {}
export { insertTicketLists, LiveService };
export { flowOf } from './live.service.js';
export { LiveRepository } from './live.repository.js';
export {
  LiveFigureRow,
  MachinePositionRow,
  WeighTicketAxleRow,
  WeighTicketRow,
  WeighTicketShareRow,
} from './haul.entity.js';
