import { type HaulAnswer, TrustBody, WeighTicketBody, type WeighTicketInfo } from '@fanega/contract';
import { Body, Controller, Get, HttpCode, Inject, type MessageEvent, Param, ParseIntPipe, Post, Put, Res, Sse } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import { map, type Observable } from 'rxjs';
import { Allow, type Caller, CallerOf } from '../../platform/access.js';
import { beating } from '../../platform/beat.js';
import { BookRepository } from '../book/index.js';
import { HaulService } from './haul.service.js';
import { LiveService } from './live.service.js';
import { WeighTicketsService } from './weigh-tickets.service.js';

@ApiTags('haul')
@Controller('farms/:farmId')
export class HaulController {
  constructor(
    @Inject(HaulService) private readonly service: HaulService,
    @Inject(LiveService) private readonly live: LiveService,
    @Inject(WeighTicketsService) private readonly tickets: WeighTicketsService,
    @Inject(BookRepository) private readonly book: BookRepository,
  ) {}

  @Get('haul')
  @Allow('viewer')
  haul(@Param('farmId') farmId: string): Promise<HaulAnswer> {
    return this.service.haul(farmId);
  }

  /** Server-sent weights and flows: each device's curve as it stands, then every new figure. */
  @Sse('live')
  @Allow('viewer')
  follow(@Param('farmId') farmId: string): Observable<MessageEvent> {
    return beating(this.live.follow(farmId).pipe(map((data) => ({ data }))));
  }

  @Post('weigh-tickets')
  @HttpCode(200)
  @Allow('operator')
  weigh(@Param('farmId') farmId: string, @Body() body: WeighTicketBody, @CallerOf() caller: Caller): Promise<WeighTicketInfo> {
    return this.tickets.add(farmId, body, caller);
  }

  @Post('weigh-tickets/:number/void')
  @HttpCode(200)
  @Allow('operator')
  void(@Param('farmId') farmId: string, @Param('number', ParseIntPipe) number: number): Promise<WeighTicketInfo> {
    return this.tickets.void(farmId, number);
  }

  @Get('weigh-tickets/:number/pdf')
  @Allow('viewer')
  async print(@Param('farmId') farmId: string, @Param('number', ParseIntPipe) number: number, @Res() response: Response): Promise<void> {
    const pdf = await this.tickets.print(farmId, number);
    response.type('application/pdf').setHeader('Content-Disposition', `inline; filename="weight-ticket-${number}.pdf"`);
    response.send(Buffer.from(pdf));
  }

  /** Which scale counts: every load is weighed anew by the farm's own order. */
  @Put('trust')
  @Allow('manager')
  trust(@Param('farmId') farmId: string, @Body() body: TrustBody): Promise<{ trust: readonly string[] }> {
    return this.book.changeTrust(farmId, body.trust);
  }
}
