import { type Alternative, calendarDay, cropOf, CROPS } from '@fanega/core';
import type { Farm } from '../../data/farm';

export const farmDay = (farm: Farm): string => calendarDay(farm.data.now, farm.data.farm.timeZone);

/** "Sep 20" of a calendar day. */
export { dayText as dayWords } from '../../quantity/time';
export const days = (n: number): string => `${n} day${Math.abs(n) === 1 ? '' : 's'}`;

export const cropWords = (crop: string | null): string =>
  crop === null ? 'harvest' : (cropOf(crop)?.short ?? CROPS.corn.short);

/** What can be done about a part that comes too late, in one sentence. */
export function alternativeWords(way: Alternative): string {
  switch (way.code) {
    case 'startWithout':
      return 'Start without it: the machine works, if not at its best';
    case 'startWith':
      return `Start with ${way.name}${way.open > 0 ? `, once its ${way.open} open line${way.open === 1 ? ' is' : 's are'} done` : ''}; this one follows ${days(way.daysShort)} later`;
    case 'overnightFreight':
      return 'Ask for overnight freight, or another dealer’s shelf';
    case 'borrow':
      return 'Borrow or rent: a neighbor who starts later has the same part';
    case 'usedPart':
      return 'Take a used or rebuilt part and change it at the first rain';
    case 'beginWithCrop':
      return `Begin with ${cropWords(way.crop)} if it is fit, and come back`;
    case 'moveFirstDay':
      return `Move the first day back by ${days(way.daysShort)} and say so to the dryer and the trucks`;
  }
}
