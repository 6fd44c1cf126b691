import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CROP_IDS, CROPS, defineCrop } from '../crops/index.js';
import { airOnGrain } from './air-on-grain.js';
import { dewPoint, heatAir } from './psychrometrics.js';
import { equilibriumHumidity, equilibriumMoisture, ISOTHERMS, isotherm, isothermOf } from './equilibrium.js';

const RUNS = { seed: 20261123, numRuns: 300 };
const celsius = fc.double({ min: 0, max: 50, noNaN: true });
const humidity = fc.double({ min: 0.1, max: 0.9, noNaN: true });
const anyCrop = fc.constantFrom(...CROP_IDS).map((id) => CROPS[id]);

describe('equilibrium moisture', () => {
  it('there and back is the same moisture, by every set and every default', () => {
    fc.assert(
      fc.property(fc.constantFrom(...ISOTHERMS), celsius, humidity, (set, t, rh) => {
        const curve = isothermOf([set]);
        const m = curve.moistureAt(t, rh);
        if (m > 0) expect(curve.humidityAt(t, m)).toBeCloseTo(rh, 9);
      }),
      RUNS,
    );
    fc.assert(
      fc.property(anyCrop, celsius, humidity, (crop, t, rh) => {
        const there = equilibriumMoisture(crop, t, rh);
        const back = equilibriumHumidity(crop, t, there.moisture);
        expect(equilibriumMoisture(crop, t, back.relativeHumidity).moisture).toBeCloseTo(there.moisture, 9);
        expect(back.form).toBe(there.form);
      }),
      RUNS,
    );
  });

  it('warmer air dries further at the same humidity, damper air wets further', () => {
    fc.assert(
      fc.property(anyCrop, celsius, humidity, fc.double({ min: 0.5, max: 10, noNaN: true }), (crop, t, rh, more) => {
        const here = equilibriumMoisture(crop, t, rh).moisture;
        expect(equilibriumMoisture(crop, Math.min(59, t + more), rh).moisture).toBeLessThan(here);
        expect(equilibriumMoisture(crop, t, Math.min(0.99, rh + more / 100)).moisture).toBeGreaterThan(here);
        // At one moisture, warmth raises the humidity between the kernels.
        expect(equilibriumHumidity(crop, Math.min(59, t + more), here).relativeHumidity).toBeGreaterThan(rh - 1e-9);
      }),
      RUNS,
    );
  });

  it('names its form and flags what no form was fitted to', () => {
    expect(equilibriumMoisture(CROPS.corn, 10, 0.65).form).toBe('average of corn CP D245.4 and corn HE D245.4');
    expect(equilibriumMoisture(CROPS.oats, 10, 0.65)).toMatchObject({
      form: 'oats OS D245.5/.6',
      confidence: 'medium',
      extrapolated: false,
    });
    expect(equilibriumMoisture(CROPS.corn, 10, 0.95).extrapolated).toBe(true);
    expect(equilibriumMoisture(CROPS.corn, -5, 0.65).extrapolated).toBe(true);
    expect(() => isotherm(CROPS.corn, ['corn by ear'])).toThrow(/isotherm "corn by ear" is not known/);
  });

  it('holds for a crop of the farm’s own', () => {
    const popcorn = defineCrop({ id: 'popcorn', name: 'Popcorn', like: 'corn', baseMoisture: 0.14 });
    expect(equilibriumMoisture(popcorn, 10, 0.65)).toEqual(equilibriumMoisture(CROPS.corn, 10, 0.65));
  });
});

describe('air on grain', () => {
  it('heating keeps the dew point and lowers the humidity', () => {
    fc.assert(
      fc.property(celsius, humidity, fc.double({ min: 0.1, max: 20, noNaN: true }), (t, rh, rise) => {
        const warm = heatAir({ temperature: t, relativeHumidity: rh }, rise);
        expect(warm.relativeHumidity).toBeLessThan(rh);
        expect(dewPoint(warm.temperature, warm.relativeHumidity)).toBeCloseTo(dewPoint(t, rh), 5);
      }),
      RUNS,
    );
  });

  it('dries wet grain, wets dry grain, and holds what is in equilibrium', () => {
    const air = { temperature: 10, relativeHumidity: 0.65 };
    const rest = equilibriumMoisture(CROPS.corn, 10, 0.65).moisture;
    expect(airOnGrain(CROPS.corn, { moisture: 0.2, temperature: 20 }, air)).toMatchObject({
      moisture: 'dries',
      temperature: 'cools',
    });
    expect(airOnGrain(CROPS.corn, { moisture: 0.12, temperature: 2 }, air)).toMatchObject({
      moisture: 'wets',
      temperature: 'warms',
    });
    expect(airOnGrain(CROPS.corn, { moisture: rest, temperature: 10 }, air)).toMatchObject({
      moisture: 'holds',
      temperature: 'holds',
    });
  });

  it('the fan’s own heat turns air that wets into air that dries', () => {
    const damp = { temperature: 8, relativeHumidity: 0.75 };
    const grain = { moisture: 0.157, temperature: 8 };
    expect(airOnGrain(CROPS.corn, grain, damp, 0).moisture).toBe('wets');
    expect(airOnGrain(CROPS.corn, grain, damp, 3).moisture).toBe('dries');
  });
});
