import type { FieldBody, FieldChangeBody, NeighborRowsBody, PlaceBody, PlaceChangeBody, SharesBody } from '@fanega/contract';
import { neighborRows } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import { ulid } from 'ulid';
import { Refused } from '../../platform/refused.js';
import { FarmRow, FieldRow, LotRow, PlaceRow } from '../../platform/rows.js';

/** Fields and places of a farm. What an entry points to stays, so nothing here deletes. */
@Injectable()
export class SetupService {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  private async changing<T>(farmId: string, work: (tx: EntityManager, farm: FarmRow) => Promise<T>): Promise<T> {
    try {
      return await this.db.transaction(async (tx) => {
        const farm = await tx.getRepository(FarmRow).findOneOrFail({ where: { id: farmId }, lock: { mode: 'pessimistic_write' } });
        const result = await work(tx, farm);
        await tx.update(FarmRow, { id: farmId }, { setup: farm.setup + 1 });
        return result;
      });
    } catch (error) {
      if ((error as { code?: string }).code === 'ER_DUP_ENTRY') {
        throw new Refused('name_used', 'The farm has one of this name already.', [{ field: 'name', code: 'name_used', message: 'this name is used already' }]);
      }
      throw error;
    }
  }

  addField(farmId: string, body: FieldBody): Promise<{ fieldId: string; lotId: string }> {
    return this.changing(farmId, async (tx, farm) => {
      const fieldId = ulid();
      const lotId = ulid();
      await tx.insert(FieldRow, { farmId, id: fieldId, name: body.name.trim(), acres: body.acres });
      await tx.insert(LotRow, {
        farmId,
        id: lotId,
        fieldId,
        crop: body.crop,
        season: body.season,
        variety: body.variety ?? '',
        tag: body.tag.trim().toUpperCase(),
        shares: body.shares?.map(({ owner, part }) => ({ owner: owner.trim(), part })) ?? [{ owner: farm.name, part: 1 }],
      });
      return { fieldId, lotId };
    });
  }

  /** A field and a lot for somebody else's rows, all of them his. The same again changes nothing: a phone sends it until it is answered. */
  addNeighborRows(farmId: string, body: NeighborRowsBody): Promise<{ lotId: string }> {
    return this.changing(farmId, async (tx) => {
      const lotId = body.id;
      const known = await tx.findOneBy(LotRow, { farmId, id: lotId });
      if (known) {
        if (known.shares.length !== 1 || known.shares[0]!.owner !== body.owner.trim()) throw new Refused('id_used_otherwise', 'This id is used by another field already.');
        return { lotId };
      }
      const fields = await tx.findBy(FieldRow, { farmId });
      const lots = await tx.findBy(LotRow, { farmId, season: body.season });
      const { fieldName, tag } = neighborRows(body.owner, { fieldNames: fields.map(({ name }) => name), tags: lots.map((lot) => lot.tag) });
      const fieldId = ulid();
      // Nobody measured them yet.
      await tx.insert(FieldRow, { farmId, id: fieldId, name: fieldName, acres: 0 });
      await tx.insert(LotRow, { farmId, id: lotId, fieldId, crop: body.crop, season: body.season, variety: '', tag, shares: [{ owner: body.owner.trim(), part: 1 }] });
      return { lotId };
    });
  }

  /** A lot's names and its field's acres. What was recorded points to their ids and stays. */
  changeField(farmId: string, lotId: string, body: FieldChangeBody): Promise<{ lotId: string }> {
    return this.changing(farmId, async (tx) => {
      const lot = await tx.findOneBy(LotRow, { farmId, id: lotId });
      if (!lot) throw new Refused('not_found', 'There is no such field in the book.');
      await tx.update(FieldRow, { farmId, id: lot.fieldId }, { name: body.name.trim(), ...(body.acres === undefined ? {} : { acres: body.acres }) });
      await tx.update(LotRow, { farmId, id: lotId }, { tag: body.tag.trim().toUpperCase(), variety: body.variety?.trim() ?? '' });
      return { lotId };
    });
  }

  changePlace(farmId: string, placeId: string, body: PlaceChangeBody): Promise<{ placeId: string }> {
    return this.changing(farmId, async (tx) => {
      if (!(await tx.existsBy(PlaceRow, { farmId, id: placeId }))) throw new Refused('not_found', 'There is no such place in the book.');
      await tx.update(PlaceRow, { farmId, id: placeId }, { name: body.name.trim(), capacityBu: body.capacityBu ?? null });
      return { placeId };
    });
  }

  /** Whose a lot is: what was recorded stays as it is, and is split anew. */
  changeShares(farmId: string, lotId: string, body: SharesBody): Promise<{ lotId: string }> {
    return this.changing(farmId, async (tx) => {
      if (!(await tx.existsBy(LotRow, { farmId, id: lotId }))) throw new Refused('not_found', 'There is no such field in the book.');
      await tx.update(LotRow, { farmId, id: lotId }, { shares: body.shares.map(({ owner, part }) => ({ owner: owner.trim(), part })) });
      return { lotId };
    });
  }

  addPlace(farmId: string, body: PlaceBody): Promise<{ placeId: string }> {
    return this.changing(farmId, async (tx) => {
      const placeId = ulid();
      const position = await tx.countBy(PlaceRow, { farmId });
      await tx.insert(PlaceRow, {
        farmId,
        id: placeId,
        position,
        name: body.name.trim(),
        kind: body.kind,
        withdrawal: (body.withdrawal ?? 'mixed') as 'mixed',
        capacityBu: body.capacityBu ?? null,
        diameterM: null,
        eaveM: null,
        hopperM: null,
      });
      return { placeId };
    });
  }
}
