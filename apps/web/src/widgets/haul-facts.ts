import type { HaulSheet, Notebook } from '@fanega/contract';
import type { Farm } from '../data/farm';

export const NO_HAUL: HaulSheet = { roadMin: {}, loadMin: 6, tarpMin: 3, unloadMin: 10, othersPerHour: 2, lidsCloseBu: 300 };

/** "18:26" of a minute of the day; a time by which one must go is rounded up, one at which one must stop down, by the caller. */
export function minuteText(minute: number): string {
  const day = ((Math.round(minute) % 1440) + 1440) % 1440;
  return `${String(Math.floor(day / 60)).padStart(2, '0')}:${String(day % 60).padStart(2, '0')}`;
}

/** "47 min", "5 h 39 min"; what is begun of a minute does not count. */
export const spanText = (minutes: number): string => (minutes < 90 ? `${Math.floor(minutes)} min` : `${Math.floor(minutes / 60)} h ${Math.floor(minutes % 60)} min`);

/** Minutes of the day of "18:09"; NaN for none. */
export function readMinute(text: string): number {
  const found = /^(\d{1,2}):(\d{2})$/.exec(text.trim());
  if (!found) return NaN;
  const [hours, minutes] = [Number(found[1]), Number(found[2])];
  return hours <= 23 && minutes <= 59 ? hours * 60 + minutes : NaN;
}

/** What the combines bring in an hour together, bu: what somebody set, or by their profiles. */
export function bushelsPerHour(farm: Farm, notebook: Notebook): number {
  const set = notebook.nextField?.sheet.combineBushelsPerHour;
  if (set !== undefined) return set;
  return Object.values(notebook.machines).reduce((sum, { sheet }) => sum + sheet.goodRate * sheet.fieldEfficiency, 0) / farm.kgPerBu(undefined);
}
