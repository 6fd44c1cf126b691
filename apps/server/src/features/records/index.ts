import type { LogAnswer, SettingAnswer, SettingChange } from '@fanega/contract';
import {
  type Crew,
  LOG_KINDS,
  type LogEntry,
  type LogKind,
  type LogName,
  RECORD_STATIONS,
  type RecordStation,
  SETTING_KINDS,
  type SettingKind,
  type SettingName,
  withoutMoney,
} from '@fanega/core';
import { Body, Controller, Get, HttpCode, Inject, Module, Param, Post, Put, Query, type Type } from '@nestjs/common';
import { LedgerModule } from '../ledger/index.js';
import { ApiBody, ApiTags } from '@nestjs/swagger';
import { Allow, ForJobs, type Writer, WriterOf } from '../../platform/access.js';
import { Answers } from '../../platform/answer.js';
import { wholeNumber } from '../../platform/query.js';
import { RecordPipe } from '../../platform/record.pipe.js';
import { Refused } from '../../platform/refused.js';
import { RecordsRepository } from './records.repository.js';
import { RecordsService, type StationRecords } from './records.service.js';

const kebab = (name: string): string => name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
const upper = (name: string): string => name.charAt(0).toUpperCase() + name.slice(1);
/** Each has a name of its own: the OpenAPI description tells operations apart by it. */
const named = (controller: Type, name: string): Type =>
  Object.defineProperty(controller, 'name', { value: `${name}Controller` });

/** Settings that only a manager changes: what others decide by. */
const BY_MANAGER = new Set<SettingName>([
  'cuttingWindow',
  'weightRules',
  'readinessTemplate',
  'seasonPlan',
  'safetyWords',
  'crew',
  'binSetup',
  'contract',
  'buyerSheet',
  'ownerTerms',
  'hedge',
  'sellPlan',
  'seasonState',
  'insurancePolicy',
  'insuranceUnit',
]);
/** Logs that only a manager writes: prices and what is paid. */
const LOGGED_BY_MANAGER = new Set<LogName>(['priceFix', 'bid', 'settlement', 'statement', 'appraisal', 'lossNotice']);

/** Prices, contracts and insurance are nothing that a paired phone shows. */
const MONEY = new Set<RecordStation>(['sell', 'trace']);

/** What a paired phone reads of a station: no money, and no telephone but that of whom it calls. */
function forJob({ logs, settings, ...rest }: StationRecords): StationRecords {
  return {
    ...rest,
    logs: Object.fromEntries(
      Object.entries(logs).map(([name, entries]) => [
        name,
        entries.map((entry) => ({ ...entry, body: withoutMoney(LOG_KINDS[name as LogName].fields, entry.body) })),
      ]),
    ),
    settings: Object.fromEntries(
      Object.entries(settings).map(([name, bySubject]) => [
        name,
        Object.fromEntries(
          Object.entries(bySubject).map(([subject, entry]) => {
            const value = withoutMoney(SETTING_KINDS[name as SettingName].fields, entry.value as never);
            return [subject, { ...entry, value: name === 'crew' ? callOnly(value as Crew) : value }];
          }),
        ),
      ]),
    ),
  } as unknown as StationRecords;
}
const callOnly = (crew: Crew): Crew => ({
  ...crew,
  people: crew.people.map((one) => (one.name === crew.call ? one : { ...one, phone: '' })),
});

/** Records of a station at once, and a door for each kind. Made from the core's list: a new kind of record needs no line here. */
function stationController(station: RecordStation): Type {
  @ApiTags(station)
  @Controller(`farms/:farmId/${station}/records`)
  class StationRecordsController {
    constructor(@Inject(RecordsService) private readonly records: RecordsService) {}

    /** Logs of this season and the one before (or of `seasons=2025,2024`), page by page, with all settings. */
    @Get()
    @Allow('viewer')
    @ForJobs(!MONEY.has(station))
    @Answers(`${upper(station)}Records`, { topics: [station], keep: true })
    async all(
      @Param('farmId') farmId: string,
      @WriterOf() reader: Writer | null,
      @Query('seasons') seasons?: string,
      @Query('page') page?: string,
    ): Promise<StationRecords> {
      const of = seasons?.split(',').map((season) => wholeNumber('seasons', season, 0, 2100, 2000));
      const found = await this.records.station(farmId, station, of, wholeNumber('page', page, 1, 100_000));
      return reader?.job ? forJob(found) : found;
    }
  }
  return named(StationRecordsController, `${upper(station)}Records`);
}

function logController(name: LogName): Type {
  const kind = LOG_KINDS[name] as unknown as LogKind;

  @ApiTags(kind.station)
  @Controller(`farms/:farmId/${kind.station}/${kebab(name)}`)
  class LogController {
    constructor(@Inject(RecordsService) private readonly records: RecordsService) {}

    @Post()
    @HttpCode(200)
    @Allow(LOGGED_BY_MANAGER.has(name) ? 'manager' : 'operator')
    @ForJobs()
    @ApiBody({ schema: { $ref: `#/components/schemas/${upper(name)}Record` } })
    @Answers('LogAnswer')
    add(
      @Param('farmId') farmId: string,
      @Body(new RecordPipe(kind)) body: LogEntry['body'],
      @WriterOf() writer: Writer,
    ): Promise<LogAnswer> {
      return this.records.add(farmId, name, body as never, writer);
    }

    @Post(':id/void')
    @HttpCode(200)
    @Allow(LOGGED_BY_MANAGER.has(name) ? 'manager' : 'operator')
    @ForJobs()
    @Answers('LogAnswer')
    void(@Param('farmId') farmId: string, @Param('id') id: string, @WriterOf() writer: Writer): Promise<LogAnswer> {
      return this.records.void(farmId, name, id, writer);
    }
  }
  return named(LogController, upper(name));
}

function settingController(name: SettingName): Type {
  const kind = SETTING_KINDS[name] as unknown as SettingKind;

  @ApiTags(kind.station)
  @Controller(`farms/:farmId/${kind.station}/${kebab(name)}`)
  class SettingController {
    constructor(@Inject(RecordsService) private readonly records: RecordsService) {}

    @Put(':subject')
    @Allow(BY_MANAGER.has(name) ? 'manager' : 'operator')
    @ApiBody({
      schema: {
        type: 'object',
        properties: {
          revision: { type: 'integer', minimum: 0 },
          value: { $ref: `#/components/schemas/${upper(name)}Record` },
        },
        required: ['revision', 'value'],
      },
    })
    @Answers('SettingAnswer')
    change(
      @Param('farmId') farmId: string,
      @Param('subject') subject: string,
      @Body(new RecordPipe(kind, 'value')) change: SettingChange,
    ): Promise<SettingAnswer> {
      if (subject.length > 80) throw new Refused('not_found', 'There is no such setting.');
      return this.records.change(farmId, name, subject, change as never);
    }
  }
  return named(SettingController, upper(name));
}

@Module({
  controllers: [
    ...RECORD_STATIONS.map(stationController),
    ...(Object.keys(LOG_KINDS) as LogName[]).map(logController),
    ...(Object.keys(SETTING_KINDS) as SettingName[]).map(settingController),
  ],
  imports: [LedgerModule],
  providers: [RecordsRepository, RecordsService],
  exports: [RecordsRepository, RecordsService],
})
export class RecordsModule {}
export { RecordsService } from './records.service.js';
export { RecordsRepository } from './records.repository.js';
