import { Inject, Injectable } from '@nestjs/common';
import { DataSource, IsNull } from 'typeorm';
import { FarmRow } from '../../platform/entities/farm.entity.js';
import { PairedJobRow } from '../../platform/entities/identity.entity.js';
import type { Tx } from '../../platform/farm-write.js';
import { PlaceRow } from '../ledger/index.js';

const SHOWN = 500;

/** Phones that are paired for one job, and the links that pair them. */
@Injectable()
export class PairedRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  /** Newest first. */
  all(farmId: string, tx?: Tx): Promise<PairedJobRow[]> {
    return (tx ?? this.db.manager)
      .getRepository(PairedJobRow)
      .find({ where: { farmId }, order: { madeMs: 'DESC', id: 'DESC' }, take: SHOWN });
  }

  async add(tx: Tx, row: PairedJobRow): Promise<void> {
    await tx.insert(PairedJobRow, row);
  }

  async revoke(tx: Tx, farmId: string, id: string): Promise<boolean> {
    return (await tx.update(PairedJobRow, { farmId, id }, { revoked: true })).affected !== 0;
  }

  bySecret(tokenHash: string): Promise<PairedJobRow | null> {
    return this.db.getRepository(PairedJobRow).findOneBy({ tokenHash });
  }

  /** @returns false where another phone was faster */
  async take(
    tx: Tx,
    { farmId, id }: PairedJobRow,
    phone: Pick<PairedJobRow, 'sessionHash' | 'pairedMs' | 'driver' | 'device' | 'seenMs'>,
  ): Promise<boolean> {
    return (await tx.update(PairedJobRow, { farmId, id, pairedMs: IsNull(), revoked: false }, phone)).affected === 1;
  }

  async placeKind(tx: Tx, farmId: string, id: string): Promise<string | null> {
    return (await tx.findOneBy(PlaceRow, { farmId, id }))?.kind ?? null;
  }

  async names(farmId: string, placeId: string | null): Promise<{ farm: string; place: string | null }> {
    const [farm, place] = await Promise.all([
      this.db.getRepository(FarmRow).findOneBy({ id: farmId }),
      placeId === null ? null : this.db.getRepository(PlaceRow).findOneBy({ farmId, id: placeId }),
    ]);
    return { farm: farm?.name ?? '', place: place?.name ?? null };
  }
}
