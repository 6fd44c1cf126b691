import {
  type AppendAnswer,
  AppendBody,
  BidsBody,
  CableReadingsBody,
  DeviceBody,
  type DeviceHello,
  type DeviceInfo,
  type DeviceNames,
  DryerSaysListBody,
  FlowsBody,
  LevelsBody,
  MotorsBody,
  type NewDevice,
  type DeviceAnswer,
  type DeviceReadingAnswer,
  type SamplesAnswer,
  type WeatherAnswer,
  WeatherBody,
  PhonePositionsBody,
  PositionsBody,
  WeightsBody,
} from '@fanega/contract';
import { Body, Controller, Get, HttpCode, Inject, Param, Post } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { LOGGED, READING } from '@fanega/core';
import { Allow, ForJobs, type DeviceCaller, DeviceOf, type Writer, WriterOf } from '../../platform/access.js';
import { Answers } from '../../platform/answer.js';
import { RecordPipe } from '../../platform/record.pipe.js';
import { DevicesService } from './devices.service.js';

/** A device may leave the id to the farm. */
const DEVICE_READING = new RecordPipe({
  ...READING,
  fields: { ...READING.fields, id: { ...LOGGED.id, optional: true } },
} as never);

@ApiTags('devices')
@Controller('farms/:farmId/devices')
export class DevicesController {
  constructor(@Inject(DevicesService) private readonly service: DevicesService) {}

  @Get()
  @Allow('viewer')
  @ForJobs()
  @Answers('DeviceInfo[]', { topics: ['devices'], keep: true, clock: true })
  list(@Param('farmId') farmId: string): Promise<DeviceInfo[]> {
    return this.service.list(farmId);
  }

  @Post()
  @Allow('manager')
  @Answers('NewDevice')
  add(@Param('farmId') farmId: string, @Body() body: DeviceBody): Promise<NewDevice> {
    return this.service.add(farmId, body);
  }

  @Post(':deviceId/revoke')
  @HttpCode(200)
  @Allow('manager')
  @Answers('DeviceAnswer')
  revoke(@Param('farmId') farmId: string, @Param('deviceId') deviceId: string): Promise<DeviceAnswer> {
    return this.service.revoke(farmId, deviceId);
  }
}

@ApiTags('devices')
@Controller('farms/:farmId/positions')
export class PositionsController {
  constructor(@Inject(DevicesService) private readonly service: DevicesService) {}

  /** Where a machine is, by the phone in its cab, where somebody lets it tell. */
  @Post()
  @HttpCode(200)
  @Allow('operator')
  @ForJobs()
  @Answers('SamplesAnswer')
  tell(
    @Param('farmId') farmId: string,
    @Body() body: PhonePositionsBody,
    @WriterOf() writer: Writer,
  ): Promise<SamplesAnswer> {
    return this.service.phonePositions(farmId, body, writer);
  }
}

/** What devices call; docs/devices.md. The token names the farm. */
@ApiTags('device interface')
@Controller('device')
export class DeviceController {
  constructor(@Inject(DevicesService) private readonly service: DevicesService) {}

  @Get('hello')
  @Allow('device')
  @Answers('DeviceHello')
  hello(@DeviceOf() device: DeviceCaller): Promise<DeviceHello> {
    return this.service.hello(device);
  }

  @Post('weather')
  @HttpCode(200)
  @Allow('device')
  @Answers('WeatherAnswer')
  weather(@DeviceOf() device: DeviceCaller, @Body() body: WeatherBody): Promise<WeatherAnswer> {
    return this.service.weather(device, body);
  }

  @Post('readings')
  @HttpCode(200)
  @Allow('device')
  @Answers('DeviceReadingAnswer')
  reading(
    @DeviceOf() device: DeviceCaller,
    @Body(DEVICE_READING) body: Parameters<DevicesService['reading']>[1],
  ): Promise<DeviceReadingAnswer> {
    return this.service.reading(device, body);
  }

  @Post('weights')
  @HttpCode(200)
  @Allow('device')
  @Answers('SamplesAnswer')
  weights(@DeviceOf() device: DeviceCaller, @Body() body: WeightsBody): Promise<SamplesAnswer> {
    return this.service.weights(device, body);
  }

  @Post('flows')
  @HttpCode(200)
  @Allow('device')
  @Answers('SamplesAnswer')
  flows(@DeviceOf() device: DeviceCaller, @Body() body: FlowsBody): Promise<SamplesAnswer> {
    return this.service.flows(device, body);
  }

  @Post('positions')
  @HttpCode(200)
  @Allow('device')
  @Answers('SamplesAnswer')
  positions(@DeviceOf() device: DeviceCaller, @Body() body: PositionsBody): Promise<SamplesAnswer> {
    return this.service.positions(device, body);
  }

  @Post('cables')
  @HttpCode(200)
  @Allow('device')
  @Answers('SamplesAnswer')
  cables(@DeviceOf() device: DeviceCaller, @Body() body: CableReadingsBody): Promise<SamplesAnswer> {
    return this.service.cables(device, body);
  }

  @Post('dryer')
  @HttpCode(200)
  @Allow('device')
  @Answers('SamplesAnswer')
  dryer(@DeviceOf() device: DeviceCaller, @Body() body: DryerSaysListBody): Promise<SamplesAnswer> {
    return this.service.dryer(device, body);
  }

  @Post('levels')
  @HttpCode(200)
  @Allow('device')
  @Answers('SamplesAnswer')
  levels(@DeviceOf() device: DeviceCaller, @Body() body: LevelsBody): Promise<SamplesAnswer> {
    return this.service.levels(device, body);
  }

  @Post('bids')
  @HttpCode(200)
  @Allow('device')
  @Answers('SamplesAnswer')
  bids(@DeviceOf() device: DeviceCaller, @Body() body: BidsBody): Promise<SamplesAnswer> {
    return this.service.bids(device, body);
  }

  @Post('motors')
  @HttpCode(200)
  @Allow('device')
  @Answers('SamplesAnswer')
  motors(@DeviceOf() device: DeviceCaller, @Body() body: MotorsBody): Promise<SamplesAnswer> {
    return this.service.motors(device, body);
  }

  @Get('names')
  @Allow('device')
  @Answers('DeviceNames')
  names(@DeviceOf() device: DeviceCaller): Promise<DeviceNames> {
    return this.service.names(device);
  }

  @Post('entries')
  @HttpCode(200)
  @Allow('device')
  @Answers('AppendAnswer')
  entries(@DeviceOf() device: DeviceCaller, @Body() body: AppendBody): Promise<AppendAnswer> {
    return this.service.entries(device, body);
  }
}
