import {
  type FieldsImportAnswer,
  FieldsImportBody,
  type FileImportInfo,
  type ImportUndone,
  type LoadsImportAnswer,
  LoadsImportBody,
  CablesImportBody,
  LevelsImportBody,
  type RowsImportAnswer,
  TicketsImportBody,
  WeatherImportBody,
} from '@fanega/contract';
import { Body, Controller, Get, HttpCode, Inject, Param, Post } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { Allow, type Caller, CallerOf } from '../../platform/access.js';
import { Answers } from '../../platform/answer.js';
import { ImportsService } from './imports.service.js';

@ApiTags('trace')
@Controller('farms/:farmId/imports')
export class ImportsController {
  constructor(@Inject(ImportsService) private readonly service: ImportsService) {}

  @Get()
  @Allow('viewer')
  @Answers('FileImportInfo[]', { topics: ['trace'] })
  list(@Param('farmId') farmId: string): Promise<FileImportInfo[]> {
    return this.service.list(farmId);
  }

  /** Fields of a file, all or none. */
  @Post('fields')
  @HttpCode(200)
  @Allow('manager')
  @Answers('FieldsImportAnswer')
  fields(
    @Param('farmId') farmId: string,
    @Body() body: FieldsImportBody,
    @CallerOf() caller: Caller,
  ): Promise<FieldsImportAnswer> {
    return this.service.fields(farmId, body, caller);
  }

  /** Some loads of a file; with `look` nothing is written. */
  @Post('loads')
  @HttpCode(200)
  @Allow('manager')
  @Answers('LoadsImportAnswer')
  loads(
    @Param('farmId') farmId: string,
    @Body() body: LoadsImportBody,
    @CallerOf() caller: Caller,
  ): Promise<LoadsImportAnswer> {
    return this.service.loads(farmId, body, caller);
  }

  /** Some tickets of a buyer's file; with `look` nothing is written. */
  @Post('tickets')
  @HttpCode(200)
  @Allow('manager')
  @Answers('RowsImportAnswer')
  tickets(
    @Param('farmId') farmId: string,
    @Body() body: TicketsImportBody,
    @CallerOf() caller: Caller,
  ): Promise<RowsImportAnswer> {
    return this.service.tickets(farmId, body, caller);
  }

  /** Some levels of bins; with `look` nothing is written. */
  @Post('levels')
  @HttpCode(200)
  @Allow('manager')
  @Answers('RowsImportAnswer')
  levels(
    @Param('farmId') farmId: string,
    @Body() body: LevelsImportBody,
    @CallerOf() caller: Caller,
  ): Promise<RowsImportAnswer> {
    return this.service.levels(farmId, body, caller);
  }

  /** Some hours of measured weather; with `look` nothing is written. */
  @Post('weather')
  @HttpCode(200)
  @Allow('manager')
  @Answers('RowsImportAnswer')
  weather(
    @Param('farmId') farmId: string,
    @Body() body: WeatherImportBody,
    @CallerOf() caller: Caller,
  ): Promise<RowsImportAnswer> {
    return this.service.weather(farmId, body, caller);
  }

  /** Some readings of temperature cables; with `look` nothing is written. */
  @Post('cables')
  @HttpCode(200)
  @Allow('manager')
  @Answers('RowsImportAnswer')
  cables(
    @Param('farmId') farmId: string,
    @Body() body: CablesImportBody,
    @CallerOf() caller: Caller,
  ): Promise<RowsImportAnswer> {
    return this.service.cables(farmId, body, caller);
  }

  /** All that a file brought is taken back as one. */
  @Post(':importId/undo')
  @HttpCode(200)
  @Allow('manager')
  @Answers('ImportUndone')
  undo(@Param('farmId') farmId: string, @Param('importId') importId: string): Promise<ImportUndone> {
    return this.service.undo(farmId, importId);
  }
}
