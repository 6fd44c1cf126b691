import { instantOf } from '../ledger/index.js';
import { asBuyer, buyerOffset, type Tester, testersFor } from './standing.js';
import type { FieldRow } from './view.js';

/** What a field reads now: the newest reading, or the mean of those of its last hour. One figure for every page. */
export interface FieldNow {
  /** As the buyer would likely test it, wet-basis fraction. */
  readonly moisture: number;
  /** As it was read. */
  readonly read: number;
  /** Driest and wettest of the readings that it is the mean of, as the buyer would test them. */
  readonly low: number;
  readonly high: number;
  readonly count: number;
  readonly atMs: number;
  readonly source: string;
  readonly tester: string;
}

const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

/**
 * @param testers all of them; those pairs count that are of this field's crop, and of the buyer where he has enough
 * @param buyerId where the loads go; null where nobody said
 * @returns null where nobody has read it
 */
export function fieldNow(
  row: FieldRow,
  testers: ReadonlyMap<string, Tester>,
  buyerId: string | null = null,
): FieldNow | null {
  const { lastMoisture } = row;
  if (!lastMoisture) return null;
  const ours = testersFor(testers, row.lot.crop, buyerId);
  const { at, source, tester, moisture } = lastMoisture;
  const readings = lastMoisture.hour ?? [{ moisture, tester }];
  const likely = readings.map((one) => asBuyer(one.moisture, buyerOffset(ours.get(one.tester))));
  return {
    moisture: mean(likely),
    read: mean(readings.map((one) => one.moisture)),
    low: likely.reduce((a, b) => Math.min(a, b)),
    high: likely.reduce((a, b) => Math.max(a, b)),
    count: readings.length,
    atMs: instantOf(at),
    source,
    tester,
  };
}
