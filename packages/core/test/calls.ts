import * as core from '../src/index.js';
import { CROPS, seededRandom, steadyWeather } from '../src/index.js';
import { loadSolver } from '../solver/highs.js';
import { HAUL_LIMITED, ONE_TRUCK } from './checks/cut-haul-sell.js';

/** A working call of every public function of the sciences. */
const solve = await loadSolver();
const corn = CROPS.corn;
const bin: core.RoundBin = { kind: 'round', diameter: 11, eave: 6 };
const hopper: core.RoundBin = { kind: 'round', diameter: 6, eave: 6, hopperDegrees: 45, roofDegrees: 30 };
const aired = { crop: corn, floorArea: 95, depth: 5, fines: 0.02, floorOpen: 0.1, ductArea: 0.6 };
const fan = core.fanFromTable('made up', [
  { flow: 0, pressure: 1500 },
  { flow: 5, pressure: 1200 },
  { flow: 10, pressure: 200 },
]);
const job: core.DryingJob = {
  wetKg: 25_000,
  from: 0.2,
  to: 0.15,
  joulesPerKgWater: 5e6,
  fuel: 'propane',
  pricePerUnit: 1.8,
  kWhPerPointBushel: 0.01,
  pricePerKWh: 0.12,
  legalPounds: 56,
};
const frames = [
  { kernels: 30, area: 1 },
  { kernels: 26, area: 1 },
];
const check: core.LossCheckInput = {
  behind: frames,
  before: [{ kernels: 4, area: 1 }],
  atHeader: [{ kernels: 9, area: 1 }],
  unthreshedShare: 0.2,
  spread: { discharge: 6, header: 9 },
  ears: { kernelKg: 0.34, area: 40 },
  kernelGrams: 0.3,
  legalPounds: 56,
  pricePerBu: 4.4,
  areaRate: 3,
  areaLeft: 100,
};
const buyer: core.BuyerSchedule = {
  legalPounds: 56,
  shrink: { kind: 'flat', base: 0.15, percentPerPoint: 1.4 },
  moistureStep: 0.001,
  refuseMoistureAbove: 0.2,
  dryingPerPoint: 0.04,
  dockage: true,
  foreignMaterialFree: 0.01,
  feePerBu: 0.01,
  factors: [
    {
      factor: 'damaged',
      worse: 'above',
      bands: [
        { from: 5, per: 'bu', amount: 0.02, step: 1 },
        { from: 10, per: 'percentOfPrice', amount: 1, step: 1 },
      ],
      steps: 'whole',
      cumulative: true,
      refuseBeyond: 20,
    },
    {
      factor: 'test weight',
      worse: 'below',
      bands: [{ from: 54, per: 'cwt', amount: 0.02, step: 1 }],
      steps: 'started',
      cumulative: false,
    },
  ],
};
const load: core.TicketInput = {
  grossKg: 36_000,
  tareKg: 11_000,
  moisture: 0.167,
  dockage: 0.0123,
  foreignMaterial: 0.02,
  factors: { damaged: 7, 'test weight': 53.2 },
  price: 4.2,
};
const axles = [0, 4, 5.3, 14, 15.3].map((at, i) => ({
  at,
  emptyKg: i === 0 ? 4500 : 1900,
  share: i === 0 ? 0.04 : 0.24,
}));
const beanWeather = Array.from({ length: 20 }, (_, h) => ({ temperature: 15 + h / 2, humidity: 0.8 - h / 50 }));
const homeDay: core.HaulingDay = {
  ...ONE_TRUCK,
  carts: [{ capacity: 1000, unloadPerHour: 20_000, drive: { mean: 3, cv: 0.3 } }],
  destination: {
    kind: 'home',
    dump: { mean: 2, cv: 0 },
    legPerHour: 8000,
    wetBin: 5000,
    wetBinHolds: 500,
    dryerPerHour: 1500,
  },
};
const contract = { id: '118', bushels: 10_000, delivered: 9483.5, price: 10.62 };

