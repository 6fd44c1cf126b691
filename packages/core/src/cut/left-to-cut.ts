import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { poundsToKilograms } from '../units/index.js';
import { RATE, WIDTH, YIELD } from './speed.js';

const ROWS = quantity('rows', 0, 20_000, '');
const SPACING = quantity('row spacing', 0.1, 3, 'm');
const LENGTH = quantity('length of a pass', 10, 20_000, 'm');
const AREA = quantity('area left', 0, 2e8, 'm²');
const LOAD = quantity('load', 1, 1e6, 'kg');
const SPACE = quantity('bushels of space', 0, 10_000, 'bu');
const TEST_WEIGHT = quantity('test weight', 5, 100, 'lb/bu');

export const LEFT_TO_CUT: Formula = {
  id: 'left-to-cut',
  title: 'What is left of a field',
  equation: 'area = rows x spacing x length;  passes = area / (width x length);  hours = area x yield / rate',
  standing: 'computed',
  source: 'Units (43,560 ft² an acre)',
  inputs: [ROWS, SPACING, LENGTH, AREA, WIDTH, YIELD, RATE, LOAD],
};

/**
 * Area of rows that stand, m².
 * Range and source: {@link LEFT_TO_CUT}.
 * @param spacing between rows, m @param length of a row, m
 * @example 24 rows of 30 in, 2,640 ft long: 3.64 ac
 */
export const areaOfRows = (rows: number, spacing: number, length: number): number =>
  within(ROWS, rows) * within(SPACING, spacing) * within(LENGTH, length);

export interface LeftInput {
  /** m² that still stand */
  readonly area: number;
  /** of the head that is on, m */
  readonly headWidth: number;
  /** of a pass, m; null: nobody knows */
  readonly passLength: number | null;
  /** m; null for a crop that is not cut by rows */
  readonly rowSpacing: number | null;
  /** kg/ha as it is expected; null: nobody expects anything */
  readonly yieldKgPerHa: number | null;
  /** kg/h over the hours in the field, turns and waiting in it; null: no profile */
  readonly rate: number | null;
  /** kg that go with one truck; null: no truck */
  readonly loadKg: number | null;
}

export interface LeftToCut {
  /** whole passes, the last one perhaps not a full head */
  readonly passes: number | null;
  readonly rows: number | null;
  /** rows that still stand after the pass that is being cut, where they are fewer than the head takes: the last pass is a narrow one */
  readonly rowsAfterThis: number | null;
  readonly kg: number | null;
  readonly hours: number | null;
  readonly loads: number | null;
}

/** What is nearer to a whole pass than this is one: no counted length is better. Common practice, no source. */
const NEAR = 0.05;

/**
 * Passes, rows, weight, hours and truck loads that a field still has.
 * Range and source: {@link LEFT_TO_CUT}.
 * @example 3.64 ac (14,715 m²) with a 30-ft head, passes of 2,640 ft, 30-in rows: 2 passes, 24 rows, 12 of them after this pass
 */
export function leftToCut(input: LeftInput): LeftToCut {
  const area = within(AREA, input.area);
  const width = within(WIDTH, input.headWidth);
  const { passLength, rowSpacing, yieldKgPerHa, rate, loadKg } = input;
  const inPasses = passLength === null ? null : area / (width * within(LENGTH, passLength));
  const passes = inPasses === null ? null : Math.ceil(inPasses - NEAR);
  const rows =
    passLength === null || rowSpacing === null ? null : Math.round(area / (passLength * within(SPACING, rowSpacing)));
  const ofHead = rowSpacing === null ? null : Math.max(1, Math.round(width / rowSpacing));
  const after = rows === null || ofHead === null ? null : Math.max(0, rows - ofHead);
  const kg = yieldKgPerHa === null ? null : (area * within(YIELD, yieldKgPerHa)) / 10_000;
  return {
    passes,
    rows,
    rowsAfterThis: after !== null && ofHead !== null && after > 0 && after < ofHead ? after : null,
    kg,
    hours: kg === null || rate === null || within(RATE, rate) === 0 ? null : kg / rate,
    loads: kg === null || loadKg === null ? null : kg / within(LOAD, loadKg),
  };
}

/**
 * Whether the tank takes what a way of so many meters brings, and after how many it is full.
 * Range and source: {@link LEFT_TO_CUT}.
 * @param wayLength m: a round there and back is two passes
 * @returns `fullAfter` null where nothing grows
 */
export function tankOverWay(input: {
  readonly inTankKg: number;
  readonly tankKg: number;
  readonly width: number;
  readonly wayLength: number;
  readonly yieldKgPerHa: number;
}): { readonly wayKg: number; readonly makesIt: boolean; readonly fullAfter: number | null } {
  const inTank = requireInRange('grain in the tank', input.inTankKg, 0, 1e5, 'kg');
  const tank = requireInRange('tank', input.tankKg, 1, 1e5, 'kg');
  const perMetre = (within(WIDTH, input.width) * within(YIELD, input.yieldKgPerHa)) / 10_000;
  const wayKg = perMetre * requireInRange('way', input.wayLength, 1, 40_000, 'm');
  return {
    wayKg,
    makesIt: inTank + wayKg <= tank,
    fullAfter: perMetre > 0 ? Math.max(0, tank - inTank) / perMetre : null,
  };
}

/** A cubic bushel of grain weighs its test weight, not the legal one. */
export const HEAPED: Formula = {
  id: 'heaped-load',
  title: 'What a heaped box weighs',
  equation: 'lb = heaped bushels of space x test weight;  standard bushels = lb / legal weight',
  standing: 'computed',
  source: 'Units: a Winchester bushel is 2,150.42 in³ and weighs the grain’s test weight',
  inputs: [SPACE, TEST_WEIGHT],
};

/**
 * kg in so many bushels of space.
 * Range and source: {@link HEAPED}.
 * @example 625 heaped bushels at 60 lb are 37,500 lb, 670 standard bushels of corn
 */
export const heapedKg = (bushelsOfSpace: number, testWeight: number): number =>
  poundsToKilograms(within(SPACE, bushelsOfSpace) * within(TEST_WEIGHT, testWeight));

/** What fills first: the box, what its cover closes over, or a limit of weight. */
export interface FillLimit {
  readonly name: 'box' | 'cover' | 'law' | 'rating';
  /** kg of grain at which it binds */
  readonly kg: number;
}

/**
 * Which limit a box or tank comes to first, with what still goes in until then and how long that takes.
 * Range and source: {@link HEAPED}.
 * @param limits at least one @param rate kg/h that runs into it; 0 where it stands
 */
export function fillsFirst(
  inItKg: number,
  limits: readonly FillLimit[],
  rate: number,
): { readonly by: FillLimit['name']; readonly roomKg: number; readonly seconds: number | null } {
  requireInRange('grain in it', inItKg, 0, 1e6, 'kg');
  requireInRange('limits', limits.length, 1, 10, '');
  for (const { kg } of limits) requireInRange('limit', kg, 0, 1e6, 'kg');
  const first = limits.reduce((least, one) => (one.kg < least.kg ? one : least));
  const roomKg = first.kg - inItKg;
  return {
    by: first.name,
    roomKg,
    seconds: within(RATE, rate) > 0 ? (3600 * Math.max(0, roomKg)) / rate : null,
  };
}
