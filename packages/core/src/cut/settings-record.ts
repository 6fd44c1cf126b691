import { requireInRange, within } from '../kernel/index.js';
import { MOISTURE } from '../units/index.js';
import { SETTINGS, type Setting, type Settings } from '../records/index.js';

/** A settings sheet with how it turned out. */
export interface SettingsRecord {
  readonly id: string;
  readonly machine: string;
  readonly crop: string;
  readonly variety: string;
  /** wet-basis fraction it was used at */
  readonly moisture: number | null;
  readonly values: Settings;
  /** bu/ac lost, from the last loss check under these settings; null: nobody counted. */
  readonly loss: number | null;
  /** What the tank looked like, 1 (clean) to 5; null: nobody said. */
  readonly dirt: number | null;
}

export interface RankedSettings {
  readonly record: SettingsRecord;
  /** How near its case is to today's, 0 to 1. */
  readonly nearness: number;
  /** How it was judged, in words. */
  readonly judgedBy: 'loss count and tank' | 'loss count' | 'look of the tank' | 'nobody judged it';
}

/**
 * Settings that were best for this crop, variety and moisture, first. Counted loss decides, the least first; the tank's look between equals; what
 * nobody judged comes last. Another crop's settings never come. Common practice, no source.
 * @param moisture wet-basis fraction of today's grain; null: not known
 */
export function bestSettings(
  records: readonly SettingsRecord[],
  now: { readonly machine: string; readonly crop: string; readonly variety: string; readonly moisture: number | null },
): RankedSettings[] {
  const near = (record: SettingsRecord): number => {
    const variety = record.variety !== '' && record.variety === now.variety ? 1 : 0.7;
    const machine = record.machine === now.machine ? 1 : 0.6;
    // Half as telling three points of moisture away.
    const moisture =
      record.moisture === null || now.moisture === null
        ? 0.6
        : 0.5 ** (Math.abs(100 * (record.moisture - now.moisture)) / 3);
    return variety * machine * moisture;
  };
  if (now.moisture !== null) within(MOISTURE, now.moisture);
  return (
    records
      .filter((record) => record.crop === now.crop)
      .map((record): RankedSettings & { readonly badness: number } => {
        if (record.moisture !== null) within(MOISTURE, record.moisture);
        if (record.loss !== null) requireInRange('loss', record.loss, 0, 1000, 'bu/ac');
        for (const [name, value] of Object.entries(record.values) as [Setting, number][])
          requireInRange(SETTINGS[name].name, value, SETTINGS[name].least, SETTINGS[name].most, SETTINGS[name].unit);
        if (record.dirt !== null) requireInRange('look of the tank', record.dirt, 1, 5, '');
        const judged = record.loss !== null || record.dirt !== null;
        const badness = judged ? (record.loss ?? 2) + 0.3 * ((record.dirt ?? 3) - 1) : Infinity;
        return {
          record,
          nearness: near(record),
          badness: badness + 3 * (1 - near(record)),
          judgedBy:
            record.loss !== null && record.dirt !== null
              ? 'loss count and tank'
              : record.loss !== null
                ? 'loss count'
                : record.dirt !== null
                  ? 'look of the tank'
                  : 'nobody judged it',
        };
      })
      // Counted ones by what they lost, the least first; then those that were only looked at.
      .sort(
        (a, b) =>
          Number(a.record.loss === null) - Number(b.record.loss === null) ||
          (a.record.loss ?? 0) - (b.record.loss ?? 0) ||
          a.badness - b.badness ||
          b.nearness - a.nearness,
      )
      .map(({ badness: _, ...ranked }) => ranked)
  );
}
