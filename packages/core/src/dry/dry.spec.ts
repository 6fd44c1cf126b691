import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededRandom } from '../kernel/index.js';
import * as psychrolib from 'psychrolib';
import { bulkDensity, CROP_IDS, CROPS } from '../crops/index.js';
import {
  bindingHeatOf,
  enthalpy,
  equilibriumHumidity,
  equilibriumMoisture,
  humidityRatio,
  isotherm,
  ISOTHERMS,
  relativeHumidity,
  specificVolume,
} from '../grain/index.js';
import { testWeightToKgPerM3 } from '../units/index.js';
import { dailyWeather, dryInBin, type InBinSetup, steadyWeather } from './in-bin.js';
import { dryingCost, type DryingJob, dryOrDock, dryTo } from './high-temperature.js';
import { fanRuns } from './fan-control.js';

const bin = (more: Partial<InBinSetup> = {}): InBinSetup => ({
  crop: CROPS.corn,
  depth: 4.88,
  layers: 20,
  moisture: 0.2,
  temperature: 10,
  airflow: 0.065,
  fanHeat: 1.67,
  weather: steadyWeather(8.3, 0.65, 24 * 90),
  control: { kind: 'always' },
  target: 0.155,
  ...more,
});

describe('drying in the bin', () => {
  it('closes water and energy to a thousandth whatever happens in it', () => {
    fc.assert(
      fc.property(
        fc.record({
          crop: fc.constantFrom(...CROP_IDS).map((id) => CROPS[id]),
          moisture: fc.double({ min: 0.1, max: 0.24, noNaN: true }),
          temperature: fc.double({ min: -5, max: 30, noNaN: true }),
          airflow: fc.double({ min: 0.01, max: 0.12, noNaN: true }),
          mean: fc.double({ min: -5, max: 25, noNaN: true }),
          humidity: fc.double({ min: 0.3, max: 0.9, noNaN: true }),
          seed: fc.nat(1e6),
          heat: fc.constantFrom(0, 3),
          stirring: fc.constantFrom(undefined, { everyHours: 24, share: 0.8 }),
          control: fc.constantFrom(
            { kind: 'always' } as const,
            { kind: 'humidity', least: 0, most: 0.75 } as const,
            { kind: 'equilibrium', wanted: 0.14, below: 0.03, above: 0.02 } as const,
          ),
        }),
        ({ mean, humidity, seed, heat, stirring, ...given }) => {
          const result = dryInBin(
            bin({
              ...given,
              layers: 12,
              supplementalHeat: heat,
              ...(stirring ? { stirring } : {}),
              weather: dailyWeather(mean, 5, humidity, 24 * 20, seededRandom(seed)),
              target: 0.05,
              goOn: true,
            }),
          );
          expect(Math.abs(result.waterGap)).toBeLessThan(1e-3);
          expect(Math.abs(result.energyGap)).toBeLessThan(1e-3);
          for (const m of result.moisture) expect(m > 0 && m < 0.6).toBe(true);
        },
      ),
      { seed: 20261123, numRuns: 60 },
    );
  });

  it('what the air carried off, worked out beside it from the top layer, is what the grain lost, in water and in heat', () => {
    const [celsius, humidity, airflow, layers, hours] = [14, 0.55, 0.05, 20, 24 * 12];
    const setup = bin({
      airflow,
      layers,
      fanHeat: 2,
      binding: { name: 'none', a: 0, b: 1 },
      isotherm: ['corn CP D245.4'],
      weather: steadyWeather(celsius, humidity, hours),
      every: 'hour',
      target: 0.05,
      goOn: true,
    });
    const { moistureHistory, temperatureHistory } = dryInBin(setup);
    // Another library's air, and the isotherm's other direction: nothing of the program's own sums.
    psychrolib.SetUnitSystem(psychrolib.SI);
    const P = 101_325;
    const w = psychrolib.GetHumRatioFromRelHum(celsius, humidity, P);
    const air = (airflow * 3600) / psychrolib.GetMoistAirVolume(celsius, w, P);
    const heat = (t: number, ratio: number): number => psychrolib.GetMoistAirEnthalpy(t, ratio) / 1000;
    let [waterOut, heatOut] = [0, 0];
    for (let hour = 1; hour <= hours; hour++) {
      const top = hour * layers + layers - 1;
      const [m, t] = [moistureHistory[top]!, temperatureHistory[top]!];
      const rh = equilibriumHumidity(CROPS.corn, t, m, ['corn CP D245.4']).relativeHumidity;
      const out = psychrolib.GetHumRatioFromRelHum(t, rh, P);
      waterOut += air * (out - w);
      heatOut += air * (heat(t, out) - heat(celsius + 2, w));
    }
    const dry = (bulkDensity(CROPS.corn, 0.2) * 0.8 * 4.88) / layers;
    const { at0, perPoint } = CROPS.corn.specificHeat;
    const rowOf = (history: Float64Array, hour: number): Float64Array =>
      history.subarray(hour * layers, (hour + 1) * layers);
    const inGrain = (hour: number): { water: number; heat: number } => {
      let [water, heat] = [0, 0];
      rowOf(moistureHistory, hour).forEach((m, i) => {
        water += (dry * m) / (1 - m);
        heat += (dry / (1 - m)) * (at0 + 100 * perPoint * m) * rowOf(temperatureHistory, hour)[i]!;
      });
      return { water, heat };
    };
    const [before, after] = [inGrain(0), inGrain(hours)];
    expect(waterOut / (before.water - after.water)).toBeCloseTo(1, 4);
    expect(Math.abs(heatOut - (before.heat - after.heat)) / (waterOut * 2501)).toBeLessThan(1e-4);
  });

  it('changes nothing with air in equilibrium with the grain', () => {
    for (const id of CROP_IDS) {
      const crop = CROPS[id];
      const moisture = equilibriumMoisture(crop, 12, 0.65).moisture;
      const result = dryInBin(
        bin({ crop, moisture, temperature: 12, fanHeat: 0, weather: steadyWeather(12, 0.65, 24 * 30), target: 0.02 }),
      );
      for (const m of result.moisture) expect(m).toBeCloseTo(moisture, 5);
      for (const t of result.temperature) expect(t).toBeCloseTo(12, 3);
    }
  });

  it('very dry air brings all of it to that air’s own equilibrium', () => {
    const result = dryInBin(
      bin({ fanHeat: 0, airflow: 0.2, weather: steadyWeather(25, 0.15, 24 * 60), target: 0.03, goOn: true }),
    );
    const rest = equilibriumMoisture(CROPS.corn, 25, 0.15).moisture;
    for (const m of result.moisture) expect(m).toBeCloseTo(rest, 4);
  });

  it('is done sooner with more air, and with more heat', () => {
    const days = (more: Partial<InBinSetup>): number => dryInBin(bin(more)).finishHour!;
    const byAir = [0.04, 0.05, 0.065, 0.08, 0.1].map((airflow) => days({ airflow }));
    expect(byAir).toEqual([...byAir].sort((a, b) => b - a));
    expect(new Set(byAir).size).toBe(byAir.length);
    expect(days({ supplementalHeat: 3 })).toBeLessThan(days({}));
    // Twice the air takes about half the time.
    expect(days({ airflow: 0.05 }) / days({ airflow: 0.1 })).toBeCloseTo(2, 1);
  });

  it('dries from the floor up: a front, dry and even below it, wet as filled above it', () => {
    const result = dryInBin(
      bin({ moisture: 0.21, every: 'hour', weather: steadyWeather(8.3, 0.65, 24 * 10), goOn: true }),
    );
    const n = 20;
    for (let row = 0; row < result.snapshotHours.length; row += 24) {
      const layers = [...result.moistureHistory.subarray(row * n, (row + 1) * n)];
      for (let i = 1; i < n; i++) expect(layers[i]!).toBeGreaterThanOrEqual(layers[i - 1]! - 0.002);
    }
    expect(result.moisture[0]!).toBeCloseTo(equilibriumMoisture(CROPS.corn, 8.3 + 1.67, 0.5825).moisture, 2);
    expect(result.moisture[n - 1]!).toBeGreaterThan(0.205);
    const front = result.front.filter((_, i) => i % 24 === 0);
    expect(front).toEqual([...front].sort((a, b) => a - b));
    expect(front.at(-1)!).toBeGreaterThan(0.15);
  });

  it('does not depend much on how finely it is cut', () => {
    const [coarse, fine] = [dryInBin(bin({ layers: 15 })).finishHour!, dryInBin(bin({ layers: 60 })).finishHour!];
    expect(Math.abs(coarse / fine - 1)).toBeLessThan(0.08);
  });

  it('a humidity window saves hours and over-drying and costs time; the target window hits nearer', () => {
    const weather = dailyWeather(8, 6, 0.68, 24 * 110, seededRandom(4));
    const always = dryInBin(bin({ weather }));
    const window = dryInBin(bin({ weather, control: { kind: 'humidity', least: 0, most: 0.7 } }));
    const target = dryInBin(
      bin({ weather, control: { kind: 'equilibrium', wanted: 0.15, below: 0.012, above: 0.01 }, goOn: true }),
    );
    expect(window.fanHours).toBeLessThan(window.hours);
    expect(window.finishHour!).toBeGreaterThan(always.finishHour!);
    expect(target.overdriedPointsAtFloor).toBeLessThan(window.overdriedPointsAtFloor);
    expect([
      fanRuns(
        { kind: 'humidity', least: 0.3, most: 0.7, leastCelsius: 2 },
        { temperature: 1, relativeHumidity: 0.5, equilibrium: 0.1 },
      ),
      fanRuns({ kind: 'always' }, { temperature: 1, relativeHumidity: 1, equilibrium: 0.3 }),
    ]).toEqual([false, true]);
  });

  it('stirring evens the layers and keeps the floor from over-drying', () => {
    const still = dryInBin(bin({ supplementalHeat: 6, weather: steadyWeather(8.3, 0.65, 24 * 14), goOn: true }));
    const stirred = dryInBin(
      bin({
        supplementalHeat: 6,
        weather: steadyWeather(8.3, 0.65, 24 * 14),
        goOn: true,
        stirring: { everyHours: 6, share: 0.6 },
      }),
    );
    const spread = (m: Float64Array): number => Math.max(...m) - Math.min(...m);
    expect(spread(stirred.moisture)).toBeLessThan(0.3 * spread(still.moisture));
    expect(stirred.overdriedKg).toBeLessThan(still.overdriedKg);
  });

  it('the top ages most, wetter corn more, and a crop without a table says so', () => {
    const at = (moisture: number) => dryInBin(bin({ moisture }));
    expect(at(0.22).worstLoss!).toBeGreaterThan(at(0.19).worstLoss!);
    expect(dryInBin(bin({ crop: CROPS.canola, moisture: 0.12, target: 0.09 })).worstLife).toBeNull();
    expect(dryInBin(bin({ crop: CROPS.wheat, moisture: 0.17 }))).toMatchObject({
      worstLoss: null,
      agedBy: 'Fraser & Muir 1981; medium confidence',
    });
  });

  it('ends without a finish when the weather does not dry', () => {
    const result = dryInBin(bin({ weather: steadyWeather(2, 0.95, 24 * 10), fanHeat: 0.5 }));
    expect([result.finishHour, result.hours, result.fanHours]).toEqual([null, 240, 240]);
  });

  it('takes every published form by name', () => {
    for (const set of ISOTHERMS.filter((row) => row.crop === 'corn'))
      expect(dryInBin(bin({ isotherm: [set.id] })).isotherm).toBe(set.id);
  });

  it('counts fan and heater by floor and hours', () => {
    const small = dryInBin(
      bin({ supplementalHeat: 2, fanWatts: 4000, floorArea: 10, weather: steadyWeather(8.3, 0.65, 24), goOn: true }),
    );
    expect(small.fanKWh).toBeCloseTo(96, 9);
    // 0.065 m3/s through 10 m2, 1.24 kg/m3, 1.02 kJ/(kg K), 2 K, 24 h.
    expect(small.heatKWh).toBeCloseTo((0.065 * 10 * 1.247 * 1.017 * 2 * 24 * 3600) / 3600, 0);
  });

  it('is the same for grain given layer by layer', () => {
    const density = testWeightToKgPerM3(56);
    expect(dryInBin(bin({ density })).finishHour).toBe(
      dryInBin(bin({ density, moisture: Array<number>(20).fill(0.2), temperature: Array<number>(20).fill(10) }))
        .finishHour,
    );
    expect(() => dryInBin(bin({ moisture: [0.2, 0.2] }))).toThrow(/values by layer is 2/);
  });
});

