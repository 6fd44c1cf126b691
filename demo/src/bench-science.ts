import {
  allocate,
  type AllocationInput,
  beanDay,
  cablesNow,
  CROPS,
  dailyWeather,
  binPlan,
  type BinPlanInput,
  type Contract,
  contractBook,
  dryInBin,
  type HaulingDay,
  type InBinSetup,
  modelCables,
  seededRandom,
  simulateHauling,
  type SoldDelivery,
} from '@fanega/core';
import { loadSolver } from '@fanega/core/solver';

import { sellBench } from './bench-sell.js';

const timed = (run: () => unknown, times = 7): number => {
  run(); // the first run compiles
  const all = Array.from({ length: times }, () => {
    const start = performance.now();
    run();
    return performance.now() - start;
  });
  return all.sort((a, b) => a - b)[times >> 1]!;
};

const YEAR_MS = 365.25 * 86_400_000;
const FIRST_MS = Date.UTC(2016, 8, 1);
const BUYERS = ['mill', 'terminal', 'river', 'feeder'];

/** Ten contracts of 20,000 bu with each of four buyers in each of ten seasons; their windows are a month each. */
function tenSeasonsOfContracts(): Record<string, { value: Contract }> {
  const day = (ms: number): string => new Date(ms).toISOString().slice(0, 10);
  const all: Record<string, { value: Contract }> = {};
  for (let season = 0; season < 10; season++)
    for (const buyerId of BUYERS)
      for (let i = 0; i < 10; i++) {
        const opens = FIRST_MS + season * YEAR_MS + i * 30 * 86_400_000;
        all[`${buyerId}${season}-${i}`] = {
          value: {
            number: `${season}${i}`,
            buyerId,
            crop: i % 3 === 0 ? 'soybean' : 'corn',
            kind: 'flat',
            price: 4.3,
            bushels: 20_000,
            opens: day(opens),
            closes: day(opens + 30 * 86_400_000),
            overage: 'spot',
            done: false,
          },
        };
      }
  return all;
}

/** 20,000 tickets over ten seasons; of a ticket only what contracts ask for. */
function tenSeasonsOfTickets(): SoldDelivery[] {
  const random = seededRandom(17);
  return Array.from({ length: 20_000 }, (_, i): SoldDelivery => {
    const entry = { id: `t${i}`, at: new Date(FIRST_MS + random() * 10 * YEAR_MS).toISOString() };
    return {
      delivery: { entry, to: BUYERS[i % 4]! } as SoldDelivery['delivery'],
      crop: random() < 0.3 ? 'soybean' : 'corn',
      bushels: 850 + 150 * random(),
      money: null,
      paid: null,
      ticket: null,
      sheetId: null,
    };
  });
}

/** A season of natural air: 120 days, hourly, 30 layers, never stopping. */
const SEASON: InBinSetup = {
  crop: CROPS.corn,
  depth: 5,
  moisture: 0.21,
  temperature: 10,
  airflow: 0.065,
  fanHeat: 1.6,
  weather: dailyWeather(8, 6, 0.65, 2880, seededRandom(3)),
  control: { kind: 'always' },
  target: 0.15,
  goOn: true,
};

/** Wet corn in a 30-ft bin with a fan of 15 hp. */
const PLAN: BinPlanInput = {
  crop: CROPS.corn,
  diameter: 9.144,
  depth: 4.3,
  eave: 5.5,
  layers: [{ share: 1, moisture: 0.2 }],
  celsius: 16,
  target: 0.16,
  fan: {
    lowPressure: 498,
    lowFlow: 6.6,
    highPressure: 1494,
    highFlow: 4.25,
    efficiency: 0.5,
    heater: 0,
    powerPrice: 0.12,
    heatPrice: 0.07,
    control: 'always',
    mostHumidity: 0.75,
  },
  air: { mean: 13, swing: 6, humidity: 0.62, fallsPerWeek: 1 },
  known: { temperature: [], humidity: [] },
};

/** Two combines, two carts, six trucks and other farms at the pit. */
const DAY: HaulingDay = {
  startHour: 9,
  stopHour: 21,
  combines: [3000, 2800].map((bushelsPerHour) => ({
    bushelsPerHour,
    rateCv: 0.15,
    tank: 350,
    unloadPerHour: 15_000,
    onTheGo: true,
  })),
  carts: [1000, 900].map((capacity) => ({ capacity, unloadPerHour: 24_000, drive: { mean: 4, cv: 0.4 } })),
  trucks: Array.from({ length: 6 }, () => ({ capacity: 950, tarpMin: 3 })),
  road: { out: { mean: 24, cv: 0.2 }, back: { mean: 22, cv: 0.2 } },
  destination: { kind: 'elevator', opens: 7, closes: 19, pits: 2, unload: { mean: 6, cv: 0.5 }, othersPerHour: 8 },
};

