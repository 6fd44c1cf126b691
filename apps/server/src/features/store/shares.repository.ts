import { Inject, Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import type { Tx } from '../../platform/farm-write.js';
import { KeptShareRow, OwnerLinkRow } from './store.entity.js';

/** Links for owners, and those of other farms that a farm keeps. */
@Injectable()
export class SharesRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  links(farmId: string): Promise<OwnerLinkRow[]> {
    return this.db.getRepository(OwnerLinkRow).find({ where: { farmId }, order: { madeMs: 'DESC', id: 'DESC' } });
  }

  inUse(tx: Tx, farmId: string): Promise<number> {
    return tx.countBy(OwnerLinkRow, { farmId, revoked: false });
  }

  async add(tx: Tx, link: OwnerLinkRow): Promise<void> {
    await tx.insert(OwnerLinkRow, link);
  }

  /** @returns false where there is no such link */
  async revoke(tx: Tx, farmId: string, id: string): Promise<boolean> {
    return (await tx.update(OwnerLinkRow, { farmId, id }, { revoked: true })).affected !== 0;
  }

  bySecret(tokenHash: string): Promise<OwnerLinkRow | null> {
    return this.db.getRepository(OwnerLinkRow).findOneBy({ tokenHash });
  }

  link(farmId: string, id: string): Promise<OwnerLinkRow | null> {
    return this.db.getRepository(OwnerLinkRow).findOneBy({ farmId, id });
  }

  async wasOpened({ farmId, id }: OwnerLinkRow, openedMs: number): Promise<void> {
    await this.db.getRepository(OwnerLinkRow).update({ farmId, id }, { opened: () => 'opened + 1', openedMs });
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
