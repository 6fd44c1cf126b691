import {
  type FieldAdded,
  FieldBody,
  FieldChangeBody,
  type LotAnswer,
  NeighborRowsBody,
  type ReadingInfo,
  SeasonBody,
  type SeasonBegun,
  type WeatherAnswer,
  WeatherBody,
  type WeatherHourInfo,
} from '@fanega/contract';
import { type FieldRow, instantOf } from '@fanega/core';
import { Body, Controller, Get, HttpCode, Inject, Module, Param, Post, Put, Query } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { Allow, ForJobs, type Writer, WriterOf } from '../../platform/access.js';
import { Answers } from '../../platform/answer.js';
import { seasonIn } from '../../platform/query.js';
import { Refused } from '../../platform/refused.js';
import { LedgerModule, LedgerService } from '../ledger/index.js';
import { FieldsRepository, removeFields } from './fields.repository.js';
import { FieldsService, weatherRow } from './fields.service.js';

const MOST_DAYS = 400;

@ApiTags('fields')
@Controller('farms/:farmId')
class FieldsController {
  constructor(
    @Inject(FieldsService) private readonly service: FieldsService,
    @Inject(LedgerService) private readonly ledgers: LedgerService,
  ) {}

  /** Lots with where they stand; of one season with `season`. */
  @Get('lots')
  @Allow('viewer')
  @ForJobs()
  @Answers('FieldRow[]', { topics: ['book', 'header', 'fields'], keep: true })
  lots(@Param('farmId') farmId: string, @Query('season') season?: string): Promise<FieldRow[]> {
    return this.service.rows(farmId, seasonIn(season));
  }

  /** Moistures of a lot that are in the book already. */
  @Get('lots/:lotId/moistures')
  @Allow('viewer')
  @Answers('ReadingInfo[]', { topics: ['book', 'header'], keep: true })
  lotMoistures(@Param('farmId') farmId: string, @Param('lotId') lotId: string): Promise<ReadingInfo[]> {
    return this.service.lotMoistures(farmId, lotId);
  }

  @Post('fields')
  @Allow('manager')
  @Answers('FieldAdded')
  addField(@Param('farmId') farmId: string, @Body() body: FieldBody): Promise<FieldAdded> {
    return this.service.addField(farmId, body);
  }

  /** The next season, on fields that are there already. */
  @Post('seasons')
  @Allow('manager')
  @Answers('SeasonBegun')
  beginSeason(@Param('farmId') farmId: string, @Body() body: SeasonBody): Promise<SeasonBegun> {
    return this.service.beginSeason(farmId, body);
  }

  /** By whoever drives: the rows burn or the hail comes, and the owner stands with the first load. */
  @Post('neighbor-rows')
  @Allow('operator')
  @ForJobs()
  @Answers('LotAnswer')
  async addNeighborRows(
    @Param('farmId') farmId: string,
    @Body() body: NeighborRowsBody,
    @WriterOf() writer: Writer,
  ): Promise<LotAnswer> {
    await this.ledgers.requireMachine(farmId, writer, 'combine');
    return this.service.addNeighborRows(farmId, body);
  }

  /** Takes a field of a season out on which nothing hangs: typed by mistake, or not planted. */
  @Post('lots/:lotId/remove')
  @HttpCode(200)
  @Allow('manager')
  @Answers('LotAnswer')
  removeLot(@Param('farmId') farmId: string, @Param('lotId') lotId: string): Promise<LotAnswer> {
    return this.service.removeLot(farmId, lotId);
  }

  @Put('lots/:lotId')
  @Allow('manager')
  @Answers('LotAnswer')
  changeField(
    @Param('farmId') farmId: string,
    @Param('lotId') lotId: string,
    @Body() body: FieldChangeBody,
  ): Promise<LotAnswer> {
    return this.service.changeField(farmId, lotId, body);
  }

  @Get('weather')
  @Allow('viewer')
  @ForJobs()
  @Answers('WeatherHourInfo[]', { topics: ['weather'], keep: true })
  weather(@Param('farmId') farmId: string, @Query('from') from = '', @Query('to') to = ''): Promise<WeatherHourInfo[]> {
    const [fromMs, toMs] = [instantOf(from), instantOf(to)];
    if (Number.isNaN(fromMs) || Number.isNaN(toMs) || toMs - fromMs > MOST_DAYS * 24 * 3_600_000)
      throw new Refused('body_wrong', `from and to are instants, at most ${MOST_DAYS} days apart.`);
    return this.service.weather(farmId, fromMs, toMs);
  }

  @Post('weather')
  @Allow('operator')
  @Answers('WeatherAnswer')
  addWeather(@Param('farmId') farmId: string, @Body() body: WeatherBody): Promise<WeatherAnswer> {
    return this.service.addWeather(farmId, body);
  }
}

@Module({
  imports: [LedgerModule],
  controllers: [FieldsController],
  providers: [FieldsRepository, FieldsService],
  exports: [FieldsService],
})
export class FieldsModule {}
export { FieldsService, removeFields, weatherRow };
export { DisplayAreaRow, WeatherRow } from './fields.entity.js';
