import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { loadSolver } from '../../solver/highs.js';
import type { FieldRow } from '../fields/index.js';
import {
  farmView,
  type FarmState,
  kgPerBushelOf,
  type LotInfo,
  type PlaceInfo,
  type Position,
} from '../ledger/index.js';
import type { CuttingWindow } from '../records/index.js';
import { placeNow, restAnswer, type RestFarm, restQuestion } from './index.js';

const RUNS = { seed: 20261129, numRuns: 60 };
const solve = await loadSolver();
const NOW = Date.UTC(2026, 9, 1);
const DAY = 86_400_000;

const lot = (id: string, crop: string, acres: number, owner = 'Kestrel Levee'): LotInfo => ({
  ...{ id, fieldId: id, fieldName: id, acres, crop, season: 2026, variety: '', tag: id },
  shares: [{ owner, part: 1 }],
});
const row = (id: string, crop: string, acres: number, moisture: number | null, owner?: string): FieldRow =>
  ({
    lot: lot(id, crop, acres, owner),
    cutDryKg: 0,
    cutWetKg: 0,
    lastMoisture: moisture === null ? null : { moisture, at: '2026-09-30T12:00:00Z', source: 'hand', tester: '' },
    firstCut: null,
    lastCut: null,
  }) as unknown as FieldRow;
const place = (id: string, kind: string, capacityBu: number | null, reservedFor: string | null = null): PlaceInfo => ({
  ...{ id, name: id, kind, withdrawal: 'mixed', capacityBu, diameterM: null, eaveM: null, hopperM: null, reservedFor },
});
const holds = (lotId: string, bushels: number, crop: string, moisture: number): Position => {
  const wetKg = bushels * kgPerBushelOf(crop);
  return { wetKg, dryKg: wetKg * (1 - moisture), moisture, layers: 1, lots: { [lotId]: wetKg * (1 - moisture) }, wetLots: { [lotId]: wetKg } }; // prettier-ignore
};
const window = (more: Partial<CuttingWindow> = {}): CuttingWindow => ({
  ...{ tooDryBelow: 0.1, bestFrom: 0.15, bestTo: 0.2, refuseAbove: 0.22 },
  ...{ price: 4, shrinkPerPoint: 1.4, dockPerPoint: 0.03, ...more },
});

/** Yields are typed: 200 bu/ac of every field, in kg/ha of its crop. */
const KG_HA = { corn: 200 * 62.7677, soybean: 200 * 67.2511 };
function given(
  rows: readonly FieldRow[],
  places: readonly PlaceInfo[],
  more: {
    readonly positions?: Readonly<Record<string, Position>>;
    readonly states?: RestFarm['states'];
    readonly windows?: Readonly<Record<string, CuttingWindow>>;
    readonly rules?: Partial<RestFarm['rules']>;
    readonly dryer?: RestFarm['dryer'];
  } = {},
): RestFarm {
  const facts = Object.fromEntries(
    rows.map(({ lot: one }) => [
      one.fieldId,
      { standability: 0, distance: 0, yieldKgPerHa: KG_HA[one.crop as keyof typeof KG_HA] },
    ]),
  );
  return {
    farm: farmView({
      farm: { id: 'f', name: 'Kestrel Levee', timeZone: 'America/Chicago', demo: false, defaults: { moisture: 0.15, trust: [], bases: { corn: 0.15, soybean: 0.13 } } },
      lots: rows.map((one) => one.lot), places, positions: more.positions ?? {},
      seq: 1, now: NOW, layers: {}, tape: [], flow: { cut: {}, haul: {}, dry: {}, store: {}, sell: {} },
    } as unknown as FarmState), // prettier-ignore
    rows,
    fields: {
      logs: {},
      settings: {
        cuttingWindow: Object.fromEntries(
          Object.entries(more.windows ?? {}).map(([subject, value]) => [subject, { revision: 1, value }]),
        ),
        nextFieldPlan: { farm: { revision: 1, value: { facts } } },
      },
    } as unknown as RestFarm['fields'],
    states: more.states ?? {},
    rules: { days: 20, storedWorth: 0.2, dryerHoursPerDay: 20, truckHoursPerDay: 12, ...more.rules },
    dryer:
      more.dryer === undefined
        ? { bushelPointsPerHour: 1e5, fuelPerPointBushel: 0.02, fuelPrice: 1.8, kWhPerPointBushel: 0.01, powerPrice: 0.12 }
        : more.dryer, // prettier-ignore
    times: null,
    nowMs: NOW,
  };
}
const answer = (farm: RestFarm) => restAnswer(restQuestion(farm), solve);

