import { type Formula, quantity, requireInRange, UnknownRefusal } from '../kernel/index.js';
import { roundDecimal } from '../units/index.js';
import { type CropId } from './crops.js';

/** One grading factor: its name, whether more or less is better, and the limit of each numbered grade from No. 1 down. */
export interface GradeFactor {
  readonly factor: string;
  readonly kind: 'least' | 'most';
  readonly unit: 'lb/bu' | '%';
  readonly limits: readonly number[];
}

const least = (factor: string, ...limits: number[]): GradeFactor => ({ factor, kind: 'least', unit: 'lb/bu', limits });
const most = (factor: string, ...limits: number[]): GradeFactor => ({ factor, kind: 'most', unit: '%', limits });

const WHEAT = [
  most('heat-damaged', 0.2, 0.2, 0.5, 1, 3),
  most('damaged', 2, 4, 7, 10, 15),
  most('foreign material', 0.4, 0.7, 1.3, 3, 5),
  most('shrunken and broken', 3, 5, 8, 12, 20),
  most('total defects', 3, 5, 8, 12, 20),
  most('contrasting classes', 1, 2, 3, 10, 10),
  most('other classes', 3, 5, 10, 10, 10),
];

/** Limits of US grades by crop. Heat-damaged kernels are part of total damage; both limits hold by themselves. Moisture is no grade factor. */
export const GRADES: Readonly<Partial<Record<CropId | 'springWheat', readonly GradeFactor[]>>> = {
  corn: [
    least('test weight', 56, 54, 52, 49, 46),
    most('heat-damaged', 0.1, 0.2, 0.5, 1, 3),
    most('damaged', 3, 5, 7, 10, 15),
    most('broken corn and foreign material', 2, 3, 4, 5, 7),
  ],
  soybean: [
    most('heat-damaged', 0.2, 0.5, 1, 3),
    most('damaged', 2, 3, 5, 8),
    most('foreign material', 1, 2, 3, 5),
    most('splits', 10, 20, 30, 40),
    most('other colors', 1, 2, 5, 10),
  ],
  wheat: [least('test weight', 60, 58, 56, 54, 51), ...WHEAT],
  softWheat: [least('test weight', 60, 58, 56, 54, 51), ...WHEAT],
  springWheat: [least('test weight', 58, 57, 55, 53, 50), ...WHEAT],
  sorghum: [
    least('test weight', 57, 55, 53, 51),
    most('heat-damaged', 0.2, 0.5, 1, 3),
    most('damaged', 2, 5, 10, 15),
    most('broken kernels and foreign material', 3, 6, 8, 10),
    most('foreign material', 1, 2, 3, 4),
  ],
  barley: [least('test weight', 47, 45, 43, 40, 36)],
  oats: [least('test weight', 36, 33, 30, 27)],
  sunflower: [least('test weight', 25)],
};

export const US_GRADE: Formula = {
  id: 'us-grade',
  title: 'US grade by factors',
  equation: 'the worst grade of any factor; percentages and test weight rounded half up to tenths first',
  standing: 'published, from memory',
  source:
    '7 CFR 810 (.404 corn, .1604 soybeans, .2204 wheat, .1404 sorghum); barley, oats and sunflower by test weight only (medium to low confidence); rounding 810.104',
  inputs: [quantity('test weight', 5, 100, 'lb/bu'), quantity('factor', 0, 100, '%')],
  note: 'Stones, insects, odor and special grades are not in the figures: the inspector decides.',
};

export interface Grade {
  /** 1 is best; null is sample grade. */
  readonly grade: number | null;
  /** The factors that hold it there, worst first; empty for No. 1. */
  readonly decidedBy: readonly string[];
  /** Factors with a limit that were not given: the grade may be worse. */
  readonly notGiven: readonly string[];
}

/**
 * US grade of a sample.
 * Range and source: {@link US_GRADE}.
 * @param factors by factor name: test weight in lb/bu, all others in percent by weight
 * @throws UnknownRefusal for a crop without limits or a factor that it does not have; RangeRefusal for impossible figures
 */
export function usGrade(crop: CropId | 'springWheat', factors: Readonly<Record<string, number>>): Grade {
  const rows = GRADES[crop];
  if (!rows) throw new UnknownRefusal('graded crop', crop, Object.keys(GRADES));
  for (const name of Object.keys(factors))
    if (!rows.some((row) => row.factor === name))
      throw new UnknownRefusal(
        'grade factor',
        name,
        rows.map((row) => row.factor),
      );
  // Of what was not measured nothing can be said, least of all that it is No. 1.
  requireInRange('grade factors measured', Object.keys(factors).length, 1, rows.length, '');
  const found = rows.flatMap(({ factor, kind, limits, unit }) => {
    const raw = factors[factor];
    if (raw === undefined) return [];
    const value = roundDecimal(requireInRange(factor, raw, 0, 100, unit), 1);
    const at = limits.findIndex((limit) => (kind === 'least' ? value >= limit : value <= limit));
    return [{ factor, rank: at < 0 ? limits.length : at, count: limits.length }];
  });
  const worst = Math.max(0, ...found.map((row) => row.rank));
  const sample = found.some((row) => row.rank === row.count && row.rank === worst);
  return {
    grade: sample ? null : worst + 1,
    decidedBy: worst === 0 ? [] : found.filter((row) => row.rank === worst).map((row) => row.factor),
    notGiven: rows.filter((row) => factors[row.factor] === undefined).map((row) => row.factor),
  };
}
