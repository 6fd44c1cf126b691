import { describe, expect, it } from 'vitest';
import {
  acresToHectares,
  calibrateMonitor,
  factorAt,
  CROPS,
  fieldForecast,
  gatherReadings,
  type HarvestedLoad,
  isotherm,
  dryToWetBasis,
  kernelGramsOfRule,
  lossCheck,
  type LossCheck,
  monitorDrift,
  monitorLoads,
  moistureSchedule,
  computeTicket,
  RESTATED,
  seededRandom,
  settingsTrail,
  triedOf,
  valueOfMoisture,
  waitingCosts,
  wetToDryBasis,
} from '../src/index.js';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const NOON = Date.UTC(2026, 8, 20, 12);

describe('readings on a chart', () => {
  const random = seededRandom(7);
  const many = Array.from({ length: 5000 }, (_, i) => ({
    atMs: NOON + i * 60_000,
    moisture: 0.12 + 0.05 * random(),
    source: i % 50 === 0 ? 'hand' : 'combine',
  }));
  it('few are drawn one by one', () => {
    const few = many.slice(0, 40);
    const marks = gatherReadings(few, 50);
    expect(marks.length).toBe(40);
    expect(marks.every((mark) => mark.count === 1 && mark.low === mark.high)).toBe(true);
  });
  it('many keep every reading, its span and its source', () => {
    const marks = gatherReadings(many, 260);
    expect(marks.length).toBeLessThanOrEqual(260);
    expect(marks.reduce((sum, mark) => sum + mark.count, 0)).toBe(5000);
    for (const source of ['hand', 'combine']) {
      const own = many.filter((reading) => reading.source === source).map((reading) => reading.moisture);
      const drawn = marks.filter((mark) => mark.source === source);
      expect(Math.min(...drawn.map((mark) => mark.low))).toBe(Math.min(...own));
      expect(Math.max(...drawn.map((mark) => mark.high))).toBe(Math.max(...own));
      expect(drawn.reduce((sum, mark) => sum + mark.count * mark.moisture, 0) / own.length).toBeCloseTo(
        own.reduce((a, b) => a + b) / own.length,
        12,
      );
    }
  });
  it('are in no order of their own', () => {
    expect(gatherReadings([...many].reverse(), 260)).toEqual(gatherReadings(many, 260));
    expect(gatherReadings([], 10)).toEqual([]);
  });
});

