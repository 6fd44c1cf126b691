import { Inject, Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import type { Tx } from '../../platform/farm-write.js';
import { OriginLinkRow } from './trace.entity.js';

/** Links to an origin. */
@Injectable()
export class LinksRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  list(farmId: string): Promise<OriginLinkRow[]> {
    return this.db.getRepository(OriginLinkRow).find({ where: { farmId }, order: { madeMs: 'DESC', id: 'DESC' } });
  }

  inUse(tx: Tx, farmId: string): Promise<number> {
    return tx.countBy(OriginLinkRow, { farmId, revoked: false });
  }

  async add(tx: Tx, link: OriginLinkRow): Promise<void> {
    await tx.insert(OriginLinkRow, link);
  }

  /** @returns false where there is no such link */
  async revoke(tx: Tx, farmId: string, id: string): Promise<boolean> {
    return (await tx.update(OriginLinkRow, { farmId, id }, { revoked: true })).affected !== 0;
  }

  bySecret(tokenHash: string): Promise<OriginLinkRow | null> {
    return this.db.getRepository(OriginLinkRow).findOneBy({ tokenHash });
  }

  async wasOpened({ farmId, id, opened }: OriginLinkRow, openedMs: number): Promise<void> {
    await this.db.getRepository(OriginLinkRow).update({ farmId, id }, { opened: opened + 1, openedMs });
  }
}
