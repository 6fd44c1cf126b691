import {
  type AppendAnswer,
  AppendBody,
  DeviceBody,
  type DeviceHello,
  type DeviceInfo,
  type DeviceNames,
  FlowsBody,
  type NewDevice,
  ReadingBody,
  WeatherBody,
  WeightsBody,
} from '@fanega/contract';
import { Body, Controller, Get, HttpCode, Inject, Param, Post } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { Allow, type DeviceCaller, DeviceOf } from '../../platform/access.js';
import { DevicesService } from './devices.service.js';

@ApiTags('devices')
@Controller('farms/:farmId/devices')
export class DevicesController {
  constructor(@Inject(DevicesService) private readonly service: DevicesService) {}

  @Get()
  @Allow('viewer')
  list(@Param('farmId') farmId: string): Promise<DeviceInfo[]> {
    return this.service.list(farmId);
  }

  @Post()
  @Allow('manager')
  add(@Param('farmId') farmId: string, @Body() body: DeviceBody): Promise<NewDevice> {
    return this.service.add(farmId, body);
  }

  @Post(':deviceId/revoke')
  @HttpCode(200)
  @Allow('manager')
  revoke(@Param('farmId') farmId: string, @Param('deviceId') deviceId: string): Promise<{ deviceId: string }> {
    return this.service.revoke(farmId, deviceId);
  }
}

/** What devices call; docs/devices.md. The token names the farm. */
@ApiTags('device interface')
@Controller('device')
export class DeviceController {
  constructor(@Inject(DevicesService) private readonly service: DevicesService) {}

  @Get('hello')
  @Allow('device')
  hello(@DeviceOf() device: DeviceCaller): Promise<DeviceHello> {
    return this.service.hello(device);
  }

  @Post('weather')
  @HttpCode(200)
  @Allow('device')
  weather(@DeviceOf() device: DeviceCaller, @Body() body: WeatherBody): Promise<{ hours: number }> {
    return this.service.weather(device, body);
  }

  @Post('readings')
  @HttpCode(200)
  @Allow('device')
  reading(@DeviceOf() device: DeviceCaller, @Body() body: ReadingBody): Promise<{ readingId: string }> {
    return this.service.reading(device, body);
  }

  @Post('weights')
  @HttpCode(200)
  @Allow('device')
  weights(@DeviceOf() device: DeviceCaller, @Body() body: WeightsBody): { samples: number } {
    return this.service.weights(device, body);
  }

  @Post('flows')
  @HttpCode(200)
  @Allow('device')
  flows(@DeviceOf() device: DeviceCaller, @Body() body: FlowsBody): { samples: number } {
    return this.service.flows(device, body);
  }

  @Get('names')
  @Allow('device')
  names(@DeviceOf() device: DeviceCaller): Promise<DeviceNames> {
    return this.service.names(device);
  }

  @Post('entries')
  @HttpCode(200)
  @Allow('device')
  entries(@DeviceOf() device: DeviceCaller, @Body() body: AppendBody): Promise<AppendAnswer> {
    return this.service.entries(device, body);
  }
}
