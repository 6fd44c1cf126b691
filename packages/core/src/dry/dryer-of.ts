import type { DryerSetup, RecordsOf } from '../records/index.js';

/** What the farm's dryer takes: one figure for every page. */
export interface DryerAbility {
  readonly bushelPointsPerHour: number;
  readonly mostBushelsPerHour: number | null;
  readonly dryTo: number;
  /** points that the moisture may jump */
  readonly mostStep: number;
  /** Its own sheet; null where only Which field next? was told what it takes. */
  readonly setup: DryerSetup | null;
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
