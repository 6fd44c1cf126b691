import { Inject, Injectable } from '@nestjs/common';
import { DataSource, In } from 'typeorm';
import type { Tx } from '../../platform/farm-write.js';
import { insertAll, insertRecords, readRecords, removeRecord, SETTING_TABLES } from '../../platform/record-table.js';
import { WeatherRow } from '../fields/index.js';
import { FieldRow, LotRow, LotShareRow, shareRows } from '../ledger/index.js';
import { CableReadingRow } from '../store/index.js';
import { FileImportFieldRow, FileImportRow } from './trace.entity.js';

interface NewLot extends Omit<LotRow, 'farmId'> {
  readonly shares: readonly { readonly owner: string; readonly part: number }[];
}

/** Files that were taken in, and the fields that they made. */
@Injectable()
export class ImportsRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  list(farmId: string): Promise<FileImportRow[]> {
    return this.db.getRepository(FileImportRow).find({ where: { farmId }, order: { atMs: 'DESC', id: 'DESC' } });
  }

  one(tx: Tx, farmId: string, id: string): Promise<FileImportRow | null> {
    return tx.findOneBy(FileImportRow, { farmId, id });
  }

  /** Writes down that a file was taken in, or that more of it was. */
  async took(tx: Tx, row: FileImportRow): Promise<void> {
    const kept = await this.one(tx, row.farmId, row.id);
    if (kept) await tx.update(FileImportRow, { farmId: row.farmId, id: row.id }, { taken: kept.taken + row.taken });
    else await tx.insert(FileImportRow, row);
  }

  async undone(tx: Tx, farmId: string, id: string): Promise<void> {
    await tx.update(FileImportRow, { farmId, id }, { undone: true });
  }

  weather(tx: Tx, farmId: string, atMs: readonly number[]): Promise<WeatherRow[]> {
    return tx.findBy(WeatherRow, { farmId, atMs: In([...atMs]) });
  }

  async putWeather(tx: Tx, rows: readonly WeatherRow[]): Promise<void> {
    await tx.upsert(WeatherRow, [...rows], ['farmId', 'atMs']);
  }

  /** Those of the same bins and moments. */
  cables(tx: Tx, farmId: string, rows: readonly { placeId: string; atMs: number }[]): Promise<CableReadingRow[]> {
    const [placeIds, moments] = [new Set(rows.map(({ placeId }) => placeId)), new Set(rows.map(({ atMs }) => atMs))];
    return tx.findBy(CableReadingRow, { farmId, placeId: In([...placeIds]), atMs: In([...moments]) });
  }

  async putCables(tx: Tx, rows: readonly CableReadingRow[]): Promise<void> {
    await tx.upsert(CableReadingRow, [...rows], ['farmId', 'placeId', 'atMs', 'cable']);
  }

  /** Takes out what a file brought, as far as nothing was measured over it; how many rows. */
  async removeRows(tx: Tx, kind: 'weather' | 'cables', farmId: string, importId: string): Promise<number> {
    const { affected } = await tx.delete(kind === 'weather' ? WeatherRow : CableReadingRow, { farmId, importId });
    return affected ?? 0;
  }

  async fieldsAndLots(tx: Tx, farmId: string, season: number): Promise<{ fields: FieldRow[]; lots: LotRow[] }> {
    return { fields: await tx.findBy(FieldRow, { farmId }), lots: await tx.findBy(LotRow, { farmId, season }) };
  }

  async addField(tx: Tx, field: FieldRow): Promise<void> {
    await tx.insert(FieldRow, field);
  }

  async addLot(tx: Tx, farmId: string, { shares, ...lot }: NewLot): Promise<void> {
    await tx.insert(LotRow, { farmId, ...lot });
    await insertAll(tx, LotShareRow, shareRows(farmId, lot.id, shares));
  }

  async setAcres(tx: Tx, farmId: string, fieldId: string, acres: number): Promise<void> {
    await tx.update(FieldRow, { farmId, id: fieldId }, { acres });
  }

  async setBoundary(tx: Tx, farmId: string, fieldId: string, body: object): Promise<void> {
    const key = { farm_id: farmId, id: fieldId };
    const [kept] = await readRecords(tx, SETTING_TABLES.fieldBoundary, key);
    if (kept) await removeRecord(tx, SETTING_TABLES.fieldBoundary, key, false);
    const revision = Number(kept?.row.revision ?? 0) + 1;
    await insertRecords(tx, SETTING_TABLES.fieldBoundary, [{ body, key, common: { revision } }]);
  }

  async made(tx: Tx, rows: readonly FileImportFieldRow[]): Promise<void> {
    await insertAll(tx, FileImportFieldRow, rows);
  }

  madeBy(tx: Tx, farmId: string, importId: string): Promise<FileImportFieldRow[]> {
    return tx.findBy(FileImportFieldRow, { farmId, importId });
  }
}
