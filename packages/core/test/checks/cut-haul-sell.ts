import * as simple from 'simple-statistics';
import {
  allocate,
  ALLOCATION,
  type AllocationInput,
  areaRate,
  axleGroups,
  BRIDGE_FORMULA,
  bridgePounds,
  bushelsPerAcreToKgPerHa,
  calibrateMonitor,
  carry,
  compareBids,
  compareStrips,
  computeTicket,
  CONTRACT_PRICE,
  contractPrice,
  LINE_BY_HOUR,
  lineByHour,
  STORAGE_CHARGE,
  storageCharge,
  crossContract,
  ERLANG_C,
  feetToMetres,
  areaOfRows,
  FIELD_WEIGHTS,
  fieldWeights,
  FIRE_DANGER,
  fireDanger,
  fitLine,
  freight,
  GROUND_SPEED,
  HAULING_DAY,
  type HaulingDay,
  hedgeNet,
  HOLD_OR_SELL,
  holdOrSell,
  inchesToMetres,
  wearPart,
  WEAR_PART,
  BORROWED_HEAD,
  borrowedHead,
  DEW_OR_DRY,
  dewOrDry,
  ROAD_MINUTES,
  roadMinutes,
  LEFT_TO_CUT,
  CHANGE_PLAN,
  changePlan,
  SEEN_LOADS,
  seenLoads,
  heapedKg,
  HEAPED,
  indemnityOf,
  kernelGramsOfRule,
  kernelsOnEars,
  KG_PER_LB,
  kgPerHaToBushelsPerAcre,
  kilogramsPerBushel,
  LAST_LOAD,
  lastLoad,
  loadsLeft,
  LOSS_COUNT,
  lossCheck,
  mean,
  metresPerSecondToMph,
  milesToMetres,
  MOISTURE_OF_POLICY,
  moistureFactor,
  mphToMetresPerSecond,
  NETBACK,
  poundsToKilograms,
  PRODUCTION_TO_COUNT,
  rateAt,
  readingsNeeded,
  SAMPLING,
  simulateHauling,
  speedForRate,
  standardDeviation,
  standardError,
  STRIPS,
  TANK_BY_FLOW,
  tankByFlow,
  TICKET,
  tOf95,
  TRUCK_CYCLE,
  truckCycle,
  waitingLine,
  widthOfRows,
  YIELD_MONITOR,
  yieldFromFlow,
} from '../../src/index.js';
import { loadSolver } from '../../solver/highs.js';
import { type CheckTable, table } from './table.js';

const ft = feetToMetres;
const bushel = kilogramsPerBushel(56);
const solve = await loadSolver();

const CALIBRATION = [10000, 12000, 8000, 15000, 11000].map((monitorKg, i) => ({
  monitorKg,
  scaleKg: [10250, 12180, 8310, 15090, 11220][i]!,
}));

/** One combine that unloads straight into one truck: a round that can be worked by hand. */
export const ONE_TRUCK: HaulingDay = {
  startHour: 8,
  stopHour: 18,
  combines: [{ bushelsPerHour: 3000, tank: 1000, unloadPerHour: 60_000, onTheGo: false }],
  carts: [],
  trucks: [{ capacity: 1000, tarpMin: 3 }],
  road: { out: { mean: 20, cv: 0 }, back: { mean: 20, cv: 0 } },
  destination: { kind: 'elevator', opens: 0, closes: 24, pits: 1, unload: { mean: 10, cv: 0 }, othersPerHour: 0 },
};

/** Only the trucks of other farms at an elevator, for ever: an M/M/c line. */
export const onlyOthers = (arrivals: number, services: number, pits: number): HaulingDay => ({
  ...ONE_TRUCK,
  startHour: 0,
  stopHour: 3000,
  combines: [{ ...ONE_TRUCK.combines[0]!, bushelsPerHour: 0.002 }],
  destination: {
    kind: 'elevator',
    opens: 0,
    closes: 3000,
    pits,
    unload: { mean: 60 / services, cv: 1 },
    othersPerHour: arrivals,
  },
});

/** Two crops, two buyers, not enough truck hours: 4.20, 4.35 and 10.20 a bushel at 1, 2 and 1 hours. */
export const HAUL_LIMITED: AllocationInput = {
  sources: [
    { id: 'corn', crop: 'corn', bushels: 1000 },
    { id: 'beans', crop: 'soybean', bushels: 500 },
  ],
  destinations: [
    { id: 'near', kind: 'buyer', crop: 'corn', most: 5000 },
    { id: 'far', kind: 'buyer', crop: 'corn', most: 5000 },
    { id: 'mill', kind: 'buyer', crop: 'soybean', most: 5000 },
  ],
  lanes: [
    { from: 'corn', to: 'near', value: 4.2, hoursPerBushel: 1 },
    { from: 'corn', to: 'far', value: 4.35, hoursPerBushel: 2 },
    { from: 'beans', to: 'mill', value: 10.2, hoursPerBushel: 1 },
  ],
  truckHours: 1800,
};

