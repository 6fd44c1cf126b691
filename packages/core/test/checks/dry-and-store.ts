import {
  aerationFrontHours,
  BIN_VOLUME,
  btuPerPoundToJoulesPerKg,
  capacityOf,
  cfmPerBushelToPerCubicMetre,
  columnOf,
  COOLING_CYCLE,
  CORN_DRYDOWN,
  cornDrydown,
  cornAfterHeat,
  CROPS,
  dryerRate,
  dryInBin,
  dryOrDock,
  fahrenheitStepToKelvin,
  fahrenheitToCelsius,
  feetToMetres,
  fillOf,
  HIGH_TEMPERATURE_DRYING,
  IN_BIN,
  joulesPerKgToBtuPerPound,
  energyOfFuelPerPointBushel,
  NON_UNIFORMITY,
  PACKING,
  pileSize,
  poundsToKilograms,
  quickDryingCost,
  steadyWeather,
  testWeightToKgPerM3,
  THIN_LAYER,
  thinLayerHours,
  thinLayerRatio,
  volumeBushels,
  waterToRemove,
  kilogramsToPounds,
  DRYER_FEED,
  fieldsForDryer,
  windrowLengthFor,
  dryingCost,
} from '../../src/index.js';
import { type CheckTable, table } from './table.js';

const F = fahrenheitToCelsius;
const ft = feetToMetres;

/** Ideal days until the top of 16 ft of corn is at 16.5 %, in steady air with 3 °F of fan heat. */
export function cornDays(
  fahrenheit: number,
  humidity: number,
  moisture: number,
  cfmPerBushel: number,
  more: Partial<Parameters<typeof dryInBin>[0]> = {},
): number {
  const result = dryInBin({
    crop: CROPS.corn,
    isotherm: ['corn CP D245.4'],
    depth: ft(16),
    layers: 20,
    moisture,
    temperature: F(fahrenheit),
    airflow: cfmPerBushelToPerCubicMetre(cfmPerBushel) * ft(16),
    fanHeat: fahrenheitStepToKelvin(3),
    weather: steadyWeather(F(fahrenheit), humidity, 120 * 24),
    control: { kind: 'always' },
    target: 0.165,
    // The design tables count bushels of 56 lb, both for the grain and for the air.
    density: testWeightToKgPerM3(56),
    ...more,
  });
  return (result.finishHour ?? Infinity) / 24;
}

const PSF = 47.88025898;
const FRICTION = 0.37;
const column = (diameter: number, depth: number, gain: number) =>
  columnOf({
    diameter: ft(diameter),
    depth: ft(depth),
    density: poundsToKilograms(45) / 0.3048 ** 3,
    friction: FRICTION,
    gain,
  });

