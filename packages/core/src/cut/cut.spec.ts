import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededRandom } from '../kernel/index.js';
import { CROPS } from '../crops/index.js';
import { isotherm, saturationPressure } from '../grain/index.js';
import { dryToWetBasis, wetToDryBasis } from '../units/index.js';
import { type Setting, SETTINGS, type Symptom, SYMPTOMS } from '../records/index.js';
import { advise } from './adviser.js';
import {
  beanDay,
  cornDrydown,
  cornPointsPerDay,
  type FieldReading,
  fitToCut,
  growingDegreeDays,
  sampleMean,
  type WeatherHour,
} from '../fields/index.js';
import { calibrateMonitor } from './yield-monitor.js';
import { compareLoss, lossCheck, type LossCheckInput } from './losses.js';
import { rateAt, speedForRate, tankFill } from './speed.js';

const RUNS = { seed: 20261123, numRuns: 300 };

describe('speed and rate', () => {
  it('are each other’s way back, and a limit can only slow down', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e4, max: 2e5, noNaN: true }),
        fc.double({ min: 3, max: 15, noNaN: true }),
        fc.double({ min: 3000, max: 16_000, noNaN: true }),
        fc.double({ min: 0.5, max: 6, noNaN: true }),
        (rate, width, yieldKgPerHa, limit) => {
          const free = speedForRate({ rate, width, yieldKgPerHa, headConfirmed: true });
          const held = speedForRate({
            rate,
            width,
            yieldKgPerHa,
            limits: [{ name: 'limit', speed: limit }],
            headConfirmed: true,
          });
          if (free.kind !== 'speed' || held.kind !== 'speed') throw new Error('no speed');
          if (free.limitedBy === null) expect(rateAt(free.speed, width, yieldKgPerHa) / rate).toBeCloseTo(1, 9);
          expect(held.speed).toBeLessThanOrEqual(limit);
          expect(held.rate).toBeLessThanOrEqual(free.rate + 1e-6);
        },
      ),
      RUNS,
    );
  });
  it('tells when the tank is full and whether it fits the cart', () => {
    expect(tankFill({ inTankKg: 4000, tankKg: 9000, rate: 100_000, cartRoomKg: 3000 })).toEqual({
      secondsToFull: 180,
      fitsCart: false,
      overCartKg: 1000,
    });
    expect(tankFill({ inTankKg: 4000, tankKg: 9000, rate: 0 })).toEqual({
      secondsToFull: null,
      fitsCart: null,
      overCartKg: 0,
    });
  });
});

describe('loss check', () => {
  const input: LossCheckInput = {
    behind: [
      { kernels: 60, area: 1 },
      { kernels: 50, area: 1 },
      { kernels: 70, area: 1 },
    ],
    before: [{ kernels: 5, area: 1 }],
    atHeader: [{ kernels: 15, area: 1 }],
    unthreshedShare: 0.25,
    spread: { discharge: 6, header: 9 },
    kernelGrams: 0.3,
    legalPounds: 56,
    pricePerBu: 4.4,
    areaRate: 3,
    areaLeft: 100,
  };
  it('splits into header, threshing and separation that sum to the machine’s', () => {
    const { parts, warnings } = lossCheck(input);
    // Only what leaves the back is scaled by 6/9: header 10, rear (60 - 15) x 2/3 = 30 on a m2.
    expect([parts.header!.kernelsPerM2, parts.machine!.kernelsPerM2]).toEqual([10, 40]);
    expect(parts.threshing!.kernelsPerM2).toBeCloseTo(7.5, 9);
    expect(parts.header!.kgPerHa + parts.threshing!.kgPerHa + parts.separation!.kgPerHa).toBeCloseTo(
      parts.machine!.kgPerHa,
      9,
    );
    expect(warnings).toEqual([]);
  });
  it('is never negative: contradicting counts are zero and said', () => {
    const { parts, warnings } = lossCheck({ ...input, behind: [{ kernels: 3, area: 1 }] });
    expect(parts.separation!.kernelsPerM2).toBe(0);
    expect(warnings).toEqual(['fewerBehindThanAtHeader']);
    expect(lossCheck({ ...input, before: 0 }).warnings).toEqual(['nothingBefore']);
  });
  it('does not call a change better that the counts cannot show', () => {
    const at = (kernels: number) =>
      lossCheck({
        ...input,
        behind: [
          { kernels, area: 1 },
          { kernels: kernels + 10, area: 1 },
          { kernels: kernels - 10, area: 1 },
        ],
      });
    expect(compareLoss(at(60), at(57), { pricePerBu: 4.4, areaLeft: 100 }).verdict).toBe('not shown');
    expect(compareLoss(at(60), at(160), { pricePerBu: 4.4, areaLeft: 100 }).verdict).toBe('worse');
    expect(compareLoss(at(160), at(60), { pricePerBu: 4.4, areaLeft: 100 }).verdict).toBe('better');
    // One frame, or counts that cannot be, are no result: never a saving.
    const one = lossCheck({ ...input, behind: [{ kernels: 60, area: 1 }], before: 0 });
    expect([one.noResult, compareLoss(at(160), one, { pricePerBu: 4.4, areaLeft: 100 }).verdict]).toEqual(['one frame', 'no result']); // prettier-ignore
    const wrong = lossCheck({ ...input, before: [{ kernels: 9e4, area: 1 }, { kernels: 9e4, area: 1 }] }); // prettier-ignore
    expect([wrong.noResult, compareLoss(at(160), wrong, { pricePerBu: 4.4, areaLeft: 100 }).verdict]).toEqual(['counts contradict', 'no result']); // prettier-ignore
  });
  it('refuses a count below zero at its place', () => {
    expect(() => lossCheck({ ...input, behind: [{ kernels: -3, area: 1 }] })).toThrow(
      'kernels counted is -3 ; it must lie between 0 and 1000000 ',
    );
  });
});

