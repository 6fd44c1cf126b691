import type { WeatherHourInfo } from '@fanega/contract';
import {
  type BinFan,
  bushelsPerAcreToKgPerHa,
  type CableReading,
  cfmToCubicMetresPerSecond,
  type CombineProfile,
  type CuttingWindow,
  type BuyerFacts,
  type HaulTimes,
  type NextFieldPlan,
  type Reading,
  CROPS,
  dailyWeather,
  feetToMetres,
  inchesOfWaterToPascals,
  instantOf,
  isotherm,
  kilogramsPerBushel,
  modelCables,
  mphToMetresPerSecond,
  SCHOOLS,
  type Settings,
  type SiteEquipment,
  type Symptom,
  wetToDryBasis,
  dryToWetBasis,
} from '@fanega/core';
import { DEMO_BUSHEL_POINTS, type DemoFarm, demoYield } from './farm.js';
import { seeded } from './random.js';
import type { DemoLog, DemoSetting } from './records.js';
import { ulidAt } from './ulid.js';

/** A fan by cfm at 2 and at 6 in. of water. */
const fan = (at2: number, at6: number, more: Partial<BinFan> = {}): BinFan => ({
  lowPressure: inchesOfWaterToPascals(2),
  lowFlow: cfmToCubicMetresPerSecond(at2),
  highPressure: inchesOfWaterToPascals(6),
  highFlow: cfmToCubicMetresPerSecond(at6),
  efficiency: 0.5,
  heater: 0,
  powerPrice: 0.118,
  heatPrice: 0.069,
  control: 'always',
  mostHumidity: 0.75,
  ...more,
});

/** A pit under a leg for wet grain and one for dry, and a conveyor over the far bins. */
const SITE: SiteEquipment = {
  machines: [
    { id: 'pit', name: 'Dump pit', kind: 'pit', rate: 9000, driven: true },
    { id: 'leg-1', name: 'Wet leg', kind: 'leg', rate: 5000, driven: true },
    { id: 'spout-1', name: 'Wet spouts', kind: 'distributor', driven: false },
    { id: 'leg-2', name: 'Dry leg', kind: 'leg', rate: 3500, driven: true },
    { id: 'spout-2', name: 'Dry spouts', kind: 'distributor', driven: false },
    { id: 'belt', name: 'Top conveyor', kind: 'conveyor', rate: 4000, driven: true },
  ],
  links: [
    ['pit', 'leg-1'],
    ['pit', 'leg-2'],
    ['leg-1', 'spout-1'],
    ['spout-1', 'wet-bin'],
    ['spout-1', 'bin-d'],
    ['dryer', 'leg-2'],
    ['leg-2', 'spout-2'],
    ['spout-2', 'bin-a'],
    ['spout-2', 'bin-b'],
    ['spout-2', 'belt'],
    ['belt', 'bin-c'],
    ['belt', 'bin-f'],
    ['belt', 'bin-g'],
  ].map(([from, to]) => ({ from: from!, to: to! })),
};

/** Of Bin B: in the middle, half way out, and near the wall. */
const CABLES_B = [
  { name: 'middle', fromCenter: 0, lowest: 0.6, spacing: 1.1, sensors: 6 },
  { name: 'south', fromCenter: 2.6, lowest: 0.6, spacing: 1.1, sensors: 6 },
  { name: 'north', fromCenter: 4.4, lowest: 0.6, spacing: 1.1, sensors: 6 },
];

export interface DemoNotebook {
  readonly readings: readonly (Reading & { readonly id: string; readonly by: string })[];
  readonly logs: readonly DemoLog[];
  readonly settings: readonly DemoSetting[];
  readonly weather: readonly WeatherHourInfo[];
  /** What the temperature cables of bins read. */
  readonly cables: readonly (CableReading & { readonly placeId: string })[];
}

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
/** Central daylight time. */
const LOCAL = 5 * HOUR;
const SQ_FT = 0.09290304;

/** When loads of a lot came off the field, ms, oldest first. */
const cutTimes = (farm: DemoFarm, lotId: string): number[] =>
  farm.entries
    .flatMap((entry) => (entry.type === 'harvest' && entry.lot === lotId ? [instantOf(entry.at)] : []))
    .sort((a, b) => a - b);

