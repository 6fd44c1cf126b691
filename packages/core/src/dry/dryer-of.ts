import { requireInRange } from '../kernel/index.js';
import type { DryerSetup, RecordsOf } from '../records/index.js';

/** What the farm's dryer takes: one figure for every page. */
export interface DryerAbility {
  readonly bushelPointsPerHour: number;
  readonly byPoints?: DryerSetup['byPoints'];
  readonly mostBushelsPerHour: number | null;
  readonly dryTo: number;
  /** points that the moisture may jump */
  readonly mostStep: number;
  /** Its own sheet; null where only Which field next? was told what it takes. */
  readonly setup: DryerSetup | null;
}

/**
 * Bushel-points an hour where so many points come off: by the dryer's own table, between its rows as the rate goes between them and
 * beyond its ends with the points of its end; without a table its rating.
 * @param points taken off; @returns bu·points/h
 */
export function bushelPointsAt(
  { bushelPointsPerHour, byPoints = [] }: Pick<DryerSetup, 'bushelPointsPerHour' | 'byPoints'>,
  points: number,
): number {
  requireInRange('points taken off', points, 0, 100, 'points');
  requireInRange('bushel-points an hour', bushelPointsPerHour, 0, 1e7, 'bu·points/h');
  for (const row of byPoints) {
    requireInRange('points of a row', row.points, 0.1, 100, 'points');
    requireInRange('bushels an hour of a row', row.bushelsPerHour, 0, 1e6, 'bu/h');
  }
  const first = byPoints[0];
  if (first === undefined) return bushelPointsPerHour;
  if (points <= first.points) return first.points * first.bushelsPerHour;
  const above = byPoints.findIndex((row) => row.points >= points);
  const last = byPoints.at(-1)!;
  if (above < 0) return last.points * last.bushelsPerHour;
  const [a, b] = [byPoints[above - 1]!, byPoints[above]!];
  const share = (points - a.points) / (b.points - a.points);
  return points * (a.bushelsPerHour + share * (b.bushelsPerHour - a.bushelsPerHour));
}

/** By the dryer's own sheet (of several the first that has one), else as Which field next? was told; null where nobody said. */
export function dryerOf(
  records: RecordsOf<never, 'dryerSetup' | 'nextFieldPlan'>,
  placeId?: string,
): DryerAbility | null {
  const setups = records.settings.dryerSetup;
  const setup = placeId === undefined ? Object.values(setups)[0]?.value : setups[placeId]?.value;
  if (setup)
    return {
      bushelPointsPerHour: setup.bushelPointsPerHour,
      ...(setup.byPoints === undefined ? {} : { byPoints: setup.byPoints }),
      mostBushelsPerHour: setup.mostBushelsPerHour ?? null,
      dryTo: setup.dryTo,
      mostStep: setup.mostStep,
      setup,
    };
  const plan = records.settings.nextFieldPlan.farm?.value;
  if (!plan || plan.bushelPointsPerHour <= 0) return null;
  return {
    bushelPointsPerHour: plan.bushelPointsPerHour,
    mostBushelsPerHour: null,
    dryTo: plan.dryTo,
    mostStep: plan.mostStep,
    setup: null,
  };
}