describe('settings adviser', () => {
  const present = {
    rotor: 400,
    concave: 25,
    fan: 900,
    chaffer: 16,
    sieve: 11,
    speed: 1.8,
    reel: 1.2,
    deckPlates: 32,
    headerHeight: 300,
    headerDrive: 520,
    spreader: 700,
  };
  const symptoms = Object.keys(SYMPTOMS) as Symptom[];

  it('gives one change at a time, towards the range’s inside, for every symptom and machine', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...symptoms),
        fc.dictionary(
          fc.constantFrom(...(Object.keys(SETTINGS) as Setting[])),
          fc.double({ min: 0, max: 1, noNaN: true }),
        ),
        (symptom, shares) => {
          const ranges: Partial<Record<Setting, readonly [number, number]>> = {};
          for (const [name, share] of Object.entries(shares) as [Setting, number][]) {
            const { least, most } = SETTINGS[name];
            ranges[name] = [least + ((present[name] - least) * share) / 2, most - ((most - present[name]) * share) / 2];
          }
          const advice = advise({ symptom, present, ranges });
          for (const change of [advice.next!, ...advice.then]) {
            if (change.kind === 'do') continue;
            const [low, high] = ranges[change.setting] ?? [
              SETTINGS[change.setting].least,
              SETTINGS[change.setting].most,
            ];
            expect(change.to!).toBeGreaterThanOrEqual(low);
            expect(change.to!).toBeLessThanOrEqual(high);
            expect(Math.sign(change.to! - change.from!)).toBe(change.direction === 'up' ? 1 : -1);
            expect(change.why).not.toBe('');
          }
        },
      ),
      RUNS,
    );
  });
  it('slows the rotor first for cracked grain, then opens the concave when that did not help', () => {
    const first = advise({ symptom: 'cracked', present, ranges: {} });
    expect(first.next).toMatchObject({ setting: 'rotor', direction: 'down', from: 400, to: 370 });
    const second = advise({
      symptom: 'cracked',
      present,
      ranges: {},
      tried: [{ setting: 'rotor', direction: 'down', outcome: 'worse' }],
    });
    expect(second.next).toMatchObject({ setting: 'concave', direction: 'up' });
    expect(second.passedOver).toEqual([{ setting: 'rotor', because: 'madeItWorse' }]);
    // What helped may be tried again.
    expect(
      advise({
        symptom: 'cracked',
        present,
        ranges: {},
        tried: [{ setting: 'rotor', direction: 'down', outcome: 'better' }],
      }).next,
    ).toMatchObject({ setting: 'rotor' });
  });
  it('passes over what the machine cannot do, and takes the part of a step that is left', () => {
    const limited = advise({ symptom: 'cracked', present, ranges: { rotor: [400, 900] } });
    expect([limited.next, limited.passedOver]).toMatchObject([
      { setting: 'concave' },
      [{ setting: 'rotor', because: 'atLimit' }],
    ]);
    expect(advise({ symptom: 'cracked', present, ranges: { rotor: [390, 900] } }).next).toMatchObject({
      to: 390,
      step: 10,
    });
  });
  it('stops the machine before a person reaches in, and knows when waiting is the answer', () => {
    const { next, then } = advise({ symptom: 'unthreshed', present, ranges: {} });
    expect([
      next!.kind,
      ...then.map((change) => (change.kind === 'do' ? [change.stopFirst, change.what] : change.setting)),
    ]).toEqual(['set', 'rotor', [true, 'checkThatTheConcave'], [false, 'waitForTheCrop']]);
    expect(advise({ symptom: 'sieveLoss', present, ranges: {}, hint: 'mat on the sieve' }).then[0]).toMatchObject({
      setting: 'fan',
      direction: 'up',
    });
    expect(advise({ symptom: 'sieveLoss', present, ranges: {}, hint: 'light in chaff' }).then[0]).toMatchObject({
      setting: 'fan',
      direction: 'down',
    });
    expect(() => advise({ symptom: 'noise' as Symptom, present, ranges: {} })).toThrow(/symptom "noise" is not known/);
  });
  it('has an end', () => {
    const tried = (['rotor', 'concave', 'fan'] as const).map((setting) => ({
      setting,
      direction: setting === 'rotor' ? ('down' as const) : ('up' as const),
      outcome: 'not shown' as const,
    }));
    expect(advise({ symptom: 'fines', present, ranges: {}, tried })).toMatchObject({ next: null, then: [] });
  });
});

