import { RangeRefusal, UnknownRefusal } from '../kernel/index.js';
import { type Crop, type CropId, cropOf, CROPS, defineCrop } from './crops.js';

type Told = 'id' | 'name' | 'short' | 'like' | 'legalPounds' | 'baseMoisture' | 'testWeight';

/** What a farm says of a crop of its own, its id as {@link ownCropId} makes it; the rest is as of the crop that it is like. */
export interface OwnCrop
  extends Pick<Crop, Told>, Partial<Pick<Crop, 'insuredMoisture' | 'kernelGrams' | 'reposeDegrees'>> {
  /** It is grown no more, and is offered nowhere. */
  readonly putAway?: boolean;
}

/** The id of a crop that some farm made up. */
export const OWN_CROP_ID = /^o[0-9a-hjkmnp-tv-z]{8}$/;
/** Is it such an id? */
export const isOwnCropId = (id: unknown): id is string => typeof id === 'string' && OWN_CROP_ID.test(id);
/** As long as the longest of the others, out of the random part of a ULID. */
export const ownCropId = (ulid: string): string => `o${ulid.slice(-8).toLowerCase()}`;

/** @throws RangeRefusal, UnknownRefusal */
export const cropOfOwn = ({ putAway: _, ...own }: OwnCrop): Crop => defineCrop(own);

/**
 * Makes crops of a farm's own known to everything that asks for a crop by its id. Their ids are random, so that farms of one server do not
 * meet; in a list of all crops they do not stand, see {@link farmCrops}. One that no grain can be is left out.
 */
export function knowCrops(own: readonly OwnCrop[] = []): void {
  for (const one of own) {
    if (!isOwnCropId(one.id)) continue;
    try {
      Object.defineProperty(CROPS, one.id, { value: cropOfOwn(one), enumerable: false, configurable: true });
    } catch (error) {
      if (!(error instanceof RangeRefusal || error instanceof UnknownRefusal)) throw error;
    }
  }
}

/** Those that were made known, for a thread of its own to know them too. */
export const ownCropsKnown = (): OwnCrop[] =>
  Object.getOwnPropertyNames(CROPS)
    .filter(isOwnCropId)
    .map((id) => CROPS[id as CropId]);

/** The crops that a farm can choose from: those that everybody has, and its own that are still grown. */
export const farmCrops = (own: readonly OwnCrop[] = []): Crop[] => [
  ...Object.values(CROPS),
  ...own.flatMap(({ id, putAway }) => (cropOf(id) !== undefined && putAway !== true ? [cropOf(id)!] : [])),
];
