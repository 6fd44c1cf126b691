import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { FarmView } from '../ledger/index.js';
import type { FieldZone } from '../records/index.js';
import { partsOf, yieldByPart, yieldByVariety } from './by-part.js';
import type { FieldRow, ZoneCut } from './view.js';
import { zoneAt, type ZoneNow } from './zones.js';

const BU = 56 * 0.45359237;
const FARM = { data: { farm: { defaults: {} } } } as unknown as Pick<FarmView, 'data'>;
/** Bushels at 15 %, as they came off at a moisture. */
const cut = (zoneId: string | null, bushels: number, moisture: number, day = 10): ZoneCut => {
  const dryKg = bushels * BU * 0.85;
  const at = `2026-09-${day}T20:00:00Z`;
  return { zoneId, wetKg: dryKg / (1 - moisture), dryKg, first: at, last: at, lastMoisture: moisture };
};
const field = (acres: number, cuts: readonly ZoneCut[], variety = 'KL 1180'): FieldRow =>
  ({
    lot: { id: 'L', fieldId: 'F', season: 2026, acres, crop: 'corn', variety },
    cutWetKg: cuts.reduce((kg, { wetKg }) => kg + wetKg, 0),
    cutDryKg: cuts.reduce((kg, { dryKg }) => kg + dryKg, 0),
    ...(cuts.some(({ zoneId }) => zoneId !== null) ? { cutByZone: cuts } : {}),
    firstCut: cuts[0]?.first ?? null,
    lastCut: cuts.at(-1)?.last ?? null,
  }) as unknown as FieldRow;
const zone = (acres: number, more: Partial<FieldZone> = {}) => ({
  value: { fieldId: 'F', season: 2026, name: 'hole', kind: 'wet', acres, ring: [], why: '', ...more } as FieldZone,
});

describe('parts of a field', () => {
  it('a wet hole and the rest of it: acres, bushels, moisture, and an acre’s yield once it is cut', () => {
    // 60 ac, 8 of them a hole: 9,360 bu off 52 ac are 180 an acre, 960 off the hole are 120.
    const row = field(60, [cut(null, 9360, 0.17), cut('hole', 960, 0.24, 20)]);
    const open = yieldByPart(FARM, row, { hole: zone(8) }, false);
    expect(open.map(({ perAcre }) => perAcre)).toEqual([null, null]);
    const [hole, rest] = yieldByPart(FARM, row, { hole: zone(8, { cutOn: '2026-09-20' }) }, true);
    expect(hole).toMatchObject({ bushels: expect.closeTo(960, 6), perAcre: expect.closeTo(120, 6), moisture: expect.closeTo(0.24, 9) }); // prettier-ignore
    expect(rest).toMatchObject({ part: { zoneId: null, acres: 52 }, perAcre: expect.closeTo(180, 6), moisture: expect.closeTo(0.17, 9) }); // prettier-ignore
  });

  it('a part that was taken out, or is another field’s, counts to the rest', () => {
    const row = field(60, [cut(null, 100, 0.17), cut('gone', 200, 0.2), cut('other', 300, 0.2)]);
    const parts = partsOf(row, { gone: zone(5, { gone: true }), other: zone(5, { fieldId: 'G' }), last: zone(6, { season: 2025 }) }); // prettier-ignore
    expect(parts).toHaveLength(1);
    expect(parts[0]!.cut!.dryKg).toBeCloseTo(600 * BU * 0.85, 6);
    expect(parts[0]!.acres).toBe(60);
  });

  it('a field where no load names a part is one part, and one that is not cut is none', () => {
    const [rest] = yieldByPart(FARM, field(60, [cut(null, 6000, 0.18)]), {}, true);
    expect(rest).toMatchObject({ perAcre: expect.closeTo(100, 6), moisture: expect.closeTo(0.18, 9) });
    expect(yieldByPart(FARM, field(60, []), {}, false)[0]).toMatchObject({ bushels: 0, moisture: null, perAcre: null });
  });

  it('the parts add up to the field, whatever the loads named', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(null, 'a', 'b', 'unknown'), fc.double({ min: 1, max: 9000, noNaN: true })), {
          minLength: 1,
          maxLength: 4,
        }),
        (loads) => {
          const byZone = new Map(loads);
          const cuts = [...byZone].map(([zoneId, bushels], i) => cut(zoneId, bushels, 0.15 + i / 50, 10 + i));
          const parts = partsOf(field(80, cuts), { a: zone(10), b: zone(20) });
          const sum = (key: 'wetKg' | 'dryKg'): number => parts.reduce((kg, part) => kg + (part.cut?.[key] ?? 0), 0);
          expect(sum('dryKg')).toBeCloseTo(
            cuts.reduce((kg, { dryKg }) => kg + dryKg, 0),
            3,
          );
          expect(sum('wetKg')).toBeCloseTo(
            cuts.reduce((kg, { wetKg }) => kg + wetKg, 0),
            3,
          );
          expect(parts.reduce((acres, part) => acres + part.acres, 0)).toBeCloseTo(80, 9);
        },
      ),
      { seed: 20 },
    );
  });

  it('varieties by the acres that are cut whole, strips among them, the best first', () => {
    const strips = { s: zone(10, { kind: 'strip', variety: 'KL 2200', cutOn: '2026-09-12' }) };
    const rows = [field(50, [cut(null, 6400, 0.17), cut('s', 2000, 0.19)])];
    expect(yieldByVariety(FARM, rows, strips, () => true)).toMatchObject([
      { variety: 'KL 2200', acres: 10, perAcre: expect.closeTo(200, 6), moisture: expect.closeTo(0.19, 9), fields: 1 },
      { variety: 'KL 1180', acres: 40, perAcre: expect.closeTo(160, 6) },
    ]);
    // What is still cut tells nothing yet.
    expect(yieldByVariety(FARM, rows, strips, () => false).map(({ variety }) => variety)).toEqual(['KL 2200']);
  });

  it('a position is in the smallest part around it, and in none where it is poor', () => {
    const square = (size: number) => [[0, 0], [size, 0], [size, size], [0, size]].map(([lon, lat]) => ({ lon: -38.6 + lon!, lat: 33.4 + lat! })); // prettier-ignore
    const zones = [['big', 40, 0.01], ['small', 3, 0.002]].map(([id, acres, size]) => ({ id, zone: { ...zone(acres as number).value, ring: square(size as number) }, waits: false, retestDue: false }) as ZoneNow); // prettier-ignore
    expect(zoneAt(zones, { lon: -38.599, lat: 33.401, accuracy: 5 })?.id).toBe('small');
    expect(zoneAt(zones, { lon: -38.595, lat: 33.405, accuracy: 5 })?.id).toBe('big');
    expect(zoneAt(zones, { lon: -38.58, lat: 33.405, accuracy: 5 })).toBeNull();
    expect(zoneAt(zones, { lon: -38.599, lat: 33.401, accuracy: 90 })).toBeNull();
  });
});
