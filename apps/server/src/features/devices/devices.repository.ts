import { Inject, Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { DeviceRow } from '../../platform/entities/identity.entity.js';
import type { Tx } from '../../platform/farm-write.js';

/** Devices of a farm. */
@Injectable()
export class DevicesRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  list(farmId: string): Promise<DeviceRow[]> {
    return this.db.getRepository(DeviceRow).find({ where: { farmId }, order: { addedMs: 'ASC', id: 'ASC' } });
  }

  inUse(tx: Tx, farmId: string): Promise<number> {
    return tx.countBy(DeviceRow, { farmId, revoked: false });
  }

  async add(tx: Tx, device: DeviceRow): Promise<void> {
    await tx.insert(DeviceRow, device);
  }

  /** @returns false where there is no such device */
  async revoke(tx: Tx, farmId: string, id: string): Promise<boolean> {
    return (await tx.update(DeviceRow, { farmId, id }, { revoked: true })).affected !== 0;
  }
}
