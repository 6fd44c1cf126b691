import {
  type NewLink,
  type LinkAnswer,
  OriginLinkBody,
  type OriginLinkInfo,
  type SharedOrigin,
} from '@fanega/contract';
import type { Division, Origin, OriginFile, OriginSubject } from '@fanega/core';
import { Body, Controller, Get, HttpCode, Inject, Param, Post, Res } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import { Allow, type Caller, CallerOf } from '../../platform/access.js';
import { sendSheet } from '../../platform/print.js';
import { Answers } from '../../platform/answer.js';
import { Refused } from '../../platform/refused.js';
import { OriginService } from './origin.service.js';
import { printOrigin } from './print-origin.js';

const KINDS = { deliveries: 'delivery', places: 'place' } as const;
const subjectOf = (of: string, id: string): OriginSubject => {
  const kind = Object.hasOwn(KINDS, of) ? KINDS[of as keyof typeof KINDS] : undefined;
  if (!kind) throw new Refused('not_found', 'An origin is of deliveries or of places.');
  return { kind, id };
};

@ApiTags('trace')
@Controller('farms/:farmId')
export class OriginController {
  constructor(@Inject(OriginService) private readonly service: OriginService) {}

  /** Where a ticket's grain, or what a place holds, came from; `of` is `deliveries` or `places`. */
  @Get('origins/:of/:id')
  @Allow('viewer')
  @Answers('Origin', { topics: ['book', 'header'], keep: true })
  origin(@Param('farmId') farmId: string, @Param('of') of: string, @Param('id') id: string): Promise<Origin> {
    return this.service.origin(farmId, subjectOf(of, id));
  }

  /** The same grain divided by other ways in which a mixed place may empty. */
  @Get('origins/:of/:id/divisions')
  @Allow('viewer')
  @Answers('Division[]', { topics: ['book', 'header'] })
  divisions(@Param('farmId') farmId: string, @Param('of') of: string, @Param('id') id: string): Promise<Division[]> {
    return this.service.divisions(farmId, subjectOf(of, id));
  }

  /** As a file, with the records that it follows from. */
  @Get('origins/:of/:id/file')
  @Allow('viewer')
  async file(
    @Param('farmId') farmId: string,
    @Param('of') of: string,
    @Param('id') id: string,
    @Res() response: Response,
  ): Promise<void> {
    const file = await this.service.file(farmId, subjectOf(of, id));
    response
      .type('application/json')
      .attachment(`${nameOf(file)}.json`)
      .send(JSON.stringify(file));
  }

  @Get('origins/:of/:id/pdf')
  @Allow('viewer')
  async pdf(
    @Param('farmId') farmId: string,
    @Param('of') of: string,
    @Param('id') id: string,
    @Res() response: Response,
  ): Promise<void> {
    const { file, letter } = await this.service.printed(farmId, subjectOf(of, id));
    sendSheet(response, nameOf(file), await printOrigin(letter, file));
  }

  @Get('origin-links')
  @Allow('manager')
  @Answers('OriginLinkInfo[]', { topics: ['trace'] })
  links(@Param('farmId') farmId: string): Promise<OriginLinkInfo[]> {
    return this.service.list(farmId);
  }

  /** A link that shows one origin to whoever has it, without an account, and nothing else. */
  @Post('origin-links')
  @Allow('manager')
  @Answers('NewLink')
  share(@Param('farmId') farmId: string, @Body() body: OriginLinkBody, @CallerOf() caller: Caller): Promise<NewLink> {
    return this.service.share(farmId, body, caller);
  }

  @Post('origin-links/:linkId/revoke')
  @HttpCode(200)
  @Allow('manager')
  @Answers('LinkAnswer')
  revoke(@Param('farmId') farmId: string, @Param('linkId') linkId: string): Promise<LinkAnswer> {
    return this.service.revoke(farmId, linkId);
  }
}

const nameOf = ({ origin }: OriginFile): string => `origin-${origin.name.replace(/[^A-Za-z0-9-]+/g, '-').slice(0, 40) || 'load'}`; // prettier-ignore

/** For whoever has a link. */
@ApiTags('trace')
@Controller('origin')
export class SharedOriginController {
  constructor(@Inject(OriginService) private readonly service: OriginService) {}

  @Get(':secret')
  @Allow('public')
  @Answers('SharedOrigin')
  shared(@Param('secret') secret: string): Promise<SharedOrigin> {
    return this.service.shared(secret);
  }
}
