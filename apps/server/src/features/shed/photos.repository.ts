import { Inject, Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import type { Tx } from '../../platform/farm-write.js';
import { PhotoRow } from './shed.entity.js';

/** Photographs of a farm. */
@Injectable()
export class PhotosRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  one(farmId: string, id: string, on: DataSource | Tx = this.db): Promise<PhotoRow | null> {
    return on.getRepository(PhotoRow).findOneBy({ farmId, id });
  }

  count(tx: Tx, farmId: string): Promise<number> {
    return tx.countBy(PhotoRow, { farmId });
  }

  async add(tx: Tx, photo: PhotoRow): Promise<void> {
    await tx.insert(PhotoRow, photo);
  }
}
