import { type DisplayArea, groupBy, type NewestReading } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { Between, DataSource, In } from 'typeorm';
import type { Tx } from '../../platform/farm-write.js';
import type { Row } from '../../platform/record-rows.js';
import { insertAll, removeRecord, SETTING_TABLES } from '../../platform/record-table.js';
import { FieldRow, LotRow, LotShareRow, shareRows } from '../ledger/index.js';
import { DisplayAreaRow, WeatherRow } from './fields.entity.js';

const HOUR_MS = 3_600_000;

/** Takes lots and fields out that nothing hangs on. @throws where a record still points to one */
export async function removeFields(
  tx: Tx,
  farmId: string,
  lots: readonly string[],
  fields: readonly string[],
): Promise<void> {
  if (lots.length > 0) {
    await tx.delete(LotShareRow, { farmId, lotId: In([...lots]) });
    await tx.delete(DisplayAreaRow, { farmId, lotId: In([...lots]) });
    await tx.delete(LotRow, { farmId, id: In([...lots]) });
  }
  for (const id of fields) {
    await removeRecord(tx, SETTING_TABLES.fieldBoundary, { farm_id: farmId, id }, false);
    await tx.delete(FieldRow, { farmId, id });
  }
}

/** Fields with their lots, and the weather over them. */
@Injectable()
export class FieldsRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  /** In how many seasons a field stands. */
  seasonsOf(tx: Tx, farmId: string, fieldId: string): Promise<number> {
    return tx.countBy(LotRow, { farmId, fieldId });
  }

  /**
   * The newest reading of each field that counts and says a moisture, by field, with those of the hour before it; a zone's says nothing of its
   * field. One walk over the index: a book of ten seasons has most of its readings in years that are over.
   */
  async newestReadings(farmId: string): Promise<Map<string, NewestReading>> {
    const rows = await this.db.query<Row[]>(
      `SELECT r.* FROM (
         SELECT field_id, id, at_ms, moisture, source, tester, MAX(at_ms) OVER (PARTITION BY field_id) AS newest_ms FROM readings
         WHERE farm_id = ? AND NOT voided AND moisture IS NOT NULL AND zone_id IS NULL
       ) r WHERE r.at_ms >= r.newest_ms - ${HOUR_MS} ORDER BY r.field_id, r.at_ms, r.id`,
      [farmId],
    );
    const newest = new Map<string, NewestReading>();
    for (const [field, hour] of groupBy(rows, ({ field_id }) => field_id as string)) {
      const last = hour.at(-1)!;
      const readings = hour.map(({ moisture, tester }) => ({
        moisture: Number(moisture),
        tester: String(tester ?? ''),
      }));
      newest.set(field, {
        moisture: Number(last.moisture),
        at: new Date(Number(last.at_ms)).toISOString(),
        source: String(last.source),
        tester: String(last.tester ?? ''),
        ...(readings.length > 1 ? { hour: readings } : {}),
      });
    }
    return newest;
  }

  /** What displays counted as cut, by lot: those of several combines together, with the newest moment. */
  async displayAreas(farmId: string): Promise<Map<string, DisplayArea>> {
    const areas = new Map<string, { m2: number; atMs: number }>();
    for (const { lotId, areaM2, atMs } of await this.db.getRepository(DisplayAreaRow).findBy({ farmId })) {
      const sum = areas.get(lotId);
      areas.set(lotId, { m2: (sum?.m2 ?? 0) + areaM2, atMs: Math.max(sum?.atMs ?? 0, atMs) });
    }
    return new Map([...areas].map(([lotId, { m2, atMs }]) => [lotId, { m2, at: new Date(atMs).toISOString() }]));
  }

  displayArea(farmId: string, deviceId: string, lotId: string): Promise<DisplayAreaRow | null> {
    return this.db.getRepository(DisplayAreaRow).findOneBy({ farmId, deviceId, lotId });
  }

  async keepDisplayArea(tx: Tx, row: DisplayAreaRow): Promise<void> {
    await tx.upsert(DisplayAreaRow, row, ['farmId', 'deviceId', 'lotId']);
  }

  async namesAndTags(tx: Tx, farmId: string, season: number): Promise<{ fieldNames: string[]; tags: string[] }> {
    const [fields, lots] = [await tx.findBy(FieldRow, { farmId }), await tx.findBy(LotRow, { farmId, season })];
    return { fieldNames: fields.map(({ name }) => name), tags: lots.map(({ tag }) => tag) };
  }

  async hasLot(tx: Tx, farmId: string, id: string): Promise<boolean> {
    return (await tx.countBy(LotRow, { farmId, id })) > 0;
  }

  lot(tx: Tx, farmId: string, id: string): Promise<LotRow | null> {
    return tx.findOneBy(LotRow, { farmId, id });
  }

  async ownersOf(tx: Tx, farmId: string, lotId: string): Promise<string[]> {
    return (await tx.findBy(LotShareRow, { farmId, lotId })).map(({ owner }) => owner);
  }

  /** A field with its first lot and the owners of what grows there. */
  async add(
    tx: Tx,
    farmId: string,
    field: Omit<FieldRow, 'farmId'>,
    lot: Omit<LotRow, 'farmId' | 'fieldId'>,
    shares: readonly { readonly owner: string; readonly part: number }[],
  ): Promise<void> {
    await tx.insert(FieldRow, { farmId, ...field });
    await tx.insert(LotRow, { farmId, fieldId: field.id, ...lot });
    await insertAll(tx, LotShareRow, shareRows(farmId, lot.id, shares));
  }

  fieldsOf(tx: Tx, farmId: string): Promise<FieldRow[]> {
    return tx.findBy(FieldRow, { farmId });
  }

  lotsOf(tx: Tx, farmId: string, season: number): Promise<LotRow[]> {
    return tx.findBy(LotRow, { farmId, season });
  }

  async addLot(
    tx: Tx,
    lot: LotRow,
    shares: readonly { readonly owner: string; readonly part: number }[],
  ): Promise<void> {
    await tx.insert(LotRow, lot);
    await insertAll(tx, LotShareRow, shareRows(lot.farmId, lot.id, shares));
  }

  async change(
    tx: Tx,
    { farmId, id, fieldId }: LotRow,
    field: Partial<Pick<FieldRow, 'name' | 'acres'>>,
    lot: Partial<Pick<LotRow, 'tag' | 'variety' | 'acres'>>,
  ): Promise<void> {
    await tx.update(FieldRow, { farmId, id: fieldId }, field);
    await tx.update(LotRow, { farmId, id }, lot);
  }

  weather(farmId: string, fromMs: number, toMs: number): Promise<WeatherRow[]> {
    return this.db
      .getRepository(WeatherRow)
      .find({ where: { farmId, atMs: Between(fromMs, toMs) }, order: { atMs: 'ASC' } });
  }

  /** Of these hours those that a station has measured already. */
  async measured(tx: Tx, farmId: string, hours: readonly number[]): Promise<Set<number>> {
    const rows = await tx.findBy(WeatherRow, { farmId, forecast: false, atMs: In([...hours]) });
    return new Set(rows.map(({ atMs }) => atMs));
  }

  async putWeather(tx: Tx, rows: readonly WeatherRow[]): Promise<void> {
    await tx.upsert(WeatherRow, [...rows], ['farmId', 'atMs']);
  }
}
