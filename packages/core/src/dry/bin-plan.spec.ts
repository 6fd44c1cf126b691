import { describe, expect, it } from 'vitest';
import { CROPS } from '../crops/index.js';
import { operatingPoint } from '../grain/index.js';
import { seededRandom } from '../kernel/index.js';
import { BIN_FAN, type BinFan } from '../records/index.js';
import { cfmToCubicMetresPerSecond, fahrenheitToCelsius, inchesOfWaterToPascals } from '../units/index.js';
import { binPlan, type BinPlanInput, fallWeather, fanOfRows } from './index.js';

const FOOT = 0.3048;
// A fan of about 15 hp as tables of centrifugal fans have it: 14,000 cfm at 2 in., 9,000 cfm at 6 in.
const FAN: BinFan = {
  lowPressure: inchesOfWaterToPascals(2),
  lowFlow: cfmToCubicMetresPerSecond(14_000),
  highPressure: inchesOfWaterToPascals(6),
  highFlow: cfmToCubicMetresPerSecond(9000),
  efficiency: 0.5,
  heater: 0,
  powerPrice: 0.12,
  heatPrice: 0.07,
  control: 'always',
  mostHumidity: 0.75,
};
const NOTHING = { temperature: [], humidity: [] };
const AIR = { mean: fahrenheitToCelsius(55), swing: 6, humidity: 0.62, fallsPerWeek: 1 };
const bin = (more: Partial<BinPlanInput> = {}): BinPlanInput => ({
  crop: CROPS.corn,
  diameter: 30 * FOOT,
  depth: 14 * FOOT,
  eave: 18 * FOOT,
  layers: [{ share: 1, moisture: 0.2 }],
  celsius: fahrenheitToCelsius(60),
  target: 0.16,
  fan: FAN,
  known: NOTHING,
  air: AIR,
  falls: 5,
  ...more,
});

describe('a fan by two rows of its table', () => {
  it('passes through both rows and falls between', () => {
    const fan = fanOfRows(FAN);
    expect(fan.pressureAt(FAN.lowFlow)).toBeCloseTo(FAN.lowPressure, 6);
    expect(fan.pressureAt(FAN.highFlow)).toBeCloseTo(FAN.highPressure, 6);
  });
  it('refuses a table that is not falling', () => {
    // A row between: straight from row to row, and not the curve through the two.
    const between = [{ pressure: inchesOfWaterToPascals(4), flow: cfmToCubicMetresPerSecond(12_500) }];
    const table = fanOfRows({ ...FAN, between });
    expect(table.pressureAt(between[0]!.flow)).toBeCloseTo(between[0]!.pressure, 6);
    expect(table.pressureAt(cfmToCubicMetresPerSecond(13_250))).toBeCloseTo(inchesOfWaterToPascals(3), 6);
    expect(BIN_FAN.rules.flatMap((rule) => rule.broken({ ...FAN, between } as never) ?? [])).toEqual([]);
    expect(BIN_FAN.rules.flatMap((rule) => rule.broken({ ...FAN, between: [{ ...between[0]!, flow: 1 }] } as never) ?? [])).toEqual(['between.0.flow']); // prettier-ignore
    expect(() => fanOfRows({ ...FAN, highFlow: FAN.lowFlow })).toThrow(/flow at the higher pressure/);
    expect(() => fanOfRows({ ...FAN, highPressure: FAN.lowPressure })).toThrow(/higher pressure/);
  });
});

describe('weather of a fall', () => {
  it('begins with the forecast and cools by the week', () => {
    const known = { temperature: [1, 2, 3], humidity: [0.5, 0.6, 0.7] };
    const { temperature, humidity } = fallWeather(known, AIR, 3 + 3 * 168, seededRandom(7));
    expect([...(temperature as Float64Array).subarray(0, 3)]).toEqual([1, 2, 3]);
    expect(humidity[2]).toBe(0.7);
    const mean = (from: number): number =>
      (temperature as Float64Array).subarray(from, from + 168).reduce((a, b) => a + b, 0) / 168;
    // Spells of weather about it; a fall of five degrees a week shows through them.
    const steep = fallWeather(NOTHING, { ...AIR, fallsPerWeek: 5 }, 3 * 168, seededRandom(7))
      .temperature as Float64Array;
    const first = steep.subarray(0, 168).reduce((a, b) => a + b, 0) / 168;
    const third = steep.subarray(336).reduce((a, b) => a + b, 0) / 168;
    expect(first - third).toBeGreaterThan(5);
    expect(mean(3)).toBeGreaterThan(AIR.mean - 4);
  });
});