export const dryingAndStorage = [
  table(
    {
      formula: HIGH_TEMPERATURE_DRYING,
      title: 'Pounds of water from a 56-lb wet bushel (to 15.5, to 15)',
      source: 'Dry-matter balance by a separate script',
      standing: 'computed',
      allowed: 0.0006,
      unit: 'lb',
    },
    [
      [0.25, 0.155, 6.296],
      [0.2, 0.15, 3.294],
    ],
    (from, to) => kilogramsToPounds(waterToRemove(poundsToKilograms(56), from, to)),
  ),
  table(
    {
      formula: HIGH_TEMPERATURE_DRYING,
      title: 'Energy behind gallons a point and bushel, 25 to 15.5 %',
      source: 'Iowa State and North Dakota rules of 0.018 to 0.022 gal; by a separate script',
      standing: 'computed',
      allowed: 1,
      unit: 'BTU/lb',
    },
    [
      [0.02, 'dry bushel', 2451],
      [0.02, 'wet bushel', 2761],
      [0.018, 'dry bushel', 2206],
      [0.018, 'wet bushel', 2485],
      [0.022, 'dry bushel', 2696],
      [0.022, 'wet bushel', 3037],
    ],
    (gallons: number, basis: 'dry bushel' | 'wet bushel') =>
      joulesPerKgToBtuPerPound(
        energyOfFuelPerPointBushel({
          fuel: 'propane',
          unitsPerPointBushel: gallons,
          from: 0.25,
          to: 0.155,
          legalPounds: 56,
          basis,
        }),
      ),
  ),
  table(
    {
      formula: HIGH_TEMPERATURE_DRYING,
      title: 'Quick cost of 10 points: 0.02 gal at $1.80, 0.01 kWh at $0.12',
      source: 'Extension worked example',
      standing: 'published, from memory',
      allowed: 1e-9,
      unit: '$/bu',
    },
    [[10, 0.372]],
    (points) => quickDryingCost(points, 0.02, 1.8, 0.01, 0.12),
  ),
  table(
    {
      formula: HIGH_TEMPERATURE_DRYING,
      title: 'The long way agrees with the quick one on wet bushels (2,761 BTU/lb, 25 to 15.5)',
      source: 'Two ways of one sum',
      standing: 'computed',
      allowed: 0.0005,
      unit: '$/bu',
    },
    [[9.5, 9.5 * (0.02 * 1.8 + 0.01 * 0.12)]],
    () =>
      dryingCost({
        wetKg: poundsToKilograms(56_000),
        from: 0.25,
        to: 0.155,
        joulesPerKgWater: btuPerPoundToJoulesPerKg(2761),
        fuel: 'propane',
        pricePerUnit: 1.8,
        kWhPerPointBushel: 0.01,
        pricePerKWh: 0.12,
        legalPounds: 56,
      }).perWetBushel,
  ),
  table(
    {
      formula: HIGH_TEMPERATURE_DRYING,
      title: '1,000 wet bu at 18 %, $4.20, flat 1.4, 4.5 cents a point: money of selling wet',
      source: 'Worked by hand',
      standing: 'computed',
      allowed: 0.005,
      unit: '$',
    },
    [[0.18, 3940.5]],
    (m) =>
      dryOrDock({
        job: {
          wetKg: poundsToKilograms(56_000),
          from: m,
          to: 0.155,
          joulesPerKgWater: 5e6,
          fuel: 'propane',
          pricePerUnit: 1.8,
          legalPounds: 56,
        },
        pricePerBu: 4.2,
        buyer: { kind: 'flat', base: 0.155, percentPerPoint: 1.4 },
        dockPerPoint: 0.045,
      }).sellWet,
  ),
  table(
    {
      formula: HIGH_TEMPERATURE_DRYING,
      title: 'Rate of a dryer of 2,600 bushel-points an hour',
      source: 'Worked by hand',
      standing: 'computed',
      allowed: 0.5,
      unit: 'bu/h',
    },
    [
      [1.8, 1444],
      [6.3, 413],
      [10, 260],
    ],
    (points) => dryerRate(2600, points).bushelsPerHour,
  ),
  table(
    {
      formula: DRYER_FEED,
      title: 'Hours until 9,000 bu of room are full at 2,900 bu/h',
      source: 'Worked by hand',
      standing: 'computed',
      allowed: 0.05,
      unit: 'h',
    },
    [
      [0.168, 6.2],
      [0.213, 3.6],
    ],
    (moisture) =>
      fieldsForDryer({
        bushelPointsPerHour: 2600,
        dryTo: 0.15,
        combineBushelsPerHour: 2900,
        roomBushels: 9000,
        lastMoisture: 0.171,
        mostStep: 2,
        fields: [{ id: 'field', moisture }],
      })[0]!.wetBinFullHours!,
  ),
  table(
    {
      formula: THIN_LAYER,
      title: 'Hours to a moisture ratio (°F, ratio)',
      source: 'Thompson 1968 by a separate script',
      standing: 'computed',
      allowed: 0.0006,
      unit: 'h',
    },
    [
      [140, 0.5, 2.84],
      [140, 0.2, 12.805],
      [180, 0.5, 1.222],
      [180, 0.2, 4.497],
      [220, 0.5, 0.691],
      [220, 0.2, 2.047],
    ],
    (f, ratio) => thinLayerHours(F(f), ratio),
  ),
  table(
    {
      formula: THIN_LAYER,
      title: 'There and back',
      source: 'The inverse of the same form',
      standing: 'computed',
      allowed: 1e-9,
      unit: '',
    },
    [
      [140, 0.5, 0.5],
      [180, 0.2, 0.2],
      [220, 0.9, 0.9],
    ],
    (f, ratio) => thinLayerRatio(F(f), thinLayerHours(F(f), ratio)),
  ),
  table(
    {
      formula: IN_BIN,
      title: 'Ideal days of corn (°F, RH, moisture, cfm/bu) to 16.5 % on top',
      source: 'The same model by a separate script, 20 layers, 2 h',
      standing: 'computed',
      allowed: 0.03,
      relative: true,
      unit: 'days',
    },
    [
      [47, 0.65, 0.21, 1, 35.1],
      [47, 0.65, 0.21, 1.25, 28.1],
    ],
    (f, rh, m, cfm) => cornDays(f, rh, m, cfm),
  ),
  table(
    {
      formula: IN_BIN,
      title: 'Ideal days against a balance of the drying front',
      source: 'Another way: air leaves at the humidity over the wet grain until all water is out',
      standing: 'computed',
      allowed: 0.07,
      relative: true,
      unit: 'days',
    },
    [
      [47, 0.65, 0.21, 1, 36],
      [47, 0.65, 0.21, 1.25, 28.8],
      [27, 0.7, 0.21, 1, 57.5],
      [60, 0.6, 0.2, 1, 26.5],
    ],
    (f, rh, m, cfm) => cornDays(f, rh, m, cfm),
  ),
  table(
    {
      formula: IN_BIN,
      title: 'October days of 21 % corn at 1 cfm/bu with the usual margin for uneven bins',
      source: 'North Dakota natural-air tables: about 42-46 days (low confidence)',
      standing: 'published, from memory',
      allowed: 2.5,
      unit: 'days',
    },
    [[47, 44]],
    (f) => cornDays(f, 0.65, 0.21, 1) * NON_UNIFORMITY.usual,
  ),
  table(
    {
      formula: IN_BIN,
      title: 'Hours for a cooling front (cfm/bu)',
      source: 'Extension aeration rule 15/(cfm/bu)',
      standing: 'published, from memory',
      allowed: 1e-9,
      unit: 'h',
    },
    [
      [0.1, 150],
      [0.25, 60],
      [1, 15],
    ],
    (cfm) => aerationFrontHours(cfm),
  ),

  table(
    {
      formula: BIN_VOLUME,
      title: 'Level at the eave (diameter and eave, ft)',
      source: 'Geometry and NIST bushel by a separate script',
      standing: 'computed',
      allowed: 5e-6,
      relative: true,
      unit: 'bu',
    },
    [
      [30, 20, 11360.1],
      [36, 22, 17994.4],
      [48, 24, 34898.3],
      [60, 30, 68160.7],
      [105, 70, 487065],
    ],
    (d, h) => capacityOf({ kind: 'round', diameter: ft(d), eave: ft(h) }, 23).level.bushels,
  ),
  table(
    {
      formula: BIN_VOLUME,
      title: 'Heap on top (diameter ft, degrees)',
      source: 'Geometry by a separate script',
      standing: 'computed',
      allowed: 0.06,
      unit: 'bu',
    },
    [
      [30, 23, 1205.5],
      [36, 23, 2083.1],
      [48, 23, 4937.8],
      [60, 23, 9644.2],
      [105, 23, 51686.7],
      [36, 28, 2609.4],
    ],
    (d, degrees) => {
      const bin = capacityOf({ kind: 'round', diameter: ft(d), eave: ft(20) }, degrees);
      return bin.heaped.bushels - bin.level.bushels;
    },
  ),
  table(
    {
      formula: BIN_VOLUME,
      title: 'A cone read at middle and wall is the cone',
      source: 'Closed form',
      standing: 'computed',
      allowed: 1e-6,
      unit: 'm³',
    },
    [[10, 3, ((Math.PI * 100) / 4) * 3 + (Math.PI * 100 * 2) / 12]],
    (d, wall) =>
      fillOf(
        { kind: 'round', diameter: d, eave: 8 },
        {
          kind: 'readings',
          readings: [
            { fromCenter: 0, belowEave: 8 - wall - 2 },
            { fromCenter: d / 2, belowEave: 8 - wall },
          ],
        },
      ).cubicMetres,
  ),
  table(
    {
      formula: BIN_VOLUME,
      title: 'Round piles of 23 degrees (diameter ft)',
      source: 'Geometry by a separate script',
      standing: 'computed',
      allowed: 0.6,
      unit: 'bu',
    },
    [
      [50, 5581],
      [75, 18836],
      [100, 44649],
      [150, 150690],
    ],
    (d) => pileSize({ kind: 'cone', diameter: ft(d), degrees: 23 }).bushels,
  ),
  table(
    {
      formula: BIN_VOLUME,
      title: 'The same pile by a tape around it',
      source: '0.026526 C² h',
      standing: 'computed',
      allowed: 0.6,
      unit: 'bu',
    },
    [[100, 44649]],
    (d) => pileSize({ kind: 'taped', circumference: Math.PI * ft(d), height: ft(21.2237) }).bushels,
  ),
  table(
    {
      formula: BIN_VOLUME,
      title: 'Windrow of 60 by 200 ft, 23 degrees',
      source: 'Geometry by a separate script',
      standing: 'computed',
      allowed: 1.5,
      unit: 'bu',
    },
    [[60, 200, 52622]],
    (w, l) => pileSize({ kind: 'windrow', width: ft(w), length: ft(l), degrees: 23 }).bushels,
  ),
  table(
    {
      formula: BIN_VOLUME,
      title: 'Length back from the bushels',
      source: 'The inverse',
      standing: 'computed',
      allowed: 0.01,
      unit: 'ft',
    },
    [[60, 52622, 200]],
    (w, bushels) => windrowLengthFor(bushels / volumeBushels(1), ft(w), 23) / 0.3048,
  ),
  table(
    {
      formula: PACKING,
      title: 'Floor pressure without packing (diameter and depth, ft)',
      source: 'Janssen’s closed form',
      standing: 'published, from memory',
      allowed: 0.003,
      unit: 'lb/ft²',
    },
    [
      [30, 20, 710.414],
      [36, 20, 737.947],
      [48, 24, 902.721],
      [60, 40, 1420.829],
      [105, 80, 2751.756],
    ],
    (d, h) => column(d, h, 0).floorPressure / PSF,
  ),
  table(
    {
      formula: PACKING,
      title: 'Pack of the assumed compaction (gain 0.10)',
      source: 'The same integral by a separate script',
      standing: 'computed',
      allowed: 0.0002,
      unit: '',
    },
    [
      [30, 20, 1.0368],
      [36, 20, 1.0374],
      [48, 24, 1.0429],
      [60, 40, 1.0576],
      [105, 80, 1.0766],
    ],
    (d, h) => column(d, h, 0.1).meanDensity / (poundsToKilograms(45) / 0.3048 ** 3),
  ),
  table(
    {
      formula: CORN_DRYDOWN,
      title: '35 % after days with k = 0.04 and an end of 14 %',
      source: 'Exponential form by a separate script',
      standing: 'computed',
      allowed: 0.06,
      unit: '%',
    },
    [
      [5, 31.2],
      [10, 28.1],
      [20, 23.4],
      [40, 18.2],
    ],
    (day) =>
      100 *
      cornDrydown(
        [0, 1, 2].map((d) => ({ day: d, moisture: 0.14 + 0.21 * Math.exp(-0.04 * d) })),
        260,
      ).moistureAt(day),
  ),
  table(
    {
      formula: CORN_DRYDOWN,
      title: 'By heat: 30 GDD a point above 25 %, 45 below',
      source: 'Extension rule',
      standing: 'published, from memory',
      allowed: 1e-9,
      unit: '%',
    },
    [
      [150, 25],
      [195, 24],
      [375, 20],
    ],
    (gdd) => 100 * cornAfterHeat(0.3, gdd),
  ),
  table(
    {
      formula: COOLING_CYCLE,
      title: 'Fan hours of a fall cycle by cfm a bushel',
      source: 'Extension aeration bulletins',
      standing: 'published, from memory',
      allowed: 1e-9,
      unit: 'h',
    },
    [
      [0.1, 150],
      [0.25, 60],
      [1, 15],
    ],
    (cfm) => aerationFrontHours(cfm),
  ),
] as readonly CheckTable[];