describe('does the rest fit', () => {
  it('counts standing acres at their yield against room of the right crop, the rest of it beyond', () => {
    const found = answer(
      given(
        [row('Home', 'corn', 60, 0.16), row('Levee', 'soybean', 20, 0.13)],
        [place('b1', 'bin', 10_000, 'corn'), place('b2', 'bin', 5000, 'soybean')],
      ),
    );
    expect(found.comes).toBeCloseTo(16_000, 0);
    expect(found.fits).toBe(false);
    expect(found.over).toBeCloseTo(2000, 0);
    expect(found.crops).toEqual([
      { crop: 'corn', comes: expect.closeTo(12_000, 0) as number, home: expect.closeTo(10_000, 0) as number, over: expect.closeTo(2000, 0) as number }, // prettier-ignore
      { crop: 'soybean', comes: expect.closeTo(4000, 0) as number, home: expect.closeTo(4000, 0) as number, over: 0 },
    ]);
    // One more bushel of corn room brings one more bushel home; the bean bin does not bind.
    expect(found.binds).toEqual([{ id: 'b1', bushels: expect.closeTo(1, 3) as number }]);
  });

  it('is as good as trying every crop in every bin', () => {
    const hundred = fc.integer({ min: 0, max: 40 });
    const bin = fc.tuple(fc.integer({ min: 1, max: 50 }), fc.constantFrom(null, null, 'corn', 'soybean'));
    fc.assert(
      fc.property(hundred, hundred, fc.array(bin, { minLength: 1, maxLength: 4 }), (corn, beans, bins) => {
        // 200 bu/ac: half an acre is a hundred bushels.
        const rows = [row('c', 'corn', corn / 2, 0.16), row('s', 'soybean', beans / 2, 0.13)];
        const places = bins.map(([most, kept], i) => place(`b${i}`, 'bin', 100 * most, kept));
        let best = 0;
        for (let choice = 0; choice < 2 ** bins.length; choice++) {
          const room = { corn: 0, soybean: 0 };
          bins.forEach(([most, kept], i) => {
            const crop = choice & (1 << i) ? 'corn' : 'soybean';
            if (kept === null || kept === crop) room[crop] += 100 * most;
          });
          best = Math.max(best, Math.min(100 * corn, room.corn) + Math.min(100 * beans, room.soybean));
        }
        const found = answer(given(rows, places));
        expect(found.home).toBeCloseTo(best, -1);
        expect(found.home + found.over).toBeCloseTo(found.comes, 1);
        // A bin holds one crop and no more than its room, in both plans.
        for (const plan of Object.values(found.plans))
          for (const { id } of places) {
            const flows = plan.flows.filter(({ to }) => to === id);
            expect(new Set(flows.map(({ from }) => from)).size).toBeLessThanOrEqual(1);
            expect(flows.reduce((sum, { bushels }) => sum + bushels, 0)).toBeLessThanOrEqual(
              places.find((one) => one.id === id)!.capacityBu! + 0.1,
            );
          }
      }),
      RUNS,
    );
  });

  it('leaves out what is out of service until too late, wet inside, full or of unknown size, each with its reason', () => {
    const states = {
      late: { value: { outFrom: '2026-09-20T00:00:00Z', why: 'floor caved in' } },
      soon: { value: { outFrom: '2026-09-20T00:00:00Z', outUntil: '2026-10-05T00:00:00Z', why: 'new sweep' } },
    };
    const question = restQuestion(
      given(
        [row('Home', 'corn', 60, 0.16)],
        [place('late', 'bin', 9000), place('soon', 'bin', 8000), place('wet', 'bin', 7000), place('full', 'bin', 500), place('nobody', 'bin', null), place('other', 'bin', 4000)],
        { states, positions: { wet: holds('Home', 300, 'corn', 0.19), full: holds('Home', 500, 'corn', 0.15), other: holds('theirs', 100, 'soybean', 0.13) } },
      ),
    ); // prettier-ignore
    expect(question.leftOut.map(({ id, why, reason }) => [id, why, reason])).toEqual([
      ['late', 'out of service', 'floor caved in'],
      ['wet', 'wet grain in it', null],
      ['full', 'full', null],
      ['nobody', 'size not known', null],
    ]);
    expect(question.places.map(({ id, backMs }) => [id, backMs])).toEqual([
      ['soon', Date.UTC(2026, 9, 5)],
      ['other', null],
    ]);
  });

  it('what must be dried needs dryer hours, and one hour more is worth what it brings home', () => {
    const dryer = { bushelPointsPerHour: 2500, fuelPerPointBushel: 0.02, fuelPrice: 1.8, kWhPerPointBushel: 0.01, powerPrice: 0.12 }; // prettier-ignore
    const farm = given([row('Home', 'corn', 100, 0.2)], [place('b1', 'bin', 50_000)], {
      dryer,
      windows: { corn: window() },
      rules: { days: 10, dryerHoursPerDay: 2 },
    });
    const found = answer(farm);
    // 20 hours x 2,500 bushel-points over 5 points: 10,000 wet bushels, 9,412 at 15 %.
    expect(found.home).toBeCloseTo((10_000 * 0.8) / 0.85, 0);
    expect(found.binds).toEqual([{ id: 'dryer hours', bushels: expect.closeTo((500 * 0.8) / 0.85, 0) as number }]);
    // Without a dryer nothing wet goes home.
    expect(answer({ ...farm, dryer: null }).home).toBe(0);
  });

  it('by money the dock and the fuel decide; the buyer takes nothing that is wetter than he takes', () => {
    const places = [place('b1', 'bin', 50_000), place('mill', 'buyer', null)];
    const of = (dock: number, moisture: number) =>
      answer(given([row('Home', 'corn', 50, moisture)], places, { windows: { corn: window({ dockPerPoint: dock }) }, rules: { storedWorth: 0 } })); // prettier-ignore
    // Half a point above the base and no dock but shrink: cheaper than the trouble. Heavy dock: the dryer.
    const wet = of(0.3, 0.18).plans.money.flows;
    expect(wet.map(({ to, way }) => [to, way])).toEqual([['b1', 'dried']]);
    const refused = answer(given([row('Home', 'corn', 50, 0.2)], places, { windows: { corn: window({ refuseAbove: 0.19 }) }, dryer: null })); // prettier-ignore
    expect(refused.plans.money.flows).toEqual([]);
    expect(refused.plans.money.left).toEqual([{ from: 'field Home', bushels: expect.closeTo(10_000, 0) as number }]);
    const dry = of(0.3, 0.15).plans.money.flows;
    expect(dry.reduce((sum, { bushels }) => sum + bushels, 0)).toBeCloseTo(10_000, 0);
  });

  it('the last part load goes elsewhere: so many whole loads, and what finds room of the next', () => {
    const found = answer(
      given([row('Home', 'corn', 60, 0.15)], [place('b1', 'bin', 10_000), place('t', 'truck', 900)], {
        windows: { corn: window() },
      }),
    );
    expect(found.lastLoads.room).toEqual([]);
    const withRoads = answer({
      ...given([row('Home', 'corn', 60, 0.15)], [place('b1', 'bin', 10_000), place('t', 'truck', 900)]),
      times: { roadMin: { home: 6 }, loadMin: 6, tarpMin: 3, unloadMin: 8, othersPerHour: 0, lidsCloseBu: 0 },
    });
    expect(withRoads.lastLoads.room).toEqual([{ place: 'b1', whole: 11, part: expect.closeTo(100, 0) as number }]);
  });

  it('a bin of another owner’s grain takes none of ours', () => {
    const rows = [row('Home', 'corn', 50, 0.15), row('Tolland', 'corn', 50, 0.15, 'Tolland')];
    const found = answer(given(rows, [place('b1', 'bin', 50_000)], { positions: { b1: holds('Tolland', 900, 'corn', 0.15) } })); // prettier-ignore
    expect(found.plans.room.flows.map(({ from }) => from)).toEqual(['field Tolland']);
  });
});

describe('the state of a place', () => {
  it('is out from and until, with its reason, and its note stays', () => {
    const state = { outFrom: new Date(NOW).toISOString(), outUntil: new Date(NOW + DAY).toISOString(), why: 'sweep broke', note: 'motor sketchy' }; // prettier-ignore
    expect(placeNow(state, NOW - 1)).toEqual({ out: false, why: 'sweep broke', backMs: null, goesOutMs: NOW, note: 'motor sketchy' }); // prettier-ignore
    expect(placeNow(state, NOW)).toMatchObject({ out: true, backMs: NOW + DAY });
    expect(placeNow(state, NOW + DAY)).toMatchObject({ out: false, why: null, note: 'motor sketchy' });
    expect(placeNow(undefined, NOW)).toMatchObject({ out: false, note: null });
  });
});
