import { Injectable } from '@nestjs/common';
import type { Tx } from '../../platform/farm-write.js';
import { PlaceRow } from './ledger.entity.js';

/** Places that hold grain. What was recorded points to their ids: nothing is deleted. */
@Injectable()
export class PlacesRepository {
  one(tx: Tx, farmId: string, id: string): Promise<PlaceRow | null> {
    return tx.findOneBy(PlaceRow, { farmId, id });
  }

  isBuyer(tx: Tx, farmId: string, id: string): Promise<boolean> {
    return tx.existsBy(PlaceRow, { farmId, id, kind: 'buyer' });
  }

  nameIsUsed(tx: Tx, farmId: string, name: string): Promise<boolean> {
    return tx.existsBy(PlaceRow, { farmId, name });
  }

  /** Behind those that are there. */
  async add(tx: Tx, place: Omit<PlaceRow, 'position'>): Promise<void> {
    await tx.insert(PlaceRow, { ...place, position: await tx.countBy(PlaceRow, { farmId: place.farmId }) });
  }

  async change(
    tx: Tx,
    farmId: string,
    id: string,
    change: Partial<Pick<PlaceRow, 'name' | 'capacityBu' | 'putAway'>>,
  ): Promise<void> {
    await tx.update(PlaceRow, { farmId, id }, change);
  }
}
