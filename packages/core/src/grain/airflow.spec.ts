import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CROP_IDS, CROPS } from '../crops/index.js';
import { airflowResistance, usualPacking } from './resistance.js';
import { fanAtSpeed, fanFromModel, fanFromTable, operatingPoint, staticPressure } from './fan.js';

const RUNS = { seed: 20261123, numRuns: 300 };
const anyCrop = fc.constantFrom(...CROP_IDS).map((id) => CROPS[id]);
const flow = fc.double({ min: 0.0003, max: 0.15, noNaN: true });

describe('resistance', () => {
  it('rises with flow, also where one set of constants hands over to the other', () => {
    fc.assert(
      fc.property(anyCrop, flow, fc.double({ min: 1.0001, max: 1.5, noNaN: true }), (crop, q, more) => {
        expect(airflowResistance(crop, q * more).pascalsPerMetre).toBeGreaterThan(
          airflowResistance(crop, q).pascalsPerMetre,
        );
      }),
      RUNS,
    );
  });

  it('names the set that decided and flags flows that none was fitted to', () => {
    expect([0.003, 0.01, 0.05].map((q) => airflowResistance(CROPS.corn, q).set)).toEqual([
      'low flow',
      'between',
      'standard',
    ]);
    expect(airflowResistance(CROPS.soybean, 0.003)).toMatchObject({ set: 'standard', extrapolated: true });
    expect(airflowResistance(CROPS.corn, 0.05).extrapolated).toBe(false);
    // No jump at either end of the handing over.
    for (const edge of [0.0056, 0.0203])
      expect(
        airflowResistance(CROPS.corn, edge * 1.000001).pascalsPerMetre /
          airflowResistance(CROPS.corn, edge * 0.999999).pascalsPerMetre,
      ).toBeCloseTo(1, 4);
  });

  it('fines and packing add to it', () => {
    const clean = airflowResistance(CROPS.corn, 0.1).pascalsPerMetre;
    expect(airflowResistance(CROPS.corn, 0.1, { packing: 1.5 }).pascalsPerMetre).toBeCloseTo(1.5 * clean, 9);
    expect(airflowResistance(CROPS.corn, 0.1, { fines: 0.05 }).pascalsPerMetre).toBeGreaterThan(1.3 * clean);
    expect([usualPacking(CROPS.wheat), usualPacking(CROPS.corn)]).toEqual([1.3, 1.5]);
  });
});

describe('a fan on a bin', () => {
  const bin = { crop: CROPS.corn, floorArea: 95, depth: 5, floorOpen: 0.12, ductArea: 0.7 };

  it('runs where both curves agree', () => {
    fc.assert(
      fc.property(
        anyCrop,
        fc.double({ min: 0.5, max: 10, noNaN: true }),
        fc.double({ min: 300, max: 3000, noNaN: true }),
        fc.double({ min: 1, max: 20, noNaN: true }),
        (crop, depth, shutOff, free) => {
          const fan = fanFromModel('model', shutOff, free);
          const point = operatingPoint(fan, { ...bin, crop, depth });
          expect(staticPressure({ ...bin, crop, depth }, point.flow).total).toBeCloseTo(fan.pressureAt(point.flow), 4);
          expect(point.shaftWatts).toBeCloseTo(point.airWatts / 0.5, 6);
        },
      ),
      RUNS,
    );
  });

  it('moves less air through deeper grain, more at higher speed, with power by the cube through a duct alone', () => {
    const fan = fanFromTable('made up', [
      { flow: 10, pressure: 300 },
      { flow: 0, pressure: 1700 },
      { flow: 5, pressure: 1300 },
    ]);
    const flows = [3, 5, 8].map((depth) => operatingPoint(fan, { ...bin, depth }).flow);
    expect(flows).toEqual([...flows].sort((a, b) => b - a));
    expect(operatingPoint(fanAtSpeed(fan, 1.2), bin).flow).toBeGreaterThan(operatingPoint(fan, bin).flow);
    const duct = { crop: CROPS.corn, floorArea: 95, depth: 0, ductArea: 0.7 };
    expect(operatingPoint(fanAtSpeed(fan, 1.2), duct).airWatts / operatingPoint(fan, duct).airWatts).toBeCloseTo(
      1.2 ** 3,
      6,
    );
  });

  it('keeps to the stable side of a stalling fan: a dip left of the peak counts as the peak', () => {
    const fan = fanFromTable('axial', [
      { flow: 0, pressure: 900 },
      { flow: 2, pressure: 700 },
      { flow: 4, pressure: 1000 },
      { flow: 9, pressure: 0 },
    ]);
    expect(fan.pressureAt(2)).toBe(1000);
    expect(fan.freeFlow).toBeCloseTo(9, 9);
  });
});