describe('yield monitor', () => {
  it('finds a bias that goes with flow, and asks for what is missing', () => {
    const loads = [8, 10, 12, 14, 16, 18].map((flow, i) => ({
      scaleKg: 5000,
      monitorKg: 5000 * (0.9 + 0.01 * flow) * (1 + 0.001 * (i % 2)),
      flow,
    }));
    const fit = calibrateMonitor(loads);
    expect(fit.flowBias!.shown).toBe(true);
    expect(fit.flowBias!.perKgPerSecond).toBeCloseTo(0.01, 3);
    expect(fit.errors.some((error) => !error.within)).toBe(true);
    expect(fit.enough).toBe(false);
    expect(calibrateMonitor([{ monitorKg: 5000, scaleKg: 4900, flow: 10 }])).toMatchObject({
      enough: false,
      wanted: ['more loads', 'slower and faster loads'],
      line: null,
      flowBias: null,
    });
    expect(
      calibrateMonitor([8, 10, 12, 14].map((flow, i) => ({ monitorKg: 5000 + i, scaleKg: 4900, flow }))),
    ).toMatchObject({ enough: true, wanted: [] });
  });
  it('the factor brings the sum of the loads to the scale', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            monitorKg: fc.double({ min: 1000, max: 20_000, noNaN: true }),
            scaleKg: fc.double({ min: 1000, max: 20_000, noNaN: true }),
          }),
          {
            minLength: 1,
            maxLength: 12,
          },
        ),
        (loads) => {
          const { factor } = calibrateMonitor(loads);
          expect(loads.reduce((sum, load) => sum + load.monitorKg * factor, 0)).toBeCloseTo(
            loads.reduce((sum, load) => sum + load.scaleKg, 0),
            4,
          );
        },
      ),
      RUNS,
    );
  });
});

