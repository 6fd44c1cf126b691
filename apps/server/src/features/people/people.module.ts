import { Module } from '@nestjs/common';
import { APP_INTERCEPTOR } from '@nestjs/core';
import { FarmSettingsController } from './farm-settings.controller.js';
import { AuditInterceptor } from './audit.interceptor.js';
import { InvitesController, MembersController, ProfileController, TokensController } from './members.controller.js';
import { JobLinkController, PairedController } from './paired.controller.js';
import { PairedRepository } from './paired.repository.js';
import { PairedService } from './paired.service.js';
import { MembersRepository } from './members.repository.js';
import { MembersService } from './members.service.js';
import { Passwords } from './passwords.js';
import { PeopleController } from './people.controller.js';
import { PeopleRepository } from './people.repository.js';
import { PeopleService } from './people.service.js';
import { SignInLimit } from './sign-in-limit.js';
import { SignInRepository } from './sign-in.repository.js';

@Module({
  controllers: [
    PeopleController,
    FarmSettingsController,
    PairedController,
    JobLinkController,
    MembersController,
    TokensController,
    InvitesController,
    ProfileController,
  ],
  providers: [
    PeopleRepository,
    PeopleService,
    SignInLimit,
    Passwords,
    SignInRepository,
    MembersRepository,
    MembersService,
    PairedRepository,
    PairedService,
    { provide: APP_INTERCEPTOR, useClass: AuditInterceptor },
  ],
  exports: [PeopleService],
})
export class PeopleModule {}