/** Three weeks of what people read, counted and set, and the weather they did it in; drawn to the farm's own book. */
export function demoNotebook(farm: DemoFarm, seed = 20260909): DemoNotebook {
  const random = seeded(seed);
  const between = (a: number, b: number): number => a + (b - a) * random();
  const end = Math.max(...farm.entries.map((entry) => instantOf(entry.at)));
  const midnight = Math.floor((end - LOCAL) / DAY) * DAY + LOCAL;
  const id = (at: number): string => ulidAt(at, random);
  const iso = (at: number): string => new Date(at).toISOString();

  // Weather: 21 days behind, a day and a half ahead.
  const first = midnight - 21 * DAY;
  const hours = Math.floor((midnight - first) / HOUR) + 48;
  const air = dailyWeather(26, 7, 0.62, hours, random);
  const weather = Array.from({ length: hours }, (_, h): WeatherHourInfo => {
    const at = first + h * HOUR;
    const humidity = Math.min(0.98, Math.max(0.2, air.humidity[h]!));
    const clock = h % 24;
    const storm = at > end + 20 * HOUR ? Math.max(0, 0.8 - Math.abs(at - end - 27 * HOUR) / (9 * HOUR)) : 0.04;
    return {
      at: iso(at),
      temperature: Math.round(air.temperature[h]! * 10) / 10,
      humidity: Math.round(humidity * 1000) / 1000,
      wind: Math.round((clock > 8 && clock < 19 ? between(2.5, 5.5) : between(0.5, 2)) * 10) / 10,
      rainChance: Math.round(storm * 100) / 100,
      wet: humidity > 0.94 && clock < 10,
      forecast: at > end,
    };
  });

  const cut = new Map<string, number>();
  for (const entry of farm.entries)
    if (entry.type === 'harvest') cut.set(entry.lot, (cut.get(entry.lot) ?? 0) + entry.wetKg);
  const season = Math.max(...farm.lots.map((lot) => lot.season));
  const lots = farm.lots.filter((lot) => lot.season === season);
  const acres = new Map(farm.fields.map((field) => [field.id, field.acres]));
  // Less than half of what it will bring is cut: it is read still.
  const stands = (lot: (typeof lots)[number]): boolean =>
    (cut.get(lot.id) ?? 0) <
    0.5 * demoYield(lot.tag) * (acres.get(lot.fieldId) ?? 0) * kilogramsPerBushel(CROPS[lot.crop].legalPounds);
  const lastCut = new Map(
    farm.entries.flatMap((entry) => (entry.type === 'harvest' ? [[entry.lot, entry.moisture] as const] : [])),
  );

  // Standing fields are read every other day, and beans through today, as they dry.
  const readings: (Reading & { id: string; by: string })[] = [];
  const curve = isotherm(CROPS.soybean);
  const standing = lots.filter(stands);
  standing.forEach((lot) => {
    const beans = lot.crop === 'soybean';
    const n = standing.filter((other) => other.crop === lot.crop).indexOf(lot);
    const ends = beans ? 0.128 + 0.006 * n : (lastCut.get(lot.id) ?? 0.19 + 0.01 * n);
    for (let day = 18; day >= 1; day -= 2) {
      const at = midnight - day * DAY + between(13, 15) * HOUR;
      const moisture = Math.round((ends + day * (beans ? 0.006 : 0.0045) + between(-0.005, 0.005)) * 1000) / 1000;
      readings.push({
        id: id(at),
        fieldId: lot.fieldId,
        at: iso(at),
        moisture,
        source: day % 4 === 0 ? 'bench' : 'hand',
        tester: day % 4 === 0 ? 'Shop bench' : 'Handheld 2',
        spot: ['gate', 'middle', 'far end'][day % 3]!,
        by: 'Oona',
      });
    }
    if (!beans) return;
    // Today: the law of the bean day with this field's own pace.
    const rate = 0.13 + 0.02 * n;
    let md = wetToDryBasis(0.165 + 0.006 * n);
    for (let h = 21 * 24 + 7; first + h * HOUR < end; h++) {
      const rest = wetToDryBasis(curve.moistureAt(air.temperature[h]!, Math.min(0.95, air.humidity[h]!)));
      md = rest + (md - rest) * Math.exp(-rate);
      const at = first + (h + 1) * HOUR;
      if (at <= end && (h - 1) % 2 === n % 2 && h > 21 * 24 + 8) {
        readings.push({
          id: id(at),
          fieldId: lot.fieldId,
          at: iso(at),
          moisture: Math.round((dryToWetBasis(md) + between(-0.003, 0.003)) * 1000) / 1000,
          source: 'hand',
          tester: 'Handheld 2',
          spot: ['gate', 'middle', 'far end'][h % 3]!,
          by: 'Oona',
        });
      }
    }
    const bite = midnight + 9.2 * HOUR;
    if (bite < end)
      readings.push({
        id: id(bite),
        fieldId: lot.fieldId,
        at: iso(bite),
        source: 'bite',
        cracked: 2 + (n % 3),
        spot: 'gate',
        by: 'Bea',
      });
  });

  const logs: DemoLog[] = [];
  // The handheld reads under the buyer, and not always by as much.
  for (let i = 0; i < 10; i++) {
    const at = midnight - (19 - 2 * i) * DAY + 16 * HOUR;
    // Corn and beans by turns: a tester is compared on each by itself.
    const beans = i % 2 === 1;
    const buyer = beans ? between(0.11, 0.14) : between(0.13, 0.19);
    logs.push({
      kind: 'testerPair',
      by: 'Ruiz',
      voided: false,
      body: {
        id: id(at),
        at: iso(at),
        tester: 'Handheld 2',
        testerMoisture: Math.round((buyer - 0.006 - between(-0.003, 0.003)) * 1000) / 1000,
        buyerMoisture: Math.round(buyer * 1000) / 1000,
        crop: beans ? 'soybean' : 'corn',
        buyerId: beans ? 'gar-hole' : 'redbud',
      },
    });
  }
  for (let i = 0; i < 2; i++) {
    const at = midnight - (6 - 3 * i) * DAY + 16 * HOUR;
    logs.push({
      kind: 'testerPair',
      by: 'Tilda',
      voided: false,
      body: {
        id: id(at),
        at: iso(at),
        tester: 'Shop bench',
        testerMoisture: 0.151 + 0.01 * i,
        buyerMoisture: 0.152 + 0.01 * i,
        crop: 'sorghum',
        buyerId: 'redbud',
      },
    });
  }

  const corn = lots.filter((lot) => lot.crop === 'corn' && !stands(lot));
  const START: Settings = { rotor: 380, concave: 28, fan: 950, chaffer: 17, sieve: 11, speed: 1.9, deckPlates: 34 };
  const sheet = (at: number, lotId: string, values: Settings, why: string, more: object = {}): string => {
    const noteId = id(at);
    logs.push({
      kind: 'settingsEntry',
      by: 'Oona',
      voided: false,
      body: { id: noteId, at: iso(at), machineId: 'combine-1', lotId, values, concaveType: 'round bar', why, ...more },
    });
    return noteId;
  };
  const count = (
    at: number,
    lotId: string,
    settingsId: string,
    perFoot: number,
    headerShare: number,
    symptom?: Symptom,
    acresLeft?: number,
  ): void => {
    const frame = (density: number) => ({
      kernels: Math.max(0, Math.round((density + between(-0.5, 0.5)) * 10)),
      area: 10 * SQ_FT,
    });
    logs.push({
      kind: 'lossCheck',
      by: 'Bea',
      voided: false,
      body: {
        id: id(at),
        at: iso(at),
        machineId: 'combine-1',
        lotId,
        settingsId,
        behind: [1, 2, 3, 4, 5].map(() => frame(perFoot)),
        before: [{ kernels: 4, area: 10 * SQ_FT }],
        atHeader: [1, 2, 3].map(() => frame(0.4 + (perFoot - 0.4) * headerShare)),
        unthreshed: 0.15,
        kernelGrams: 0.2917,
        pricePerBu: 4.4,
        ...(symptom ? { symptom } : {}),
        ...(acresLeft === undefined ? {} : { acresLeft }),
      },
    });
  };
  /** A handful out of the tank, sieved on the tailgate. */
  const sampled = (at: number, lotId: string, fines: number, cracked: number, foreign: number): void => {
    const body = { id: id(at), at: iso(at), machineId: 'combine-1', lotId, takenAt: 'tank' as const, fines, cracked, foreign }; // prettier-ignore
    logs.push({ kind: 'grainSample', by: 'Bea', voided: false, body });
  };
  corn.slice(0, 3).forEach((lot, i) => {
    // In the first hours of the field: nobody counts behind a machine that has left.
    const at = cutTimes(farm, lot.id)[0]! + HOUR / 2;
    const opened = sheet(at, lot.id, START, 'as last year', { moisture: 0.18 - 0.01 * i });
    if (i > 0) sampled(at + 0.4 * HOUR, lot.id, 1.8 + 0.2 * i, 4 + i, 0.6);
    count(at + 0.6 * HOUR, lot.id, opened, 3.6 - 0.3 * i, 0.3, 'rotorLoss', 400 - 90 * i);
    const slower = { ...START, speed: 1.68 };
    const second = sheet(at + 0.9 * HOUR, lot.id, slower, 'grain from the rotor: slow down', {
      moisture: 0.18 - 0.01 * i,
    });
    count(at + 1.5 * HOUR, lot.id, second, 1.9 - 0.2 * i, 0.35, 'rotorLoss', 390 - 90 * i);
    if (i === 2) {
      const third = sheet(at + 2 * HOUR, lot.id, { ...slower, rotor: 410 }, 'a little more rotor', {
        moisture: 0.16,
        dirt: 3,
      });
      count(at + 2.6 * HOUR, lot.id, third, 2.9, 0.3, 'cracked', 205);
      sheet(at + 3 * HOUR, lot.id, slower, 'worse: back to the sheet before', {
        moisture: 0.16,
        dirt: 2,
        undoes: third,
      });
    }
  });
  // The field that is cut now: opened this morning, counted once, and a change waits to be made.
  const newest = [...farm.entries].reverse().find((entry) => entry.type === 'harvest');
  const here =
    newest?.type === 'harvest' ? lots.find((lot) => lot.id === newest.lot && lot.crop === 'corn') : undefined;
  if (here) {
    const at = Math.min(end - HOUR, midnight + 13.4 * HOUR);
    const opened = sheet(at, here.id, { ...START, speed: 1.9, rotor: 400 }, 'as in Pecan Turn, wetter corn', {
      moisture: 0.211,
      dirt: 2,
    });
    sampled(at + 0.3 * HOUR, here.id, 4.1, 9, 0.7);
    count(at + 0.5 * HOUR, here.id, opened, 3.1, 0.25, 'rotorLoss', 92);
    logs.push({
      kind: 'neighborSheets',
      by: 'Oona',
      voided: false,
      body: {
        id: id(midnight - 3 * DAY),
        at: iso(midnight - 3 * DAY + 20 * HOUR),
        from: 'Otha Pruitt',
        file: 'pruitt settings.csv',
        sheets: [
          { machine: 'the long one', crop: 'corn', variety: 'KL 1180', moisture: 0.205, lossBu: 0.7, fines: 1.6, rotor: 370, concave: 30, fan: 980, note: 'wet stalks' }, // prettier-ignore
          { machine: 'the long one', crop: 'soybean', variety: 'KL 4405', moisture: 0.13, lossBu: 0.5, rotor: 620, concave: 12, fan: 860, note: '' }, // prettier-ignore
        ],
      },
    });
  }
  // The dryer, an hour at a time through its last run: it drifts wet towards the end, as wetter corn comes.
  const out = farm.entries.filter((entry) => entry.type === 'condition' && entry.place === 'dryer').at(-1);
  if (out) {
    const ends = instantOf(out.at);
    let meter = 4120;
    for (let i = 0; i < 9; i++) {
      const at = ends - ((8 - i) * HOUR) / 6;
      const wetter = i > 5;
      meter += 1 + between(-0.2, 0.3);
      logs.push({
        kind: 'dryerSample',
        by: 'Bea',
        voided: false,
        body: {
          id: id(at),
          at: iso(at),
          placeId: 'dryer',
          moistureIn: Math.round(1000 * (wetter ? 0.164 : 0.158) + between(-1, 1)) / 1000,
          moistureOut: Math.round(1000 * (wetter ? 0.156 : 0.151) + between(-1, 1)) / 1000,
          plenum: Math.round(between(93, 97)),
          fuelMeter: Math.round(10 * meter) / 10,
        },
      });
    }
    const lit = ends - 1.5 * HOUR;
    logs.push({
      kind: 'dryerRun',
      by: 'Bea',
      voided: false,
      body: { id: id(lit), at: iso(lit), placeId: 'dryer', until: iso(ends), note: 'corn to 15' },
    });
  }
  const warm = end - 1.5 * HOUR;
  logs.push({
    kind: 'grainTemperature',
    by: 'Bea',
    voided: false,
    body: { id: id(warm), at: iso(warm), placeId: 'wet-bin', celsius: 27.5, spot: 'under the hatch' },
  });
  const last = corn[2] ?? lots.find((lot) => (cut.get(lot.id) ?? 0) > 0) ?? lots[0]!;
  const times = cutTimes(farm, last.id);
  const strips = times[Math.floor(times.length / 2)] ?? midnight - 5 * DAY;
  logs.push({
    kind: 'stripTrial',
    by: 'Oona',
    voided: false,
    body: {
      id: id(strips),
      at: iso(strips),
      lotId: last.id,
      what: 'New deck plate setting against old',
      differences: [4.1, -0.6, 2.5].map((bu) => bushelsPerAcreToKgPerHa(bu, 56)),
    },
  });

  const window = (
    tooDryBelow: number,
    bestFrom: number,
    bestTo: number,
    refuseAbove: number,
    price: number,
  ): CuttingWindow => ({
    tooDryBelow,
    bestFrom,
    bestTo,
    refuseAbove,
    price,
    shrinkPerPoint: 1.4,
    dockPerPoint: 0.04,
    dockStep: 0.5,
    opensAt: 9,
    closesAt: 21,
    shatterPerPoint: 0.01,
    standingRisk: 0.01,
  });
  const bushel = kilogramsPerBushel(56);
  const heads = [
    { name: 'Row head, 12 at 30 in', width: feetToMetres(30), rows: 12 },
    { name: 'Row head, 8 at 30 in', width: feetToMetres(20), rows: 8 },
    { name: 'Flex platform', width: feetToMetres(35) },
  ];
  const machine = (head: number, rate: number, tankBu: number): CombineProfile => ({
    kind: 'rotary',
    heads: heads.filter((_, i) => i === head || i === 2),
    headOn: heads[head]!.name,
    concaves: ['round bar', 'small wire', 'cover plates on the first two'],
    sieves: ['coarse chaffer', 'general chaffer', 'general sieve'],
    headWidth: heads[head]!.width,
    headConfirmed: new Date(end - LOCAL).toISOString().slice(0, 10),
    goodRate: rate * bushel,
    speedLimit: mphToMetresPerSecond(6.5),
    tankBu,
    fieldEfficiency: 0.62,
    acceptedLoss: { corn: bushelsPerAcreToKgPerHa(1, 56), soybean: bushelsPerAcreToKgPerHa(1.5, 60) },
    ranges: {
      rotor: [200, 1000],
      concave: [3, 45],
      fan: [450, 1300],
      chaffer: [0, 25],
      sieve: [0, 20],
      speed: [0.4, 2.9],
      deckPlates: [25, 45],
    },
  });
  const nextField: NextFieldPlan = {
    school: 'steady',
    weights: { ...SCHOOLS.steady.weights },
    ownOrder: [],
    mostStep: 2,
    bushelPointsPerHour: DEMO_BUSHEL_POINTS,
    dryTo: 0.15,
    facts: Object.fromEntries(
      farm.fields.map((field, i) => {
        const lot = lots.find((l) => l.fieldId === field.id);
        const expected = lot
          ? { yieldKgPerHa: bushelsPerAcreToKgPerHa(demoYield(lot.tag), CROPS[lot.crop].legalPounds) }
          : {};
        return [
          field.id,
          {
            standability: [0, 0, 1, 0, 2, 0, 0, 1, 1, 0, 2, 0][i % 12]!,
            distance: Math.round(400 + 1100 * ((i * 7) % 12)),
            // A half mile, as the fields on the road are.
            passLength: feetToMetres(2560),
            ...expected,
          },
        ];
      }),
    ),
  };
  // Bin B: three cables, a spot that has begun to heat under its side, and a fan that ran in the cool of the last two nights.
  const airOf = new Map(weather.map((hour) => [Date.parse(hour.at), hour.temperature]));
  const lastHour = Math.floor(end / HOUR) * HOUR;
  const cables = modelCables({
    cables: CABLES_B,
    diameter: 10.97,
    levelM: 5.7,
    celsius: 31,
    putInMs: end - 40 * DAY,
    airAt: (ms) => airOf.get(Math.floor(ms / HOUR) * HOUR) ?? 26,
    hours: Array.from({ length: 21 * 24 }, (_, i) => lastHour - (21 * 24 - 1 - i) * HOUR),
    seed,
    spot: { cable: 1, height: 2.8, fromMs: end - 9 * DAY, perDay: 0.62 },
  }).map((reading) => ({ placeId: 'bin-b', ...reading }));
  for (let night = 2; night >= 1; night--)
    for (const [hour, on] of [
      [22, true],
      [31, false],
    ] as const) {
      const at = midnight - night * DAY + hour * HOUR + between(0, 0.3) * HOUR;
      if (at < end)
        logs.push({
          kind: 'fanSwitch',
          body: { id: id(at), at: iso(at), placeId: 'bin-b', on },
          by: 'Bea',
          voided: false,
        });
    }
  for (const [hoursAgo, ...path] of [
    [7.4, 'pit', 'leg-1', 'spout-1', 'wet-bin'],
    [5.1, 'dryer', 'leg-2', 'spout-2', 'bin-a'],
  ] as const) {
    const at = end - hoursAgo * HOUR;
    logs.push({ kind: 'routeSet', body: { id: id(at), at: iso(at), from: path[0], path }, by: 'Tilda', voided: false });
  }
  return {
    readings,
    logs,
    weather,
    cables,
    settings: [
      { kind: 'siteEquipment', subject: 'farm', body: SITE },
      { kind: 'binCables', subject: 'bin-b', body: { cables: CABLES_B } },
      { kind: 'aeration', subject: 'bin-b', body: { mode: 'window', coolBy: 3, mostRewet: 1, leastCelsius: 2 } },
      { kind: 'binFan', subject: 'bin-b', body: fan(5200, 2600) },
      { kind: 'placeState', subject: 'bin-b', body: { note: 'fines in the center: pull the core before winter' } },
      { kind: 'cuttingWindow', subject: 'corn', body: window(0.13, 0.15, 0.18, 0.24, 4.42) },
      { kind: 'cuttingWindow', subject: 'soybean', body: window(0.1, 0.12, 0.132, 0.15, 10.48) },
      // The feed mill takes wetter corn and pays less for it; the terminal closes early.
      {
        kind: 'cuttingWindow',
        subject: 'corn@whistling-duck',
        body: { ...window(0.12, 0.15, 0.2, 0.28, 4.31), dockPerPoint: 0.03, closesAt: 18 },
      },
      {
        kind: 'cuttingWindow',
        subject: 'soybean@gar-hole',
        body: { ...window(0.095, 0.115, 0.13, 0.14, 10.58), dockPerPoint: 0.06, closesAt: 19 },
      },
      { kind: 'cuttingWindow', subject: 'sorghum', body: window(0.12, 0.135, 0.15, 0.18, 4.62) },
      { kind: 'combineProfile', subject: 'combine-1', body: machine(0, 2900, 350) },
      { kind: 'combineProfile', subject: 'combine-2', body: machine(1, 2050, 300) },
      { kind: 'nextFieldPlan', subject: 'farm', body: nextField },
      {
        kind: 'dryerSetup',
        subject: 'dryer',
        body: {
          type: 'continuous',
          bushelPointsPerHour: DEMO_BUSHEL_POINTS,
          mostBushelsPerHour: 1400,
          fuel: 'propane',
          fuelPrice: 1.86,
          fuelPerPointBushel: 0.0205,
          kWhPerPointBushel: 0.011,
          powerPrice: 0.118,
          refillMin: 35,
          mostStep: 2,
          dryTo: 0.15,
          band: 0.005,
          coolsInBin: false,
        },
      },
      { kind: 'binFan', subject: 'bin-d', body: fan(15_500, 10_200, { heater: 44, stirHours: 24 }) },
      { kind: 'binFan', subject: 'bin-f', body: fan(12_000, 7600, { control: 'equilibrium' }) },
      { kind: 'fallAir', subject: 'farm', body: { mean: 19, swing: 6.5, humidity: 0.66, fallsPerWeek: 1.4 } },
      {
        kind: 'buyerFacts',
        subject: 'whistling-duck',
        body: { takes: ['hopper', 'liveFloor'], hours: {}, exceptions: [] } satisfies BuyerFacts,
      },
      {
        kind: 'haulTimes',
        subject: 'farm',
        body: {
          roadMin: { redbud: 24, 'gar-hole': 41, 'whistling-duck': 33 },
          loadMin: 6,
          tarpMin: 3,
          unloadMin: 11,
          othersPerHour: 3,
          lidsCloseBu: 300,
        } satisfies HaulTimes,
      },
    ],
  };
}