describe('field moisture', () => {
  it('corn follows its own samples, and the calendar where there is only one', () => {
    const samples = [
      [0, 0.3],
      [4, 0.279],
      [8, 0.259],
      [12, 0.243],
    ].map(([day, moisture]) => ({ day: day!, moisture: moisture! }));
    const fit = cornDrydown(samples, 270);
    expect(fit.by).toBe('samples');
    expect(fit.scatterPoints!).toBeLessThan(0.3);
    const days = fit.daysTo(0.2)!;
    expect(fit.moistureAt(days)).toBeCloseTo(0.2, 9);
    expect([fit.daysTo(0.1), fit.daysTo(0.4)]).toEqual([null, null]);
    const calendar = cornDrydown([{ day: 3, moisture: 0.25 }], 265);
    expect(calendar.by).toBe('calendar');
    expect(calendar.moistureAt(1)).toBeCloseTo(0.25 - cornPointsPerDay(265) / 100, 9);
    expect(calendar.moistureAt(calendar.daysTo(0.22)!)).toBeCloseTo(0.22, 6);
    // Samples that do not fall give no rate.
    expect(
      cornDrydown(
        [
          { day: 0, moisture: 0.22 },
          { day: 3, moisture: 0.23 },
        ],
        265,
      ).by,
    ).toBe('calendar');
  });
  it('the calendar slows through the fall, and heat counts between 50 and 86 °F', () => {
    const rates = [245, 260, 275, 295, 320, 350].map(cornPointsPerDay);
    expect(rates).toEqual([...rates].sort((a, b) => b - a));
    expect(rates.at(-1)).toBe(0);
    expect([growingDegreeDays(40, 5), growingDegreeDays(8, -2), growingDegreeDays(25, 15)]).toEqual([18, 0, 18]);
  });
  it('one reading has no half-width; more of them ask for how many more', () => {
    expect(sampleMean([0.18]).halfWidthPoints).toBeNull();
    const { moisture, halfWidthPoints, moreFor } = sampleMean([0.171, 0.182, 0.176, 0.189]);
    expect(moisture).toBeCloseTo(0.1795, 12);
    expect(halfWidthPoints!).toBeGreaterThan(1);
    expect(moreFor(0.5)!).toBeGreaterThan(moreFor(1)!);
  });
});

