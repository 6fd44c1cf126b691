import {
  DelayBody,
  EmptiedBody,
  HaulChange,
  LossBody,
  MachineChange,
  NextBody,
  NextFieldChange,
  type Notebook,
  PairBody,
  ReadingBody,
  type ReadingInfo,
  ScaleChange,
  SettingsBody,
  StripsBody,
  TareBody,
  VehicleChange,
  WeatherBody,
  type WeatherHourInfo,
  WeightRulesChange,
  WindowChange,
} from '@fanega/contract';
import { CROPS, instantOf } from '@fanega/core';
import { Body, Controller, Get, Inject, Param, Post, Put, Query } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { Allow, type Caller, CallerOf } from '../../platform/access.js';
import { Refused } from '../../platform/refused.js';
import { DeviceRow } from '../../platform/rows.js';
import { NotebookRepository } from './notebook.repository.js';
import { NotebookService } from './notebook.service.js';

@ApiTags('notebook')
@Controller('farms/:farmId')
export class NotebookController {
  constructor(
    @Inject(NotebookService) private readonly service: NotebookService,
    @Inject(NotebookRepository) private readonly repository: NotebookRepository,
  ) {}

  @Get('notebook')
  @Allow('viewer')
  notebook(@Param('farmId') farmId: string): Promise<Notebook> {
    return this.repository.notebook(farmId);
  }

  @Get('readings')
  @Allow('viewer')
  readings(@Param('farmId') farmId: string, @Query('field') field?: string): Promise<ReadingInfo[]> {
    return this.repository.readings(farmId, field);
  }

  @Post('readings')
  @Allow('operator')
  addReading(@Param('farmId') farmId: string, @Body() body: ReadingBody, @CallerOf() caller: Caller): Promise<{ readingId: string }> {
    return this.service.addReading(farmId, body, caller);
  }

  @Post('readings/:readingId/void')
  @Allow('operator')
  voidReading(@Param('farmId') farmId: string, @Param('readingId') readingId: string): Promise<{ readingId: string }> {
    return this.service.voidReading(farmId, readingId);
  }

  @Post('notes/pair')
  @Allow('operator')
  addPair(@Param('farmId') farmId: string, @Body() body: PairBody, @CallerOf() caller: Caller): Promise<{ noteId: string }> {
    return this.service.addNote(farmId, 'pair', body, caller);
  }

  @Post('notes/settings')
  @Allow('operator')
  addSettings(@Param('farmId') farmId: string, @Body() body: SettingsBody, @CallerOf() caller: Caller): Promise<{ noteId: string }> {
    return this.service.addNote(farmId, 'settings', body, caller);
  }

  @Post('notes/loss')
  @Allow('operator')
  addLoss(@Param('farmId') farmId: string, @Body() body: LossBody, @CallerOf() caller: Caller): Promise<{ noteId: string }> {
    return this.service.addNote(farmId, 'loss', body, caller);
  }

  @Post('notes/strips')
  @Allow('operator')
  addStrips(@Param('farmId') farmId: string, @Body() body: StripsBody, @CallerOf() caller: Caller): Promise<{ noteId: string }> {
    return this.service.addNote(farmId, 'strips', body, caller);
  }

  @Post('notes/next')
  @Allow('operator')
  addNext(@Param('farmId') farmId: string, @Body() body: NextBody, @CallerOf() caller: Caller): Promise<{ noteId: string }> {
    return this.service.addNote(farmId, 'next', body, caller);
  }

  @Post('notes/tare')
  @Allow('operator')
  addTare(@Param('farmId') farmId: string, @Body() body: TareBody, @CallerOf() caller: Caller): Promise<{ noteId: string }> {
    return this.service.addNote(farmId, 'tare', body, caller);
  }

  @Post('notes/delay')
  @Allow('operator')
  addDelay(@Param('farmId') farmId: string, @Body() body: DelayBody, @CallerOf() caller: Caller): Promise<{ noteId: string }> {
    return this.service.addNote(farmId, 'delay', body, caller);
  }

  @Post('notes/emptied')
  @Allow('operator')
  addEmptied(@Param('farmId') farmId: string, @Body() body: EmptiedBody, @CallerOf() caller: Caller): Promise<{ noteId: string }> {
    return this.service.addNote(farmId, 'emptied', body, caller);
  }

  @Post('notes/:noteId/void')
  @Allow('operator')
  voidNote(@Param('farmId') farmId: string, @Param('noteId') noteId: string): Promise<{ noteId: string }> {
    return this.service.voidNote(farmId, noteId);
  }

  @Put('sheets/window/:crop')
  @Allow('manager')
  changeWindow(@Param('farmId') farmId: string, @Param('crop') crop: string, @Body() body: WindowChange): Promise<{ revision: number }> {
    checkWindow(crop, body);
    return this.service.changeSheet(farmId, 'window', crop, body);
  }

