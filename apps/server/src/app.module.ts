import { randomUUID } from 'node:crypto';
import { type DynamicModule, Global, Module, RequestMethod } from '@nestjs/common';
import { APP_FILTER, APP_GUARD } from '@nestjs/core';
import { LoggerModule } from 'nestjs-pino';
import { DataSource } from 'typeorm';
import { BookModule } from './features/book/index.js';
import { DevicesModule } from './features/devices/index.js';
import { HaulModule } from './features/haul/index.js';
import { NotebookModule } from './features/notebook/index.js';
import { PeopleModule } from './features/people/index.js';
import { SetupModule } from './features/setup/index.js';
import { ShedModule } from './features/shed/index.js';
import { AccessGuard, DeviceTokens } from './platform/access.js';
import { Clock } from './platform/clock.js';
import { CONFIG, type Config } from './platform/config.js';
import { openDatabase } from './platform/database.js';
import { ErrorsFilter } from './platform/errors.filter.js';
import { HealthController } from './platform/health.controller.js';

@Global()
@Module({})
class PlatformModule {
  static with(config: Config): DynamicModule {
    const database = { provide: DataSource, useFactory: () => openDatabase(config.databaseUrl) };
    return { module: PlatformModule, providers: [Clock, { provide: CONFIG, useValue: config }, database], exports: [Clock, CONFIG, DataSource] };
  }
}

@Module({})
export class AppModule {
  static with(config: Config): DynamicModule {
    return {
      module: AppModule,
      imports: [
        LoggerModule.forRoot({
          forRoutes: [{ path: '{*path}', method: RequestMethod.ALL }],
          pinoHttp: {
            level: config.logLevel,
            genReqId: (request) => String(request.headers['x-request-id'] ?? randomUUID()),
            redact: ['req.headers.cookie', 'res.headers["set-cookie"]'],
            customLogLevel: (_request, response, error) => (error || response.statusCode >= 500 ? 'error' : 'info'),
          },
        }),
        PlatformModule.with(config),
        PeopleModule,
        BookModule,
        SetupModule,
        NotebookModule,
        ShedModule,
        HaulModule,
        DevicesModule,
      ],
      controllers: [HealthController],
      providers: [DeviceTokens, { provide: APP_GUARD, useClass: AccessGuard }, { provide: APP_FILTER, useClass: ErrorsFilter }],
    };
  }
}
