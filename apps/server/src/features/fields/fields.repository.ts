import type { DisplayArea, NewestReading } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { Between, DataSource, In } from 'typeorm';
import type { Tx } from '../../platform/farm-write.js';
import type { Row } from '../../platform/record-rows.js';
import { insertAll, LOG_TABLES, removeRecord, SETTING_TABLES } from '../../platform/record-table.js';
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

  /** The newest reading of each field that counts and says a moisture, by field; a zone's says nothing of its field. */
  async newestReadings(farmId: string): Promise<Map<string, NewestReading>> {
    const { own: readings } = LOG_TABLES.reading;
    const rows = await this.db
      .getRepository(readings)
      .createQueryBuilder('r')
      .where('r.farm_id = :farmId AND NOT r.voided AND r.moisture IS NOT NULL AND r.zone_id IS NULL', { farmId })
      .andWhere((query) => {
        const later = query
          .subQuery()
          .select('1')
          .from(readings, 'n')
          .where(
            'n.farm_id = r.farm_id AND n.field_id = r.field_id AND NOT n.voided AND n.moisture IS NOT NULL AND n.zone_id IS NULL AND (n.at_ms > r.at_ms OR (n.at_ms = r.at_ms AND n.id > r.id))',
          );
        return `NOT EXISTS ${later.getQuery()}`;
      })
      .getMany();
    const around = await this.hourBefore(farmId, rows);
    return new Map(
      rows.map((row) => {
        const hour = around.get(row.field_id as string) ?? [];
        return [
          row.field_id as string,
          {
            moisture: Number(row.moisture),
            at: new Date(Number(row.at_ms)).toISOString(),
            source: String(row.source),
            tester: String(row.tester ?? ''),
            ...(hour.length > 1 ? { hour } : {}),
          },
        ];
      }),
    );
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

  /** Readings of each field within the hour before its newest one, with that one. */
  private async hourBefore(
    farmId: string,
    newest: readonly Row[],
  ): Promise<Map<string, { moisture: number; tester: string }[]>> {
    const found = new Map<string, { moisture: number; tester: string }[]>();
    if (newest.length === 0) return found;
    const rows = await this.db
      .getRepository(LOG_TABLES.reading.own)
      .createQueryBuilder('r')
      .where('r.farm_id = :farmId AND NOT r.voided AND r.moisture IS NOT NULL AND r.zone_id IS NULL', { farmId })
      .andWhere(
        `(${newest.map((_, i) => `(r.field_id = :field${i} AND r.at_ms BETWEEN :from${i} AND :to${i})`).join(' OR ')})`,
        Object.fromEntries(
          newest.flatMap((row, i) => [
            [`field${i}`, row.field_id],
            [`from${i}`, Number(row.at_ms) - HOUR_MS],
            [`to${i}`, Number(row.at_ms)],
          ]),
        ),
      )
      .getMany();
    for (const row of rows) {
      const field = row.field_id as string;
      found.set(field, [
        ...(found.get(field) ?? []),
        { moisture: Number(row.moisture), tester: String(row.tester ?? '') },
      ]);
    }
    return found;
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
