import { daysBetween } from '../kernel/index.js';

/**
 * The day by which a machine must be ready: the next first day of a crop that it works in; today while harvest runs and none is ahead.
 * @param firstDays by crop, like 2026-08-11 @param crops that it works in; left out: all of them
 */
export function readyBy(
  firstDays: Readonly<Record<string, string>>,
  today: string,
  crops?: readonly string[],
): { readonly day: string; readonly crop: string | null } {
  const ahead = Object.entries(firstDays)
    .filter(([crop, day]) => (crops === undefined || crops.includes(crop)) && daysBetween(today, day) >= 0)
    .sort((a, b) => daysBetween(b[1], a[1]));
  return ahead[0] ? { day: ahead[0][1], crop: ahead[0][0] } : { day: today, crop: null };
}
