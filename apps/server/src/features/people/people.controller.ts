import { ClaimBody, type Me, SetupBody, SignInBody } from '@fanega/contract';
import { Body, Controller, Get, HttpCode, Inject, Post, Req, Res } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { Allow, type CalledRequest, type Caller, CallerOf, ForJobs } from '../../platform/access.js';
import { cookieOf, tokenOf } from '../../platform/cookie.js';
import { Answers } from '../../platform/answer.js';
import { NO_JOB, PairedService } from './paired.service.js';
import { PeopleService, SESSION_MS } from './people.service.js';

@ApiTags('people')
@Controller('auth')
export class PeopleController {
  constructor(
    @Inject(PeopleService) private readonly people: PeopleService,
    @Inject(PairedService) private readonly paired: PairedService,
  ) {}

  @Get('me')
  @Allow('public')
  @Answers('Me', { keep: true })
  async me(@CallerOf() caller: Caller | null, @Req() request: Request): Promise<Me> {
    return { ...(await this.people.me(caller)), ...(caller ? NO_JOB : await this.paired.mine(request)) };
  }

  @Post('sign-in')
  @HttpCode(204)
  @Allow('public')
  async signIn(
    @Body() body: SignInBody,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    setCookie(
      request,
      response,
      await this.people.signIn(body.email, body.password, request.ip ?? '', deviceOf(request)),
    );
  }

  @Post('demo')
  @HttpCode(204)
  @Allow('public')
  async demo(@Req() request: Request, @Res({ passthrough: true }) response: Response): Promise<void> {
    setCookie(request, response, await this.people.enterDemo(deviceOf(request)));
  }

  @Post('set-up')
  @HttpCode(204)
  @Allow('public')
  async setUp(
    @Body() body: SetupBody,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    setCookie(request, response, await this.people.setUp(body, request.ip ?? ''));
  }

  @Post('claim')
  @HttpCode(204)
  @Allow('public')
  async claim(
    @Body() body: ClaimBody,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    setCookie(request, response, await this.people.claim(body, request.ip ?? ''));
  }

  @Post('sign-out')
  @HttpCode(204)
  @Allow('signedIn')
  @ForJobs()
  async signOut(@Req() request: CalledRequest, @Res({ passthrough: true }) response: Response): Promise<void> {
    const token = tokenOf(request);
    if (request.job) await this.paired.cutOff(request.job.farmId, request.job.id);
    else if (token !== undefined) await this.people.signOut(token);
    response.clearCookie(cookieOf(request), { path: '/', secure: request.secure });
  }
}

/** A browser in few words: "Firefox on Windows", "Chrome on Android". */
export function deviceOf({ headers }: Request): string {
  const agent = headers['user-agent'] ?? '';
  const browser = /Edg\//.test(agent) ? 'Edge' : /Firefox\//.test(agent) ? 'Firefox' : /Chrome\//.test(agent) ? 'Chrome' : /Safari\//.test(agent) ? 'Safari' : agent.split(/[\s/]/)[0]!; // prettier-ignore
  const system = /iPhone|iPad/.test(agent) ? 'iOS' : /Android/.test(agent) ? 'Android' : /Windows/.test(agent) ? 'Windows' : /Mac OS/.test(agent) ? 'Mac' : /Linux/.test(agent) ? 'Linux' : ''; // prettier-ignore
  return [browser, system].filter(Boolean).join(' on ');
}

export function setCookie(request: Request, response: Response, token: string, maxAge = SESSION_MS): void {
  response.cookie(cookieOf(request), token, {
    httpOnly: true,
    sameSite: 'strict',
    secure: request.secure,
    path: '/',
    maxAge,
  });
}
