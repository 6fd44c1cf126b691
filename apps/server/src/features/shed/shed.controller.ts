import { AckBody, AssetChange, BreakdownBody, ChangeoverChange, type PhotoInfo, SeasonChange, type Shed, TemplateChange, ULID } from '@fanega/contract';
import { MACHINE_KINDS } from '@fanega/core';
import { Body, Controller, Get, Inject, Param, Post, Put, Query, Req, Res } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { Allow, type Caller, CallerOf } from '../../platform/access.js';
import { Refused } from '../../platform/refused.js';
import { ShedService } from './shed.service.js';

@ApiTags('shed')
@Controller('farms/:farmId')
export class ShedController {
  constructor(@Inject(ShedService) private readonly service: ShedService) {}

  @Get('shed')
  @Allow('viewer')
  shed(@Param('farmId') farmId: string): Promise<Shed> {
    return this.service.shed(farmId);
  }

  @Put('sheets/asset/:assetId')
  @Allow('operator')
  changeAsset(@Param('farmId') farmId: string, @Param('assetId') assetId: string, @Body() body: AssetChange): Promise<{ revision: number }> {
    if (!/^[A-Za-z0-9-]{1,40}$/.test(assetId)) throw new Refused('body_wrong', 'A machine’s id is 1 to 40 letters, digits and dashes.');
    return this.service.change(farmId, 'asset', assetId, body);
  }

  @Put('sheets/template/:kind')
  @Allow('manager')
  changeTemplate(@Param('farmId') farmId: string, @Param('kind') kind: string, @Body() body: TemplateChange): Promise<{ revision: number }> {
    if (!Object.hasOwn(MACHINE_KINDS, kind)) throw new Refused('not_found', 'There is no such kind of machine.');
    return this.service.change(farmId, 'template', kind, body);
  }

  @Put('sheets/season')
  @Allow('manager')
  changeSeason(@Param('farmId') farmId: string, @Body() body: SeasonChange): Promise<{ revision: number }> {
    return this.service.change(farmId, 'season', 'farm', body);
  }

  @Put('sheets/changeover/:assetId')
  @Allow('operator')
  changeChangeover(@Param('farmId') farmId: string, @Param('assetId') assetId: string, @Body() body: ChangeoverChange): Promise<{ revision: number }> {
    return this.service.change(farmId, 'changeover', assetId, body);
  }

  @Post('notes/breakdown')
  @Allow('operator')
  addBreakdown(@Param('farmId') farmId: string, @Body() body: BreakdownBody, @CallerOf() caller: Caller): Promise<{ noteId: string }> {
    return this.service.note(farmId, 'breakdown', body, caller);
  }

  @Post('notes/ack')
  @Allow('operator')
  addAck(@Param('farmId') farmId: string, @Body() body: AckBody, @CallerOf() caller: Caller): Promise<{ noteId: string }> {
    return this.service.note(farmId, 'ack', body, caller);
  }

  /** The body is the picture itself. */
  @Post('photos/:photoId')
  @Allow('operator')
  addPhoto(
    @Param('farmId') farmId: string,
    @Param('photoId') photoId: string,
    @Query('about') about: unknown,
    @Req() request: Request,
    @CallerOf() caller: Caller,
  ): Promise<PhotoInfo> {
    if (!ULID.test(photoId)) throw new Refused('body_wrong', 'A photograph is named by its ULID.');
    return this.service.addPhoto(farmId, photoId, typeof about === 'string' ? about.slice(0, 120) : '', request.body, caller);
  }

  @Get('photos/:photoId')
  @Allow('viewer')
  async photo(@Param('farmId') farmId: string, @Param('photoId') photoId: string, @Res() response: Response): Promise<void> {
    const { type, bytes } = await this.service.photo(farmId, photoId);
    // Never to be run as anything: what somebody uploaded is shown as a picture or not at all.
    response.setHeader('Content-Security-Policy', "default-src 'none'; sandbox");
    response.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
    response.type(type).send(bytes);
  }
}
