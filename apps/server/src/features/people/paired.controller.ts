import {
  type InviteAnswer,
  type NewLink,
  PairBody,
  type PairedInfo,
  type PairShown,
  TakeJobBody,
} from '@fanega/contract';
import { Body, Controller, Get, HttpCode, Inject, Param, Post, Req, Res } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { Allow, type Caller, CallerOf } from '../../platform/access.js';
import { Answers } from '../../platform/answer.js';
import { PairedService } from './paired.service.js';
import { deviceOf, setCookie } from './people.controller.js';

@ApiTags('people')
@Controller('farms/:farmId/members/phones')
export class PairedController {
  constructor(@Inject(PairedService) private readonly service: PairedService) {}

  /** Phones and tablets that record one job, newest first. */
  @Get()
  @Allow('manager')
  @Answers('PairedInfo[]', { topics: ['header'] })
  all(@Param('farmId') farmId: string): Promise<PairedInfo[]> {
    return this.service.all(farmId);
  }

  /** A link that pairs one phone for one job, once. */
  @Post()
  @Allow('manager')
  @Answers('NewLink')
  add(@Param('farmId') farmId: string, @Body() body: PairBody, @CallerOf() caller: Caller): Promise<NewLink> {
    return this.service.add(farmId, body, caller);
  }

  @Post(':phoneId/cut-off')
  @HttpCode(200)
  @Allow('manager')
  @Answers('InviteAnswer')
  cutOff(@Param('farmId') farmId: string, @Param('phoneId') phoneId: string): Promise<InviteAnswer> {
    return this.service.cutOff(farmId, phoneId);
  }
}

/** A job's link, for the phone that opens it. */
@ApiTags('people')
@Controller('jobs/:secret')
export class JobLinkController {
  constructor(@Inject(PairedService) private readonly service: PairedService) {}

  @Get()
  @Allow('public')
  @Answers('PairShown')
  shown(@Param('secret') secret: string): Promise<PairShown> {
    return this.service.shown(secret);
  }

  @Post('take')
  @HttpCode(204)
  @Allow('public')
  async take(
    @Param('secret') secret: string,
    @Body() body: TakeJobBody,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    const { token, lastsMs } = await this.service.take(secret, body.name, deviceOf(request));
    setCookie(request, response, token, lastsMs);
  }
}
