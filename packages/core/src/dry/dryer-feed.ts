import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { MOISTURE } from '../units/index.js';
import { dryerRate } from './high-temperature.js';

export const DRYER_FEED: Formula = {
  id: 'dryer-feed',
  title: 'Keeping a dryer running steadily',
  equation: 'dryer bu/h = bushel-points an hour / points; wet bin full after room / (combine - dryer)',
  standing: 'common practice',
  source: 'No printed source; the permitted step is the dryer keeper’s',
  inputs: [MOISTURE, quantity('permitted step', 0, 20, 'points')],
};

/** A field that could be cut next. */
export interface FieldChoice {
  readonly id: string;
  /** wet-basis fraction */
  readonly moisture: number;
  /** Points a day that it dries standing; undefined where nobody knows. */
  readonly pointsPerDay?: number;
}

export interface FieldForDryer {
  readonly id: string;
  /** Points against the last loads; positive is wetter. */
  readonly step: number;
  readonly allowed: boolean;
  /** What decided against it; null when allowed. */
  readonly refusedBecause: 'step too wet' | 'step too dry' | null;
  /** null: it is dry enough already and passes the burner. */
  readonly dryerBushelsPerHour: number | null;
  /** Hours until the wet bin is full; null when the dryer keeps up. */
  readonly wetBinFullHours: number | null;
  /** What holds the pace: the combine, or the dryer through the wet bin. */
  readonly limitedBy: 'combine' | 'dryer';
  /** Days standing until the field is down at the last loads' moisture (then test again); null when it is there or nobody knows the rate. */
  readonly daysToMatch: number | null;
}

/**
 * Which field keeps the dryer running steadily: those within the step that the dryer keeper permits first, the smaller step before the
 * larger; for each the dryer's rate, when the wet bin is full, and how long to wait for it otherwise. The message goes to the dryer
 * keeper before the first new load.
 * Range and source: {@link DRYER_FEED}.
 * @param combineBushelsPerHour wet bu/h; @param roomBushels left in the wet bin; @param mostStep points
 */
export function fieldsForDryer(input: {
  readonly bushelPointsPerHour: number;
  readonly dryTo: number;
  readonly throughputBushelsPerHour?: number;
  readonly combineBushelsPerHour: number;
  readonly roomBushels: number;
  readonly lastMoisture: number;
  readonly mostStep: number;
  readonly fields: readonly FieldChoice[];
}): FieldForDryer[] {
  within(MOISTURE, input.dryTo);
  within(MOISTURE, input.lastMoisture);
  requireInRange('combine rate', input.combineBushelsPerHour, 0, 1e5, 'bu/h');
  requireInRange('room in the wet bin', input.roomBushels, 0, 1e7, 'bu');
  requireInRange('bushel-points an hour', input.bushelPointsPerHour, 0, 1e7, 'bu·points/h');
  requireInRange('throughput limit', input.throughputBushelsPerHour ?? 0, 0, 1e6, 'bu/h');
  requireInRange('permitted step', input.mostStep, 0, 20, 'points');
  const answers = input.fields.map((field): FieldForDryer => {
    const step = 100 * (within(MOISTURE, field.moisture) - input.lastMoisture);
    const points = Math.max(0, 100 * (field.moisture - input.dryTo));
    // Dry grain goes past the burner as fast as it comes.
    const rate =
      points < 1e-9 && input.throughputBushelsPerHour === undefined
        ? Infinity
        : dryerRate(input.bushelPointsPerHour, points, input.throughputBushelsPerHour).bushelsPerHour;
    const gain = input.combineBushelsPerHour - rate;
    const allowed = Math.abs(step) <= input.mostStep + 1e-9;
    const perDay =
      field.pointsPerDay === undefined
        ? undefined
        : requireInRange('drying standing', field.pointsPerDay, -1, 5, 'points/day');
    return {
      id: field.id,
      step,
      allowed,
      refusedBecause: allowed ? null : step > 0 ? 'step too wet' : 'step too dry',
      dryerBushelsPerHour: rate === Infinity ? null : rate,
      wetBinFullHours: gain > 1e-9 ? input.roomBushels / gain : null,
      limitedBy: gain > 1e-9 ? 'dryer' : 'combine',
      daysToMatch: step > 0 && perDay !== undefined && perDay > 0 ? step / perDay : null,
    };
  });
  return answers.sort((a, b) => Number(b.allowed) - Number(a.allowed) || Math.abs(a.step) - Math.abs(b.step));
}
