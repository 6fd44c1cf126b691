import { requireInRange, within } from '../kernel/index.js';
import { MOISTURE } from '../units/index.js';
import { SETTINGS, type Setting, type Settings } from '../records/index.js';
import type { SampleFactor } from './sample-quality.js';

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
  /** What was sieved or what the buyer found, percent by factor; left out: nobody looked. */
  readonly sample?: Readonly<Partial<Record<SampleFactor, number>>>;
  /** Whose it is, where it is a neighbor's. */
  readonly from?: string;
}

export interface RankedSettings {
  readonly record: SettingsRecord;
  /** How near its case is to today's, 0 to 1. */
  readonly nearness: number;
  /** How it was judged, in words. */
  readonly judgedBy:
    'loss count and sample' | 'loss count and tank' | 'loss count' | 'sample' | 'look of the tank' | 'nobody judged it';
}

/** Fines, chips and trash as the looks of a tank: none is clean (1), four percent and more the worst (5). Common practice, no source. */
const dirtOf = (sample: SettingsRecord['sample']): number | null =>
  sample === undefined || (sample.fines === undefined && sample.foreign === undefined && sample.cracked === undefined)
    ? null
    : Math.min(5, 1 + (sample.fines ?? 0) + (sample.foreign ?? 0) + (sample.cracked ?? 0) / 4);

/**
 * Settings that were best for this crop, variety and moisture, first. Counted loss decides, the least first; the sample, or
 * the tank's look, between equals; what nobody judged comes last, and a neighbor's sheet after the own ones that are as near. Another crop's settings never come. Common practice, no source.
 * @param moisture wet-basis fraction of today's grain; null: not known
 */
export function bestSettings(
  records: readonly SettingsRecord[],
  now: { readonly machine: string; readonly crop: string; readonly variety: string; readonly moisture: number | null },
): RankedSettings[] {
  const near = (record: SettingsRecord): number => {
    const variety = record.variety !== '' && record.variety === now.variety ? 1 : 0.7;
    const machine = record.from !== undefined ? 0.5 : record.machine === now.machine ? 1 : 0.6;
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
        // What was sieved says more than how it looked.
        const sampled = dirtOf(record.sample);
        const dirt = sampled ?? record.dirt;
        const judged = record.loss !== null || dirt !== null;
        const badness = judged ? (record.loss ?? 2) + 0.3 * ((dirt ?? 3) - 1) : Infinity;
        return {
          record,
          nearness: near(record),
          badness: badness + 3 * (1 - near(record)),
          judgedBy:
            record.loss !== null
              ? sampled !== null
                ? 'loss count and sample'
                : record.dirt !== null
                  ? 'loss count and tank'
                  : 'loss count'
              : sampled !== null
                ? 'sample'
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