const still: core.ScaleReading[] = Array.from({ length: 12 }, (_, i) => ({ atMs: 1000 * i, kg: i < 6 ? 4000 : 9000 }));
const chain: core.ChainNow = {
  now: 960,
  until: 1140,
  fieldLeft: 9000,
  combines: [{ bushelsPerHour: 2500, tank: 350, holds: 100, stoppedUntil: 970 }],
  carts: [{ capacity: 1000, holds: 300, stoppedUntil: 965 }],
  trucks: [{ id: 'T1', capacity: 920, holds: 0, where: 'back', at: 990 }],
  loadMin: 6,
  tarpMin: 3,
  roadMin: 24,
  backMin: 22,
  unloadMin: 10,
  destination: {
    kind: 'home',
    wetBin: 4500,
    wetBinHolds: 3000,
    dryerPerHour: 900,
    dryerStoppedUntil: 980,
    binRoom: 5000,
  },
};

export const CALLS: Readonly<Record<string, readonly unknown[]>> = {
  areaOfRows: [24, 0.762, 800],
  leftToCut: [
    {
      area: 15_000,
      headWidth: 9,
      passLength: 800,
      rowSpacing: 0.762,
      yieldKgPerHa: 12_000,
      rate: 60_000,
      loadKg: 22_000,
    },
  ],
  tankOverWay: [{ inTankKg: 2000, tankKg: 9000, width: 9, wayLength: 1600, yieldKgPerHa: 12_000 }],
  heapedKg: [625, 60],
  fillsFirst: [
    20_000,
    [
      { name: 'box', kg: 25_000 },
      { name: 'law', kg: 24_000 },
    ],
    70_000,
  ],
  changePlan: [
    {
      window: 5,
      stay: {
        acres: 200,
        acresPerHour: 9,
        yieldBu: 180,
        price: 4.2,
        lostIfLeft: 0,
        takesPerHour: 900,
        room: 500,
        openHours: 4,
      },
      other: {
        acres: 80,
        acresPerHour: 12,
        yieldBu: 55,
        price: 10.2,
        lostIfLeft: 0.03,
        takesPerHour: 900,
        room: 500,
        openHours: 4,
      },
      changeOver: 1,
      road: 0.5,
    },
  ],
  wearPart: [
    {
      gain: 0.75,
      uncertainty: 0.3,
      acresLeft: 640,
      acresLife: 2500,
      price: 4.4,
      part: 1500,
      hours: 6,
      hourly: 30,
      breaks: 0.1,
      standsHours: 8,
      standsHourly: 250,
    },
  ],
  roadMinutes: [8047, 8],
  dewOrDry: [
    [
      { loss: 1.4, humidity: 0.9 },
      { loss: 1.6, humidity: 0.9 },
      { loss: 0.5, humidity: 0.4 },
      { loss: 0.7, humidity: 0.4 },
    ],
    0.8,
  ],
  borrowedHead: [
    {
      acres: 300,
      own: { acresPerHour: 8, loss: 1.2 },
      other: { acresPerHour: 11, loss: 0.8 },
      price: 10.2,
      hourly: 250,
      rent: 100,
      rentPerAcre: 5,
      fetchHours: 3,
    },
  ],
  tankByFlow: [
    [
      { atMs: 1e12, flow: 5, moisture: 0.2 },
      { atMs: 1e12 + 2000, flow: 6, moisture: 0.2 },
    ],
    1e12,
  ],
  stillWeight: [still, { withinKg: 20, forSeconds: 3 }],
  axleByAxle: [still, { withinKg: 20, forSeconds: 3 }, 300],
  curveLoads: [still, { withinKg: 20, forSeconds: 3 }, 250, 20],
  emptyWeightStanding: [
    [
      { id: 'a', atMs: 1e12, combination: 'T1', weighing: { kind: 'whole', kg: 12_000 } },
      { id: 'b', atMs: 1.1e12, combination: 'T1', weighing: { kind: 'axles', kg: [5000, 7100] } },
    ],
    'T1',
    1.2e12,
    { oldAfterDays: 30, tolerance: 0.01 },
  ],
  axleDoubts: [
    [5100, 15_000],
    [
      [5000, 14_000],
      [5050, 15_500],
    ],
    [4600, 5000],
    0.08,
  ],
  emptyWeightCorrections: [
    [{ id: 'a', atMs: 1.05e12, combination: 'T1', grossKg: 36_000, tareKg: 12_000, legalPounds: 56, pricePerBu: 4.4 }],
    'T1',
    12_600,
    1e12,
    1.1e12,
    0.01,
  ],
  compareScales: [
    Array.from({ length: 6 }, (_, i) => ({
      id: String(i),
      atMs: 1e12 + i * 86_400_000,
      weights: [
        { method: 'ticket', scale: 'redbud', kg: 24_000 + i },
        { method: 'cartScale', scale: 'cart-1', kg: 24_100 + i * i },
      ],
    })),
    ['ticket', 'cartScale'],
    0.005,
  ],
  chainAhead: [chain],
  chainStops: [chain],
  cuttingHours: [chain],
  lossByRate: [
    [
      { rate: 60_000, loss: 40 },
      { rate: 80_000, loss: 90 },
    ],
    62,
  ],
  lossAtRate: [
    {
      course: [
        { rate: 60_000, loss: 40 },
        { rate: 80_000, loss: 90 },
      ],
    },
    70_000,
  ],
  factorAt: [
    {
      factor: 0.95,
      flowBias: {
        lowFlow: 4,
        highFlow: 12,
        lowFlowError: 0.02,
        highFlowError: 0.1,
        shown: true,
      },
    },
    8,
  ],
  cautiousDays: [0.2, 15],
  keptDays: [0.2, 15],
  selfHeating: [0.2, 15],
  safeMoisture: [corn, 6],
  specificHeat: [corn, 0.2],
  bulkDensity: [corn, 0.2, 55],
  kernelGramsOfRule: [2, 56],
  kernelsPerSquareMetreOfKgPerHa: [0.3],
  usGrade: ['corn', { 'test weight': 55, damaged: 4 }],
  defineCrop: [{ id: 'popcorn', name: 'Popcorn', like: 'corn', legalPounds: 70 }],
  waterShrink: [0.2, 0.15],
  weightAtMoisture: [1000, 0.2, 0.15],
  shrinkBy: [{ kind: 'exact', base: 0.15, handling: 0.005 }, 0.2],
  compareShrink: [{ wetKg: 25_000, moisture: 0.2, base: 0.15, percentPerPoint: 1.4, pricePerBu: 4, kgPerBu: 25.4 }],
  overDryLoss: [{ soldKg: 25_000, sold: 0.1, allowed: 0.13, pricePerBu: 10, kgPerBu: 27.2 }],
  blend: [
    [
      { wetKg: 100, moisture: 0.14, testWeight: 56, foreignMaterial: 0.01 },
      { wetKg: 50, moisture: 0.18, testWeight: 54, foreignMaterial: 0.02 },
    ],
  ],
  blendToTarget: [
    {
      by: 'testWeight',
      first: { reading: 58, availableKg: 1e5, rateKgPerSecond: 20 },
      second: { reading: 52, availableKg: 1e5, rateKgPerSecond: 20 },
      third: { reading: 55, kg: 3000 },
      wanted: 56,
      loadKg: 25_000,
      kgPerBu: 25.4,
    },
  ],
  blendTwoBins: [
    {
      first: { moisture: 0.142, availableKg: 5000, rateKgPerSecond: 20 },
      second: { moisture: 0.106, rateKgPerSecond: 10 },
      wanted: 0.129,
      loadKg: 25_000,
      kgPerBu: 27.2,
    },
  ],
  correctMeter: [
    0.15,
    12,
    [
      { temperature: 0, points: 1 },
      { temperature: 25, points: 0 },
    ],
  ],
  chanceToPass: [
    0.14,
    0.155,
    [
      { tester: 0.14, buyer: 0.144 },
      { tester: 0.15, buyer: 0.158 },
      { tester: 0.16, buyer: 0.166 },
    ],
  ],
  likelyBuyerReading: [
    0.14,
    [
      { tester: 0.14, buyer: 0.144 },
      { tester: 0.15, buyer: 0.158 },
      { tester: 0.16, buyer: 0.166 },
    ],
  ],
  saturationPressure: [20],
  humidityRatio: [20, 0.5, 101_325],
  relativeHumidity: [20, 0.007, 101_325],
  enthalpy: [20, 0.007],
  specificVolume: [20, 0.007, 101_325],
  dewPoint: [20, 0.5],
  wetBulb: [20, 0.5, 101_325],
  heatAir: [{ temperature: 10, relativeHumidity: 0.7 }, 2],
  equilibriumMoisture: [corn, 10, 0.65],
  equilibriumHumidity: [corn, 10, 0.155],
  airOnGrain: [corn, { moisture: 0.18, temperature: 15 }, { temperature: 10, relativeHumidity: 0.65 }, 1.5],
  latentHeatOfWater: [20],
  latentHeatOfGrain: [corn, 20, 0.15],
  airflowResistance: [corn, 0.01, { packing: 1.5, fines: 0.02 }],
  floorLoss: [0.1, 0.1],
  ductLoss: [10, 1.5, 1.2],
  fanFromTable: [
    'f',
    [
      { flow: 0, pressure: 1500 },
      { flow: 5, pressure: 900 },
    ],
  ],
  fanFromModel: ['f', 1500, 10],
  fanAtSpeed: [fan, 0.9, 0.95],
  staticPressure: [aired, 5],
  operatingPoint: [fan, aired, 0.5],
  fanHeat: [500, 0.5],
  fanPowerNeeded: [aired, 0.01, 0.5],
  dryMatterLoss: [100],
  referenceHoursForLoss: [0.5],
  moistureMultiplier: [0.18],
  temperatureMultiplier: [10, 0.18],
  damageMultiplier: [20],
  allowableHours: [0.18, 10, { damage: 20, other: 1.1, limit: 0.4 }],
  age: [[{ hours: 24, moisture: 0.2, temperature: 15 }]],
  germinationDays: [0.16, 20],
  safeDaysLeft: [CROPS.soybean, { moisture: 0.14, temperature: 20 }, [{ hours: 24, moisture: 0.15, temperature: 22 }]],
  waterToRemove: [1000, 0.2, 0.15],
  energyOfFuelPerPointBushel: [
    { fuel: 'propane', unitsPerPointBushel: 0.02, from: 0.25, to: 0.155, legalPounds: 56, basis: 'wet bushel' },
  ],
  dryingCost: [job],
  quickDryingCost: [10, 0.02, 1.8, 0.01, 0.12],
  bushelPointsAt: [
    {
      bushelPointsPerHour: 2600,
      byPoints: [
        { points: 5, bushelsPerHour: 700 },
        { points: 10, bushelsPerHour: 400 },
      ],
    },
    7,
  ],
  dryerRate: [2600, 5, 2000],
  dryTo: [corn, { moisture: 0.2, months: 10, buyerBase: 0.15, damagedPoints: 0.5 }],
  dryOrDock: [
    {
      job,
      handlingLoss: 0.005,
      pricePerBu: 4.2,
      buyer: { kind: 'flat', base: 0.15, percentPerPoint: 1.4 },
      dockPerPoint: 0.045,
      dockStep: 0.5,
    },
  ],
  thinLayerHours: [80, 0.5],
  thinLayerRatio: [80, 2],
  fieldsForDryer: [
    {
      bushelPointsPerHour: 2600,
      dryTo: 0.15,
      throughputBushelsPerHour: 3000,
      combineBushelsPerHour: 2900,
      roomBushels: 9000,
      lastMoisture: 0.171,
      mostStep: 2,
      fields: [{ id: 'a', moisture: 0.19, pointsPerDay: 0.6 }],
    },
  ],
  dryInBin: [
    {
      crop: corn,
      depth: 4,
      layers: 4,
      moisture: 0.2,
      temperature: 10,
      airflow: 0.06,
      fanHeat: 1.5,
      supplementalHeat: 1,
      fanWatts: 5000,
      floorArea: 90,
      density: 700,
      weather: steadyWeather(10, 0.65, 48),
      control: { kind: 'equilibrium', wanted: 0.14, below: 0.02, above: 0.02 },
      stirring: { everyHours: 12, share: 0.5 },
      target: 0.15,
    },
  ],
  binPlan: [
    {
      crop: corn,
      diameter: 9,
      depth: 4,
      eave: 5,
      layers: [{ share: 1, moisture: 0.19 }],
      celsius: 12,
      target: 0.16,
      fan: {
        lowPressure: 500,
        lowFlow: 6.6,
        highPressure: 1500,
        highFlow: 4.2,
        efficiency: 0.5,
        heater: 0,
        powerPrice: 0.12,
        heatPrice: 0.07,
        control: 'always',
        mostHumidity: 0.75,
      },
      air: { mean: 12, swing: 6, humidity: 0.6, fallsPerWeek: 1 },
      known: { temperature: [15], humidity: [0.6] },
      falls: 1,
    },
  ],
  fanOfRows: [{ lowPressure: 500, lowFlow: 6.6, highPressure: 1500, highFlow: 4.2 }],
  fallWeather: [
    { temperature: [15], humidity: [0.6] },
    { mean: 12, swing: 6, humidity: 0.6, fallsPerWeek: 1 },
    48,
    seededRandom(1),
  ],
  controlOf: [{ control: 'humidity', mostHumidity: 0.7 }, 0.15],
  dailyWeather: [10, 6, 0.65, 48, seededRandom(1)],
  steadyWeather: [10, 0.65, 10],
  aerationFrontHours: [0.1],
  aerationPlan: [
    {
      crop: corn,
      moisture: 0.15,
      celsius: 20,
      hotSpot: 30,
      air: [{ atMs: 0, temperature: 10, humidity: 0.6 }],
      rules: core.USUAL_AERATION,
      fanHeat: 1,
      cfmPerBushel: 0.2,
      hoursRun: 3,
      kilowatts: 4,
      powerPrice: 0.12,
      nowMs: 0,
    },
  ],
  fanHours: [[{ atMs: 0, on: true }], 0, 3_600_000],
  cycleBegan: [[{ atMs: 0, on: true }], 3_600_000],
  fillOf: [
    bin,
    {
      kind: 'readings',
      readings: [
        { fromCenter: 0, belowEave: 1 },
        { fromCenter: 5, belowEave: 2 },
      ],
    },
  ],
  heightOf: [hopper, 100],
  capacityOf: [hopper, 23],
  tapeCheck: [
    {
      setup: { diameter: 11, eave: 6, hopper: 0, packFactor: 1.05 },
      crop: corn,
      moisture: 0.15,
      seen: 'peaked',
      belowEave: 1.5,
      degrees: 23,
      bookKg: 300_000,
    },
  ],
  loadsThatFit: [20_000, 500, [{ id: 'a', kg: 19_800 }]],
  levelFor: [bin, 300, { kind: 'peaked', degrees: 23 }],
  columnOf: [{ diameter: 10, depth: 6, density: 720, friction: 0.37, gain: 0.1, lateral: 0.5 }],
  packFactor: [{ crop: corn, diameter: 11, depth: 6, moisture: 0.15, testWeight: 56 }],
  packFromScale: [25_000, 34, 56],
  massOfFill: [{ cubicMetres: 100 }, corn, 0.15, 1.05, 56],
  spaceOfMass: [25_000, corn, 0.15, 1.05, 56],
  pileSize: [{ kind: 'windrow', length: 60, width: 18, degrees: 23 }],
  coneDiameterFor: [1500, 23],
  windrowLengthFor: [5000, 18, 23],
  widthOfRows: [12, 0.762],
  rateAt: [1.8, 9, 12_000],
  areaRate: [1.8, 9, 0.7],
  fieldEfficiency: [7, 10],
  speedForRate: [
    { rate: 100_000, width: 9, yieldKgPerHa: 12_000, limits: [{ name: 'rough', speed: 2 }], headConfirmed: true },
  ],
  tankFill: [{ inTankKg: 4000, tankKg: 9000, rate: 90_000, cartRoomKg: 3000 }],
  kernelsPerSquareMetre: [frames],
  countError: [frames],
  lossCheck: [check],
  kernelsOnEars: [3, 1, 0.34],
  brokenShare: [4, 100],
  compareStrips: [[4.1, -0.6, 2.5]],
  advise: [{ symptom: 'cracked', present: { rotor: 400, concave: 25 }, ranges: { rotor: [200, 800] } }],
  calibrateMonitor: [
    [
      { monitorKg: 4000, scaleKg: 4100, flow: 10 },
      { monitorKg: 5000, scaleKg: 5050, flow: 14 },
      { monitorKg: 4500, scaleKg: 4570, flow: 12 },
    ],
    0.03,
  ],
  yieldFromFlow: [{ flow: 13, speed: 1.8, width: 6, moisture: 0.2, base: 0.155 }],
  readingsNeeded: [0.8, 0.5],
  cornPointsPerDay: [270],
  growingDegreeDays: [25, 12],
  cornAfterHeat: [0.3, 200],
  fitToCut: [
    {
      moisture: 0.14,
      window: { tooDryBelow: 0.1, bestFrom: 0.12, bestTo: 0.13, refuseAbove: 0.15 },
      ageHours: 1,
      trend: -0.3,
      oldAfterHours: 3,
    },
  ],
  beanDay: [
    {
      weather: beanWeather,
      readings: [
        { hour: 2, moisture: 0.16 },
        { hour: 4, moisture: 0.15 },
      ],
      window: { least: 0.11, most: 0.13 },
      from: 4,
    },
  ],
  weighed: [{ kind: 'axles', kg: [5000, 7000, 7000] }],
  netWeight: [
    { kind: 'axles', kg: [5200, 15_000, 14_000] },
    { weighing: { kind: 'axles', kg: [4500, 4000, 3000] }, ageDays: 12 },
    56,
    30,
  ],
  emptyWeightFits: [11_000, [10_950, 11_020], 0.01],
  loadsLeft: [{ areaLeft: 16, yieldKgPerHa: 12_000, alreadyHeldKg: 3000, loadKg: 25_000 }],
  fieldWeights: [
    {
      loads: [
        { id: 'a', cartKg: 20_000, ticketKg: 19_900 },
        { id: 'b', cartKg: 21_000 },
      ],
      displayBu: 1700,
      legalPounds: 56,
      pricePerBu: 4.6,
      tolerance: 0.005,
    },
  ],
  bridgePounds: [51, 5],
  axleGroups: [axles.map(({ at, emptyKg }) => ({ at, kg: emptyKg })), core.FEDERAL_RULES],
  legalLoad: [axles, 10_000, core.FEDERAL_RULES],
  waitingLine: [10, 6, 2],
  truckCycle: [{ loadMin: 10, roadMin: 20, unloadMin: 8, waitMin: 5, bushels: 950 }],
  lastLoad: [
    {
      now: 1089,
      buyerCloses: 1140,
      roadMin: 24,
      inCart: 610,
      inTank: 20,
      truck: { id: 'T', capacity: 920, holds: 10 },
      bushelsPerHour: 2500,
      loadMin: 6,
      tarpMin: 3,
      returning: [{ id: 'U', at: 1125, capacity: 900 }],
      cart: { capacity: 1000 },
      tank: { capacity: 350, lidsCloseAt: 300 },
      rainAt: 1230,
    },
  ],
  gatherReadings: [
    [
      { atMs: 1.7e12, moisture: 0.16, source: 'hand' },
      { atMs: 1.71e12, moisture: 0.15, source: 'hand' },
    ],
    1,
  ],
  fieldForecast: [
    {
      crop: corn,
      readings: [
        { atMs: 1.75e12, moisture: 0.2 },
        { atMs: 1.7503e12, moisture: 0.19 },
      ],
      weather: [{ atMs: 1.75e12, temperature: 20, humidity: 0.6 }],
      window: { least: 0.14, most: 0.18 },
      nowMs: 1.7504e12,
      dayOfYear: 260,
    },
  ],
  monitorLoads: [
    [
      {
        id: 'a',
        machine: 'c',
        lot: 'l',
        atMs: 1.75e12,
        measured: [
          { method: 'monitor', wetKg: 7000 },
          { method: 'cartScale', wetKg: 6800 },
        ],
        note: '',
      },
    ],
  ],
  monitorDrift: [
    Array.from({ length: 6 }, (_, i) => ({ id: String(i), lot: 'l', atMs: 1, monitorKg: 7000 + i, scaleKg: 6800 })),
  ],
  changedSettings: [{ rotor: 400 }, { rotor: 430, fan: 900 }],
  moistureSchedule: [
    { legalPounds: 56, base: 0.15, shrinkPerPoint: 1.4, dockPerPoint: 0.04, dockStep: 0.5, refuseAbove: 0.22 },
  ],
  valueOfMoisture: [
    { legalPounds: 56, base: 0.15, shrinkPerPoint: 1.4, dockPerPoint: 0.04, dockStep: 0.5, refuseAbove: 0.22 },
    4.4,
  ],
  waitingCosts: [
    {
      hours: [0, 1, 2, 3].map((hour) => ({ hour, moisture: 0.14 - hour / 200 })),
      starts: [0, 1],
      dryKgPerHour: 20_000,
      dryKgLeft: 50_000,
      value: (m: number) => 0.36 - m / 10,
      open: [[0, 10]],
      shatterPerPoint: 0.02,
      shatterBelow: 0.12,
      standingRisk: 0.02,
    },
  ],
  fireDanger: [30, 0.2, 8, 1, 35],
  bestSettings: [
    [{ id: 'a', machine: 'c', crop: 'corn', variety: '', moisture: 0.18, values: { rotor: 400 }, loss: 1, dirt: 2 }],
    { machine: 'c', crop: 'corn', variety: '', moisture: 0.19 },
  ],
  rankFields: [
    {
      fields: [
        {
          id: 'a',
          moisture: 0.17,
          pointsPerDay: 0.5,
          base: 0.15,
          standability: 1,
          maturity: 2,
          closesIn: 3,
          distance: 3000,
          area: 20,
          hours: 6,
        },
      ],
      weights: core.SCHOOLS.steady.weights,
      dryer: {
        bushelPointsPerHour: 2600,
        dryTo: 0.15,
        combineBushelsPerHour: 2900,
        roomBushels: 9000,
        lastMoisture: 0.171,
        mostStep: 2,
      },
      rainIn: 5,
    },
  ],
  simulateHauling: [homeDay, 2, 3],
  trucksWorthHaving: [ONE_TRUCK, 2, 2, 3, { truckPerHour: 85, combinePerHour: 300 }],
  averageFlow: [ONE_TRUCK],
  dryerNow: [
    {
      now: 1e12,
      bushelPointsPerHour: 2600,
      dryTo: 0.15,
      band: 0.005,
      moistureIn: 0.168,
      moistureOut: [0.156, 0.157],
      readPerHour: 1400,
      wetBushels: 2000,
      roomBushels: 9000,
      wheelsBushels: 300,
      comingPerHour: 2900,
      refillMin: 30,
    },
  ],
  dryerDown: [
    {
      now: 1e12,
      repairedMs: 1e12 + 8.64e7,
      parcels: [{ wetKg: 200_000, moisture: 0.22, dueMs: 1e12 + 2e8 }],
      legalPounds: 56,
      buyers: [
        {
          id: 'mill',
          name: 'mill',
          terms: { legalPounds: 56, base: 0.15, shrinkPerPoint: 1.4, dockPerPoint: 0.03, refuseAbove: 0.28 },
          price: 4.31,
          opensMs: 1e12,
          closesMs: 1e12 + 2e7,
          roadMin: 30,
          lineMin: 15,
        },
      ],
      trucks: 3,
      truckBu: 900,
      loadMin: 6,
      tarpMin: 3,
      unloadMin: 11,
      dryTo: 0.15,
      dryingPerPointBushel: 0.04,
      dryPrice: 4.42,
      dryerBushelsPerHour: 400,
      combineCostPerHour: 600,
      cuttingHoursLeft: 5,
    },
  ],
  contractPrice: [{ kind: 'futuresFixed', futures: 4.5, fee: 0.03 }, { basis: -0.25 }],
  hedgeNet: [{ cash: 3.85, sold: 4.5, boughtBack: 4.1, fees: 0.02 }],
  crossContract: [949.6, contract, 10.05, [{ ...contract, id: '131', delivered: 10 }]],
  computeTicket: [load, buyer],
  paidBushels: [25_000, 0.167, buyer.shrink, 56, 2],
  auditTicket: [{ netKg: 25_000, moisture: 0.167, paidBushels: 900, money: 3600 }, load, buyer],
  freight: [70_000, 0.003, 5],
  compareBids: [
    { grossKg: 36_000, tareKg: 11_000, moisture: 0.167 },
    [{ buyer: 'A', price: 4.2, schedule: buyer, freight: 100 }],
  ],
  holdOrSell: [
    {
      bushels: 40_000,
      harvestPrice: 4.85,
      interest: 0.08,
      plans: [
        {
          id: 'pile',
          months: 3,
          laterPrice: 5.62,
          loss: 0.01,
          storagePerMonth: 0.02,
          handlingPerBu: 0.01,
          costs: [{ what: 'tarp', money: 1900 }],
        },
      ],
    },
  ],
  breakEvenByMonth: [
    { bushels: 40_000, harvestPrice: 4.85, interest: 0.08 },
    {
      id: 'pile',
      laterPrice: 5.62,
      loss: 0.01,
      storagePerMonth: 0.02,
      costs: [{ what: 'tarp', money: 1900 }],
    },
    6,
  ],
  carry: [{ cash: 4.2, months: 5, interest: 0.08, storagePerMonth: 0.04, extra: 0.01, deferred: 4.6 }],
  lineByHour: [{ trips: [{ atMs: 1_789_000_000_000, minutes: 48 }] }, { tarpMin: 4 }, 22, 'America/Chicago'],
  lineThen: [
    { trips: [48, 40, 61].map((minutes, i) => ({ atMs: 1_789_000_000_000 + i * 1_800_000, minutes })) },
    { tarpMin: 4 },
    22,
    'America/Chicago',
    1_789_000_000_000,
  ],
  whereItBringsMost: [
    {
      moisture: 0.16,
      loadKg: 24_000,
      kgPerBu: 25.4,
      buyers: [
        {
          id: 'mill',
          terms: { legalPounds: 56, base: 0.15, shrinkPerPoint: 1.4, dockPerPoint: 0.03, refuseAbove: 0.2 },
          price: 4.4,
          roadMin: 20,
          lineMin: 5,
        },
      ],
      grade: { foreignMaterial: 0.01, factors: { testWeight: 53 } },
      acre: { yield: 190, bushels: 930 },
      times: { loadMin: 6, tarpMin: 3, unloadMin: 10 },
      truckCostPerHour: 90,
    },
  ],
  allocate: [HAUL_LIMITED, solve],
};

/** Every place of a number inside arguments. */
export function numbersIn(value: unknown, path: readonly (string | number)[] = []): (readonly (string | number)[])[] {
  if (typeof value === 'number') return [path];
  // The crop's own constants and arrays of weather are data, not what a user typed.
  if (
    typeof value !== 'object' ||
    value === null ||
    value instanceof Float64Array ||
    Object.values(value).some((inner) => typeof inner === 'function') ||
    Object.values(CROPS).includes(value as core.Crop)
  )
    return [];
  return Object.entries(value).flatMap(([key, inner]) =>
    numbersIn(inner, [...path, Array.isArray(value) ? Number(key) : key]),
  );
}

export function withAt(value: unknown, path: readonly (string | number)[], replaced: number): unknown {
  if (path.length === 0) return replaced;
  const [key, ...rest] = path;
  const copy = Array.isArray(value) ? [...value] : { ...(value as object) };
  (copy as Record<string | number, unknown>)[key!] = withAt(
    (value as Record<string | number, unknown>)[key!],
    rest,
    replaced,
  );
  return copy;
}

export const call = (name: string, args: readonly unknown[]): unknown =>
  (core as unknown as Record<string, (...given: unknown[]) => unknown>)[name]!(...args);
