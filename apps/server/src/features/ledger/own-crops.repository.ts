import { isOwnCropId } from '@fanega/core';
import type { Tx } from '../../platform/farm-write.js';
import { Refused } from '../../platform/refused.js';
import { SETTING_TABLES } from '../../platform/record-table.js';

/** A crop that is nobody's but another farm's is none. @throws Refused at the field that names it */
export async function requireCrops(
  tx: Tx,
  farmId: string,
  crops: readonly { readonly crop: unknown; readonly field: string }[],
): Promise<void> {
  for (const { crop, field } of crops) {
    if (!isOwnCropId(crop)) continue;
    if (await tx.getRepository(SETTING_TABLES.ownCrop.own).existsBy({ farm_id: farmId, id: crop })) continue;
    const message = 'there is no such crop';
    throw new Refused('body_wrong', 'There is no such crop.', [{ field, code: 'not_found', message }]);
  }
}
