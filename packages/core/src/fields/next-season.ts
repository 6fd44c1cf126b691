import { CROPS, type CropId } from '../crops/index.js';
import type { LotInfo } from '../ledger/index.js';

/** A field as it is proposed for the next season. */
export interface NextLot {
  readonly fieldId: string;
  readonly fieldName: string;
  readonly acres: number;
  readonly lastCrop: string;
  readonly crop: CropId;
  readonly variety: string;
  readonly tag: string;
  readonly shares: LotInfo['shares'];
}

/** What usually follows a crop: a legume after a grass and the other way around. Common practice, no source; each farm's rotation rules. */
const FOLLOWS: Readonly<Partial<Record<CropId, CropId>>> = {
  corn: 'soybean',
  soybean: 'corn',
  sorghum: 'soybean',
  wheat: 'soybean',
  softWheat: 'soybean',
  oats: 'corn',
  barley: 'soybean',
  sunflower: 'corn',
  canola: 'wheat',
};

/**
 * The fields of the newest season as the next one may begin with them: the crop by the rotation that the field had (what came after its last
 * crop before, where the book knows it), else by the usual one; owners and tag as they are; the variety is not known yet.
 */
export function nextSeason(lots: readonly LotInfo[]): { readonly season: number; readonly lots: readonly NextLot[] } {
  const newest = lots.reduce((most, lot) => Math.max(most, lot.season), 0);
  const own = lots.filter((lot) => lot.season === newest);
  // A field that was split has several lots: each goes on by its own.
  return {
    season: newest + 1,
    lots: own.map((lot): NextLot => {
      const earlier = lots.filter(({ fieldId, season }) => fieldId === lot.fieldId && season < newest).sort((a, b) => b.season - a.season); // prettier-ignore
      // The last time it had this crop, what stood the year after?
      const before = earlier.find(({ crop }) => crop === lot.crop);
      const after = before && [...earlier, lot].find(({ season }) => season === before.season + 1);
      const crop = (after?.crop ?? FOLLOWS[lot.crop as CropId] ?? lot.crop) as CropId;
      return {
        fieldId: lot.fieldId,
        fieldName: lot.fieldName,
        acres: lot.acres,
        lastCrop: lot.crop,
        crop: Object.hasOwn(CROPS, crop) ? crop : 'corn',
        variety: '',
        tag: lot.tag,
        shares: lot.shares,
      };
    }),
  };
}
