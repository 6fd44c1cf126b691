import { describe, expect, it } from 'vitest';
import type { Entry, TapeLine } from '../ledger/index.js';
import { placeHistory } from './index.js';

const at = (hour: number): string => new Date(Date.UTC(2026, 9, 1, hour)).toISOString();
const line = (seq: number, entry: object, wetKg: number, voided = false): TapeLine =>
  ({ seq, entry: { id: `${seq}`, ...entry } as Entry, voided, wetKg: voided ? null : wetKg, dryKg: null, wetLots: {}, witnesses: [] }); // prettier-ignore
const comes = (seq: number, hour: number, kg: number) => line(seq, { type: 'move', at: at(hour), from: 'truck', to: 'pile' }, kg); // prettier-ignore
const goes = (seq: number, hour: number, kg: number) => line(seq, { type: 'move', at: at(hour), from: 'pile', to: 'truck' }, kg); // prettier-ignore

describe('the history of a pile', () => {
  it('counts loads in and out, losses by reason, and what somebody restated', () => {
    const lines = [
      comes(1, 1, 25_000), comes(2, 2, 24_000), goes(3, 5, 20_000),
      line(4, { type: 'loss', at: at(6), place: 'pile', wetKg: 300, reason: 'rain' }, 300),
      line(5, { type: 'loss', at: at(7), place: 'pile', wetKg: 200, reason: 'rain' }, 200),
      line(6, { type: 'loss', at: at(7), place: 'pile', wetKg: 900, reason: 'spill' }, 900),
      line(7, { type: 'move', at: at(8), from: 'truck', to: 'pile' }, 9999, true),
    ]; // prettier-ignore
    expect(placeHistory(lines, 'pile', 27_000)).toEqual({
      inKg: 49_000, loadsIn: 2, outKg: 20_000, loadsOut: 1,
      lost: [{ reason: 'spill', kg: 900 }, { reason: 'rain', kg: 500 }],
      restatedKg: -600, remainsKg: 27_000, sinceMs: Date.parse(at(1)),
    }); // prettier-ignore
  });
  it('begins again when it was hauled away or swept clean', () => {
    const hauled = [comes(1, 1, 25_000), goes(2, 2, 24_990), comes(3, 3, 10_000)];
    expect(placeHistory(hauled, 'pile', 10_000)).toMatchObject({ inKg: 10_000, loadsIn: 1, outKg: 0, sinceMs: Date.parse(at(3)) }); // prettier-ignore
    const swept = [comes(1, 1, 25_000), line(2, { type: 'measure', at: at(2), place: 'pile', wetKg: 0 }, 0)];
    expect(placeHistory(swept, 'pile', 0)).toMatchObject({ inKg: 0, loadsIn: 0, restatedKg: 0, sinceMs: null });
    expect(() => placeHistory([], 'pile', NaN)).toThrow();
  });
});
