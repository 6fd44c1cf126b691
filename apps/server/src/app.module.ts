import { type DynamicModule, Global, Module } from '@nestjs/common';
import { APP_FILTER, APP_GUARD } from '@nestjs/core';
import { LoggerModule } from 'nestjs-pino';
import { DataSource } from 'typeorm';
import { BackupModule } from './features/backup/index.js';
import { CutModule } from './features/cut/index.js';
import { DryModule } from './features/dry/index.js';
import { DevicesModule } from './features/devices/index.js';
import { FieldsModule } from './features/fields/index.js';
import { HaulModule } from './features/haul/index.js';
import { LedgerModule } from './features/ledger/index.js';
import { PeopleModule } from './features/people/index.js';
import { RecordsModule } from './features/records/index.js';
import { SellModule } from './features/sell/index.js';
import { ShedModule } from './features/shed/index.js';
import { StoreModule } from './features/store/index.js';
import { TodayModule } from './features/today/index.js';
import { TraceModule } from './features/trace/index.js';
import { AccessGuard, ApiTokens, DeviceTokens, Sessions } from './platform/access.js';
import { BodyGuard } from './platform/body.js';
import { Clock } from './platform/clock.js';
import { Mail } from './platform/mail.js';
import { CONFIG, type Config } from './platform/config.js';
import { ErrorsFilter } from './platform/errors.filter.js';
import { FarmWrites } from './platform/farm-write.js';
import { Fellows } from './platform/fellows.js';
import { FeedService } from './platform/feed.service.js';
import { Jobs } from './platform/jobs.js';
import { REDACTED } from './platform/request-log.js';
import { HealthController } from './platform/health.controller.js';
import { VersionsRepository } from './platform/versions.js';

@Global()
@Module({})
class PlatformModule {
  static with(config: Config, db: DataSource): DynamicModule {
    const shared = [
      Clock,
      Fellows,
      Mail,
      ApiTokens,
      Jobs,
      Sessions,
      DeviceTokens,
      VersionsRepository,
      FeedService,
      FarmWrites,
    ];
    return {
      module: PlatformModule,
      providers: [...shared, { provide: CONFIG, useValue: config }, { provide: DataSource, useValue: db }],
      exports: [...shared, CONFIG, DataSource],
    };
  }
}

@Module({})
export class AppModule {
  /** @param db open and up to date: what is wrong with it is said before anything else is made */
  static with(config: Config, db: DataSource): DynamicModule {
    return {
      module: AppModule,
      imports: [
        LoggerModule.forRoot({ forRoutes: [], pinoHttp: { level: config.logLevel, redact: REDACTED } }),
        PlatformModule.with(config, db),
        // The router looks from the top: what machines call many times a second, then the book.
        DevicesModule,
        LedgerModule,
        PeopleModule,
        RecordsModule,
        ...[
          TodayModule,
          FieldsModule,
          CutModule,
          HaulModule,
          DryModule,
          StoreModule,
          SellModule,
          TraceModule,
          ShedModule,
        ],
        BackupModule,
      ],
      controllers: [HealthController],
      providers: [
        { provide: APP_GUARD, useClass: AccessGuard },
        { provide: APP_GUARD, useClass: BodyGuard },
        { provide: APP_FILTER, useClass: ErrorsFilter },
      ],
    };
  }
}
