import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CROPS, CROP_IDS } from '../crops/index.js';
import { BIN_SETUP, checkRecord } from '../records/index.js';
import { wetBushels } from '../units/index.js';
import { capacityOf, eaveHeight, fillOf, heightOf, levelFor, type RoundBin, type Storage } from './bins.js';
import { coneDiameterFor, pileSize, windrowLengthFor } from './piles.js';
import { aboveSideDraw, bookLevel } from './bin-capacity.js';
import { massOfFill, packFactor, packFromScale, spaceOfMass } from './pack.js';

const RUNS = { seed: 20261123, numRuns: 300 };
const round: fc.Arbitrary<RoundBin> = fc
  .record({
    kind: fc.constant('round' as const),
    diameter: fc.double({ min: 3, max: 32, noNaN: true }),
    eave: fc.double({ min: 2, max: 25, noNaN: true }),
    hopper: fc.option(fc.double({ min: 30, max: 60, noNaN: true }), { nil: undefined }),
  })
  .map(({ hopper, ...bin }) => ({ ...bin, ...(hopper === undefined ? {} : { hopperDegrees: hopper }) }));
const storage: fc.Arbitrary<Storage> = fc.oneof(
  round,
  fc.record({
    kind: fc.constant('flat' as const),
    length: fc.double({ min: 5, max: 60, noNaN: true }),
    width: fc.double({ min: 5, max: 30, noNaN: true }),
    wall: fc.double({ min: 1, max: 8, noNaN: true }),
  }),
);
const part = fc.double({ min: 0.001, max: 1, noNaN: true });

