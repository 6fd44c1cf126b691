import { Inject, Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import type { Tx } from '../../platform/farm-write.js';
import { MotorRow } from './store.entity.js';

/** What the motors of a bin site do: one row each, the newest. */
@Injectable()
export class MotorsRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  async all(farmId: string): Promise<MotorRow[]> {
    const rows = await this.db.getRepository(MotorRow).find({ where: { farmId }, order: { machineId: 'ASC' } });
    return rows.map((row) => ({ ...row, running: Boolean(row.running) }));
  }

  async put(tx: Tx, rows: readonly MotorRow[]): Promise<void> {
    await tx.upsert(MotorRow, [...rows], ['farmId', 'machineId']);
  }
}
