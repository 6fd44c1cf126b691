import {
  AcceptBody,
  type AuditLine,
  BeginFarmBody,
  ChangePasswordBody,
  type InviteAnswer,
  InviteBody,
  type InviteInfo,
  type InviteShown,
  type MailAnswer,
  type MemberAnswer,
  type MemberInfo,
  NameBody,
  type NewLink,
  NewPasswordBody,
  type NewToken,
  type ProfileAnswer,
  type Role,
  RoleBody,
  TokenBody,
  type TokenInfo,
} from '@fanega/contract';
import { Body, Controller, Get, HttpCode, Inject, Param, Post, Put, Query, Req, Res } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { Allow, type Caller, CallerOf, RoleOf } from '../../platform/access.js';
import { tokenOf } from '../../platform/cookie.js';
import { Answers } from '../../platform/answer.js';
import { Refused } from '../../platform/refused.js';
import { hashToken } from '../../platform/tokens.js';
import { MembersService } from './members.service.js';
import { PeopleService } from './people.service.js';
import { deviceOf, setCookie } from './people.controller.js';

@ApiTags('people')
@Controller('farms/:farmId/members')
export class MembersController {
  constructor(@Inject(MembersService) private readonly service: MembersService) {}

  @Get()
  @Allow('manager')
  @Answers('MemberInfo[]', { topics: ['header'] })
  members(@Param('farmId') farmId: string, @CallerOf() caller: Caller): Promise<MemberInfo[]> {
    return this.service.members(farmId, caller);
  }

  /** Who changed what beside the grain, newest first, page by page. */
  @Get('audit')
  @Allow('manager')
  @Answers('AuditLine[]')
  audit(@Param('farmId') farmId: string, @Query('before') before?: string): Promise<AuditLine[]> {
    return this.service.audit(farmId, before);
  }

  @Get('invites')
  @Allow('manager')
  @Answers('InviteInfo[]', { topics: ['header'] })
  invites(@Param('farmId') farmId: string): Promise<InviteInfo[]> {
    return this.service.invites(farmId);
  }

  /** Whether an invitation can be mailed. */
  @Get('mail')
  @Allow('manager')
  @Answers('MailAnswer')
  mail(): MailAnswer {
    return { on: this.service.mails };
  }

  /** A link that lets one person in, once. */
  @Post('invites')
  @Allow('manager')
  @Answers('NewLink')
  invite(
    @Param('farmId') farmId: string,
    @Body() body: InviteBody,
    @CallerOf() caller: Caller,
    @RoleOf() role: Role,
    @Req() request: Request,
  ): Promise<NewLink> {
    return this.service.invite(farmId, body, caller, role, `${request.protocol}://${request.get('host') ?? ''}`);
  }

  @Post('invites/:inviteId/revoke')
  @HttpCode(200)
  @Allow('manager')
  @Answers('InviteAnswer')
  revoke(@Param('farmId') farmId: string, @Param('inviteId') inviteId: string): Promise<InviteAnswer> {
    return this.service.revokeInvite(farmId, inviteId);
  }

  @Put(':userId/role')
  @Allow('manager')
  @Answers('MemberAnswer')
  role(
    @Param('farmId') farmId: string,
    @Param('userId') userId: string,
    @Body() body: RoleBody,
    @RoleOf() own: Role,
  ): Promise<MemberAnswer> {
    return this.service.setRole(farmId, userId, body.role, own);
  }

  @Post(':userId/remove')
  @HttpCode(200)
  @Allow('manager')
  @Answers('MemberAnswer')
  remove(@Param('farmId') farmId: string, @Param('userId') userId: string, @RoleOf() own: Role): Promise<MemberAnswer> {
    return this.service.remove(farmId, userId, own);
  }

  /** Ends all sessions of a member: a phone was lost. */
  @Post(':userId/sign-out')
  @HttpCode(200)
  @Allow('manager')
  @Answers('MemberAnswer')
  signOut(
    @Param('farmId') farmId: string,
    @Param('userId') userId: string,
    @RoleOf() own: Role,
  ): Promise<MemberAnswer> {
    return this.service.signOut(farmId, userId, own);
  }

  /** A link to a new password for somebody who forgot his. */
  @Post(':userId/password-link')
  @Allow('owner')
  @Answers('NewLink')
  passwordLink(
    @Param('farmId') farmId: string,
    @Param('userId') userId: string,
    @CallerOf() caller: Caller,
    @RoleOf() own: Role,
  ): Promise<NewLink> {
    return this.service.passwordLink(farmId, userId, caller, own);
  }
}

