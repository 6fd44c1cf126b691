import { type LotInfo, type PlaceInfo, ULID } from '@fanega/contract';
import { type Book, type BookHeader, type Entry, instantOf, isBuyer, METHODS } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { DataSource, type EntityManager, In } from 'typeorm';
import { Refused } from '../../platform/refused.js';
import { EntryRow, FarmRow, FieldRow, LotRow, PlaceRow, ReadingRow } from '../../platform/rows.js';

export interface FarmSetup {
  readonly farm: FarmRow;
  readonly lots: readonly LotInfo[];
  readonly places: readonly PlaceInfo[];
}

/** Inside a transaction its own connection is read from: waiting for a second one while holding a lock could block all. */
export type Connection = DataSource | EntityManager;

/** An entry to be stored under a sequence number. */
export interface NewEntry {
  readonly entry: Entry;
  readonly userId: string | null;
}

const INSERT_AT_ONCE = 500;

@Injectable()
export class BookRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  /** The farm's own order of trust, best first. Every method keeps its place in it: one that is left out comes last. */
  async changeTrust(farmId: string, trust: readonly string[]): Promise<{ trust: readonly string[] }> {
    return this.db.transaction(async (tx) => {
      const farm = await tx.getRepository(FarmRow).findOneOrFail({ where: { id: farmId }, lock: { mode: 'pessimistic_write' } });
      const wrong = trust.find((method, i) => !(METHODS as readonly string[]).includes(method) || trust.indexOf(method) !== i);
      if (wrong !== undefined)
        throw new Refused('body_wrong', `${wrong} is no method, or stands there twice.`, [
          { field: 'trust', code: 'method', message: `${wrong} is no method, or stands there twice` },
        ]);
      const whole = [...trust, ...METHODS.filter((method) => !trust.includes(method))];
      await tx.update(FarmRow, { id: farmId }, { setup: farm.setup + 1, defaults: { ...farm.defaults, trust: whole } });
      return { trust: whole };
    });
  }

  /** Sequence, setup and notebook numbers, which tell whether a replayed state is still the newest; null for no such farm. */
  async versions(farmId: string, on: Connection = this.db): Promise<{ seq: number; setup: number; notes: number } | null> {
    const rows: { seq: number; setup: number; notes: number }[] = await on.query('SELECT seq, setup, notes FROM farms WHERE id = ?', [farmId]);
    return rows[0] ?? null;
  }

  async setup(farmId: string, on: Connection = this.db): Promise<FarmSetup> {
    const farm = await on.getRepository(FarmRow).findOneByOrFail({ id: farmId });
    const fields = await on.getRepository(FieldRow).findBy({ farmId });
    const lots = await on.getRepository(LotRow).find({ where: { farmId }, order: { season: 'ASC', id: 'ASC' } });
    const places = await on.getRepository(PlaceRow).find({ where: { farmId }, order: { position: 'ASC' } });
    const byId = new Map(fields.map((field) => [field.id, field]));
    // Those that came with a book file first, then those made here in the order of their making: a new field, a neighbor's rows, never
    // changes the colour and weave of those before it.
    const made = (lot: LotRow): number => Number(ULID.test(lot.id));
    lots.sort((a, b) => a.season - b.season || made(a) - made(b));
    return {
      farm,
      lots: lots.map(({ farmId: _, ...lot }) => ({ ...lot, fieldName: byId.get(lot.fieldId)?.name ?? lot.fieldId, acres: byId.get(lot.fieldId)?.acres ?? 0 })),
      places: places.map(({ farmId: _, position: __, ...place }) => place),
    };
  }

  static header(setup: FarmSetup): BookHeader {
    return {
      defaults: setup.farm.defaults,
      lots: setup.lots.map((lot) => ({ ...lot })),
      places: setup.places.map((place) => ({ ...place, withdrawal: place.withdrawal as 'mixed' })),
    };
  }

  /** Entries after a sequence number, oldest arrival first. */
  async entriesAfter(farmId: string, seq: number, on: Connection = this.db): Promise<{ seq: number; entry: Entry }[]> {
    const rows: { seq: number; body: string | Entry }[] = await on.query('SELECT seq, body FROM entries WHERE farm_id = ? AND seq > ? ORDER BY seq', [farmId, seq]);
    return rows.map((row) => ({ seq: row.seq, entry: typeof row.body === 'string' ? (JSON.parse(row.body) as Entry) : row.body }));
  }

  /** Runs `work` holding the farm's lock: sequence numbers are given out one batch after the other. */
  appending<T>(farmId: string, work: (tx: EntityManager, seq: number) => Promise<T>): Promise<T> {
    return this.db.transaction(async (tx) => {
      const rows: { seq: number }[] = await tx.query('SELECT seq FROM farms WHERE id = ? FOR UPDATE', [farmId]);
      return work(tx, rows[0]!.seq);
    });
  }

  async insert(tx: EntityManager, farmId: string, firstSeq: number, entries: readonly NewEntry[], receivedMs: number): Promise<void> {
    const rows = entries.map(({ entry, userId }, i) => rowOf(farmId, firstSeq + i, entry, userId, receivedMs));
    await insertAll(tx, EntryRow, rows);
    await tx.update(FarmRow, { id: farmId }, { seq: firstSeq + entries.length - 1 });
  }

  /** Puts a book's fields, lots, places and entries into a farm that has none yet. */
  async restore(farmId: string, book: Book, userId: string, receivedMs: number): Promise<void> {
    await this.db.transaction(async (tx) => {
      const farm = await tx.getRepository(FarmRow).findOneOrFail({ where: { id: farmId }, lock: { mode: 'pessimistic_write' } });
      const begun = farm.seq > 0 || (await tx.existsBy(LotRow, { farmId })) || (await tx.existsBy(PlaceRow, { farmId }));
      if (begun) throw new Refused('book_begun', 'This farm has a book already; a file goes into an empty one only.');
      const fields = new Map<string, { name: string; acres: number }>();
      const lots = book.lots.map((lot) => {
        const name = textOf(lot.fieldName, textOf(lot.field, lot.id));
        const fieldId = textOf(lot.fieldId, name);
        fields.set(fieldId, { name, acres: numberOf(lot.acres) ?? 0 });
        const shares = Array.isArray(lot.shares) ? (lot.shares as { owner: string; part: number }[]) : [{ owner: farm.name, part: 1 }];
        const crop = textOf(lot.crop, 'corn');
        return {
          farmId,
          id: lot.id,
          fieldId,
          crop,
          season: numberOf(lot.season) ?? new Date(receivedMs).getUTCFullYear(),
          variety: textOf(lot.variety, ''),
          tag: textOf(lot.tag, lot.id.slice(0, 4)),
          shares,
        };
      });
      await insertAll(
        tx,
        FieldRow,
        [...fields].map(([id, field]) => ({ farmId, id, ...field })),
      );
      await insertAll(tx, LotRow, lots);
      await insertAll(
        tx,
        PlaceRow,
        book.places.map((place, position) => ({
          farmId,
          id: place.id,
          position,
          name: textOf(place.name, place.id),
          kind: isBuyer(place) ? 'buyer' : textOf(place.kind, 'bin'),
          withdrawal: place.withdrawal ?? ('mixed' as const),
          capacityBu: numberOf(place.capacityBu),
          diameterM: numberOf(place.diameterM),
          eaveM: numberOf(place.eaveM),
          hopperM: numberOf(place.hopperM),
        })),
      );
      await this.insert(
        tx,
        farmId,
        1,
        targetsFirst(book.entries).map((entry) => ({ entry, userId })),
        receivedMs,
      );
      await tx.update(FarmRow, { id: farmId }, { setup: farm.setup + 1, defaults: { moisture: book.defaults.moisture, trust: [...book.defaults.trust] } });
    });
  }

  async lastReceived(farmId: string): Promise<number> {
    const rows: { at: string | number | null }[] = await this.db.query('SELECT MAX(received_ms) AS at FROM entries WHERE farm_id = ?', [farmId]);
    return Number(rows[0]?.at ?? 0);
  }

  /** The newest reading of each field. */
  async lastReadings(farmId: string): Promise<Map<string, ReadingRow>> {
    const newest: { id: string }[] = await this.db.query(
      'SELECT r.id FROM readings r JOIN (SELECT field_id, MAX(at_ms) AS at_ms FROM readings WHERE farm_id = ? AND moisture IS NOT NULL AND NOT voided GROUP BY field_id) n ON n.field_id = r.field_id AND n.at_ms = r.at_ms WHERE r.farm_id = ? AND NOT r.voided AND r.moisture IS NOT NULL',
      [farmId, farmId],
    );
    if (newest.length === 0) return new Map();
    const rows = await this.db.getRepository(ReadingRow).findBy({ farmId, id: In(newest.map(({ id }) => id)) });
    return new Map(rows.map((row) => [row.fieldId, row]));
  }
}