describe('whether a bin gets dry before its top spoils', () => {
  const plan = binPlan(bin());
  it('takes weeks with about a cfm a bushel; nine falls of ten take no less than the usual one', () => {
    expect(plan.point.cfmPerBushel).toBeGreaterThan(0.8);
    expect(plan.point.cfmPerBushel).toBeLessThan(2);
    // 3 to 7 weeks for 20 % corn at a cfm a bushel: extension tables for natural air, from memory.
    expect(plan.usual!.hours! / 24).toBeGreaterThan(12);
    expect(plan.usual!.hours! / 24).toBeLessThan(50);
    expect(plan.nineOfTen!.hours!).toBeGreaterThanOrEqual(plan.usual!.hours!);
    expect(plan.safe).toBe(true);
  });
  it('goes by the fan where it meets the bin, and pays for its hours', () => {
    const at = operatingPoint(fanOfRows(FAN), {
      crop: CROPS.corn,
      floorArea: (Math.PI / 4) * (30 * FOOT) ** 2,
      depth: 14 * FOOT,
    });
    expect(plan.point.flow).toBeCloseTo(at.flow, 9);
    expect(plan.usual!.kWh).toBeCloseTo((plan.usual!.fanHours * at.shaftWatts) / 1000, 6);
    expect(plan.usual!.money).toBeCloseTo(plan.usual!.kWh * 0.12, 9);
  });
  it('a foot less and a bigger fan are faster, and the front never runs back in its picture', () => {
    expect(plan.footLess!.hours!).toBeLessThan(plan.usual!.hours!);
    expect(plan.biggerFan!.hours!).toBeLessThan(plan.usual!.hours!);
    const tops = plan.picture.map(({ moisture }) => moisture.at(-1)!);
    expect(tops[0]).toBeCloseTo(0.2, 6);
    expect(tops.at(-1)!).toBeLessThanOrEqual(0.16 + 1e-9);
  });
  it('the wetter, the less deep: at 24 % the deepest that keeps is under the wall, and a foot more does not keep', () => {
    const wet = bin({
      layers: [{ share: 1, moisture: 0.24 }],
      celsius: fahrenheitToCelsius(70),
      air: { ...AIR, mean: fahrenheitToCelsius(68) },
    });
    const { deepest, safe } = binPlan(wet);
    expect(safe).toBe(false);
    expect(deepest).not.toBeNull();
    expect(deepest!).toBeLessThan(14 * FOOT);
    const at = (depth: number): boolean => binPlan({ ...wet, depth, eave: depth }).safe;
    // Ranked again at another depth, its slow fall may be a neighboring one: a foot of grace.
    expect(at(deepest! - FOOT)).toBe(true);
    expect(at(deepest! + 2 * FOOT)).toBe(false);
  });
  it('a fan that cannot push through 20 ft of wheat only cools, and says so', () => {
    const small: BinFan = {
      ...FAN,
      lowPressure: inchesOfWaterToPascals(0.2),
      lowFlow: cfmToCubicMetresPerSecond(1500),
      highPressure: inchesOfWaterToPascals(0.8),
      highFlow: cfmToCubicMetresPerSecond(200),
    };
    const weak = binPlan(
      bin({ crop: CROPS.wheat, depth: 20 * FOOT, layers: [{ share: 1, moisture: 0.17 }], target: 0.135, fan: small }),
    );
    expect(weak).toMatchObject({ tooWeak: true, usual: null, safe: false });
    expect(weak.point.cfmPerBushel).toBeLessThan(0.1);
  });
  it('a stirrer evens it out; stopped, the top is the last again', () => {
    const stirred = binPlan(
      bin({ layers: [{ share: 1, moisture: 0.22 }], fan: { ...FAN, heater: 20, stirHours: 24 } }),
    );
    expect(stirred.stirrerStopped).not.toBeNull();
    expect(stirred.stirrerStopped!.life!).toBeGreaterThan(stirred.usual!.life!);
    expect(stirred.usual!.heatKWh).toBeGreaterThan(0);
  });
  it('layers of the book count where they lie: through a dry top the air leaves unsaturated, and a wet floor takes longer', () => {
    const wetTop = binPlan(
      bin({
        falls: 1,
        layers: [
          { share: 3, moisture: 0.17 },
          { share: 1, moisture: 0.22 },
        ],
      }),
    );
    const wetFloor = binPlan(
      bin({
        falls: 1,
        layers: [
          { share: 1, moisture: 0.22 },
          { share: 3, moisture: 0.17 },
        ],
      }),
    );
    expect(wetFloor.usual!.hours!).toBeGreaterThan(wetTop.usual!.hours!);
  });
});