  @Put('sheets/window/:crop/:buyerId')
  @Allow('manager')
  changeBuyerWindow(@Param('farmId') farmId: string, @Param('crop') crop: string, @Param('buyerId') buyerId: string, @Body() body: WindowChange): Promise<{ revision: number }> {
    checkWindow(crop, body);
    return this.service.changeSheet(farmId, 'window', `${crop}@${buyerId}`, body, this.service.isPlace(farmId, buyerId));
  }

  @Put('sheets/next-field')
  @Allow('operator')
  changeNextField(@Param('farmId') farmId: string, @Body() body: NextFieldChange): Promise<{ revision: number }> {
    return this.service.changeSheet(farmId, 'nextField', 'farm', body);
  }

  @Put('sheets/haul')
  @Allow('operator')
  changeHaul(@Param('farmId') farmId: string, @Body() body: HaulChange): Promise<{ revision: number }> {
    return this.service.changeSheet(farmId, 'haul', 'farm', body);
  }

  @Put('sheets/vehicle/:placeId')
  @Allow('operator')
  changeVehicle(@Param('farmId') farmId: string, @Param('placeId') placeId: string, @Body() body: VehicleChange): Promise<{ revision: number }> {
    checkVehicle(body);
    return this.service.changeSheet(farmId, 'vehicle', placeId, body, this.service.isPlace(farmId, placeId));
  }

  @Put('sheets/scale/:deviceId')
  @Allow('operator')
  changeScale(@Param('farmId') farmId: string, @Param('deviceId') deviceId: string, @Body() body: ScaleChange): Promise<{ revision: number }> {
    return this.service.changeSheet(farmId, 'scale', deviceId, body, (tx) => tx.existsBy(DeviceRow, { farmId, id: deviceId }));
  }

  @Put('sheets/weight-rules')
  @Allow('manager')
  changeWeightRules(@Param('farmId') farmId: string, @Body() body: WeightRulesChange): Promise<{ revision: number }> {
    return this.service.changeSheet(farmId, 'weightRules', 'farm', body);
  }

  @Put('sheets/machine/:placeId')
  @Allow('operator')
  changeMachine(@Param('farmId') farmId: string, @Param('placeId') placeId: string, @Body() body: MachineChange): Promise<{ revision: number }> {
    return this.service.changeSheet(farmId, 'machine', placeId, body, this.service.isPlace(farmId, placeId));
  }

  @Get('weather')
  @Allow('viewer')
  weather(@Param('farmId') farmId: string, @Query('from') from = '', @Query('to') to = ''): Promise<WeatherHourInfo[]> {
    const [fromMs, toMs] = [instantOf(from), instantOf(to)];
    if (Number.isNaN(fromMs) || Number.isNaN(toMs) || toMs - fromMs > 400 * 24 * 3_600_000) throw new Refused('body_wrong', 'from and to are instants, at most 400 days apart.');
    return this.repository.weather(farmId, fromMs, toMs);
  }

  @Post('weather')
  @Allow('operator')
  addWeather(@Param('farmId') farmId: string, @Body() body: WeatherBody): Promise<{ hours: number }> {
    return this.service.addWeather(farmId, body);
  }
}

function checkVehicle({ sheet: { axles, permit } }: VehicleChange): void {
  const wrong = (field: string, message: string): Refused => new Refused('body_wrong', `${message[0]!.toUpperCase()}${message.slice(1)}.`, [{ field, code: field, message }]);
  if (axles.some((axle, i) => (i === 0 ? axle.at !== 0 : axle.at < axles[i - 1]!.at + 0.5)))
    throw wrong('axles', 'each axle stands at least half a metre behind the one before, the first at 0');
  if (Math.abs(axles.reduce((sum, axle) => sum + axle.share, 0) - 1) > 0.001) throw wrong('share', 'the shares of the axles must come to the whole');
  if (permit && permit.from > permit.until) throw wrong('until', 'the permit ends before it begins');
}

function checkWindow(crop: string, { sheet }: WindowChange): void {
  if (!Object.hasOwn(CROPS, crop)) throw new Refused('not_found', 'There is no such crop.');
  const { tooDryBelow, bestFrom, bestTo, refuseAbove, opensAt = 0, closesAt = 24 } = sheet;
  const wrong = (field: string, code: string, message: string): Refused =>
    new Refused('body_wrong', `${message[0]!.toUpperCase()}${message.slice(1)}.`, [{ field, code, message }]);
  if (!(tooDryBelow <= bestFrom && bestFrom <= bestTo && bestTo <= refuseAbove)) {
    throw wrong('bestFrom', 'limits_rise', 'the limits must rise: too dry, best from, best to, refused above');
  }
  if (!(opensAt < closesAt)) throw wrong('closesAt', 'hours_rise', 'it must close after it opens');
}