describe('the forecast of a field', () => {
  const dry = { least: 0.12, most: 0.135 };
  // A day of standing beans by the law itself, k = 0.15 an hour, under weather that is known.
  const weather = Array.from({ length: 40 }, (_, h) => ({
    atMs: NOON - 8 * HOUR + h * HOUR,
    temperature: 22 + 8 * Math.sin(((h - 4) / 24) * 2 * Math.PI),
    humidity: 0.55 - 0.25 * Math.sin(((h - 4) / 24) * 2 * Math.PI),
  }));
  const curve = isotherm(CROPS.soybean);
  const truth: { atMs: number; moisture: number }[] = [];
  let md = wetToDryBasis(0.175);
  for (const hour of weather) {
    truth.push({ atMs: hour.atMs, moisture: dryToWetBasis(md) });
    const rest = wetToDryBasis(curve.moistureAt(hour.temperature, hour.humidity));
    md = rest + (md - rest) * Math.exp(-0.15);
  }
  const ask = (readings: typeof truth, nowMs: number) =>
    fieldForecast({ crop: CROPS.soybean, readings, weather, window: dry, nowMs, dayOfYear: 263 });

  it('follows four falling readings of a bean day and says when the window opens', () => {
    const four = [2, 4, 6, 8].map((h) => truth[h]!);
    const answer = ask(four, four[3]!.atMs);
    if (!('points' in answer)) throw new Error(answer.missing);
    expect(answer.by).toBe('the day’s weather');
    const enters = truth.findIndex((point, h) => h > 8 && point.moisture <= dry.most);
    expect(Math.abs(answer.enters.likely! - truth[enters]!.atMs)).toBeLessThan(1.5 * HOUR);
    expect(answer.enters.early!).toBeLessThanOrEqual(answer.enters.likely!);
    for (const h of [10, 12, 14]) {
      const point = answer.points.find(({ atMs }) => atMs === truth[h]!.atMs)!;
      expect(truth[h]!.moisture).toBeGreaterThan(point.low);
      expect(truth[h]!.moisture).toBeLessThan(point.high);
    }
  });
  it('more readings make it surer', () => {
    const width = (n: number) => {
      const answer = ask(truth.slice(1, 1 + n), truth[n]!.atMs);
      if (!('points' in answer)) throw new Error(answer.missing);
      const point = answer.points.find(({ atMs }) => atMs === truth[14]!.atMs)!;
      return point.high - point.low;
    };
    expect(width(8)).toBeLessThan(width(2));
  });
  it('says what is missing instead of guessing', () => {
    expect(ask([], NOON)).toEqual({ missing: 'no reading' });
    expect(ask([truth[0]!], truth[0]!.atMs + 3 * DAY)).toEqual({ missing: 'no reading of the last day' });
    expect(
      fieldForecast({
        crop: CROPS.soybean,
        readings: [truth[2]!],
        weather: weather.slice(0, 3),
        window: dry,
        nowMs: truth[9]!.atMs,
        dayOfYear: 263,
      }),
    ).toEqual({
      missing: 'no weather for these hours',
    });
    // A reading from later than now is not known yet.
    expect(ask([truth[20]!], truth[3]!.atMs)).toEqual({ missing: 'no reading' });
  });
  it('bridges an hour of weather that did not come, and no more', () => {
    const holed = weather.filter((_, h) => h !== 12 && h !== 13);
    expect(
      'points' in
        fieldForecast({
          crop: CROPS.soybean,
          readings: truth.slice(2, 9),
          weather: holed,
          window: dry,
          nowMs: truth[8]!.atMs,
          dayOfYear: 263,
        }),
    ).toBe(true);
    const gap = weather.filter((_, h) => h < 6 || h > 9);
    expect(
      'missing' in
        fieldForecast({
          crop: CROPS.soybean,
          readings: truth.slice(2, 5),
          weather: gap,
          window: dry,
          nowMs: truth[10]!.atMs,
          dayOfYear: 263,
        }),
    ).toBe(true);
  });
  it('corn goes by its own readings, and by the calendar where there is one only', () => {
    const fall = Array.from({ length: 8 }, (_, i) => ({
      atMs: NOON - (14 - 2 * i) * DAY,
      moisture: 0.14 + 0.12 * Math.exp(-0.06 * 2 * i),
    }));
    const answer = fieldForecast({
      crop: CROPS.corn,
      readings: fall,
      weather: [],
      window: { least: 0.15, most: 0.18 },
      nowMs: NOON,
      dayOfYear: 263,
    });
    if (!('points' in answer)) throw new Error(answer.missing);
    expect(answer.by).toBe('the field’s own readings');
    // 0.14 + 0.12 exp(-0.06 t) = 0.18 after ln(3)/0.06 = 18.3 days from the first reading, 4.3 from the last.
    expect((answer.enters.likely! - NOON) / DAY).toBeCloseTo(Math.log(3) / 0.06 - 14, 1);
    expect((answer.leaves.likely! - NOON) / DAY).toBeCloseTo(Math.log(12) / 0.06 - 14, 0);
    expect(answer.leaves.how).toBe('too dry');
    const one = fieldForecast({
      crop: CROPS.corn,
      readings: fall.slice(-1),
      weather: [],
      window: { least: 0.15, most: 0.18 },
      nowMs: NOON,
      dayOfYear: 263,
    });
    expect('by' in one && one.by).toBe('the calendar');
  });
});

