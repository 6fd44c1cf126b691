import { type Crop, type CropId, CROPS } from './crops.js';

/** What people and files call crops beside their own names; common practice, no source. */
const CALLED: Readonly<Record<string, CropId>> = {
  maize: 'corn',
  'yellow corn': 'corn',
  'field corn': 'corn',
  soybeans: 'soybean',
  beans: 'soybean',
  soy: 'soybean',
  milo: 'sorghum',
  'grain sorghum': 'sorghum',
  'winter wheat': 'wheat',
  'hard wheat': 'wheat',
  'soft wheat': 'softWheat',
};

/** A crop by its name, short name or what else it is called; null for none of these. */
export function cropIn(text: string, crops: readonly Crop[] = Object.values(CROPS)): CropId | null {
  const plain = text.trim().toLowerCase();
  const own = crops.find(({ id, name, short }) => [id, name, short].some((one) => one.toLowerCase() === plain)); // prettier-ignore
  return (own?.id as CropId | undefined) ?? CALLED[plain] ?? null;
}