describe('drying with heat', () => {
  const job: DryingJob = {
    wetKg: 25_401,
    from: 0.2,
    to: 0.15,
    joulesPerKgWater: 5.1e6,
    fuel: 'propane',
    pricePerUnit: 1.8,
    kWhPerPointBushel: 0.01,
    pricePerKWh: 0.12,
    legalPounds: 56,
  };
  it('keeps wet and dry bushels apart, and costs nothing for grain that is dry', () => {
    const cost = dryingCost(job);
    expect(cost.perDryBushel / cost.perWetBushel).toBeCloseTo(0.85 / 0.8, 9);
    expect(cost.perPointWetBushel * 5).toBeCloseTo(cost.perWetBushel, 9);
    expect(dryingCost({ ...job, from: 0.14 })).toMatchObject({
      waterKg: 0,
      money: 0,
      perWetBushel: 0,
      perDryBushel: 0,
    });
  });
  it('says what to dry to, and which limit decided', () => {
    const ask = (moisture: number, months: number, buyerBase = 0.15) =>
      dryTo(CROPS.corn, { moisture, months, buyerBase });
    expect(ask(0.2, 0, 0.155)).toMatchObject({ target: 0.155, because: 'sold now: the buyer’s base' });
    expect(ask(0.2, 4)).toMatchObject({ target: 0.15, because: 'sold later: the buyer’s base keeps that long' });
    expect(ask(0.2, 10)).toMatchObject({ target: 0.14, because: 'storage time' });
    expect(ask(0.138, 10)).toMatchObject({ target: 0.138, because: 'already dry enough' });
    expect(dryTo(CROPS.corn, { moisture: 0.2, months: 10, buyerBase: 0.15, damagedPoints: 1 }).target).toBeCloseTo(
      0.13,
      12,
    );
  });
  it('weighs drying at home against the dock, and a dearer dock turns the answer', () => {
    const ask = (dockPerPoint: number, dockStep = 0) =>
      dryOrDock({
        job,
        pricePerBu: 4.2,
        buyer: { kind: 'flat', base: 0.15, percentPerPoint: 1.4 },
        dockPerPoint,
        dockStep,
      });
    expect([ask(0.01).better, ask(0.08).better]).toEqual(['sell wet', 'dry at home']);
    expect(ask(0.04).difference).toBeLessThan(ask(0.05).difference);
    // Points rounded up to halves dock 18.1 % as 3.5 points.
    const rounded = (dockStep: number) =>
      dryOrDock({
        job: { ...job, from: 0.181 },
        pricePerBu: 4.2,
        buyer: { kind: 'flat', base: 0.15, percentPerPoint: 1.4 },
        dockPerPoint: 0.04,
        dockStep,
      });
    expect(rounded(0).sellWet - rounded(0.5).sellWet).toBeCloseTo(0.4 * 0.04 * 1000, 1);
  });
  it('grain that is drier than the target is not dried: at home and at the elevator it pays the same, and loses nothing on the way', () => {
    const dry = dryOrDock({
      job: { ...job, from: 0.14, to: 0.15 },
      pricePerBu: 4.2,
      buyer: { kind: 'flat', base: 0.15, percentPerPoint: 1.4 },
      dockPerPoint: 0.04,
    });
    const bushels = job.wetKg / (job.legalPounds * 0.45359237);
    expect([dry.better, dry.difference]).toEqual(['even', 0]);
    expect(dry.homePaidBushels).toBeCloseTo(bushels, 9);
    expect(dry.sellWet).toBeCloseTo(4.2 * bushels, 6);
  });
});

