import Qty from 'js-quantities';
import { describe, expect, it } from 'vitest';
import {
  acresToHectares,
  CUBIC_METRES_PER_BUSHEL,
  feetToMetres,
  fractionToPercent,
  hectaresToAcres,
  kilograms,
  kilogramsPerBushel,
  kilogramsToPounds,
  metresToFeet,
  mixParcels,
  moistureFraction,
  percentToFraction,
  poundsToKilograms,
  RangeRefusal,
  type Refusal,
  type RefusalCode,
  tonnesToKilograms,
  volumeBushels,
  waterShrink,
  wordRefusal,
} from '../src/index.js';

describe('units agree with a general-purpose library (js-quantities)', () => {
  it.each([
    ['pounds to kg', poundsToKilograms(52_400), Qty('52400 lb').to('kg').scalar, 1e-9],
    ['kg to pounds', kilogramsToPounds(1000), Qty('1000 kg').to('lb').scalar, 1e-9],
    ['feet to meters', feetToMetres(36), Qty('36 ft').to('m').scalar, 1e-12],
    // The library's bushel is 2150.420112 cubic inches, ours the legal 2150.42.
    ['a bushel of space', CUBIC_METRES_PER_BUSHEL, Qty('1 bu').to('m3').scalar, 1e-7],
    // Its acre is the US survey acre, four millionths larger than the international one.
    ['acres to hectares', acresToHectares(62.5), Qty('62.5 acre').to('hectare').scalar, 1e-5],
  ])('%s', (_, ours, theirs, tolerance) => {
    expect(Math.abs(ours / theirs - 1)).toBeLessThan(tolerance);
  });

  it('there and back', () => {
    expect(metresToFeet(feetToMetres(24))).toBeCloseTo(24, 12);
    expect(hectaresToAcres(acresToHectares(80))).toBeCloseTo(80, 12);
    expect(fractionToPercent(percentToFraction(16.5))).toBeCloseTo(16.5, 12);
    expect(tonnesToKilograms(1)).toBe(1000);
    expect(volumeBushels(CUBIC_METRES_PER_BUSHEL)).toBeCloseTo(1, 12);
  });
});

describe('a formula refuses what it cannot take, naming the quantity, its value and the range', () => {
  it.each<[string, () => unknown, RegExp]>([
    ['a negative mass', () => kilograms(-1), /mass is -1 kg; it must lie between 0/],
    ['no number', () => kilograms(NaN), /mass is NaN kg/],
    [
      'a percent for a fraction',
      () => moistureFraction(16.5),
      /moisture is 16.5 wb fraction; it must lie between 0 and 0.6/,
    ],
    ['a bushel of no weight', () => kilogramsPerBushel(0), /legal bushel weight is 0 lb\/bu/],
    ['shrink from nonsense', () => waterShrink(0.2, Infinity), /moisture after is Infinity/],
    ['a bad parcel in a mix', () => mixParcels([{ wetKg: 1, moisture: 2 }]), /moisture is 2/],
  ])('%s', (_, run, words) => {
    expect(run).toThrow(RangeRefusal);
    expect(run).toThrow(words);
  });

  it('nothing mixed is nothing, and never NaN', () => {
    expect(mixParcels([])).toEqual({ wetKg: 0, dryKg: 0, moisture: 0 });
  });
});

describe('every refusal is a sentence that names the place, the field and what was found', () => {
  const CODES: Record<RefusalCode, Partial<Refusal>> = {
    not_a_book: { field: 'format', value: 'csv', expected: '"fanega-book"' },
    not_an_object: { value: 7 },
    field_missing: { field: 'wetKg' },
    field_of_wrong_type: { field: 'wetKg', value: 'much', expected: 'a number of kg' },
    id_duplicate: { field: 'id', value: 'E1' },
    date_is_none: { field: 'at', value: 'noon' },
    value_not_in_list: { field: 'type', value: 'eat', expected: 'harvest, move' },
    mass_out_of_range: { field: 'wetKg', value: -3 },
    moisture_out_of_range: { field: 'moisture', value: 16.5 },
    dry_loss_out_of_range: { field: 'dryLoss', value: 1 },
    lot_not_in_book: { field: 'lot', value: 'Z' },
    place_not_in_book: { field: 'to', value: 'barn' },
    buyer_holds_no_grain: { field: 'from', value: 'mill' },
    refers_to_no_entry: { field: 'voids', value: 'E9' },
    refers_to_wrong_type: { field: 'of', value: 'E2', expected: 'a harvest or a move' },
    voids_in_a_circle: { field: 'voids', value: 'V2' },
    voids_too_deep: { field: 'voids', expected: '100' },
    net_differs: { field: 'wetKg', value: 100, expected: '90' },
    shares_not_whole: {},
    before_checkpoint: { field: 'at', value: '2026-01-01T00:00:00Z' },
  };

  it.each(Object.entries(CODES))('%s', (code, facts) => {
    const words = wordRefusal({ code: code as RefusalCode, path: 'entries[3]', id: 'E4', ...facts });
    expect(words).toMatch(/^entries\[3] \(E4\): /);
    if (facts.field) expect(words).toContain(facts.field);
    if (facts.value !== undefined) expect(words).toContain(String(facts.value));
    expect(words).not.toMatch(/undefined|\[object|null/);
  });

  it('a long value is cut, and a place without an id is named by its path', () => {
    const words = wordRefusal({ code: 'date_is_none', path: 'entries[0]', field: 'at', value: 'x'.repeat(500) });
    expect(words.length).toBeLessThan(200);
    expect(words).toMatch(/^entries\[0]: /);
  });
});