const corn14 = {
  legalPounds: 56,
  shrink: { kind: 'flat', base: 0.155, percentPerPoint: 1.4 },
  dryingPerPoint: 0.045,
  factors: [],
} as const;
const wetLoad = { grossKg: poundsToKilograms(56_000), tareKg: 0, moisture: 0.18 };

/** A cart takes on five tonnes beside a combine; where combine and display are otherwise is told. @returns 1 where it is sure */
function sureOf(meters: number, accuracy: number, counted: number): number {
  const at = (east: number) => ({ lon: -38.6 + east / 92_830, lat: 33.4, accuracy });
  const times = Array.from({ length: 900 }, (_, i) => i * 1000);
  const track = (east: number) => times.filter((ms) => ms % 10_000 === 0).map((atMs) => ({ atMs, ...at(east) }));
  const [first] = seenLoads(
    {
      machines: [
        { placeId: 'cart', kind: 'cart', track: track(0), weights: times.map((atMs) => ({ atMs, kg: Math.min(5000, Math.max(0, (atMs - 600_000) / 12)) })) }, // prettier-ignore
        { placeId: 'combine', kind: 'combine', track: track(meters), flows: times.filter((ms) => ms < 600_000).map((atMs) => ({ atMs, flow: (5000 * counted) / 600, moisture: 0.18, speed: 1.5 })) }, // prettier-ignore
      ],
      lots: [{ lotId: 'lot', rings: [[[-38.61, 33.39], [-38.59, 33.39], [-38.59, 33.41], [-38.61, 33.41], [-38.61, 33.39]]] }], // prettier-ignore
      yards: [],
      heldKg: () => 0,
      capacityKg: () => 25_000,
      known: () => false,
      emptiedMs: () => 0,
      lastLot: () => null,
      emptyKg: () => null,
    },
    900_000,
  );
  return first === undefined ? -1 : Number(first.sure);
}