const textOf = (value: unknown, otherwise: string): string => (typeof value === 'string' && value !== '' ? value : otherwise);
const numberOf = (value: unknown): number | null => (typeof value === 'number' && Number.isFinite(value) ? value : null);

async function insertAll<Row extends object>(tx: EntityManager, table: new () => Row, rows: readonly object[]): Promise<void> {
  for (let i = 0; i < rows.length; i += INSERT_AT_ONCE) await tx.insert(table, rows.slice(i, i + INSERT_AT_ONCE) as never);
}

/** A void or witness may stand before its target; the foreign key wants the target first. */
export function targetsFirst(entries: readonly Entry[]): Entry[] {
  const waiting = new Map(entries.map((entry) => [entry.id, entry]));
  const ordered: Entry[] = [];
  const place = (entry: Entry): void => {
    if (!waiting.delete(entry.id)) return;
    const target = entry.type === 'witness' ? waiting.get(entry.of) : entry.type === 'void' ? waiting.get(entry.voids) : undefined;
    if (target) place(target);
    ordered.push(entry);
  };
  for (const entry of entries) place(entry);
  return ordered;
}

function rowOf(farmId: string, seq: number, entry: Entry, userId: string | null, receivedMs: number): Omit<EntryRow, 'body'> & { body: Entry } {
  const from = entry.type === 'move' ? entry.from : entry.type === 'condition' || entry.type === 'loss' || entry.type === 'measure' ? entry.place : null;
  return {
    farmId,
    seq,
    id: entry.id,
    type: entry.type,
    atMs: Math.floor(instantOf(entry.at)),
    lotId: entry.type === 'harvest' ? entry.lot : null,
    fromId: from,
    toId: entry.type === 'harvest' || entry.type === 'move' ? entry.to : null,
    refId: entry.type === 'witness' ? entry.of : entry.type === 'void' ? entry.voids : null,
    body: entry,
    userId,
    receivedMs,
  };
}
