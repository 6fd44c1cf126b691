import type { CableReading } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { Between, DataSource } from 'typeorm';
import type { Tx } from '../../platform/farm-write.js';
import { CableReadingRow } from './store.entity.js';

/** Stands for a sensor that said nothing. */
const SILENT = -32_768;

export function packed(celsius: readonly (number | null)[]): Buffer {
  const bytes = Buffer.alloc(2 * celsius.length);
  celsius.forEach((value, i) => bytes.writeInt16LE(value === null ? SILENT : Math.round(100 * value), 2 * i));
  return bytes;
}

export function unpacked(bytes: Buffer): (number | null)[] {
  return Array.from({ length: bytes.length >> 1 }, (_, i) => {
    const value = bytes.readInt16LE(2 * i);
    return value === SILENT ? null : value / 100;
  });
}

/** What the cables of bins read. */
@Injectable()
export class CablesRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  /** Readings of a bin between two moments, oldest first. */
  async between(farmId: string, placeId: string, fromMs: number, toMs: number): Promise<CableReading[]> {
    // Plain rows: a season of a bin is ten thousand of them.
    const rows = await this.db
      .getRepository(CableReadingRow)
      .createQueryBuilder('r')
      .select(['r.cable AS cable', 'r.at_ms AS atMs', 'r.celsius AS celsius'])
      .where({ farmId, placeId, atMs: Between(fromMs, toMs) })
      .orderBy('r.at_ms', 'ASC')
      .getRawMany<{ cable: number; atMs: string; celsius: Buffer }>();
    return rows.map(({ cable, atMs, celsius }) => ({
      cable: Number(cable),
      atMs: Number(atMs),
      celsius: unpacked(celsius),
    }));
  }

  /** The same moment again replaces what was there. */
  async put(tx: Tx, rows: readonly CableReadingRow[]): Promise<void> {
    await tx.upsert(CableReadingRow, [...rows], ['farmId', 'placeId', 'atMs', 'cable']);
  }
}
