import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import {
  bookTables,
  calendarOf,
  currentSeason,
  ENTRY_COLUMNS,
  entryRows,
  epcisOf,
  type FieldBoundary,
  fieldsGeoJson,
  insuranceOf,
  placeNames,
  type SellRecords,
  type TraceRecords,
} from '@fanega/core';
import { Controller, Get, Inject, Param, Query, Res } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import { Allow } from '../../platform/access.js';
import { seasonIn } from '../../platform/query.js';
import { Refused } from '../../platform/refused.js';
import { FarmClock, LedgerService } from '../ledger/index.js';
import { RecordsService } from '../records/index.js';
import { calendarFile, csvOf, taskData, writeWorkbook } from './formats.js';

/** The farm's data in formats that other programs read. */
@ApiTags('trace')
@Controller('farms/:farmId/out')
export class OutController {
  constructor(
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(RecordsService) private readonly records: RecordsService,
    @Inject(FarmClock) private readonly clock: FarmClock,
  ) {}

  /** Every entry of the book as CSV (RFC 4180), streamed. */
  @Get('entries')
  @Allow('viewer')
  async entries(@Param('farmId') farmId: string, @Res() response: Response): Promise<void> {
    const book = await this.ledgers.open(farmId);
    response.type('text/csv').attachment('entries.csv');
    await pipeline(Readable.from(csvOf(ENTRY_COLUMNS, entryRows(book))), response);
  }

  /** The book's tables as a workbook (XLSX): fields, tickets, what lies where, and every entry. */
  @Get('workbook')
  @Allow('viewer')
  async workbook(
    @Param('farmId') farmId: string,
    @Res() response: Response,
    @Query('season') season?: string,
  ): Promise<void> {
    const book = await this.ledgers.open(farmId);
    const tables = bookTables(book, seasonIn(season));
    response.type('application/vnd.openxmlformats-officedocument.spreadsheetml.sheet').attachment('grain-book.xlsx');
    await writeWorkbook(response, [...tables, { name: 'Entries', heads: ENTRY_COLUMNS, rows: entryRows(book) }]);
  }

  /** One of the book's tables as CSV: `fields`, `tickets` or `stock`. */
  @Get('tables/:table')
  @Allow('viewer')
  async table(
    @Param('farmId') farmId: string,
    @Param('table') name: string,
    @Res() response: Response,
    @Query('season') season?: string,
  ): Promise<void> {
    const index = ['fields', 'tickets', 'stock'].indexOf(name);
    if (index < 0) throw new Refused('not_found', 'There is no such table.');
    const table = bookTables(await this.ledgers.open(farmId), seasonIn(season))[index]!;
    response.type('text/csv').attachment(`${name}.csv`);
    response.send([...csvOf(table.heads, table.rows)].join(''));
  }

  /** Fields of a season as GeoJSON (RFC 7946). */
  @Get('geojson')
  @Allow('viewer')
  async geojson(
    @Param('farmId') farmId: string,
    @Res() response: Response,
    @Query('season') season?: string,
  ): Promise<void> {
    const book = await this.ledgers.open(farmId);
    const made = fieldsGeoJson(book, await this.boundaries(farmId), seasonIn(season), book.header.defaults);
    response.type('application/geo+json').attachment('fields.geojson').send(JSON.stringify(made));
  }

  /** Field list and totals of a season as ISO 11783-10 task data, zipped. */
  @Get('taskdata')
  @Allow('viewer')
  async taskdata(
    @Param('farmId') farmId: string,
    @Res() response: Response,
    @Query('season') season?: string,
  ): Promise<void> {
    const book = await this.ledgers.open(farmId);
    const zip = await taskData(book, await this.boundaries(farmId), seasonIn(season), book.header.farm.name);
    response.type('application/zip').attachment('taskdata.zip').send(Buffer.from(zip));
  }

  /** Ends of contracts, payments that were put off and notices to the insurer, as a calendar (RFC 5545). */
  @Get('calendar')
  @Allow('viewer')
  async calendar(@Param('farmId') farmId: string, @Res() response: Response): Promise<void> {
    const book = await this.ledgers.open(farmId);
    const now = await this.clock.now(farmId);
    const { timeZone, name } = book.header.farm;
    const year = new Date(now).getUTCFullYear();
    const season = book.lots.some((lot) => lot.season === year) ? year : (currentSeason(book.lots) ?? year);
    const [sell, trace] = await Promise.all([this.records.everything(farmId, 'sell'), this.records.everything(farmId, 'trace')]); // prettier-ignore
    const insurance = insuranceOf(book, trace as unknown as TraceRecords, season, timeZone, now);
    const events = calendarOf(
      sell as unknown as SellRecords,
      trace as unknown as TraceRecords,
      insurance,
      placeNames(book.places),
      now,
      timeZone,
    );
    response
      .type('text/calendar')
      .attachment('fanega.ics')
      .send(calendarFile(events, name, farmId));
  }

  private async boundaries(farmId: string): Promise<ReadonlyMap<string, FieldBoundary>> {
    const { settings } = (await this.records.station(farmId, 'trace', [], 1)) as unknown as TraceRecords;
    return new Map(Object.values(settings.fieldBoundary).map(({ value }) => [value.field, value]));
  }

  /** Events of EPCIS 2.0, of the lots of a season where one is named. */
  @Get('epcis')
  @Allow('viewer')
  async epcis(
    @Param('farmId') farmId: string,
    @Res() response: Response,
    @Query('season') season?: string,
  ): Promise<void> {
    const book = await this.ledgers.open(farmId);
    // Of the book's own last moment: the same book is the same file.
    const { timeZone } = book.header.farm;
    const document = epcisOf(book, { id: farmId, timeZone, now: book.ledger.lastInstant ?? 0 }, seasonIn(season));
    response.type('application/ld+json').attachment('epcis.jsonld').send(JSON.stringify(document));
  }
}
