import type { RecordsOf } from './farm-records.js';
import type { CuttingWindow } from './fields.js';

/** The window for a crop: a buyer's own where he has one, otherwise the farm's. */
export function windowFor(
  records: RecordsOf<never, 'cuttingWindow'> | undefined,
  crop: string,
  buyerId: string | null,
): { readonly subject: string; readonly revision: number; readonly value: CuttingWindow } | undefined {
  const subject = buyerId === null ? crop : `${crop}@${buyerId}`;
  const found = records?.settings.cuttingWindow[subject];
  return found && { subject, ...found };
}

/** Whether a buyer takes a crop: one with windows for other crops only does not. Common practice, no source. */
export function takesCrop(records: RecordsOf<never, 'cuttingWindow'>, crop: string, buyerId: string): boolean {
  const own = Object.keys(records.settings.cuttingWindow).filter((subject) => subject.endsWith(`@${buyerId}`));
  return own.length === 0 || own.includes(`${crop}@${buyerId}`);
}

/** By which window a buyer takes a crop: his own, else the farm's for the crop; none where he does not take it. */
export const windowAt = (
  records: RecordsOf<never, 'cuttingWindow'>,
  crop: string,
  buyerId: string,
): CuttingWindow | undefined =>
  takesCrop(records, crop, buyerId)
    ? (windowFor(records, crop, buyerId) ?? windowFor(records, crop, null))?.value
    : undefined;
