import { Inject, Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import type { Tx } from '../../platform/farm-write.js';
import { Links } from '../../platform/links.js';
import { KeptShareRow, OwnerLinkRow } from './store.entity.js';

const MOST_LINKS = 500;

/** Links for owners, and those of other farms that a farm keeps. */
@Injectable()
export class SharesRepository extends Links<OwnerLinkRow> {
  constructor(@Inject(DataSource) db: DataSource) {
    super(db, OwnerLinkRow, MOST_LINKS);
  }

  link(farmId: string, id: string): Promise<OwnerLinkRow | null> {
    return this.db.getRepository(OwnerLinkRow).findOneBy({ farmId, id });
  }

  kept(farmId: string, tx?: Tx): Promise<KeptShareRow[]> {
    return (tx ?? this.db.manager).getRepository(KeptShareRow).find({ where: { farmId }, order: { keptMs: 'ASC', id: 'ASC' } }); // prettier-ignore
  }

  async keep(tx: Tx, share: KeptShareRow): Promise<void> {
    await tx.insert(KeptShareRow, share);
  }

  /** @returns false where there is no such share */
  async drop(tx: Tx, farmId: string, id: string): Promise<boolean> {
    return (await tx.delete(KeptShareRow, { farmId, id })).affected !== 0;
  }
}