describe('against the slow truth', () => {
  /** Thompson's equations layer by layer with the exact saturation pressure and plain bisection. */
  function slowly(setup: InBinSetup, hours: number): { moisture: number[]; temperature: number[] } {
    const { crop } = setup;
    const curve = isotherm(crop, setup.isotherm);
    const { a, b } = bindingHeatOf(crop);
    const n = setup.layers!;
    const [c0, c1] = [crop.specificHeat.at0, crop.specificHeat.at0 + 100 * crop.specificHeat.perPoint];
    const heat = (md: number, t: number): number =>
      (c0 + c1 * md) * t + ((2501 - 2.386 * 15) * a * Math.exp(-b * md)) / b;
    const x = Array<number>(n).fill((setup.moisture as number) / (1 - (setup.moisture as number)));
    const t = Array<number>(n).fill(setup.temperature as number);
    const dm = (setup.density! * (1 - (setup.moisture as number)) * setup.depth) / n;
    for (let h = 0; h < hours; h++) {
      const [out, rh] = [setup.weather.temperature[h]!, setup.weather.humidity[h]!];
      let w = humidityRatio(out, rh);
      const R = dm / ((setup.airflow * 3600) / specificVolume(out, w));
      let air = enthalpy(out + setup.fanHeat, w) / 1000;
      for (let i = 0; i < n; i++) {
        const all = air + R * heat(x[i]!, t[i]!);
        const state = (md: number): { t: number; w: number; excess: number } => {
          const w1 = w + R * (x[i]! - md);
          const t1 = (all - 2501 * w1 - R * heat(md, 0)) / (1.006 + 1.86 * w1 + R * (c0 + c1 * md));
          const m = curve.moistureAt(t1, Math.min(0.9999, relativeHumidity(t1, w1)));
          return { t: t1, w: w1, excess: m / (1 - m) - md };
        };
        let [low, high] = [x[i]! - 0.01, Math.min(x[i]! + 0.01, x[i]! + w / R)];
        for (let k = 0; k < 60; k++) {
          const middle = (low + high) / 2;
          if (state(middle).excess > 0) low = middle;
          else high = middle;
        }
        const end = state(low);
        x[i] = low;
        t[i] = end.t;
        w = end.w;
        air = enthalpy(end.t, end.w) / 1000;
      }
    }
    return { moisture: x.map((md) => md / (1 + md)), temperature: t };
  }

  it.each(['corn', 'soybean', 'wheat'] as const)('%s: the same layers after four days of changing weather', (id) => {
    const setup = bin({
      crop: CROPS[id],
      layers: 8,
      density: 720,
      moisture: 0.17,
      weather: dailyWeather(9, 6, 0.6, 96, seededRandom(9)),
      target: 0.02,
    });
    const fast = dryInBin(setup);
    const slow = slowly(setup, 96);
    for (let i = 0; i < 8; i++) {
      expect(fast.moisture[i]!).toBeCloseTo(slow.moisture[i]!, 5);
      expect(fast.temperature[i]!).toBeCloseTo(slow.temperature[i]!, 3);
    }
  });
});
