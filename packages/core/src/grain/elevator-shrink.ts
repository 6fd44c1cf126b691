import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { MASS, MOISTURE, PRICE } from '../units/index.js';
import { waterShrink } from './shrink.js';

export const WATER_SHRINK: Formula = {
  id: 'water-shrink',
  title: 'Water shrink',
  equation: 'S = (Mi - Mf) / (1 - Mf);  factor a point 1/(1 - Mf)',
  standing: 'published, from memory',
  source: 'Dry-matter balance; printed in every extension shrink bulletin',
  inputs: [MOISTURE],
  note: 'Exact. A printed factor rounded to 1.183 is 0.004 point off at ten points.',
};

const FLAT = quantity('flat shrink a point', 0.5, 3, '% of wet weight');

export const PENCIL_SHRINK: Formula = {
  id: 'pencil-shrink',
  title: "A buyer's flat shrink a point",
  equation: 'S = k (Mi - Mb) / 100 of the wet weight, k 1.2 to 1.5',
  standing: 'common practice',
  source: 'Posted shrink schedules; 1.4 common',
  inputs: [MOISTURE, FLAT],
  note: 'Usually without a handling term: below 0.5/(k - exact factor) points it is cheaper for the seller than exact shrink plus half a percent.',
};

const HANDLING = quantity('handling loss', 0, 0.05, 'fraction of wet weight');
/** Convention of extension bulletins; 0.2 to 1.5 % seen. */
export const USUAL_HANDLING_LOSS = 0.005;

/** How a buyer (or the farm's own books) turns wet weight into paid weight. */
export type ShrinkRule =
  /** Exact water, and a handling (invisible) loss that only dried grain has. */
  | { readonly kind: 'exact'; readonly base: number; readonly handling?: number }
  /** So many percent of wet weight for each point above base. */
  | { readonly kind: 'flat'; readonly base: number; readonly percentPerPoint: number; readonly handling?: number }
  /** All of the weight is paid; moisture costs by a discount on the price alone. */
  | { readonly kind: 'none'; readonly base: number };

/**
 * Share of the wet weight that is not paid for. At or below base it is zero: nothing is dried, so nothing is lost in drying,
 * and buyers pay no premium for dry grain.
 * Range and source: {@link WATER_SHRINK} and {@link PENCIL_SHRINK}.
 * @param moisture wet-basis fraction @returns fraction of wet weight, 0 to 1
 */
export function shrinkBy(rule: ShrinkRule, moisture: number): number {
  within(MOISTURE, moisture);
  within(MOISTURE, rule.base);
  if (rule.kind === 'none') return 0;
  const handling = within(HANDLING, rule.handling ?? 0);
  if (moisture <= rule.base) return 0;
  const water =
    rule.kind === 'exact'
      ? waterShrink(moisture, rule.base)
      : within(FLAT, rule.percentPerPoint) * (moisture - rule.base);
  return Math.min(1, water + handling);
}

export interface ShrinkComparison {
  /** Fractions of the wet weight. */
  readonly exact: number;
  readonly flat: number;
  /** kg that the flat rule takes beyond the exact one; negative when it favors the seller. */
  readonly differenceKg: number;
  readonly differenceBu: number;
  readonly money: number;
  /** Points above base below which the flat rule is the cheaper one; null when it never or always is. */
  readonly breakEvenPoints: number | null;
}

/**
 * A flat rule against dry-matter shrink (with the handling loss that drying at home would have), and the money between them.
 * Range and source: {@link PENCIL_SHRINK}.
 * @param wetKg kg; @param moisture wet-basis fraction; @param pricePerBu $ per bushel of `legalPounds`
 */
export function compareShrink(input: {
  readonly wetKg: number;
  readonly moisture: number;
  readonly base: number;
  readonly percentPerPoint: number;
  readonly handling?: number;
  readonly pricePerBu: number;
  readonly kgPerBu: number;
}): ShrinkComparison {
  const { wetKg, moisture, base, percentPerPoint, handling = USUAL_HANDLING_LOSS, pricePerBu, kgPerBu } = input;
  within(MASS, wetKg);
  within(PRICE, pricePerBu);
  requireInRange('bushel weight', kgPerBu, 0.5, 100, 'kg');
  const exact = shrinkBy({ kind: 'exact', base, handling }, moisture);
  const flat = shrinkBy({ kind: 'flat', base, percentPerPoint }, moisture);
  const steeper = percentPerPoint - 1 / (1 - base);
  const differenceKg = (flat - exact) * wetKg;
  return {
    exact,
    flat,
    differenceKg,
    differenceBu: differenceKg / kgPerBu,
    money: (differenceKg / kgPerBu) * pricePerBu,
    breakEvenPoints: steeper > 0 && handling > 0 ? (handling * 100) / steeper : null,
  };
}

export const OVER_DRY: Formula = {
  id: 'over-dry',
  title: 'Selling drier than the price allows',
  equation: 'lost share = 1 - (1 - allowed)/(1 - sold)',
  standing: 'published, from memory',
  source: 'Nebraska and Kansas extension tables for soybeans',
  inputs: [MASS, MOISTURE, PRICE],
};

export interface OverDryLoss {
  /** Fraction of the weight at the allowed moisture that was dried away. */
  readonly share: number;
  /** What would have been weighed at the allowed moisture. */
  readonly lostKg: number;
  readonly lostBu: number;
  readonly money: number;
}

/**
 * What selling below the allowed moisture gives away, as water that would have been paid for.
 * Range and source: {@link OVER_DRY}.
 * @param soldKg kg over the scale; @param sold wet-basis fraction; @param allowed wet-basis fraction the price is for
 * @example of 1,000 bu at 13 % delivered at 10 %: 33.3 bu, $350.00 at $10.50
 */
export function overDryLoss(input: {
  readonly soldKg: number;
  readonly sold: number;
  readonly allowed: number;
  readonly pricePerBu: number;
  readonly kgPerBu: number;
}): OverDryLoss {
  within(MASS, input.soldKg);
  within(MOISTURE, input.sold);
  within(PRICE, input.pricePerBu);
  requireInRange('bushel weight', input.kgPerBu, 0.5, 100, 'kg');
  if (input.sold >= within(MOISTURE, input.allowed)) return { share: 0, lostKg: 0, lostBu: 0, money: 0 };
  const atAllowed = (input.soldKg * (1 - input.sold)) / (1 - input.allowed);
  const lostKg = atAllowed - input.soldKg;
  return {
    share: 1 - (1 - input.allowed) / (1 - input.sold),
    lostKg,
    lostBu: lostKg / input.kgPerBu,
    money: (lostKg / input.kgPerBu) * input.pricePerBu,
  };
}