describe('the bean day', () => {
  const weather: WeatherHour[] = Array.from({ length: 40 }, (_, h) => {
    const temperature = 20 + 8 * Math.sin(((h - 9) / 24) * 2 * Math.PI);
    return { temperature, humidity: Math.min(0.95, (0.55 * saturationPressure(20)) / saturationPressure(temperature)) };
  });
  const window = { least: 0.115, most: 0.13 };
  /** Made-up truth: the same law with its own rate and offset. */
  const truth = (k: number, offset: number, start: number): number[] => {
    const curve = isotherm(CROPS.soybean);
    const out = [wetToDryBasis(start)];
    for (let h = 1; h < weather.length; h++) {
      const rest =
        wetToDryBasis(curve.moistureAt(weather[h - 1]!.temperature, Math.min(0.97, weather[h - 1]!.humidity))) +
        offset / 100 / 0.87 ** 2;
      out.push(rest + (out[h - 1]! - rest) * Math.exp(-k));
    }
    return out.map(dryToWetBasis);
  };
  const readingsOf = (
    path: readonly number[],
    hours: readonly number[],
    noise = 0,
    random = seededRandom(1),
  ): FieldReading[] =>
    hours.map((hour) => ({ hour, moisture: path[hour]! + (noise / 100) * (random() + random() + random() - 1.5) * 2 }));

  it('four falling readings give the hour of entering and leaving, with a band about the actual', () => {
    const path = truth(0.16, 0.5, 0.2);
    const day = beanDay({ weather, readings: readingsOf(path, [8, 9, 10, 11]), window, from: 11 });
    const enters = path.findIndex((m, h) => h >= 11 && m <= window.most);
    expect(Math.abs(day.enters.likely! - enters)).toBeLessThan(1);
    expect(day.enters.early!).toBeLessThanOrEqual(day.enters.likely!);
    expect(day.enters.late!).toBeGreaterThanOrEqual(day.enters.likely!);
    for (const { hour, low, high, likely } of day.hours.filter((h) => h.hour >= 11 && h.hour < 20)) {
      expect(path[hour]!, `hour ${hour}`).toBeGreaterThan(low);
      expect(path[hour]!, `hour ${hour}`).toBeLessThan(high);
      expect(Math.abs(likely - path[hour]!)).toBeLessThan(0.008);
    }
  });
  it('is surer with more readings', () => {
    const path = truth(0.12, 0, 0.18);
    const width = (hours: readonly number[]): number => {
      const at = beanDay({ weather, readings: readingsOf(path, hours), window, from: 12 }).hours.find(
        (h) => h.hour === 16,
      )!;
      return at.high - at.low;
    };
    expect(width([8, 9, 10, 11, 12])).toBeLessThan(width([12]));
  });
  it('holds the truth in its band about eight times of ten', () => {
    const random = seededRandom(7);
    let [inside, all] = [0, 0];
    for (let day = 0; day < 30; day++) {
      const path = truth(0.15 * 2 ** ((random() - 0.5) * 1.5), (random() - 0.5) * 2, 0.16 + 0.05 * random());
      const forecast = beanDay({ weather, readings: readingsOf(path, [8, 10, 11, 12], 0.5, random), window, from: 12 });
      for (const { hour, low, high } of forecast.hours.filter((h) => h.hour > 12 && h.hour <= 20)) {
        all++;
        if (path[hour]! >= low && path[hour]! <= high) inside++;
      }
    }
    expect(inside / all).toBeGreaterThan(0.75);
    expect(inside / all).toBeLessThan(0.85);
  });
  it('beans take up water at night, and dew keeps them out of the window', () => {
    const path = truth(0.16, 0, 0.15);
    const day = beanDay({ weather, readings: readingsOf(path, [9, 11, 13]), window, from: 13 });
    const likely = day.hours.map((h) => h.likely);
    expect(likely[28 - 9]!).toBeGreaterThan(likely[18 - 9]!);
    // A shower at two: inside the window at one, out of it again with the wet pods.
    const wet = beanDay({
      weather: weather.map((hour, h) => (h >= 14 ? { ...hour, wet: true } : hour)),
      readings: [
        { hour: 10, moisture: 0.137 },
        { hour: 13, moisture: 0.126 },
      ],
      window: { least: 0.11, most: 0.13 },
      from: 13,
    });
    expect(wet.hours.at(-1)!.likely).toBeGreaterThan(day.hours.at(-1)!.likely);
    expect(wet.leaves.how).toBe('too wet');
  });
  it('says null where nothing enters within the forecast, and refuses a reading outside it', () => {
    const damp = weather.map((hour) => ({ ...hour, humidity: 0.95 }));
    expect(beanDay({ weather: damp, readings: [{ hour: 9, moisture: 0.2 }], window, from: 9 }).enters).toEqual({
      early: null,
      likely: null,
      late: null,
    });
    expect(() => beanDay({ weather, readings: [{ hour: 99, moisture: 0.2 }], window, from: 9 })).toThrow(
      /hour of a reading is 99/,
    );
    expect(() => beanDay({ weather, readings: [], window, from: 9 })).toThrow(/number of readings is 0/);
  });
});

describe('go, wait or stop', () => {
  const window = { tooDryBelow: 0.1, bestFrom: 0.12, bestTo: 0.13, refuseAbove: 0.145 };
  const ask = (moisture: number | null, more: object = {}) => fitToCut({ moisture, window, ...more });
  it('names the limit that decided', () => {
    expect([ask(0.125), ask(0.14), ask(0.11)].map((v) => [v.verdict, v.because])).toEqual([
      ['go', 'in the best window'],
      ['go', 'wetter than best'],
      ['go', 'drier than best'],
    ]);
    expect(ask(0.15)).toMatchObject({ verdict: 'stop', because: 'refused above', points: 0.5 });
    expect(ask(0.15, { trend: -0.4 })).toMatchObject({ verdict: 'wait', because: 'refused above' });
    expect(ask(0.095)).toMatchObject({ verdict: 'stop', because: 'too dry', points: -0.5 });
    expect(ask(0.125, { wetStraw: true })).toMatchObject({ verdict: 'stop', because: 'dew or rain on it' });
  });
  it('never says go on an old reading or on none', () => {
    expect(ask(null)).toMatchObject({ verdict: 'wait', because: 'too few readings' });
    expect(ask(0.125, { ageHours: 5 })).toMatchObject({
      verdict: 'wait',
      because: 'reading too old',
      also: ['in the best window'],
    });
    expect(ask(0.15, { ageHours: 5 })).toMatchObject({ verdict: 'stop', also: ['reading too old'] });
    expect(() => fitToCut({ moisture: 0.12, window: { ...window, bestTo: 0.11 } })).toThrow(
      /limits of the window, rising/,
    );
  });
});
