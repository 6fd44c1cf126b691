import { Inject, Injectable } from '@nestjs/common';
import { DataSource, MoreThan } from 'typeorm';
import type { Tx } from '../../platform/farm-write.js';
import { LevelRow } from './store.entity.js';

/** What level sensors said. */
@Injectable()
export class LevelsRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  since(farmId: string, fromMs: number): Promise<LevelRow[]> {
    return this.db
      .getRepository(LevelRow)
      .find({ where: { farmId, atMs: MoreThan(fromMs) }, order: { placeId: 'ASC', atMs: 'ASC' } });
  }

  async put(tx: Tx, rows: readonly LevelRow[]): Promise<void> {
    await tx.upsert(LevelRow, [...rows], ['farmId', 'placeId', 'atMs']);
  }
}