export const harvestHaulingSelling = [
  table(
    {
      formula: SEEN_LOADS,
      title:
        'A load off a combine so many meters away, its position good to so many, the display’s count over the scale’s',
      source: 'By hand, from the rule: within 25 m, positions good to 40 m, display within 15 %',
      standing: 'computed',
      allowed: 0,
      unit: '1 sure, 0 asked',
    },
    [
      [8, 4, 1, 1],
      [24, 4, 1.1, 1],
      [40, 4, 1, 0],
      [8, 90, 1, 0],
      [8, 4, 1.3, 0],
      [8, 4, 0.8, 0],
    ],
    sureOf,
  ),
  table(
    {
      formula: LEFT_TO_CUT,
      title: 'Acres of rows that stand, by rows, inches between them, feet long',
      source: 'By hand: rows x feet x feet / 43,560',
      standing: 'computed',
      allowed: 0.005,
      unit: 'ac',
    },
    [
      [24, 30, 2640, 3.64],
      [18, 30, 1320, 1.36],
      [16, 20, 1000, 0.61],
    ],
    (rows, inches, feet) => areaOfRows(rows, inchesToMetres(inches), feetToMetres(feet)) / 4046.8564224,
  ),
  table(
    {
      formula: HEAPED,
      title: 'Standard bushels of corn in a heaped box, by its bushels of space and the test weight',
      source: 'By hand: space x test weight / 56',
      standing: 'computed',
      allowed: 0.5,
      unit: 'bu',
    },
    [
      [625, 60, 670],
      [350, 56, 350],
      [1000, 52, 929],
    ],
    (space, testWeight) => heapedKg(space, testWeight) / bushel,
  ),
  table(
    {
      formula: CHANGE_PLAN,
      title:
        'What a switch to beans brings more, $, by dry hours, acres an hour of beans, and the share of them that rain takes',
      source:
        'By hand: bushels x price less what the rain takes of the rest; corn 9 ac/h x 180 bu x $4.20, 80 ac of beans x 55 bu x $10.20, 1.5 h lost',
      standing: 'computed',
      allowed: 1,
      unit: '$',
    },
    [
      [5, 12, 0, 23_562 - 34_020],
      [5, 12, 0.03, 23_562 - 34_020 + 23_562 * 0.03],
      [1, 12, 0, -6804],
      [8, 12, 0, 43_758 - 54_432],
    ],
    (window, acresPerHour, lostIfLeft) =>
      changePlan({
        window,
        stay: { acres: 2000, acresPerHour: 9, yieldBu: 180, price: 4.2, lostIfLeft: 0 },
        other: { acres: 80, acresPerHour, yieldBu: 55, price: 10.2, lostIfLeft },
        changeOver: 1,
        road: 0.5,
      }).difference,
  ),
  table(
    {
      formula: BORROWED_HEAD,
      title: 'What a borrowed head saves, $, by acres, rent an acre and bu/ac that it loses',
      source:
        'By hand: hours saved x $250 + (1.2 bu less its own) x acres x $10.20 - rent - 3 h of fetching; 8 against 11 ac/h',
      standing: 'computed',
      allowed: 0.5,
      unit: '$',
    },
    [
      [300, 5, 0.8, 2556.8 + 1224 - 2250],
      [100, 5, 0.8, 852.3 + 408 - 1250],
      [300, 12, 1.2, 2556.8 - 4350],
    ],
    (acres, rentPerAcre, loss) =>
      borrowedHead({
        acres,
        own: { acresPerHour: 8, loss: 1.2 },
        other: { acresPerHour: 11, loss },
        price: 10.2,
        hourly: 250,
        rent: 0,
        rentPerAcre,
        fetchHours: 3,
      }).saved,
  ),
  table(
    {
      formula: DEW_OR_DRY,
      title: 'Half of the interval between damp and dry, bu/ac, by the spread of three counts on each side',
      source: 'Student’s t of any handbook, from memory: 2.776 for four degrees of freedom; s x sqrt(2/3)',
      standing: 'published, from memory',
      allowed: 0.002,
      unit: 'bu/ac',
    },
    [
      [0.1, 2.776 * 0.1 * Math.sqrt(2 / 3)],
      [0.25, 2.776 * 0.25 * Math.sqrt(2 / 3)],
    ],
    (spread) =>
      dewOrDry(
        [-1, 0, 1].flatMap((k) => [
          { loss: 1.5 + k * spread, humidity: 0.9 },
          { loss: 0.6 + k * spread, humidity: 0.4 },
        ]),
        0.8,
      ).uncertainty!,
  ),
  table(
    {
      formula: ROAD_MINUTES,
      title: 'Minutes on section roads, by miles straight and mph',
      source: 'By hand: 4/π x miles / mph x 60',
      standing: 'computed',
      allowed: 0.01,
      unit: 'min',
    },
    [
      [5, 18, 21.22],
      [2, 20, 7.64],
    ],
    (miles, mph) => roadMinutes(milesToMetres(miles), mphToMetresPerSecond(mph)),
  ),
  table(
    {
      formula: WEAR_PART,
      title: 'Acres after which a part has paid, by bu/ac saved, $/bu, part and hands in $',
      source: 'By hand: cost / (bushels x price)',
      standing: 'computed',
      allowed: 0.5,
      unit: 'ac',
    },
    [
      [0.75, 4.4, 1680, 509],
      [1.5, 4.4, 1680, 255],
      [0.3, 10.5, 900, 286],
    ],
    (gain, price, cost) =>
      wearPart({
        gain,
        uncertainty: 0,
        acresLeft: 640,
        acresLife: 2500,
        price,
        part: cost,
        hours: 0,
        hourly: 0,
        breaks: 0,
        standsHours: 0,
        standsHourly: 0,
      }).breakEvenAcres!,
  ),
  table(
    {
      formula: FIRE_DANGER,
      title: 'Index by °C, % humidity, km/h',
      source: 'The same form by a separate script',
      standing: 'computed',
      allowed: 0.06,
      unit: '',
    },
    [
      [30, 20, 30, 32.0],
      [35, 15, 30, 42.1],
      [40, 10, 40, 97.3],
    ],
    (t, rh, kmh) => fireDanger(t, rh / 100, kmh / 3.6).index,
  ),
  table(
    {
      formula: FIRE_DANGER,
      title: 'Wind (km/h) at which harvest stops, by °C and %',
      source: 'South Australian harvest code table, as remembered',
      standing: 'published, from memory',
      allowed: 0.25,
      unit: '',
    },
    [
      [35, 10, 24.3, 35],
      [35, 20, 29.1, 35],
      [30, 20, 31.6, 35],
      [25, 30, 38.5, 35],
    ],
    (t, rh, kmh) => fireDanger(t, rh / 100, kmh / 3.6).index,
  ),

  table(
    {
      formula: GROUND_SPEED,
      title: 'bu/h of material (mph, ft, bu/ac)',
      source: 'mph ft bu/ac / 8.25',
      standing: 'computed',
      allowed: 0.06,
      unit: 'bu/h',
    },
    [
      [4, 20, 200, 1939.4],
      [3.5, 30, 60, 763.6],
      [5, 30, 200, 3636.4],
    ],
    (mph, feet, perAcre) => rateAt(mphToMetresPerSecond(mph), ft(feet), bushelsPerAcreToKgPerHa(perAcre, 56)) / bushel,
  ),
  table(
    {
      formula: GROUND_SPEED,
      title: 'ac/h (mph, ft, efficiency)',
      source: 'mph ft eff / 8.25',
      standing: 'computed',
      allowed: 0.006,
      unit: 'ac/h',
    },
    [
      [4, 20, 0.7, 6.79],
      [3.5, 40, 0.7, 11.88],
      [3, 30, 0.65, 7.09],
    ],
    (mph, feet, eff) => (areaRate(mphToMetresPerSecond(mph), ft(feet), eff) * 10_000) / 4046.8564224,
  ),
  table(
    {
      formula: GROUND_SPEED,
      title: 'mph for 4,100 bu/h (width ft, bu/ac, limit mph)',
      source: 'Worked by hand',
      standing: 'computed',
      allowed: 0.05,
      unit: 'mph',
    },
    [
      [30, 235, 6.5, 4.8],
      [30, 150, 8, 7.5],
      [30, 150, 6.5, 6.5],
      [20, 235, 8, 7.2],
    ],
    (feet, perAcre, limit) => {
      const advice = speedForRate({
        rate: 4100 * bushel,
        width: ft(feet),
        yieldKgPerHa: bushelsPerAcreToKgPerHa(perAcre, 56),
        limits: [{ name: 'rough ground', speed: mphToMetresPerSecond(limit) }],
        headConfirmed: true,
      });
      return advice.kind === 'speed' ? metresPerSecondToMph(advice.speed) : NaN;
    },
  ),
  table(
    {
      formula: GROUND_SPEED,
      title: 'Twelve rows at 20 inches',
      source: 'Arithmetic',
      standing: 'computed',
      allowed: 1e-9,
      unit: 'ft',
    },
    [[12, 20, 20]],
    (rows, inches) => widthOfRows(rows, inchesToMetres(inches)) / 0.3048,
  ),
  table(
    {
      formula: LOSS_COUNT,
      title: 'Machine loss (kernels/ft² behind, before, rule)',
      source: 'Extension loss sheets: 2 corn kernels or 4 soybeans are 1 bu/ac',
      standing: 'published, from memory',
      allowed: 0.005,
      unit: 'bu/ac',
    },
    [
      [3, 0.4, 2, 1.3],
      [1.5, 0.4, 2, 0.55],
      [12, 4, 4, 2],
      [0.2, 0.4, 2, 0],
    ],
    (behind, before, rule) =>
      lossCheck({
        behind: [{ kernels: behind * 100, area: 100 * 0.09290304 }],
        before: before / 0.09290304,
        kernelGrams: kernelGramsOfRule(rule, 56),
        legalPounds: 56,
        pricePerBu: 4,
      }).parts.machine!.bushelsPerAcre,
  ),
  table(
    {
      formula: LOSS_COUNT,
      title: '24 on a square foot in a 20-ft band behind a 30-ft header',
      source: 'Extension loss sheets',
      standing: 'published, from memory',
      allowed: 1e-6,
      unit: '1/ft²',
    },
    [[24, 20, 30, 16]],
    (count, band, header) =>
      lossCheck({
        behind: [{ kernels: count * 10, area: 10 }],
        before: 0,
        spread: { discharge: ft(band), header: ft(header) },
        kernelGrams: 0.3,
        legalPounds: 56,
        pricePerBu: 4,
      }).parts.machine!.kernelsPerM2,
  ),
  table(
    {
      formula: LOSS_COUNT,
      title: 'One ear of 3/4 lb on a hundredth of an acre',
      source: 'Rule of 1 bu/ac; exact 0.75 x 100/70 with ear corn, 1.339 on 56 lb of kernels',
      standing: 'published, from memory',
      allowed: 0.001,
      unit: 'bu/ac',
    },
    [
      [70, 1.071],
      [56, 1.339],
    ],
    (legal) => kgPerHaToBushelsPerAcre((kernelsOnEars(1) * 10_000) / 40.468564224, legal),
  ),
  table(
    {
      formula: STRIPS,
      title: 'Strips +4.1, -0.6, +2.5: mean and standard error',
      source: 'simple-statistics (reference library)',
      standing: 'computed',
      allowed: 1e-12,
      unit: 'bu/ac',
    },
    [
      ['mean', simple.mean([4.1, -0.6, 2.5])],
      ['error', simple.sampleStandardDeviation([4.1, -0.6, 2.5]) / Math.sqrt(3)],
    ],
    (what: string) => {
      const strips = compareStrips([4.1, -0.6, 2.5]);
      return what === 'mean' ? strips.mean : strips.standardError;
    },
  ),
  table(
    {
      formula: STRIPS,
      title: 'Student’s t, 95 % two-sided, by degrees of freedom',
      source: 'Statistics handbooks',
      standing: 'published, from memory',
      allowed: 0.003,
      unit: '',
    },
    [
      [1, 12.706],
      [2, 4.303],
      [10, 2.228],
      [30, 2.042],
      [40, 2.021],
      [60, 2.0],
      [120, 1.98],
    ],
    tOf95,
  ),
  table(
    {
      formula: YIELD_MONITOR,
      title: 'Line, origin and ratio of five loads',
      source: 'simple-statistics (reference library)',
      standing: 'computed',
      allowed: 1e-9,
      relative: true,
      unit: '',
    },
    [
      ['slope', simple.linearRegression(CALIBRATION.map((l) => [l.monitorKg, l.scaleKg])).m],
      ['intercept', simple.linearRegression(CALIBRATION.map((l) => [l.monitorKg, l.scaleKg])).b],
      [
        'r2',
        simple.rSquared(
          CALIBRATION.map((l) => [l.monitorKg, l.scaleKg]),
          simple.linearRegressionLine(simple.linearRegression(CALIBRATION.map((l) => [l.monitorKg, l.scaleKg]))),
        ),
      ],
      [
        'origin',
        simple.sum(CALIBRATION.map((l) => l.monitorKg * l.scaleKg)) /
          simple.sum(CALIBRATION.map((l) => l.monitorKg ** 2)),
      ],
      ['ratio', 1.01875],
    ],
    (what: string) => {
      const fit = calibrateMonitor(CALIBRATION);
      return {
        slope: fit.line!.slope,
        intercept: fit.line!.intercept,
        r2: fit.line!.r2,
        origin: fit.throughOrigin,
        ratio: fit.factor,
      }[what]!;
    },
  ),
  table(
    {
      formula: YIELD_MONITOR,
      title: '30 lb/s at 4 mph on 20 ft, by moisture, at 15.5 %',
      source: 'Worked by hand',
      standing: 'computed',
      allowed: 0.006,
      unit: 'bu/ac',
    },
    [
      [0.155, 198.88],
      [0.2, 188.29],
    ],
    (m) =>
      kgPerHaToBushelsPerAcre(
        yieldFromFlow({
          flow: 30 * KG_PER_LB,
          speed: mphToMetresPerSecond(4),
          width: ft(20),
          moisture: m,
          base: 0.155,
        }),
        56,
      ),
  ),
  table(
    {
      formula: TANK_BY_FLOW,
      title: 'A flow that rises evenly from 0 to 10 kg/s, by minutes',
      source: 'Its integral, 10 t/2 (reference: simple-statistics, mean of the figures times the time)',
      standing: 'computed',
      allowed: 1e-9,
      relative: true,
      unit: 'kg',
    },
    [1, 5, 12].map((minutes): [number, number] => [minutes, simple.mean([0, 10]) * 60 * minutes]),
    (minutes) => {
      const steps = 30 * minutes;
      return tankByFlow(
        Array.from({ length: steps + 1 }, (_, i) => ({ atMs: 1e12 + 2000 * i, flow: (10 * i) / steps, moisture: 0.2 })),
        1e12,
      ).kg;
    },
  ),
  table(
    {
      formula: SAMPLING,
      title: 'Readings for half a point (spread in points)',
      source: 'n with t s/sqrt(n) <= 0.5, worked by hand with the t table',
      standing: 'computed',
      allowed: 0,
      unit: 'readings',
    },
    [
      [0.3, 4],
      [0.5, 7],
      [1, 18],
    ],
    (spread) => readingsNeeded(spread),
  ),
  table(
    {
      formula: SAMPLING,
      title: 'Mean, deviation and line against a reference library',
      source: 'simple-statistics',
      standing: 'computed',
      allowed: 1e-12,
      relative: true,
      unit: '',
    },
    [
      ['mean', simple.mean([3, 1, 4, 1, 5])],
      ['s', simple.sampleStandardDeviation([3, 1, 4, 1, 5])],
      [
        'slope',
        simple.linearRegression([
          [0, 3],
          [1, 1],
          [2, 4],
          [3, 1],
          [4, 5],
        ]).m,
      ],
    ],
    (what: string) =>
      what === 'mean'
        ? mean([3, 1, 4, 1, 5])
        : what === 's'
          ? standardDeviation([3, 1, 4, 1, 5])
          : fitLine([3, 1, 4, 1, 5].map((y, x) => ({ x, y }))).slope,
  ),

  table(
    {
      formula: BRIDGE_FORMULA,
      title: 'Printed table (feet, axles)',
      source: 'FHWA Bridge Formula Weights',
      standing: 'published, from memory',
      allowed: 0,
      unit: 'lb',
    },
    [
      [9, 2, 39000],
      [10, 2, 40000],
      [9, 3, 42500],
      [10, 3, 43500],
      [16, 3, 48000],
      [20, 3, 51000],
      [28, 3, 57000],
      [32, 3, 60000],
      [12, 4, 50000],
      [36, 4, 66000],
      [38, 4, 67500],
      [39, 4, 68000],
      [16, 5, 58000],
      [22, 5, 61500],
      [28, 5, 65500],
      [36, 5, 70500],
      [51, 5, 80000],
      [43, 6, 80000],
      [51, 6, 84500],
      [34, 7, 80000],
    ],
    bridgePounds,
  ),
  table(
    {
      formula: BRIDGE_FORMULA,
      title: 'Ties go down',
      source: 'FHWA table against half-up rounding',
      standing: 'published, from memory',
      allowed: 0,
      unit: 'lb',
    },
    [
      [9, 3, 42500],
      [11, 3, 44000],
      [44, 5, 75500],
    ],
    bridgePounds,
  ),
  table(
    {
      formula: BRIDGE_FORMULA,
      title: 'Two tandems, first axle to last (feet)',
      source: '23 USC 127: 68,000 from 36 ft, though the formula says less',
      standing: 'published, from memory',
      allowed: 1,
      unit: 'lb',
    },
    [
      [35, 65500],
      [36, 68000],
      [37, 68000],
      [38, 68000],
      [39, 68000],
      [40, 68500],
    ],
    (feet) =>
      axleGroups([0, 4, feet - 4, feet].map((at) => ({ at: ft(at) }))).find(
        (group) => group.first === 0 && group.last === 3 && group.rule !== 'gross',
      )!.limitKg / KG_PER_LB,
  ),
  table(
    {
      formula: ERLANG_C,
      title: 'Waiting time (arrivals, services, pits)',
      source: 'Textbook values of M/M/c',
      standing: 'published, from memory',
      allowed: 0.0000006,
      unit: 'h',
    },
    [
      [0.8, 1, 1, 4],
      [10, 6, 2, 0.378788],
      [4, 1, 5, 0.55411314],
    ],
    (arrivals, services, pits) => waitingLine(arrivals, services, pits).hours,
  ),
  table(
    {
      formula: ERLANG_C,
      title: 'Chance of waiting and line (load, pits)',
      source: 'Textbook values of M/M/c',
      standing: 'published, from memory',
      allowed: 0.0000006,
      unit: '',
    },
    [
      ['C', 1.5, 2, 9 / 14],
      ['C', 2, 3, 4 / 9],
      ['C', 4, 5, 0.554113],
      ['C', 8, 10, 0.40918],
      ['Lq', 1.5, 2, 1.928571],
      ['Lq', 2, 3, 0.888889],
      ['Lq', 4, 5, 2.21645],
      ['Lq', 8, 10, 1.636721],
    ].map((row) => row as [string, number, number, number]),
    (what: string, a: number, pits: number) =>
      what === 'C' ? waitingLine(a, 1, pits).waits : waitingLine(a, 1, pits).trucks,
  ),
  table(
    {
      formula: TRUCK_CYCLE,
      title: '25 miles at 45 mph, 12 + 15 + 10 minutes, 950 bu',
      source: 'Worked by hand',
      standing: 'computed',
      allowed: 0.06,
      unit: 'min, bu/h',
    },
    [
      ['minutes', 103.67],
      ['bu/h', 549.8],
    ],
    (what: string) => {
      const round = truckCycle({ loadMin: 12, roadMin: (25 / 45) * 60, unloadMin: 15, waitMin: 10, bushels: 950 });
      return what === 'minutes' ? round.minutes : round.bushelsPerHour;
    },
  ),
  table(
    {
      formula: HAULING_DAY,
      title: 'Simulated line against M/M/c (arrivals, services, pits): 60,000 hours',
      source: 'Erlang’s formula; the sampling error is about 2 % (5 % at one busy pit)',
      standing: 'published, from memory',
      allowed: 0.05,
      relative: true,
      unit: 'h',
    },
    (
      [
        [4, 6, 1],
        [10, 6, 2],
        [12, 6, 3],
      ] as const
    ).map(([a, s, c]) => [a, s, c, waitingLine(a, s, c).hours]),
    (arrivals, services, pits) => simulateHauling(onlyOthers(arrivals, services, pits), 20, 11).othersLineMinutes / 60,
  ),
  table(
    {
      formula: HAULING_DAY,
      title: 'Rounds of one truck in ten hours (minutes out and back)',
      source:
        'Worked by hand: loads at 20 and then every 14 + 2 road minutes; 12 tanks are cut by 581 min, or 25 by 596 and 150 bu after',
      standing: 'computed',
      allowed: 1e-6,
      unit: 'bu',
    },
    [
      [20, 12_000],
      [5, 25_150],
    ],
    (road) =>
      simulateHauling({ ...ONE_TRUCK, road: { out: { mean: road, cv: 0 }, back: { mean: road, cv: 0 } } }, 1, 1)
        .deliveredBushels,
  ),
  table(
    {
      formula: FIELD_WEIGHTS,
      title: 'Loads left of 40 ac at 200 bu/ac with 300 bu on wheels, 900 bu a load',
      source: 'Worked by hand: 8,300/900',
      standing: 'computed',
      allowed: 1e-6,
      unit: 'loads',
    },
    [[40, 10]],
    (acres) =>
      loadsLeft({
        areaLeft: acres * 0.40468564224,
        yieldKgPerHa: bushelsPerAcreToKgPerHa(200, 56),
        alreadyHeldKg: 300 * bushel,
        loadKg: 900 * bushel,
      }).loads,
  ),
  table(
    {
      formula: FIELD_WEIGHTS,
      title: 'Missing ticket of 52,960 lb on the cart, tickets 0.27 % under',
      source: 'Worked by hand',
      standing: 'computed',
      allowed: 0.5,
      unit: 'lb',
    },
    [[52_960, 52_817]],
    (cart) =>
      fieldWeights({
        loads: [
          { id: 'seven', cartKg: poundsToKilograms(318_880) / 4, ticketKg: poundsToKilograms(318_020) / 4 },
          { id: 'lost', cartKg: poundsToKilograms(cart) },
        ],
        legalPounds: 56,
        pricePerBu: 4.62,
      }).missing[0]!.expectedKg / KG_PER_LB,
  ),
  table(
    {
      formula: LAST_LOAD,
      title: 'Minutes to spare (picked bu/h, road min)',
      source: 'Worked by hand: 60 - 9 - 310/rate - 9 - road',
      standing: 'computed',
      allowed: 0.005,
      unit: 'min',
    },
    [
      [2500, 24, 10.56],
      [1240, 24, 3],
      [2500, 40, -5.44],
    ],
    (rate, roadMin) =>
      lastLoad({
        now: 1089,
        buyerCloses: 1140,
        roadMin,
        inCart: 610,
        truck: { id: 'T1', capacity: 920 },
        bushelsPerHour: rate,
        loadMin: 6,
        tarpMin: 3,
        returning: [],
        cart: { capacity: 1000 },
        tank: { capacity: 350, lidsCloseAt: 300 },
      }).spare,
  ),

  table(
    {
      formula: CONTRACT_PRICE,
      title: 'Hedge, futures fixed, basis fixed',
      source: 'Worked examples of marketing bulletins',
      standing: 'published, from memory',
      allowed: 1e-9,
      unit: '$/bu',
    },
    [
      ['hedge', 4.23],
      ['futuresFixed', 4.22],
      ['basisFixed', 4.52],
    ],
    (what: string) =>
      what === 'hedge'
        ? hedgeNet({ cash: 3.85, sold: 4.5, boughtBack: 4.1, fees: 0.02 })
        : what === 'futuresFixed'
          ? contractPrice({ kind: 'futuresFixed', futures: 4.5, basis: -0.25, fee: 0.03 }).price!
          : contractPrice({ kind: 'basisFixed', basis: -0.2, futures: 4.72 }).price!,
  ),
  table(
    {
      formula: LINE_BY_HOUR,
      title: 'Tarp 4 min, road 22 min; minutes from the last grain on to the ticket',
      source: 'Worked by hand',
      standing: 'computed',
      allowed: 1e-9,
      unit: 'min',
    },
    [
      [48, 22],
      [20, 0],
    ],
    (minutes: number) =>
      lineByHour({ trips: [{ atMs: 1_789_000_000_000, minutes }] }, { tarpMin: 4 }, 22, 'UTC')[0]!.minutes,
  ),
  table(
    {
      formula: STORAGE_CHARGE,
      title: '1,000 bu at 5 cents a month, days since the dump',
      source: 'Worked by hand',
      standing: 'computed',
      allowed: 1e-9,
      unit: '$',
    },
    [
      [60, 100],
      [15, 25],
      [0, 0],
    ],
    (days: number) =>
      storageCharge(
        { contract: { chargePerMonth: 0.05 } as never, loads: [{ atMs: 0, bushels: 1000 } as never] },
        [],
        days * 86_400_000,
      ).soFar,
  ),
  table(
    {
      formula: CONTRACT_PRICE,
      title: '949.60 bu across the end of 10,000 at $10.62, spot $10.05',
      source: 'Worked by hand',
      standing: 'computed',
      allowed: 0.001,
      unit: '$',
    },
    [
      [9483.5, 9837.89],
      [9000, 10_084.75],
      [10_000, 9543.48],
    ],
    (done) => crossContract(949.6, { id: '118', bushels: 10_000, delivered: done, price: 10.62 }, 10.05).money,
  ),
  table(
    {
      formula: HOLD_OR_SELL,
      title: 'Carry of $4.20 for 5 months, 8 %, 4 cents',
      source: 'Worked by hand',
      standing: 'computed',
      allowed: 1e-9,
      unit: '$/bu',
    },
    [[5, 0.34]],
    (months) => carry({ cash: 4.2, months, interest: 0.08, storagePerMonth: 0.04 }).perBu,
  ),
  table(
    {
      formula: HOLD_OR_SELL,
      title: 'Pile of 40,000 bu against harvest (loss)',
      source: 'Worked by hand',
      standing: 'computed',
      allowed: 0.005,
      unit: '$',
    },
    [
      [0.008, 20_485.6],
      [0, 22_284],
    ],
    (loss) =>
      holdOrSell({
        bushels: 40_000,
        harvestPrice: 4.85,
        interest: 0.08,
        plans: [{ id: 'pile', months: 3, laterPrice: 5.62, loss, costs: [{ what: 'costs', money: 4636 }] }],
      }).plans[0]!.againstHarvest,
  ),
  table(
    {
      formula: TICKET,
      title: '1,000 wet bu at 18 %, flat 1.4: paid bushels and money at $4.20, 4.5 cents a point',
      source: 'Worked by hand',
      standing: 'computed',
      allowed: 0.005,
      unit: 'bu, $',
    },
    [
      ['bushels', 965],
      ['money', 3940.5],
    ],
    (what: string) => {
      const ticket = computeTicket({ ...wetLoad, price: 4.2 }, corn14);
      return what === 'bushels' ? ticket.paidBushels : ticket.money;
    },
  ),
  table(
    {
      formula: NETBACK,
      title: 'Per wet bushel of the same load',
      source: 'Worked by hand',
      standing: 'computed',
      allowed: 0.00005,
      unit: '$/bu',
    },
    [[0, 3.9405]],
    (road) => compareBids(wetLoad, [{ buyer: 'A', price: 4.2, schedule: corn14, freight: road }])[0]!.perWetBushel,
  ),
  table(
    {
      formula: NETBACK,
      title: 'Freight of 950 bu over 45 miles at $4.25',
      source: 'Worked by hand',
      standing: 'computed',
      allowed: 0.00005,
      unit: '$/bu',
    },
    [[45, 0.4026]],
    (miles) => freight(milesToMetres(miles), 4.25 / milesToMetres(1)) / 950,
  ),
  table(
    {
      formula: ALLOCATION,
      title: 'Three lanes, 1,800 truck hours: money, and worth of an hour',
      source: 'HiGHS once, and by hand: 700 near, 300 far',
      standing: 'computed',
      allowed: 1e-6,
      unit: '$',
    },
    [
      ['money', 9345],
      ['hour', 0.15],
    ],
    (what: string) => {
      const plan = allocate(HAUL_LIMITED, solve);
      if (plan.kind !== 'plan') throw new Error('no plan');
      return what === 'money' ? plan.money : plan.shadows[0]!.worth;
    },
  ),
  table(
    {
      formula: STRIPS,
      title: 'Standard error against a reference library',
      source: 'simple-statistics',
      standing: 'computed',
      allowed: 1e-12,
      unit: '',
    },
    [[1, simple.sampleStandardDeviation([2, 4, 9, 1]) / 2]],
    () => standardError([2, 4, 9, 1]),
  ),
  table(
    {
      formula: PRODUCTION_TO_COUNT,
      title: 'A unit of 100 acres, 180 bu at 75 %, 9,000 bushels, half a share',
      source: 'Worked by hand',
      standing: 'computed',
      allowed: 1e-9,
      unit: 'bu or $',
    },
    [
      ['guarantee', 13_500],
      ['shortfall', 4500],
      ['indemnity', 10_125],
    ],
    (what: 'guarantee' | 'shortfall' | 'indemnity') =>
      indemnityOf({ approvedYield: 180, coverage: 0.75, acres: 100, harvested: 9000, quality: 1, appraised: 0, price: 4.5, share: 0.5 })[what], // prettier-ignore
  ),
  table(
    {
      formula: MOISTURE_OF_POLICY,
      title: 'Corn over 15 % by 0.12 % a tenth',
      source: 'Worked by hand; the factor from memory',
      standing: 'common practice',
      allowed: 1e-12,
      unit: '',
    },
    [
      [0.15, 1],
      [0.155, 0.994],
      [0.18, 0.964],
    ],
    (moisture) => moistureFactor({ base: 0.15 }, moisture),
  ),
] as readonly CheckTable[];
