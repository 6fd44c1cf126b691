import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { KG_PER_LB, M_PER_FT } from '../units/index.js';

const SPACING = quantity('distance between outer axles', 0, 60, 'm');
const AXLES = quantity('axles of a group', 2, 12, '');

export const BRIDGE_FORMULA: Formula = {
  id: 'bridge-formula',
  title: 'Legal weight of axle groups',
  equation: 'W = 500 [L N/(N-1) + 12 N + 36] lb, to the nearest 500, ties down; L in whole feet',
  standing: 'published, from memory',
  source: '23 USC 127, 23 CFR 658.17, FHWA Bridge Formula Weights',
  inputs: [SPACING, AXLES],
  note: 'Single axle 20,000, tandem (up to 8 ft) 34,000, gross 80,000 lb; two tandems at least 36 ft apart, first axle to last, may carry 34,000 each. Ties go down to match the printed table. Distances round to the nearest foot, half a foot down (medium confidence). State law, road class and the permit’s own text rule.',
};

/** Federal limits, lb. A state's own are put in their place. */
export interface AxleRules {
  readonly single: number;
  readonly tandem: number;
  readonly gross: number;
  /** Percent that the user's own permit allows on each; 0 without one. Local rules rule. */
  readonly permitPercent: { readonly axles: number; readonly gross: number };
}

export const FEDERAL_RULES: AxleRules = {
  single: 20_000,
  tandem: 34_000,
  gross: 80_000,
  permitPercent: { axles: 0, gross: 0 },
};

/**
 * Pounds that the formula allows a group.
 * Range and source: {@link BRIDGE_FORMULA}.
 * @param feet between the outer axles, whole feet
 * @param axles 2 to 12
 */
export function bridgePounds(feet: number, axles: number): number {
  within(AXLES, axles);
  requireInRange('distance between outer axles', feet, 0, 200, 'ft');
  const exact = 500 * ((feet * axles) / (axles - 1) + 12 * axles + 36);
  return 500 * Math.ceil(exact / 500 - 0.5 - 1e-9);
}

const wholeFeet = (meters: number): number => Math.ceil(meters / M_PER_FT - 0.5 - 1e-6);

export interface AxleGroup {
  /** First and last axle of the group, from 0 at the front. */
  readonly first: number;
  readonly last: number;
  readonly limitKg: number;
  readonly rule: 'single axle' | 'tandem' | 'bridge formula' | 'two tandems' | 'gross';
  /** Weight on it, where weights are given; null otherwise. */
  readonly kg: number | null;
  readonly overKg: number;
}

/**
 * Every limit of a vehicle: each axle, each consecutive group, and gross.
 * Range and source: {@link BRIDGE_FORMULA}.
 * @param axles position from the front (m, rising) and weight (kg) where known
 */
export function axleGroups(
  axles: readonly { readonly at: number; readonly kg?: number }[],
  rules: AxleRules = FEDERAL_RULES,
): AxleGroup[] {
  const n = requireInRange('axles', axles.length, 2, 12, '');
  const permit = (lb: number, percent: number): number =>
    requireInRange('weight limit', lb, 1000, 1e6, 'lb') *
    (1 + requireInRange('permit', percent, 0, 50, '%') / 100) *
    KG_PER_LB;
  for (let i = 1; i < n; i++)
    requireInRange('position of an axle, behind the one before', axles[i]!.at, axles[i - 1]!.at + 0.5, 60, 'm');
  const groups: AxleGroup[] = [];
  const add = (first: number, last: number, limitKg: number, rule: AxleGroup['rule']): void => {
    const weights = axles.slice(first, last + 1).map((axle) => axle.kg);
    const kg = weights.some((w) => w === undefined)
      ? null
      : weights.reduce<number>((sum, w) => sum + requireInRange('axle weight', w!, 0, 50_000, 'kg'), 0);
    groups.push({ first, last, limitKg, rule, kg, overKg: kg === null ? 0 : Math.max(0, kg - limitKg) });
  };
  const spread = (first: number, last: number): number => within(SPACING, axles[last]!.at - axles[first]!.at);
  const isTandem = (first: number, last: number): boolean => spread(first, last) <= 8 * M_PER_FT + 1e-6;
  for (let i = 0; i < n; i++) add(i, i, permit(rules.single, rules.permitPercent.axles), 'single axle');
  for (let first = 0; first < n; first++) {
    for (let last = first + 1; last < n; last++) {
      const count = last - first + 1;
      const feet = wholeFeet(spread(first, last));
      if (isTandem(first, last)) add(first, last, permit(rules.tandem, rules.permitPercent.axles), 'tandem');
      else if (count === 4 && isTandem(first, first + 1) && isTandem(last - 1, last) && feet >= 36 && feet <= 38)
        add(first, last, permit(2 * rules.tandem, rules.permitPercent.axles), 'two tandems');
      else add(first, last, permit(bridgePounds(feet, count), rules.permitPercent.axles), 'bridge formula');
    }
  }
  add(0, n - 1, permit(rules.gross, rules.permitPercent.gross), 'gross');
  return groups;
}

export interface LegalLoad {
  /** Most grain that may be on it, kg; what may still go on, kg (negative: over). */
  readonly mostKg: number;
  readonly roomKg: number;
  readonly decidedBy: AxleGroup;
}

/**
 * How much grain a vehicle may carry, and how much may still go on.
 * Range and source: {@link BRIDGE_FORMULA}.
 * @param axles position (m), empty weight (kg), and the share of the load that comes down on the axle (shares sum to 1)
 * @param onKg grain on it already
 */
export function legalLoad(
  axles: readonly { readonly at: number; readonly emptyKg: number; readonly share: number }[],
  onKg: number,
  rules: AxleRules = FEDERAL_RULES,
): LegalLoad {
  requireInRange(
    'sum of the load shares',
    axles.reduce((sum, axle) => sum + requireInRange('share of the load', axle.share, 0, 1, 'fraction'), 0),
    0.999,
    1.001,
    '',
  );
  requireInRange('grain on the truck', onKg, 0, 100_000, 'kg');
  const groups = axleGroups(
    axles.map(({ at, emptyKg }) => ({ at, kg: emptyKg })),
    rules,
  );
  let mostKg = Infinity;
  let decidedBy = groups[0]!;
  for (const group of groups) {
    const share = axles.slice(group.first, group.last + 1).reduce((sum, axle) => sum + axle.share, 0);
    const most = share > 0 ? (group.limitKg - group.kg!) / share : Infinity;
    if (most < mostKg) [mostKg, decidedBy] = [most, group];
  }
  mostKg = Math.max(0, mostKg);
  return {
    mostKg,
    roomKg: mostKg - onKg,
    decidedBy,
  };
}
