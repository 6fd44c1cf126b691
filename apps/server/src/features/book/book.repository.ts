import type { LotInfo, PlaceInfo } from '@fanega/contract';
import { type BookHeader, type Entry, instantOf } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { DataSource, type EntityManager, In } from 'typeorm';
import { EntryRow, FarmRow, FieldRow, LotRow, PlaceRow, ReadingRow } from '../../platform/rows.js';

export interface FarmSetup {
  readonly farm: FarmRow;
  readonly lots: readonly LotInfo[];
  readonly places: readonly PlaceInfo[];
}

/** An entry to be stored under a sequence number. */
export interface NewEntry {
  readonly entry: Entry;
  readonly userId: string | null;
}

const INSERT_AT_ONCE = 500;

@Injectable()
export class BookRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  /** Sequence and setup numbers, which tell whether a replayed state is still the newest; null for no such farm. */
  async versions(farmId: string): Promise<{ seq: number; setup: number } | null> {
    const rows: { seq: number; setup: number }[] = await this.db.query('SELECT seq, setup FROM farms WHERE id = ?', [farmId]);
    return rows[0] ?? null;
  }

  async setup(farmId: string): Promise<FarmSetup> {
    const farm = await this.db.getRepository(FarmRow).findOneByOrFail({ id: farmId });
    const fields = await this.db.getRepository(FieldRow).findBy({ farmId });
    const lots = await this.db.getRepository(LotRow).find({ where: { farmId }, order: { season: 'ASC', id: 'ASC' } });
    const places = await this.db.getRepository(PlaceRow).find({ where: { farmId }, order: { position: 'ASC' } });
    const byId = new Map(fields.map((field) => [field.id, field]));
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
  async entriesAfter(farmId: string, seq: number): Promise<{ seq: number; entry: Entry }[]> {
    const rows: { seq: number; body: string | Entry }[] = await this.db.query('SELECT seq, body FROM entries WHERE farm_id = ? AND seq > ? ORDER BY seq', [farmId, seq]);
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
    for (let i = 0; i < rows.length; i += INSERT_AT_ONCE) await tx.insert(EntryRow, rows.slice(i, i + INSERT_AT_ONCE) as never);
    await tx.update(FarmRow, { id: farmId }, { seq: firstSeq + entries.length - 1 });
  }

  async lastReceived(farmId: string): Promise<number> {
    const rows: { at: string | number | null }[] = await this.db.query('SELECT MAX(received_ms) AS at FROM entries WHERE farm_id = ?', [farmId]);
    return Number(rows[0]?.at ?? 0);
  }

  /** The newest reading of each field. */
  async lastReadings(farmId: string): Promise<Map<string, ReadingRow>> {
    const newest: { id: string }[] = await this.db.query(
      'SELECT r.id FROM readings r JOIN (SELECT field_id, MAX(at_ms) AS at_ms FROM readings WHERE farm_id = ? GROUP BY field_id) n ON n.field_id = r.field_id AND n.at_ms = r.at_ms WHERE r.farm_id = ?',
      [farmId, farmId],
    );
    if (newest.length === 0) return new Map();
    const rows = await this.db.getRepository(ReadingRow).findBy({ farmId, id: In(newest.map(({ id }) => id)) });
    return new Map(rows.map((row) => [row.fieldId, row]));
  }
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