describe('space in bins', () => {
  it('grows with the level, and the level comes back from the space', () => {
    fc.assert(
      fc.property(storage, part, part, (bin, a, b) => {
        const [low, high] = [Math.min(a, b) * eaveHeight(bin), Math.max(a, b) * eaveHeight(bin)];
        const fill = fillOf(bin, { kind: 'level', height: high });
        expect(fill.cubicMetres).toBeGreaterThanOrEqual(fillOf(bin, { kind: 'level', height: low }).cubicMetres);
        expect(heightOf(bin, fill.cubicMetres)).toBeCloseTo(high, 6);
        expect(fill.leveled).toBeCloseTo(high, 6);
      }),
      RUNS,
    );
  });

  it('a peak holds more than level, a drawn core less, by the same cone', () => {
    fc.assert(
      fc.property(storage, fc.double({ min: 15, max: 30, noNaN: true }), (bin, degrees) => {
        const atWall = eaveHeight(bin);
        const [level, peaked, cored] = [
          fillOf(bin, { kind: 'level', height: atWall }),
          fillOf(bin, { kind: 'peaked', atWall, degrees }),
          fillOf(bin, { kind: 'cored', atWall, degrees }),
        ].map((fill) => fill.cubicMetres) as [number, number, number];
        expect(peaked).toBeGreaterThan(level);
        expect(cored).toBeLessThan(level);
        expect(cored).toBeGreaterThan(0);
        const half = (bin.kind === 'round' ? bin.diameter : Math.min(bin.length, bin.width)) / 2;
        const inMiddle = eaveHeight(bin) - half * Math.tan((degrees * Math.PI) / 180);
        if (inMiddle > 0) expect(peaked - level).toBeCloseTo(level - cored, 6);
      }),
      RUNS,
    );
  });

  it('a drawn core leaves what an integral counts, also where the funnel has come down to the floor', () => {
    const STEPS = 4000;
    fc.assert(
      fc.property(storage, part, fc.double({ min: 15, max: 30, noNaN: true }), (bin, share, degrees) => {
        const slope = Math.tan((degrees * Math.PI) / 180);
        const foot = eaveHeight(bin) - (bin.kind === 'round' ? bin.eave : bin.wall);
        const atWall = foot + share * (eaveHeight(bin) - foot);
        const half = (bin.kind === 'round' ? bin.diameter : Math.min(bin.length, bin.width)) / 2;
        // Walked inward from the wall: height of grain times what lies at that distance.
        let sum = 0;
        for (let i = 0; i < STEPS; i++) {
          const inward = ((i + 0.5) / STEPS) * half;
          const floor = foot * (1 - inward / half);
          const around =
            bin.kind === 'round' ? 2 * Math.PI * (half - inward) : 2 * (bin.length + bin.width) - 8 * inward;
          sum += Math.max(0, atWall - inward * slope - floor) * around * (half / STEPS);
        }
        const { cubicMetres } = fillOf(bin, { kind: 'cored', atWall, degrees });
        expect(Math.abs(cubicMetres - sum)).toBeLessThan(1e-3 * sum + 1e-3);
      }),
      RUNS,
    );
  });

  it('the level that a quantity should show holds that quantity, whatever the surface', () => {
    fc.assert(
      fc.property(
        storage,
        part,
        fc.constantFrom('level', 'peaked', 'cored'),
        fc.double({ min: 10, max: 30, noNaN: true }),
        (bin, share, kind, degrees) => {
          const shape = kind === 'level' ? ({ kind: 'level' } as const) : { kind: kind as 'peaked' | 'cored', degrees };
          const cubicMetres = share * capacityOf(bin, degrees).level.cubicMetres;
          const level = levelFor(bin, cubicMetres, shape);
          if (level.kind === 'fits') {
            const surface =
              shape.kind === 'level'
                ? ({ kind: 'level', height: level.atWall } as const)
                : { kind: shape.kind, atWall: level.atWall, degrees };
            expect(fillOf(bin, surface).cubicMetres).toBeCloseTo(cubicMetres, 4);
            expect(level.middleBelowEave).toBeCloseTo(eaveHeight(bin) - level.inMiddle, 9);
          } else if (level.kind === 'less_than_shape') expect(level.leveled).toBeCloseTo(heightOf(bin, cubicMetres), 9);
          // A core drawn to the eave holds less than level: then it does not fit, and says by how much.
          else {
            const atEave = { kind: shape.kind as 'peaked' | 'cored', atWall: eaveHeight(bin), degrees };
            const most = shape.kind === 'level' ? capacityOf(bin, degrees).level : fillOf(bin, atEave);
            expect(level.overCubicMetres).toBeCloseTo(cubicMetres - most.cubicMetres, 6);
          }
        },
      ),
      RUNS,
    );
  });

  it('depth readings in a flat store: their mean, whatever their number', () => {
    const store = { kind: 'flat', width: 20, length: 50, wall: 6 } as const;
    const readings = [1, 2, 2.5, 4.5].map((belowEave) => ({ fromCenter: 0, belowEave }));
    const fill = fillOf(store, { kind: 'readings', readings });
    expect(fill.cubicMetres).toBeCloseTo(1000 * (6 - 2.5), 9);
    expect(fill.highest).toBe(5);
    expect(fillOf(store, { kind: 'readings', readings: [...readings, ...readings] })).toEqual(fill);
  });

  it('several depth readings: a level surface, a cone, and readings at one distance averaged', () => {
    const bin: RoundBin = { kind: 'round', diameter: 12, eave: 8, hopperDegrees: 40 };
    const eave = eaveHeight(bin);
    const level = fillOf(bin, {
      kind: 'readings',
      readings: [0, 2, 4, 6].map((fromCenter) => ({ fromCenter, belowEave: 3 })),
    });
    expect(level.cubicMetres).toBeCloseTo(fillOf(bin, { kind: 'level', height: eave - 3 }).cubicMetres, 6);
    const cone = fillOf(bin, {
      kind: 'readings',
      readings: [
        { fromCenter: 0, belowEave: 3 - 6 * Math.tan((23 * Math.PI) / 180) },
        { fromCenter: 6, belowEave: 2 },
        { fromCenter: 6, belowEave: 4 },
      ],
    });
    expect(cone.cubicMetres).toBeCloseTo(fillOf(bin, { kind: 'peaked', atWall: eave - 3, degrees: 23 }).cubicMetres, 6);
    expect(() => fillOf(bin, { kind: 'readings', readings: [{ fromCenter: 7, belowEave: 3 }] })).toThrow(
      /distance from the middle is 7 m/,
    );
    expect(() => fillOf(bin, { kind: 'readings', readings: [] })).toThrow(/number of depth readings is 0/);
  });

  it('the roof limits the heap where it is flatter than the grain', () => {
    const bin: RoundBin = { kind: 'round', diameter: 12, eave: 8, roofDegrees: 20 };
    expect(capacityOf(bin, 23)).toMatchObject({ heapDegrees: 20, limitedBy: 'roof' });
    expect(capacityOf({ ...bin, roofDegrees: 30 }, 23)).toMatchObject({ heapDegrees: 23, limitedBy: 'grain' });
  });
});

