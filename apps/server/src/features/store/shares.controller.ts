import {
  KeepShareBody,
  type KeptShareInfo,
  type NewLink,
  OwnerLinkBody,
  type OwnerLinkInfo,
  type LinkAnswer,
  type SharedGrain,
} from '@fanega/contract';
import { Body, Controller, Get, HttpCode, Inject, Param, Post } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { Allow, type Caller, CallerOf } from '../../platform/access.js';
import { Answers } from '../../platform/answer.js';
import { SharesService } from './shares.service.js';

@ApiTags('store')
@Controller('farms/:farmId')
export class SharesController {
  constructor(@Inject(SharesService) private readonly service: SharesService) {}

  @Get('owner-links')
  @Allow('manager')
  @Answers('OwnerLinkInfo[]', { topics: ['store'] })
  links(@Param('farmId') farmId: string): Promise<OwnerLinkInfo[]> {
    return this.service.links(farmId);
  }

  /** A link by which an owner sees his grain in the bins, without an account. */
  @Post('owner-links')
  @Allow('manager')
  @Answers('NewLink')
  add(@Param('farmId') farmId: string, @Body() body: OwnerLinkBody, @CallerOf() caller: Caller): Promise<NewLink> {
    return this.service.add(farmId, body, caller);
  }

  @Post('owner-links/:linkId/revoke')
  @HttpCode(200)
  @Allow('manager')
  @Answers('LinkAnswer')
  revoke(@Param('farmId') farmId: string, @Param('linkId') linkId: string): Promise<LinkAnswer> {
    return this.service.revoke(farmId, linkId);
  }

  /** What is this farm's own in the bins of others. */
  @Get('kept-shares')
  @Allow('viewer')
  @Answers('KeptShareInfo[]', { topics: ['store'] })
  kept(@Param('farmId') farmId: string): Promise<KeptShareInfo[]> {
    return this.service.kept(farmId);
  }

  @Post('kept-shares')
  @Allow('manager')
  @Answers('LinkAnswer')
  keep(@Param('farmId') farmId: string, @Body() body: KeepShareBody, @CallerOf() caller: Caller): Promise<LinkAnswer> {
    return this.service.keep(farmId, body.secret, caller);
  }

  @Post('kept-shares/:shareId/drop')
  @HttpCode(200)
  @Allow('manager')
  @Answers('LinkAnswer')
  drop(@Param('farmId') farmId: string, @Param('shareId') shareId: string): Promise<LinkAnswer> {
    return this.service.drop(farmId, shareId);
  }
}

/** For whoever has a link. */
@ApiTags('store')
@Controller('grain/:secret')
export class SharedGrainController {
  constructor(@Inject(SharesService) private readonly service: SharesService) {}

  @Get()
  @Allow('public')
  @Answers('SharedGrain')
  shared(@Param('secret') secret: string): Promise<SharedGrain> {
    return this.service.shared(secret);
  }
}
