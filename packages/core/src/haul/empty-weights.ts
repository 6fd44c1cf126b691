import { inOrder, quantity, requireInRange, within } from '../kernel/index.js';
import { kilogramsPerBushel } from '../units/index.js';
import { emptyWeightFits, weighed, type Weighing } from './weights.js';

const WEIGHT = quantity('weight', 0, 200_000, 'kg');

/** An empty weight, as it was taken. */
export interface EmptyWeight {
  readonly id: string;
  readonly atMs: number;
  /** Tractor and trailer: another tractor is another combination. */
  readonly combination: string;
  readonly weighing: Weighing;
}

/** How a combination's empty weight stands. */
export interface EmptyWeightStanding {
  readonly newest: EmptyWeight;
  readonly kg: number;
  readonly ageDays: number;
  readonly old: boolean;
  /** Newest against the middle of those before; null without two before. Fraction. */
  readonly drift: number | null;
  readonly drifted: boolean;
  /** Weigh empty before the next gross weight counts. */
  readonly weighEmpty: boolean;
}

/** Days after which a tare is taken again, and how far one may lie from its own history: settings of the farm; common practice, no source. */
export interface EmptyWeightRules {
  readonly oldAfterDays: number;
  readonly tolerance: number;
}

export const EMPTY_WEIGHT_RULES: EmptyWeightRules = { oldAfterDays: 30, tolerance: 0.01 };

/** The tare of a combination that counts now, or null where it was never weighed empty. Mud, fuel and a spare wheel are what ages it. */
export function emptyWeightStanding(
  taken: readonly EmptyWeight[],
  combination: string,
  nowMs: number,
  rules: EmptyWeightRules = EMPTY_WEIGHT_RULES,
): EmptyWeightStanding | null {
  requireInRange('now', nowMs, 0, 1e14, 'ms');
  for (const { atMs } of taken) requireInRange('time of a tare', atMs, 0, 1e14, 'ms');
  const own = taken
    .filter((tare) => tare.combination === combination && tare.atMs <= nowMs)
    .sort((a, b) => a.atMs - b.atMs || inOrder(a.id, b.id));
  const newest = own.at(-1);
  if (!newest) return null;
  const { kg } = weighed(newest.weighing);
  const history = own.slice(0, -1).map((tare) => weighed(tare.weighing).kg);
  const { fits, drift } =
    kg > 0
      ? emptyWeightFits(
          kg,
          history.filter((before) => before >= 1),
          rules.tolerance,
        )
      : { fits: null, drift: null };
  const ageDays = (nowMs - newest.atMs) / 86_400_000;
  const old = ageDays > requireInRange('days after which a tare is old', rules.oldAfterDays, 0, 10_000, 'days');
  return { newest, kg, ageDays, old, drift, drifted: fits === false, weighEmpty: old };
}

export interface AxleDoubt {
  /** From 0 at the front. */
  readonly axle: number;
  readonly kg: number;
  /** Middle of this axle's own history. */
  readonly usualKg: number;
}

/**
 * Axles that lie far from their own history: another tractor stands before the trailer, or a wheel was not on the platform. The steer
 * axle carries little of the load, so its weight tells the tractor; the others carry the load, and only lighter than empty is strange.
 * Common practice, no source.
 * @param loaded axles now, kg
 * @param history loaded weighings of the same combination, axle by axle
 * @param empty its empty axles
 * @param tolerance of the steer axle, fraction; 0.08 by default
 */
export function axleDoubts(
  loaded: readonly number[],
  history: readonly (readonly number[])[],
  empty: readonly number[] | null,
  tolerance = 0.08,
): AxleDoubt[] {
  requireInRange('axles', loaded.length, 1, 20, '');
  requireInRange('tolerance of an axle', tolerance, 0, 1, 'fraction');
  for (const kg of [...loaded, ...history.flat(), ...(empty ?? [])]) within(WEIGHT, kg);
  const doubts: AxleDoubt[] = [];
  const same = history.filter((weighing) => weighing.length === loaded.length);
  const steer = same.map((weighing) => weighing[0]!).sort((a, b) => a - b);
  if (steer.length >= 2) {
    const usualKg = steer[steer.length >> 1]!;
    if (Math.abs(loaded[0]! - usualKg) > tolerance * usualKg) doubts.push({ axle: 0, kg: loaded[0]!, usualKg });
  }
  if (empty && empty.length === loaded.length) {
    // A load behind the axle can lift the steer axle a little: more than a tenth is another one.
    loaded.forEach((kg, axle) => {
      if (!doubts.some((doubt) => doubt.axle === axle) && kg < (axle === 0 ? 0.9 : 0.98) * empty[axle]!)
        doubts.push({ axle, kg, usualKg: empty[axle]! });
    });
  }
  return doubts;
}

export interface LoadWithEmptyWeight {
  readonly id: string;
  readonly atMs: number;
  readonly combination: string;
  readonly grossKg: number;
  readonly tareKg: number;
  readonly legalPounds: number;
  readonly pricePerBu: number | null;
}

export interface EmptyWeightCorrection {
  readonly load: LoadWithEmptyWeight;
  readonly netBeforeKg: number;
  readonly netAfterKg: number;
  readonly bushels: number;
  /** What the change is worth; null where nobody knows a price. */
  readonly money: number | null;
}

/**
 * Loads that were weighed with a tare that a new empty weight has shown to be wrong, and what each correction changes. Only loads of the
 * same combination since its last empty weight before; a difference within the tolerance is mud and fuel, and changes nothing.
 * @param newKg the empty weight now @param sinceMs the empty weight before
 */
export function emptyWeightCorrections(
  loads: readonly LoadWithEmptyWeight[],
  combination: string,
  newKg: number,
  sinceMs: number,
  untilMs: number,
  tolerance = EMPTY_WEIGHT_RULES.tolerance,
): EmptyWeightCorrection[] {
  requireInRange('tare', newKg, 1, WEIGHT.most, 'kg');
  requireInRange('tolerance of a tare', tolerance, 0, 1, 'fraction');
  requireInRange('end of the loads', untilMs, requireInRange('begin of the loads', sinceMs, 0, 1e14, 'ms'), 1e14, 'ms');
  for (const { atMs } of loads) requireInRange('time of a load', atMs, 0, 1e14, 'ms');
  return loads
    .filter(
      (load) =>
        load.combination === combination &&
        load.atMs > sinceMs &&
        load.atMs <= untilMs &&
        Math.abs(within(WEIGHT, load.tareKg) - newKg) > tolerance * newKg,
    )
    .map((load) => {
      const netBeforeKg = within(WEIGHT, load.grossKg) - load.tareKg;
      const netAfterKg = Math.max(0, load.grossKg - newKg);
      const bushels = (netAfterKg - netBeforeKg) / kilogramsPerBushel(load.legalPounds);
      return {
        load,
        netBeforeKg,
        netAfterKg,
        bushels,
        money: load.pricePerBu === null ? null : bushels * requireInRange('price', load.pricePerBu, 0, 1000, '$/bu'),
      };
    });
}