/** A token that made others would outlive its own end. */
function onlyPeople({ headers }: Request): void {
  if (headers.authorization !== undefined) throw new Refused('role_too_low', 'A token makes no other token.');
}

@ApiTags('people')
@Controller('farms/:farmId/tokens')
export class TokensController {
  constructor(@Inject(MembersService) private readonly service: MembersService) {}

  @Get()
  @Allow('viewer')
  @Answers('TokenInfo[]')
  tokens(@Param('farmId') farmId: string, @CallerOf() caller: Caller, @RoleOf() role: Role): Promise<TokenInfo[]> {
    return this.service.tokens(farmId, caller, role);
  }

  /** A token for a program of one's own; no token makes another one. */
  @Post()
  @Allow('viewer')
  @Answers('NewToken')
  add(
    @Param('farmId') farmId: string,
    @Body() body: TokenBody,
    @CallerOf() caller: Caller,
    @RoleOf() role: Role,
    @Req() request: Request,
  ): Promise<NewToken> {
    onlyPeople(request);
    return this.service.addToken(farmId, body, caller, role);
  }

  @Post(':tokenId/revoke')
  @HttpCode(200)
  @Allow('viewer')
  @Answers('InviteAnswer')
  revoke(
    @Param('farmId') farmId: string,
    @Param('tokenId') tokenId: string,
    @CallerOf() caller: Caller,
    @RoleOf() role: Role,
  ): Promise<InviteAnswer> {
    return this.service.revokeToken(farmId, tokenId, caller, role);
  }
}

/** Doors into a farm, for whoever has the link. */
@ApiTags('people')
@Controller('invites/:secret')
export class InvitesController {
  constructor(@Inject(MembersService) private readonly service: MembersService) {}

  @Get()
  @Allow('public')
  @Answers('InviteShown')
  shown(@Param('secret') secret: string): Promise<InviteShown> {
    return this.service.shown(secret);
  }

  /** In, with an account made here. */
  @Post('accept')
  @HttpCode(204)
  @Allow('public')
  async accept(
    @Param('secret') secret: string,
    @Body() body: AcceptBody,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    setCookie(request, response, await this.service.accept(secret, body, deviceOf(request)));
  }

  /** In, as who is signed in. */
  @Post('join')
  @HttpCode(200)
  @Allow('signedIn')
  @Answers('InviteAnswer')
  join(@Param('secret') secret: string, @CallerOf() caller: Caller): Promise<InviteAnswer> {
    return this.service.join(secret, caller);
  }

  @Post('password')
  @HttpCode(204)
  @Allow('public')
  async password(
    @Param('secret') secret: string,
    @Body() body: NewPasswordBody,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    setCookie(request, response, await this.service.newPassword(secret, body.password, deviceOf(request)));
  }
}

/** One's own account. */
@ApiTags('people')
@Controller('profile')
export class ProfileController {
  constructor(
    @Inject(MembersService) private readonly service: MembersService,
    @Inject(PeopleService) private readonly people: PeopleService,
  ) {}

  @Get()
  @Allow('signedIn')
  @Answers('ProfileAnswer')
  profile(@CallerOf() caller: Caller, @Req() request: Request): Promise<ProfileAnswer> {
    return this.service.profile(caller, hashToken(tokenOf(request) ?? ''));
  }

  /** Another farm, of which one is the owner. */
  @Post('farms')
  @Allow('signedIn')
  @Answers('InviteAnswer')
  beginFarm(@CallerOf() caller: Caller, @Body() body: BeginFarmBody): Promise<InviteAnswer> {
    return this.people.beginFarm(caller, body);
  }

  @Put('name')
  @HttpCode(204)
  @Allow('signedIn')
  name(@CallerOf() caller: Caller, @Body() body: NameBody): Promise<void> {
    return this.service.rename(caller, body.name);
  }

  @Post('password')
  @HttpCode(204)
  @Allow('signedIn')
  password(@CallerOf() caller: Caller, @Body() body: ChangePasswordBody, @Req() request: Request): Promise<void> {
    return this.service.changePassword(caller, body.old, body.password, hashToken(tokenOf(request) ?? ''));
  }

  @Post('sessions/:sessionId/end')
  @HttpCode(204)
  @Allow('signedIn')
  end(@CallerOf() caller: Caller, @Param('sessionId') sessionId: string): Promise<void> {
    return this.service.endSession(caller, sessionId);
  }

  /** Everywhere but here. */
  @Post('sessions/end-others')
  @HttpCode(204)
  @Allow('signedIn')
  others(@CallerOf() caller: Caller, @Req() request: Request): Promise<void> {
    return this.service.endOthers(caller, hashToken(tokenOf(request) ?? ''));
  }
}
