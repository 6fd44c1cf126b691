import type { LogName, SettingName } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { DataSource, In, type ObjectLiteral } from 'typeorm';
import { DeviceRow } from '../../platform/entities/identity.entity.js';
import type { Tx } from '../../platform/farm-write.js';
import {
  insertRecords,
  type Kept,
  LOG_TABLES,
  readRecords,
  type RecordTables,
  removeRecord,
  SETTING_TABLES,
} from '../../platform/record-table.js';
import { type Row, rowsOf } from '../../platform/record-rows.js';
import { FieldRow, LotRow, PlaceRow } from '../ledger/index.js';

/** What a reference in a record points to. */
export type Pointed = 'lots' | 'fields' | 'places' | 'devices' | 'machines';

const POINTED: Readonly<Record<Exclude<Pointed, 'machines'>, new () => ObjectLiteral>> = {
  lots: LotRow,
  fields: FieldRow,
  places: PlaceRow,
  devices: DeviceRow,
};

const tablesOf = (name: LogName | SettingName): RecordTables =>
  name in LOG_TABLES ? LOG_TABLES[name as LogName] : SETTING_TABLES[name as SettingName];

/** Records of all kinds, in the tables that their declarations make. */
@Injectable()
export class RecordsRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  /** Seasons that have a record of one of these kinds, newest first. */
  async seasons(farmId: string, names: readonly LogName[]): Promise<number[]> {
    const found = await Promise.all(
      names.map((name) =>
        this.db
          .getRepository(LOG_TABLES[name].own)
          .createQueryBuilder('r')
          .select('DISTINCT r.season', 'season')
          .where('r.farm_id = :farmId', { farmId })
          .getRawMany<{ season: number }>(),
      ),
    );
    return [...new Set(found.flat().map(({ season }) => Number(season)))].sort((a, b) => b - a);
  }

  /** One page of a kind, newest first, and how many there are. */
  async page(
    farmId: string,
    name: LogName,
    seasons: readonly number[],
    page: { readonly skip: number; readonly take: number },
  ): Promise<{ readonly kept: Kept[]; readonly count: number }> {
    const where: Row = { farm_id: farmId, season: In([...seasons]) };
    const [count, kept] = await Promise.all([
      this.db.getRepository(LOG_TABLES[name].own).countBy(where as never),
      readRecords(this.db, LOG_TABLES[name], where, page),
    ]);
    return { kept, count };
  }

  settings(farmId: string, name: SettingName): Promise<Kept[]> {
    return readRecords(this.db, SETTING_TABLES[name], { farm_id: farmId });
  }

  async one(tx: Tx, farmId: string, name: LogName | SettingName, id: string): Promise<Kept | null> {
    return (await readRecords(tx, tablesOf(name), { farm_id: farmId, id }))[0] ?? null;
  }

  /** The same outside of a write. */
  async oneOf(farmId: string, name: LogName, id: string): Promise<Kept | null> {
    return (await readRecords(this.db, tablesOf(name), { farm_id: farmId, id }))[0] ?? null;
  }

  /** Machines whose vessel is this place. */
  machinesOf(tx: Tx, farmId: string, placeId: string): Promise<Kept[]> {
    return readRecords(tx, SETTING_TABLES.machine, { farm_id: farmId, place_id: placeId });
  }

  async add(tx: Tx, farmId: string, name: LogName | SettingName, id: string, body: object, common: Row): Promise<void> {
    await insertRecords(tx, tablesOf(name), [{ body, key: { farm_id: farmId, id }, common }]);
  }

  /** @returns false where there is no such record */
  async void(tx: Tx, farmId: string, name: LogName, id: string): Promise<boolean> {
    const { own } = LOG_TABLES[name];
    if (!(await tx.getRepository(own).existsBy({ farm_id: farmId, id }))) return false;
    await tx.update(own, { farm_id: farmId, id }, { voided: true });
    return true;
  }

  /** The revision of a setting, 0 where it was never set. */
  async revision(tx: Tx, farmId: string, name: SettingName, id: string): Promise<number> {
    const kept = await tx.getRepository(SETTING_TABLES[name].own).findOneBy({ farm_id: farmId, id });
    return Number(kept?.revision ?? 0);
  }

  /** Puts a setting in the place of what was there, its row kept for what points to it. */
  async replace(tx: Tx, farmId: string, name: SettingName, id: string, body: object, common: Row): Promise<void> {
    const tables = SETTING_TABLES[name];
    const key = { farm_id: farmId, id };
    await removeRecord(tx, tables, key, true);
    const rows = rowsOf(tables.layout, body, key, common);
    const { farm_id: _, id: __, ...columns } = rows.get(tables.layout.table)![0]!;
    await tx.update(tables.own, key, columns);
    for (const [table, schema] of [...tables.schemas].slice(1))
      if ((rows.get(table)?.length ?? 0) > 0) await tx.insert(schema, rows.get(table)!);
  }

  /** Acres of a field; 0 where nobody measured it. */
  async fieldAcres(tx: Tx, farmId: string, id: string): Promise<number> {
    return (await tx.findOneBy(FieldRow, { farmId, id }))?.acres ?? 0;
  }

  isThere(tx: Tx, farmId: string, what: Pointed, id: string): Promise<boolean> {
    return what === 'machines'
      ? tx.getRepository(SETTING_TABLES.machine.own).existsBy({ farm_id: farmId, id })
      : tx.existsBy(POINTED[what], { farmId, id } as never);
  }

  /** Season of a lot; null where there is no such lot. */
  async seasonOfLot(tx: Tx, farmId: string, id: string): Promise<number | null> {
    return (await tx.findOneBy(LotRow, { farmId, id }))?.season ?? null;
  }
}
