import {
  BLEND,
  blend,
  blendTwoBins,
  BULK_DENSITY,
  bulkDensity,
  compareShrink,
  correctMeter,
  CROPS,
  defineCrop,
  type GRADES,
  kernelGramsOfRule,
  kilogramsPerBushel,
  kgPerM3ToTestWeight,
  likelyBuyerReading,
  LOSS_COUNT,
  OVER_DRY,
  overDryLoss,
  PENCIL_SHRINK,
  poundsToKilograms,
  SAFE_MOISTURE,
  safeMoisture,
  shrinkBy,
  SPECIFIC_HEAT,
  specificHeat,
  TESTER,
  US_GRADE,
  usGrade,
  WATER_SHRINK,
  waterShrink,
  type CropId,
} from '../../src/index.js';
import { table } from './table.js';

const crop = (id: CropId) => CROPS[id];

export const cropsAndMoisture = [
  table(
    {
      formula: SPECIFIC_HEAT,
      title: 'Corn, worked examples',
      source: 'Kazarian & Hall 1965',
      standing: 'published, from memory',
      allowed: 0.0005,
      unit: 'kJ/(kg K)',
    },
    [
      [0.15, 1.999],
      [0.2, 2.177],
      [0.25, 2.355],
    ],
    (m) => specificHeat(crop('corn'), m) / 1000,
  ),
  table(
    {
      formula: BULK_DENSITY,
      title: 'Corn and hard red wheat',
      source: 'Nelson 1980, worked by a separate script',
      standing: 'computed',
      allowed: 0.06,
      unit: 'kg/m³',
    },
    [
      ['corn', 0.12, 738.6],
      ['corn', 0.155, 724.5],
      ['corn', 0.2, 697.4],
      ['corn', 0.25, 665.1],
      ['wheat', 0.12, 763.8],
      ['wheat', 0.15, 740.4],
    ] as const,
    (id: CropId, m: number) => bulkDensity(crop(id), m),
  ),
  table(
    {
      formula: BULK_DENSITY,
      title: 'Legal weights of market grain',
      source: 'A bushel of market corn and wheat weighs 56-59 lb',
      standing: 'common practice',
      allowed: 1.5,
      unit: 'lb/bu',
    },
    [
      ['corn', 0.155, 56],
      ['wheat', 0.135, 58.5],
    ] as const,
    (id: CropId, m: number) => kgPerM3ToTestWeight(bulkDensity(crop(id), m)),
  ),
  table(
    {
      formula: SAFE_MOISTURE,
      title: 'Bins to spring, a year, longer',
      source: 'Extension storage bulletins',
      standing: 'published, from memory',
      allowed: 0,
      unit: 'wb',
    },
    [
      ['corn', 4, 0.155],
      ['corn', 6, 0.155],
      ['corn', 10, 0.14],
      ['corn', 18, 0.13],
      ['soybean', 5, 0.13],
      ['soybean', 12, 0.12],
      ['wheat', 12, 0.13],
      ['canola', 12, 0.08],
      ['sunflower', 3, 0.1],
    ] as const,
    (id: CropId, months: number) => safeMoisture(crop(id), months),
  ),
  table(
    {
      formula: US_GRADE,
      title: 'Grades of samples (6 is sample grade)',
      source: '7 CFR 810 limits and rounding (.104: 0.35 to 0.4)',
      standing: 'published, from memory',
      allowed: 0,
      unit: 'grade',
    },
    [
      ['corn', 'test weight 56', 1],
      ['corn', 'test weight 55.94', 2],
      ['corn', 'test weight 55.95', 1],
      ['corn', 'test weight 45.9', 6],
      ['corn', 'damaged 5.04', 2],
      ['corn', 'damaged 5.05', 3],
      ['corn', 'heat-damaged 0.15', 2],
      ['corn', 'broken corn and foreign material 2.45', 2],
      ['soybean', 'foreign material 1.04', 1],
      ['soybean', 'foreign material 1.05', 2],
      ['soybean', 'splits 30.1', 4],
      ['soybean', 'damaged 8.1', 6],
      ['wheat', 'test weight 58', 2],
      ['springWheat', 'test weight 58', 1],
      ['wheat', 'total defects 12', 4],
      ['sorghum', 'test weight 53', 3],
      ['barley', 'test weight 44', 3],
      ['oats', 'test weight 27', 4],
    ] as const,
    (id: keyof typeof GRADES, factor: string) => {
      const [, name, value] = /^(.*) ([\d.]+)$/.exec(factor)!;
      return usGrade(id, { [name!]: Number(value) }).grade ?? 6;
    },
  ),
  table(
    {
      formula: LOSS_COUNT,
      title: 'Kernels on a square foot that are 1 bu/ac, from kernels a pound',
      source: 'Extension loss sheets: rules of 2 (corn), 4 (soybeans), 19-20 (wheat)',
      standing: 'published, from memory',
      allowed: 0.06,
      unit: '1/ft²',
    },
    [
      [56, 1300, 1.67],
      [56, 1600, 2.06],
      [60, 2500, 3.44],
      [60, 2900, 3.99],
      [60, 3000, 4.13],
      [60, 14000, 19.3],
      [60, 15000, 20.7],
      [56, 13500, 17.4],
      [56, 15000, 19.3],
      [48, 13600, 15.0],
      [56, 18000, 23.1],
    ],
    // The rule and the kernel mass are each other's inverse: from kernels a pound to grams, and back through the rule's own function.
    (legal, perPound) => kernelGramsOfRule(1, legal) / (453.59237 / perPound),
  ),
  table(
    {
      formula: WATER_SHRINK,
      title: 'To 15.5 %',
      source: 'Extension shrink bulletins (25 %: 11.24)',
      standing: 'published, from memory',
      allowed: 0.0005,
      unit: '%',
    },
    [
      [0.16, 0.592],
      [0.18, 2.959],
      [0.2, 5.325],
      [0.25, 11.243],
      [0.3, 17.16],
    ],
    (m) => 100 * waterShrink(m, 0.155),
  ),
  table(
    {
      formula: PENCIL_SHRINK,
      title: 'Water and half a percent of handling; dry grain loses neither',
      source: 'Extension shrink bulletins',
      standing: 'published, from memory',
      allowed: 0.0005,
      unit: '%',
    },
    [
      [0.16, 1.092],
      [0.18, 3.459],
      [0.2, 5.825],
      [0.25, 11.743],
      [0.3, 17.66],
      [0.155, 0],
      [0.14, 0],
    ],
    (m) => 100 * shrinkBy({ kind: 'exact', base: 0.155, handling: 0.005 }, m),
  ),
  table(
    {
      formula: PENCIL_SHRINK,
      title: 'Flat 1.4 a point',
      source: 'Posted schedules',
      standing: 'common practice',
      allowed: 0.0005,
      unit: '%',
    },
    [
      [0.16, 0.7],
      [0.18, 3.5],
      [0.2, 6.3],
      [0.25, 13.3],
      [0.3, 20.3],
      [0.15, 0],
    ],
    (m) => 100 * shrinkBy({ kind: 'flat', base: 0.155, percentPerPoint: 1.4 }, m),
  ),
  table(
    {
      formula: PENCIL_SHRINK,
      title: 'Points below which 1.4 is cheaper than exact shrink and handling',
      source: 'Worked by hand: 0.5/(1.4 - 1.1834)',
      standing: 'computed',
      allowed: 0.005,
      unit: 'points',
    },
    [[1.4, 2.31]],
    (k) =>
      compareShrink({ wetKg: 1000, moisture: 0.2, base: 0.155, percentPerPoint: k, pricePerBu: 4, kgPerBu: 25.4 })
        .breakEvenPoints!,
  ),
  table(
    {
      formula: OVER_DRY,
      title: 'Beans sold below 13 %',
      source: 'Nebraska and Kansas extension tables',
      standing: 'published, from memory',
      allowed: 0.005,
      unit: '%',
    },
    [
      [0.12, 1.14],
      [0.11, 2.25],
      [0.1, 3.33],
      [0.09, 4.4],
      [0.08, 5.43],
      [0.13, 0],
      [0.14, 0],
    ],
    (m) =>
      100 *
      overDryLoss({ soldKg: 1000, sold: m, allowed: 0.13, pricePerBu: 10, kgPerBu: kilogramsPerBushel(60) }).share,
  ),
  table(
    {
      formula: OVER_DRY,
      title: '1,000 bu of 13 % delivered at 10 %, $10.50',
      source: 'Worked by hand',
      standing: 'computed',
      allowed: 0.005,
      unit: '$',
    },
    [[0.1, 350]],
    (m) =>
      overDryLoss({
        soldKg: (poundsToKilograms(60_000) * 0.87) / 0.9,
        sold: m,
        allowed: 0.13,
        pricePerBu: 10.5,
        kgPerBu: kilogramsPerBushel(60),
      }).money,
  ),
  table(
    {
      formula: BLEND,
      title: 'Share of the wetter bin for 12.9 %',
      source: 'Worked by hand',
      standing: 'computed',
      allowed: 0.05,
      unit: '%',
    },
    [
      [14.2, 10.6, 63.9],
      [14.7, 10.6, 56.1],
    ],
    (first, second) => {
      const answer = blendTwoBins({
        first: { moisture: first / 100 },
        second: { moisture: second / 100 },
        wanted: 0.129,
        loadKg: 1000,
        kgPerBu: 27.2,
      });
      return answer.kind === 'blend' ? 100 * answer.firstShare : NaN;
    },
  ),
  table(
    {
      formula: BLEND,
      title: 'Test weight of half and half by weight (harmonic)',
      source: 'Worked by hand: 2/(1/54 + 1/60)',
      standing: 'computed',
      allowed: 0.0005,
      unit: 'lb/bu',
    },
    [[54, 60, 56.842]],
    (a, b) =>
      blend([
        { wetKg: 500, moisture: 0.14, testWeight: a },
        { wetKg: 500, moisture: 0.14, testWeight: b },
      ]).testWeight!,
  ),
  table(
    {
      formula: TESTER,
      title: 'Meter card between its rows and beyond them',
      source: 'Worked by hand on a made-up card: 0 °C +1.0, 10 °C +0.4, 30 °C -0.8',
      standing: 'computed',
      allowed: 1e-9,
      unit: 'points',
    },
    [
      [0, 1],
      [5, 0.7],
      [10, 0.4],
      [20, -0.2],
      [-5, 1],
      [40, -0.8],
    ],
    (t) =>
      correctMeter(0.15, t, [
        { temperature: 10, points: 0.4 },
        { temperature: 0, points: 1 },
        { temperature: 30, points: -0.8 },
      ]).points,
  ),
  table(
    {
      formula: TESTER,
      title: 'Half-width of the buyer’s likely reading from pairs +0.4, +0.8, +0.6',
      source: 'Worked by hand: 4.303 x 0.2 x sqrt(4/3)',
      standing: 'computed',
      allowed: 0.001,
      unit: 'points',
    },
    [[0.142, 0.994]],
    (reading) => {
      const { likely } = likelyBuyerReading(reading, [
        { tester: 0.14, buyer: 0.144 },
        { tester: 0.15, buyer: 0.158 },
        { tester: 0.16, buyer: 0.166 },
      ]);
      return 100 * (likely!.high - likely!.moisture);
    },
  ),
];

/** A crop of a farm's own, for the specs that show that every formula takes it. */
export const POPCORN = defineCrop({
  id: 'popcorn',
  name: 'Popcorn',
  like: 'corn',
  legalPounds: 70,
  baseMoisture: 0.14,
  kernelGrams: 0.15,
});