describe('a buyer’s terms on moisture', () => {
  const terms = {
    legalPounds: 60,
    base: 0.13,
    shrinkPerPoint: 2,
    dockPerPoint: 0.04,
    dockStep: 0.5,
    refuseAbove: 0.15,
  };
  it('dock each started half point, shrink above the base, pay nothing extra below, refuse above', () => {
    const pay = (moisture: number) =>
      computeTicket(
        { grossKg: 27_215.5422, tareKg: 0, moisture, factors: { moisture: 100 * moisture }, price: 10 },
        moistureSchedule(terms),
      );
    expect(pay(0.13).money).toBe(10_000);
    expect(pay(0.11).money).toBe(10_000);
    // 13.6 %: two started halves are 4 cents; 1.2 % of weight: 988 bu at 9.96.
    expect([pay(0.136).paidBushels, pay(0.136).pricePaid, pay(0.136).money]).toEqual([988, 9.96, 9840.48]);
    expect(valueOfMoisture(terms, 10)(0.151)).toBeNull();
  });
  it('over-dry grain loses as surely as wet grain is docked', () => {
    const value = valueOfMoisture(terms, 10);
    const perDry = (m: number) => value(m)! / (1 - m);
    expect(perDry(0.13)).toBeGreaterThan(perDry(0.1));
    expect(perDry(0.13)).toBeGreaterThan(perDry(0.145));
    // 10 % against 13 %: the same dry matter weighs (1 - 0.13)/(1 - 0.10) = 96.7 %.
    expect(perDry(0.1) / perDry(0.13)).toBeCloseTo(0.87 / 0.9, 4);
  });
  it('the best start is not the hour when the tester first reads the base', () => {
    // Falling through the base at 14:00 and on to 10 %: whoever waits for 13.0 cuts most of it too dry.
    const hours = Array.from({ length: 10 }, (_, hour) => ({ hour, moisture: 0.142 - 0.006 * hour }));
    const { best } = waitingCosts({
      hours,
      starts: [0, 1, 2, 3, 4],
      dryKgPerHour: 15_000,
      dryKgLeft: 100_000,
      value: valueOfMoisture({ ...terms, shrinkPerPoint: 1, dockPerPoint: 0.02 }, 10),
      open: [[0, 10]],
    });
    expect(best).toBeLessThan(2);
  });
});

describe('display and scale, out of the book', () => {
  const load = (i: number, more: Partial<HarvestedLoad> = {}): HarvestedLoad => ({
    id: `L${i}`,
    machine: 'combine-1',
    lot: 'a',
    crop: 'corn',
    atMs: NOON + i * 15 * 60_000,
    measured: [
      { method: 'cartScale', wetKg: 6000 },
      { method: 'monitor', wetKg: 6300 },
    ],
    note: '',
    ...more,
  });
  it('pairs come by themselves, with the flow of the minutes since the last load; the best scale counts', () => {
    const { pairs, only } = monitorLoads([
      load(0),
      load(1),
      load(2, { measured: [...load(2).measured, { method: 'ticket', wetKg: 6100 }] }),
    ]).get('combine-1')!;
    expect(pairs.map((pair) => [pair.monitorKg, pair.scaleKg, pair.flow])).toEqual([
      [6300, 6000, undefined],
      [6300, 6000, 6000 / 900],
      [6300, 6100, 6100 / 900],
    ]);
    expect(only).toEqual([]);
    expect(calibrateMonitor(pairs).factor).toBeCloseTo(18_100 / 18_900, 12);
  });
  it('what only the display measured is listed once, and not again when it was restated', () => {
    const alone = { measured: [{ method: 'monitor', wetKg: 5000 }] };
    const { only, pairs } = monitorLoads([
      load(0, alone),
      load(1, { ...alone, note: `${RESTATED}11,023 lb × 0.9600` }),
      load(2, { measured: [{ method: 'cartScale', wetKg: 6000 }] }),
    ]).get('combine-1')!;
    expect([only.map(({ id }) => id), pairs]).toEqual([['L0'], []]);
  });
  it('each machine has its own, and a long pause is no flow', () => {
    const both = monitorLoads([load(0), load(1, { machine: 'combine-2' }), load(8)]);
    expect([...both.keys()]).toEqual(['combine-1', 'combine-2']);
    expect(both.get('combine-1')!.pairs.map((pair) => pair.flow)).toEqual([undefined, undefined]);
  });
  it('a display that drifts is told from one that is only wrong', () => {
    const pairs = (errors: readonly number[]) =>
      errors.map((error, i) => ({
        id: String(i),
        lot: 'a',
        crop: 'corn',
        atMs: i,
        scaleKg: 1000,
        monitorKg: 1000 * (1 + error),
      }));
    expect(monitorDrift(pairs([0.04, 0.04, 0.04, 0.04, 0.04, 0.04]))).toBeCloseTo(0, 12);
    expect(monitorDrift(pairs([0.01, 0.01, 0.01, 0.05, 0.05, 0.05]))).toBeCloseTo(0.04, 12);
    expect(monitorDrift(pairs([0.01, 0.05]))).toBeNull();
  });
  it('knows the crop of each load, and the flow of one that only the display measured', () => {
    const { only, pairs } = monitorLoads([
      load(0),
      load(1, { measured: [{ method: 'monitor', wetKg: 4500 }], crop: 'soybean', lot: 'b' }),
    ]).get('combine-1')!;
    expect(pairs.map(({ crop }) => crop)).toEqual(['corn']);
    expect(only).toEqual([expect.objectContaining({ crop: 'soybean', flow: 5 })]);
  });
  it('where the error goes with flow, a load is multiplied by the factor of its own flow', () => {
    // 2 % high at 4 kg/s, 10 % high at 12: half a point and a little scatter in between.
    const loads = [4, 6, 8, 10, 12].map((flow, i) => ({
      flow,
      scaleKg: 5000,
      monitorKg: 5000 * (1 + 0.02 + 0.01 * (flow - 4) + (i % 2 === 0 ? 0.001 : -0.001)),
    }));
    const calibration = calibrateMonitor(loads);
    expect(calibration.flowBias!.shown).toBe(true);
    expect(factorAt(calibration, 12)).toBeCloseTo(1 / 1.1, 2);
    expect(factorAt(calibration, 4)).toBeCloseTo(1 / 1.02, 2);
    // Faster than any load that was weighed: as the fastest of them. Unknown: the one factor.
    expect(factorAt(calibration, 20)).toBe(factorAt(calibration, 12));
    expect(factorAt(calibration, undefined)).toBe(calibration.factor);
    const steady = calibrateMonitor(loads.map(({ flow }, i) => ({ flow, scaleKg: 5000, monitorKg: 5250 + (i % 2) })));
    expect(factorAt(steady, 12)).toBe(steady.factor);
  });
});

