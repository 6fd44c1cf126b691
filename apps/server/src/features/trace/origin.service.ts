import type { NewLink, OriginLinkBody, OriginLinkInfo, SharedOrigin } from '@fanega/contract';
import {
  CHAIN_START,
  type Division,
  divisionsOf,
  Ledger,
  type Origin,
  type OriginFile,
  originOf,
  type OriginSubject,
  readingHeader,
  recordsInOrder,
} from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import type { Caller } from '../../platform/access.js';
import { setBounded } from '../../platform/bounded.js';
import { Clock } from '../../platform/clock.js';
import { FarmWrites } from '../../platform/farm-write.js';
import { linkInfo, newLink } from '../../platform/links.js';
import type { Letterhead } from '../../platform/print.js';
import { Refused } from '../../platform/refused.js';
import { FarmClock, LedgerService, letterhead } from '../ledger/index.js';
import { LinksRepository } from './links.repository.js';
import type { OriginLinkRow } from './trace.entity.js';

/** Origins that were worked out for a link: whoever opens it again reads the same. */
const MOST_KEPT = 50;

const noSuch = (): Refused => new Refused('not_found', 'There is no such delivery or place in the book.');

/** Where grain came from: for the farm's own pages, as a file, and by a link for somebody else. */
@Injectable()
export class OriginService {
  private readonly kept = new Map<string, OriginFile>();

  constructor(
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(LinksRepository) private readonly links: LinksRepository,
    @Inject(FarmWrites) private readonly writes: FarmWrites,
    @Inject(FarmClock) private readonly farmClock: FarmClock,
    @Inject(Clock) private readonly clock: Clock,
  ) {}

  async origin(farmId: string, subject: OriginSubject): Promise<Origin> {
    const now = new Date(await this.farmClock.now(farmId)).toISOString();
    return this.ledgers.answer(farmId, `origin ${subject.kind} ${subject.id}`, (book) => {
      const origin = originOf(book, subject, now);
      if (!origin) throw noSuch();
      return origin;
    });
  }

  divisions(farmId: string, subject: OriginSubject): Promise<Division[]> {
    return this.ledgers.answer(farmId, `divisions ${subject.kind} ${subject.id}`, (book) => {
      const divisions = divisionsOf(book, subject, book.header.farm.name);
      if (divisions.length === 0) throw noSuch();
      return divisions;
    });
  }

  /** The origin with the records that it follows from, as of a number of the book (default: now). */
  async file(farmId: string, subject: OriginSubject, asOf?: number, at?: string): Promise<OriginFile> {
    const { lots, places, header } = await this.ledgers.open(farmId);
    const book = await this.ledgers.book(farmId, asOf);
    if (!book.chain) throw new Refused('book_refuses', 'Some records of this book cannot be read; mend them first.');
    // Shares as they were then; what people call things, as today.
    const then = new Map(readingHeader(book).lots.map((lot) => [lot.id, lot]));
    const origin = originOf(
      {
        ledger: Ledger.of(book),
        lots: lots.map((lot) => ({ ...lot, shares: (then.get(lot.id)?.shares as typeof lot.shares) ?? lot.shares })),
        places,
      },
      subject,
      at ?? new Date(await this.farmClock.now(farmId)).toISOString(),
    );
    if (!origin) throw noSuch();
    const wanted = new Set(origin.entries);
    const { chain } = book;
    const records = recordsInOrder(book).flatMap((record, i) =>
      wanted.has(record.id) ? [{ seq: i + 1, before: chain[i - 1] ?? CHAIN_START, link: chain[i]!, record }] : [],
    );
    const { name, timeZone } = header.farm;
    return { format: 'fanega-origin', version: 1, farm: name, timeZone, origin, seq: chain.length, link: chain.at(-1) ?? CHAIN_START, records }; // prettier-ignore
  }

  async printed(
    farmId: string,
    subject: OriginSubject,
  ): Promise<{ readonly file: OriginFile; readonly letter: Letterhead }> {
    const [file, letter] = [await this.file(farmId, subject), await letterhead(this.ledgers, farmId, this.clock.now())];
    // The book may have gone on between the two.
    return { file, letter: { ...letter, seq: file.seq, link: file.link } };
  }

  async list(farmId: string): Promise<OriginLinkInfo[]> {
    return (await this.links.list(farmId)).map((row) => ({ ...linkInfo(row), kind: row.kind, subject: row.subject }));
  }

  async share(farmId: string, body: OriginLinkBody, caller: Caller): Promise<NewLink> {
    // Refused before a link to nothing is made.
    await this.origin(farmId, { kind: body.kind, id: body.subject });
    const { secret, row } = newLink(farmId, body, caller, this.clock.now());
    await this.writes.run(farmId, async ({ tx, farm, changed }) => {
      await this.links.add(tx, { ...row, kind: body.kind, subject: body.subject, seq: farm.seq });
      changed('trace');
    });
    return { id: row.id, secret };
  }

  revoke(farmId: string, id: string): Promise<{ id: string }> {
    return this.writes.run(farmId, async ({ tx, changed }) => {
      await this.links.revoke(tx, farmId, id);
      changed('trace');
      return { id };
    });
  }

  /** What a link shows: the origin as of the number at which it was made, and whether the book says otherwise now. */
  async shared(secret: string): Promise<SharedOrigin> {
    const now = this.clock.now();
    const link = await this.links.open(secret, now);
    const file = await this.fileOf(link);
    const { header, ledger } = await this.ledgers.open(link.farmId);
    const subject: OriginSubject = { kind: link.kind, id: link.subject };
    const today = link.kind === 'place' ? null : originOf({ ledger, lots: [], places: [] }, subject, file.origin.at);
    await this.links.wasOpened(link, now);
    return {
      file,
      givenTo: link.givenTo,
      madeAt: new Date(link.madeMs).toISOString(),
      // What lies in a place goes on changing: it is what was there then.
      stands: link.kind === 'place' ? 'same' : today === null ? 'gone' : sameGrain(today, file.origin) ? 'same' : 'changed', // prettier-ignore
      units: header.farm.units,
      clock: header.farm.clock,
    };
  }

  private async fileOf(link: OriginLinkRow): Promise<OriginFile> {
    const kept = this.kept.get(link.id);
    if (kept) return kept;
    const at = new Date(link.madeMs).toISOString();
    const file = await this.file(link.farmId, { kind: link.kind, id: link.subject }, link.seq, at);
    setBounded(this.kept, link.id, file, MOST_KEPT);
    return file;
  }
}

/** Grams: less than any scale shows. */
const CLOSE = 0.001;
const sameGrain = (a: Origin, b: Origin): boolean =>
  Math.abs(a.wetKg - b.wetKg) < CLOSE &&
  a.ticket === b.ticket &&
  a.fields.length === b.fields.length &&
  a.fields.every(
    ({ lot, dryKg }) => Math.abs((b.fields.find((field) => field.lot === lot)?.dryKg ?? 0) - dryKg) < CLOSE,
  );