describe('packing', () => {
  const base = { crop: CROPS.corn, diameter: 11, depth: 6, moisture: 0.15 };
  it('is more in deep, wide bins and for light or wet grain, and lies in the printed ranges', () => {
    const corn = packFactor(base).factor;
    expect(packFactor({ ...base, depth: 18 }).factor).toBeGreaterThan(corn);
    expect(packFactor({ ...base, diameter: 30 }).factor).toBeGreaterThan(corn);
    expect(packFactor({ ...base, testWeight: 50 }).factor).toBeGreaterThan(
      packFactor({ ...base, testWeight: 60 }).factor,
    );
    expect(packFactor({ ...base, moisture: 0.2, testWeight: 56 }).factor).toBeGreaterThan(
      packFactor({ ...base, testWeight: 56 }).factor,
    );
    // Common practice: corn 1.03-1.10, soybeans 1.02-1.06 in farm bins.
    for (const [depth, diameter] of [
      [6, 9],
      [8, 14],
      [20, 28],
    ] as const) {
      expect(packFactor({ ...base, depth, diameter }).factor).toBeGreaterThan(1.025);
      expect(packFactor({ ...base, depth, diameter }).factor).toBeLessThan(1.11);
      expect(packFactor({ ...base, crop: CROPS.soybean, moisture: 0.12, depth, diameter }).factor).toBeLessThan(1.065);
    }
  });
  it('warns while it is assumed, and is silent with the farm’s own', () => {
    expect(packFactor(base)).toMatchObject({
      by: 'assumed compaction',
      warning: expect.stringMatching(/enter its own/) as string,
    });
    expect(packFactor({ ...base, own: 1.05 })).toEqual({ factor: 1.05, by: 'own factor', warning: null });
  });
  it('a bin weighed out gives its factor, and weight and space are each other’s way back', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CROP_IDS),
        fc.double({ min: 1, max: 5000, noNaN: true }),
        fc.double({ min: 0.9, max: 1.3, noNaN: true }),
        (id, cubicMetres, pack) => {
          const crop = CROPS[id];
          const { wetKg, wetBushels: bushels } = massOfFill({ cubicMetres }, crop, 0.13, pack, crop.testWeight);
          expect(spaceOfMass(wetKg, crop, 0.13, pack, crop.testWeight)).toBeCloseTo(cubicMetres, 6);
          expect(packFromScale(wetKg, cubicMetres, crop.testWeight)).toBeCloseTo(pack, 9);
          expect(bushels).toBeCloseTo(wetBushels(wetKg, crop.legalPounds), 6);
        },
      ),
      RUNS,
    );
    expect(() => packFromScale(100_000, 10, 56)).toThrow(/pack factor is .* between 0.9 and 1.4/);
  });
});

describe('piles', () => {
  it('diameter and length come back from the bushels', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 100, noNaN: true }),
        fc.double({ min: 1, max: 5, noNaN: true }),
        fc.double({ min: 15, max: 40, noNaN: true }),
        (width, longer, degrees) => {
          expect(
            coneDiameterFor(pileSize({ kind: 'cone', diameter: width, degrees }).cubicMetres, degrees),
          ).toBeCloseTo(width, 6);
          const length = width * longer;
          expect(
            windrowLengthFor(pileSize({ kind: 'windrow', length, width, degrees }).cubicMetres, width, degrees),
          ).toBeCloseTo(length, 5);
        },
      ),
      RUNS,
    );
  });
  it('a windrow as long as it is wide is a cone, with its ground and its tarp', () => {
    const cone = pileSize({ kind: 'cone', diameter: 20, degrees: 23 });
    const windrow = pileSize({ kind: 'windrow', length: 20, width: 20, degrees: 23 });
    expect(windrow).toEqual(cone);
    expect(cone.ground).toBeCloseTo(Math.PI * 100, 9);
    expect(cone.surface).toBeCloseTo(cone.ground / Math.cos((23 * Math.PI) / 180), 9);
  });
});

describe('a side draw', () => {
  const setup = { diameter: 9, eave: 8, hopper: 0, packFactor: 1, sideDraw: true, sideDrawAt: 3 };
  const corn = CROPS.corn;
  const kg = (m: number) => massOfFill({ cubicMetres: Math.PI * 4.5 ** 2 * m }, corn, 0.15, 1).wetKg;

  it('lets out what lies above it: 8 m of grain and a spout at 3 m leave 5 m', () => {
    expect(bookLevel(setup, corn, 0.15, kg(8))).toBeCloseTo(8, 6);
    expect(aboveSideDraw(setup, corn, 0.15, kg(8))).toBeCloseTo(kg(5), 4);
    expect(aboveSideDraw(setup, corn, 0.15, kg(3))).toBeCloseTo(0, 4);
    expect(aboveSideDraw(setup, corn, 0.15, kg(1))).toBe(0);
    expect(aboveSideDraw(setup, corn, 0.15, 0)).toBe(0);
    expect(aboveSideDraw({ ...setup, sideDrawAt: undefined }, corn, 0.15, kg(8))).toBeNull();
    expect(aboveSideDraw({ ...setup, sideDraw: false }, corn, 0.15, kg(8))).toBeNull();
  });

  it('is in the wall, not in the hopper nor in the roof', () => {
    const wrong = (sideDrawAt: number, hopper = 0) =>
      checkRecord(BIN_SETUP, { diameter: 9, eave: 8, hopper, sideDraw: true, sideDrawAt }).map(({ field }) => field);
    expect(wrong(3)).toEqual([]);
    expect(wrong(9)).toEqual(['sideDrawAt']);
    expect(wrong(2, 3)).toEqual(['sideDrawAt']);
    expect(wrong(10, 3)).toEqual([]);
  });
});