describe('the trail of settings', () => {
  const count = (kernels: number, frames = 5): LossCheck =>
    lossCheck({
      // A little scatter, so that the count knows how sure it is.
      behind: Array.from({ length: frames }, (_, i) => ({ kernels: kernels + (i % 2 === 0 ? 1 : -1), area: 0.93 })),
      before: [{ kernels: 4, area: 0.93 }],
      kernelGrams: kernelGramsOfRule(2, 56),
      legalPounds: 56,
      pricePerBu: 4.4,
      areaLeft: acresToHectares(640),
    });
  const sheet = (id: string, at: number, values: object, undoes?: string) => ({
    id,
    atMs: at,
    values,
    ...(undoes ? { undoes } : {}),
  });
  const check = (id: string, at: number, entryId: string, kernels: number) => ({
    id,
    atMs: at,
    entryId,
    check: count(kernels),
  });
  const worth = { pricePerBu: 4.4, areaLeft: acresToHectares(640) };

  it('a change that helped is kept, one that made it worse is gone back on, and the way back is no try', () => {
    const sheets = [
      sheet('1', 1, { rotor: 400 }),
      sheet('2', 3, { rotor: 370 }),
      sheet('3', 5, { rotor: 370, fan: 900 }),
      sheet('4', 7, { rotor: 370, fan: 950 }),
      sheet('5', 9, { rotor: 370, fan: 900 }, '4'),
    ];
    const checks = [check('a', 2, '1', 30), check('b', 4, '2', 15), check('c', 6, '3', 15), check('d', 8, '4', 40)];
    const trail = settingsTrail(sheets, checks, worth);
    expect(trail.map((step) => step.verdict)).toEqual([null, 'keep', 'go back', 'taken back', null]);
    expect(trail[1]!.changed).toEqual([{ setting: 'rotor', from: 400, to: 370 }]);
    expect(trail[1]!.result!.gain).toBeCloseTo((30 - 15) / 0.93 / (2 / 0.09290304), 2);
    expect(triedOf(trail)).toEqual([
      { setting: 'rotor', direction: 'down', outcome: 'better' },
      { setting: 'fan', direction: 'up', outcome: 'worse' },
    ]);
    // After the way back the next change is judged against the count that stood before the wrong one.
    const on = settingsTrail(
      [...sheets, sheet('6', 11, { rotor: 350, fan: 900 })],
      [...checks, check('e', 12, '6', 6)],
      worth,
    );
    expect(on.at(-1)!.verdict).toBe('keep');
  });
  it('two changes at once teach nothing, and an uncounted one is to be counted first', () => {
    const trail = settingsTrail(
      [
        sheet('1', 1, { rotor: 400, fan: 900 }),
        sheet('2', 3, { rotor: 370, fan: 950 }),
        sheet('3', 5, { rotor: 360, fan: 950 }),
      ],
      [check('a', 2, '1', 30), check('b', 4, '2', 15)],
      worth,
    );
    expect(trail.map((step) => step.verdict)).toEqual([null, 'nothing learnt', 'count first']);
    expect(triedOf(trail)).toEqual([]);
  });
});
