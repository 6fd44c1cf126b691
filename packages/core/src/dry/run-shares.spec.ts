import { describe, expect, it } from 'vitest';
import type { Entry, TapeLine } from '../ledger/index.js';
import { runShares } from './index.js';

const at = (hour: number): string => new Date(Date.UTC(2026, 9, 1, hour)).toISOString();
const ms = (hour: number): number => Date.parse(at(hour));
const line = (seq: number, entry: object, lots: Readonly<Record<string, number>>, moisture: number): TapeLine => {
  const wetKg = Object.values(lots).reduce((a, b) => a + b, 0);
  return { seq, entry: { id: `${seq}`, ...entry } as Entry, voided: false, wetKg, dryKg: wetKg * (1 - moisture), wetLots: lots, witnesses: [] }; // prettier-ignore
};

describe('a run of the dryer by its fields', () => {
  it('water by the balance of dry matter: 20 to 15 % takes 5.882 % of the weight, shared by the water of each', () => {
    // 100 t of East at 20 %, 50 t of West at 17 %, both dried to 15 %.
    const lines = [
      line(1, { type: 'move', at: at(1), from: 'wet', to: 'dryer' }, { east: 100_000 }, 0.2),
      line(2, { type: 'condition', at: at(3), place: 'dryer', moisture: 0.15 }, {}, 0.15),
      line(3, { type: 'move', at: at(4), from: 'dryer', to: 'bin' }, { east: (100_000 * 0.8) / 0.85 }, 0.15),
      line(4, { type: 'move', at: at(5), from: 'wet', to: 'dryer' }, { west: 50_000 }, 0.17),
      line(5, { type: 'condition', at: at(6), place: 'dryer', moisture: 0.15 }, {}, 0.15),
      line(6, { type: 'move', at: at(7), from: 'dryer', to: 'bin' }, { west: (50_000 * 0.83) / 0.85 }, 0.15),
    ];
    const [east, west] = runShares(lines, 'dryer', ms(1), ms(8));
    // Handbook shrink to 15 %: 1.176 % a point.
    expect(east!.shrink).toBeCloseTo((5 * 1.17647) / 100, 5);
    expect(west!.shrink).toBeCloseTo((2 * 1.17647) / 100, 5);
    expect(east!.waterKg).toBeCloseTo(5882.35, 1);
    expect(east!.part + west!.part).toBeCloseTo(1, 12);
    expect(east!.part).toBeCloseTo(5882.35 / (5882.35 + 1176.47), 4);
    expect([east!.dryLossKg, west!.dryLossKg]).toEqual([0, 0]);
    // Only what came out in it belongs to a run.
    expect(runShares(lines, 'dryer', ms(5), ms(8)).map(({ lotId }) => lotId)).toEqual(['west']);
    expect(runShares([], 'dryer', ms(1), ms(8))).toEqual([]);
  });
  it('dry matter that the book lost is its own figure, and no water', () => {
    const out = (80_000 * 0.995) / 0.85;
    const [share] = runShares(
      [
        line(1, { type: 'move', at: at(1), from: 'wet', to: 'dryer' }, { east: 100_000 }, 0.2),
        line(2, { type: 'condition', at: at(3), place: 'dryer', moisture: 0.15, dryLoss: 0.005 }, {}, 0.15),
        line(3, { type: 'move', at: at(4), from: 'dryer', to: 'bin' }, { east: out }, 0.15),
      ],
      'dryer',
      ms(1),
      ms(8),
    );
    expect(share!.dryLossKg).toBeCloseTo(400, 6);
    expect(share!.waterKg).toBeCloseTo(100_000 - out - 400, 6);
  });
});