/** Forty fields to twelve bins and eight buyers, short of room and of truck hours. */
function season(): AllocationInput {
  const random = seededRandom(8);
  const crops = ['corn', 'soybean'];
  const sources = Array.from({ length: 40 }, (_, i) => ({
    id: `field ${i}`,
    crop: crops[i % 2]!,
    bushels: Math.round(5000 + 20_000 * random()),
  }));
  const destinations = Array.from({ length: 20 }, (_, i) => ({
    id: `place ${i}`,
    kind: i < 12 ? ('bin' as const) : ('buyer' as const),
    crop: crops[i % 2]!,
    most: Math.round((i < 12 ? 15_000 : 40_000) * (0.5 + random())),
    ...(i >= 16 ? { least: 5000 } : {}),
  }));
  const lanes = sources.flatMap((from) =>
    destinations
      .filter((to) => to.crop === from.crop)
      .map((to) => ({
        from: from.id,
        to: to.id,
        value: (from.crop === 'corn' ? 4 : 10) + random(),
        hoursPerBushel: 0.0005 + 0.002 * random(),
      })),
  );
  return { sources, destinations, lanes, truckHours: 600 };
}

/** Rows of the sciences for `npm run bench`. */
export async function benchScience(row: (what: string, figure: string, goal?: string) => void): Promise<void> {
  console.log('\nSciences');
  const one = timed(() => dryInBin(SEASON));
  row('in-bin drying, 120 days hourly, 30 layers', `${one.toFixed(0)} ms`, 'goal under 150');
  row('  the same with 60 layers / with 30', (timed(() => dryInBin({ ...SEASON, layers: 60 }), 3) / one).toFixed(2));
  row(
    '  the single isotherm / the average of two',
    (timed(() => dryInBin({ ...SEASON, isotherm: ['corn CP D245.4'] })) / one).toFixed(2),
  );
  row(
    'is it dry in time? ten falls in a bin, a foot less, a bigger fan, how deep',
    `${timed(() => binPlan(PLAN), 3).toFixed(0)} ms`,
  );
  const thousand = timed(() => simulateHauling(DAY, 1000, 5), 5);
  row('1,000 replications of a hauling day', `${thousand.toFixed(0)} ms`, 'goal under 2,000');
  row(
    '  standard error of bu/h over bu/h',
    ((r) => (r.standardError / r.mean).toExponential(1))(simulateHauling(DAY, 1000, 5).bushelsPerHour),
  );
  const started = performance.now();
  const solve = await loadSolver();
  row('loading the LP solver', `${(performance.now() - started).toFixed(0)} ms`);
  const input = season();
  const plan = allocate(input, solve);
  row(
    `allocation of 40 fields to 20 places (${input.lanes.length} lanes), with shadow prices`,
    `${timed(() => allocate(input, solve), 5).toFixed(0)} ms`,
    plan.kind === 'plan' ? `${plan.shadows.length + 1} programmes solved` : plan.kind,
  );
  // Bins that may take either crop: the program chooses one for each.
  const either: AllocationInput = {
    ...input,
    destinations: input.destinations.map((place) =>
      place.kind === 'bin' ? { ...place, crop: ['corn', 'soybean'] } : place,
    ),
    lanes: [
      ...input.lanes,
      ...input.sources.flatMap((from) =>
        input.destinations
          .filter((to) => to.kind === 'bin' && to.crop !== from.crop)
          .map((to) => ({ from: from.id, to: to.id, value: from.crop === 'corn' ? 4.3 : 10.3, hoursPerBushel: 0.001 })),
      ),
    ],
  };
  row(
    `the same where each of twelve bins may take either crop (${either.lanes.length} lanes)`,
    `${timed(() => allocate(either, solve), 3).toFixed(0)} ms`,
    'goal under 500',
  );
  // Four of fifty cables hang in a bin: a season of hours of 20 sensors each.
  const hung = [0, 2, 4, 5].map((fromCenter) => ({ name: 'c', fromCenter, lowest: 0.5, spacing: 0.6, sensors: 20 }));
  const readings = modelCables({
    cables: hung,
    diameter: 12,
    levelM: 11,
    celsius: 22,
    putInMs: 0,
    airAt: (ms) => 10 + 6 * Math.sin(ms / 13_751_000),
    hours: Array.from({ length: 2880 }, (_, h) => h * 3_600_000),
    seed: 3,
  });
  const day = Array.from({ length: 24 }, (_, h) => 10 + 6 * Math.sin(h / 3.82));
  row(
    'a bin of four cables x 20 sensors x a season of hours: spots, level, picture',
    `${timed(() => cablesNow({ cables: hung }, readings, 2880 * 3_600_000, 11, day, 120), 5).toFixed(0)} ms`,
    'goal under 300 with the page',
  );
  const contracts = tenSeasonsOfContracts();
  const tickets = tenSeasonsOfTickets();
  row(
    `which of ${Object.keys(contracts).length} contracts ${tickets.length} tickets count on`,
    `${timed(() => contractBook(contracts, [], tickets, FIRST_MS + 10 * YEAR_MS), 5).toFixed(0)} ms`,
    'goal under 300 with the page',
  );
  sellBench(row, timed, contracts);
  const weather = Array.from({ length: 36 }, (_, h) => ({
    temperature: 20 + 8 * Math.sin(((h - 9) / 24) * 2 * Math.PI),
    humidity: 0.55,
  }));
  row(
    'a bean day fitted to four readings',
    `${timed(() => beanDay({ weather, readings: [9, 10, 11, 12].map((hour, i) => ({ hour, moisture: 0.16 - 0.008 * i })), window: { least: 0.115, most: 0.13 }, from: 12 })).toFixed(0)} ms`,
  );
}
