import type {
  HaulSheet,
  MachineProfile,
  NextFieldSheet,
  Notebook,
  NoteInfo,
  NoteKind,
  ReadingInfo,
  ScaleSheet,
  SheetOf,
  VehicleSheet,
  WeatherHourInfo,
  WeightRulesSheet,
  WindowBody,
} from '@fanega/contract';
import { instantOf } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { Between, DataSource, type EntityManager, In } from 'typeorm';
import { FarmRow, NoteRow, ReadingRow, SheetRow, WeatherRow } from '../../platform/rows.js';

/** Notes that a screen gets at once; older ones are in the database and in no one's way. */
const NOTES_AT_ONCE = 1000;
const READINGS_AT_ONCE = 5000;
/** The shed's own notes come with the shed. */
const KINDS: readonly NoteKind[] = ['pair', 'settings', 'loss', 'strips', 'next', 'tare', 'delay', 'emptied'];

@Injectable()
export class NotebookRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  /** Runs `work` in a transaction and counts a change of the notebook, so that every screen looks again. */
  changing<T>(farmId: string, work: (tx: EntityManager) => Promise<T>): Promise<T> {
    return this.db.transaction(async (tx) => {
      await tx.getRepository(FarmRow).findOneOrFail({ where: { id: farmId }, lock: { mode: 'pessimistic_write' }, select: { id: true } });
      const result = await work(tx);
      await tx.increment(FarmRow, { id: farmId }, 'notes', 1);
      return result;
    });
  }

  async readings(farmId: string, fieldId: string | undefined): Promise<ReadingInfo[]> {
    const rows = await this.db
      .getRepository(ReadingRow)
      .find({ where: { farmId, ...(fieldId === undefined ? {} : { fieldId }) }, order: { atMs: 'DESC' }, take: READINGS_AT_ONCE });
    return rows.map(({ farmId: _, atMs, ...row }) => ({ ...row, at: new Date(atMs).toISOString(), source: row.source as ReadingInfo['source'], voided: Boolean(row.voided) }));
  }

  async notebook(farmId: string): Promise<Notebook> {
    const [notes, sheets] = await Promise.all([
      this.db.getRepository(NoteRow).find({ where: { farmId, kind: In([...KINDS]) }, order: { atMs: 'DESC', id: 'DESC' }, take: NOTES_AT_ONCE }),
      this.db.getRepository(SheetRow).findBy({ farmId }),
    ]);
    const of = bySubject(sheets);
    return {
      notes: notes.map(({ kind, body, by, voided }) => ({ kind, body, by, voided: Boolean(voided) }) as unknown as NoteInfo),
      windows: of<WindowBody>('window'),
      nextField: of<NextFieldSheet>('nextField')['farm'] ?? null,
      haul: of<HaulSheet>('haul')['farm'] ?? null,
      machines: of<MachineProfile>('machine'),
      vehicles: of<VehicleSheet>('vehicle'),
      scales: of<ScaleSheet>('scale'),
      weightRules: of<WeightRulesSheet>('weightRules')['farm'] ?? null,
    };
  }

  async weather(farmId: string, fromMs: number, toMs: number): Promise<WeatherHourInfo[]> {
    const rows = await this.db.getRepository(WeatherRow).find({ where: { farmId, atMs: Between(fromMs, toMs) }, order: { atMs: 'ASC' } });
    return rows.map(({ farmId: _, atMs, wet, forecast, ...row }) => ({ ...row, at: new Date(atMs).toISOString(), wet: Boolean(wet), forecast: Boolean(forecast) }));
  }

  static weatherRow(farmId: string, { at, ...hour }: WeatherHourInfo): WeatherRow {
    return { farmId, atMs: Math.floor(instantOf(at) / 3_600_000) * 3_600_000, ...hour };
  }
}

/** Sheets of a kind by their subject, out of all that a farm has. */
export const bySubject =
  (rows: readonly SheetRow[]) =>
  <T>(kind: string): Record<string, SheetOf<T>> =>
    Object.fromEntries(rows.filter((row) => row.kind === kind).map((row) => [row.subject, { revision: row.revision, sheet: row.body as T }]));
