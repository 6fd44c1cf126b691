import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ENTRY_COLUMNS, entryRows, epcisOf } from '@fanega/core';
import { Controller, Get, Inject, Param, Query, Res } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import Papa from 'papaparse';
import { Allow } from '../../platform/access.js';
import { seasonIn } from '../../platform/query.js';
import { LedgerService } from '../ledger/index.js';

/** Rows that are written at once: the answer is never in memory as a whole. */
const AT_ONCE = 500;

function* csvOf(rows: Iterable<string[]>): Generator<string> {
  yield `\ufeff${Papa.unparse([[...ENTRY_COLUMNS]])}\r\n`;
  let some: string[][] = [];
  const flush = (): string => `${Papa.unparse(some, { newline: '\r\n', escapeFormulae: /^[=@\t\r]|^[+-](?![\d.])/ })}\r\n`; // prettier-ignore
  for (const row of rows) {
    some.push(row);
    if (some.length < AT_ONCE) continue;
    yield flush();
    some = [];
  }
  if (some.length > 0) yield flush();
}

/** The farm's data in formats that other programs read. */
@ApiTags('trace')
@Controller('farms/:farmId/out')
export class OutController {
  constructor(@Inject(LedgerService) private readonly ledgers: LedgerService) {}

  /** Every entry of the book as CSV (RFC 4180), streamed. */
  @Get('entries')
  @Allow('viewer')
  async entries(@Param('farmId') farmId: string, @Res() response: Response): Promise<void> {
    const book = await this.ledgers.open(farmId);
    response.type('text/csv').attachment('entries.csv');
    await pipeline(Readable.from(csvOf(entryRows(book))), response);
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
