import { requireInRange } from '../kernel/index.js';
import { MAX_MOISTURE } from '../units/index.js';

const check = (name: string, m: number, most: number) => requireInRange(name, m, 0, most, 'wb fraction');

/**
 * Share of the wet weight that leaves as water when grain goes from one moisture to another, by dry-matter balance:
 * S = (Mi - Mf) / (1 - Mf). Negative when grain takes up water.
 * @param from wet-basis fraction before, 0 to 0.6; @param to wet-basis fraction after, 0 to 0.6
 * @returns fraction of the wet weight
 * @example waterShrink(0.25, 0.155) // 0.112426: 25 % corn dried to 15.5 % loses 11.24 % of its weight
 */
export function waterShrink(from: number, to: number): number {
  check('moisture before', from, MAX_MOISTURE);
  check('moisture after', to, MAX_MOISTURE);
  return (from - to) / (1 - to);
}

/** Percent of wet weight lost for each point dried to the given final moisture: 1 / (1 - Mf); 1.176 to 15 %. */
export function shrinkFactorPerPoint(to: number): number {
  check('moisture after', to, MAX_MOISTURE);
  return 1 / (1 - to);
}

/** Weight of the same dry matter at another moisture, in the unit of `weight`. */
export function weightAtMoisture(weight: number, from: number, to: number): number {
  return requireInRange('weight', weight, 0, Number.MAX_VALUE, '') * (1 - waterShrink(from, to));
}
