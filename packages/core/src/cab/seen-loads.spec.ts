import { describe, expect, it } from 'vitest';
import type { Entry } from '../ledger/index.js';
import { isEntryOf, type SeenInput, seenLoads, type SeenMachine, SEEN_SIGN, tappedToo } from './seen-loads.js';

const SECOND = 1000;
const at = (east: number, north = 0, accuracy = 4) => ({ lon: -38.6 + east / 92_830, lat: 33.4 + north / 111_195, accuracy }); // prettier-ignore
const times = Array.from({ length: 900 }, (_, i) => i * SECOND);
const stands = (east: number, north = 0, accuracy = 4) => times.filter((ms) => ms % 10_000 === 0).map((atMs) => ({ atMs, ...at(east, north, accuracy) })); // prettier-ignore
/** Five tonnes come on from the tenth minute on, in a minute. */
const rising = times.map((atMs) => ({ atMs, kg: Math.min(5000, Math.max(0, (atMs - 600_000) / 12)) }));
const falling = rising.map(({ atMs, kg }) => ({ atMs, kg: 5000 - kg }));
const flows = times
  .filter((ms) => ms < 600_000)
  .map((atMs) => ({ atMs, flow: 5000 / 600, moisture: 0.18, speed: 1.5 }));
const square = (east: number, wide: number) => [[[east, -400], [east + wide, -400], [east + wide, 400], [east, 400], [east, -400]].map(([x, y]) => [at(x!, y).lon, at(x!, y).lat] as const)]; // prettier-ignore
const cart = (weights: typeof rising): SeenMachine => ({ placeId: 'cart', kind: 'cart', track: stands(0), weights });
const combine = (id: string, east: number, more: Partial<SeenMachine> = {}): SeenMachine => ({ placeId: id, kind: 'combine', track: stands(east), flows, ...more }); // prettier-ignore
const truck = (id: string, east: number, track = stands(east)): SeenMachine => ({ placeId: id, kind: 'truck', track });
const seen = (machines: readonly SeenMachine[], more: Partial<SeenInput> = {}) =>
  seenLoads(
    {
      machines,
      lots: [{ lotId: 'lot', rings: square(-300, 600) }],
      yards: [],
      heldKg: () => 0,
      capacityKg: () => 25_000,
      known: () => false,
      emptiedMs: () => 0,
      lastLot: () => 'last',
      emptyKg: () => 12_000,
      ...more,
    },
    900_000,
  );

describe('loads that machines see', () => {
  it('one combine beside the cart, the display agrees, all of it in one field: sure, with how wet it was', () => {
    const [load, ...none] = seen([cart(rising), combine('A', 8), combine('B', 300)]);
    expect(none).toEqual([]);
    expect(load).toMatchObject({ kind: 'cut', from: 'A', to: 'cart', lotId: 'lot', moisture: expect.closeTo(0.18, 9), sure: true }); // prettier-ignore
    expect(load!.kg).toBeCloseTo(5000, -1);
  });

  it.each([
    ['two beside it', [cart(rising), combine('A', 8), combine('B', -10)]],
    ['nobody beside it', [cart(rising), combine('A', 200)]],
    ['position is poor', [cart(rising), combine('A', 8, { track: stands(8, 0, 90) })]],
    ['field is not known', [cart(rising), combine('A', 8, { flows: [] })]],
    [
      'display differs',
      [cart(rising), combine('A', 8, { flows: flows.map((one) => ({ ...one, flow: 2 * one.flow })) })],
    ],
  ] as const)('%s: asked, not entered', (why, machines) => {
    expect(seen(machines)).toMatchObject([{ kind: 'cut', sure: false, why }]);
  });

  it('a field that nobody drew, or half of another one: asked, with the last one as the guess', () => {
    const machines = [cart(rising), combine('A', 8)];
    expect(seen(machines, { lots: [{ lotId: 'lot', rings: [] }] })).toMatchObject([{ lotId: 'last', why: 'field is not known' }]); // prettier-ignore
    const wanders = times.filter((ms) => ms % 10_000 === 0).map((atMs) => ({ atMs, ...at(atMs < 300_000 ? -400 : 8) }));
    const halves = [
      { lotId: 'west', rings: square(-700, 500) },
      { lotId: 'east', rings: square(-100, 500) },
    ];
    expect(seen([cart(rising), combine('A', 8, { track: wanders })], { lots: halves })).toMatchObject([{ why: 'two fields' }]); // prettier-ignore
  });

  it('into the truck beside it; of more than the cart had, or the truck holds, somebody is asked', () => {
    const machines = [cart(falling), truck('T', 10), truck('U', 60)];
    const held = (placeId: string): number => (placeId === 'cart' ? 5000 : 0);
    expect(seen(machines, { heldKg: held })).toMatchObject([{ kind: 'dump', from: 'cart', to: 'T', emptied: true, sure: true }]); // prettier-ignore
    expect(seen(machines)).toMatchObject([{ why: 'more than it had', sure: false }]);
    expect(seen(machines, { heldKg: held, capacityKg: (id) => (id === 'T' ? 3000 : 25_000) })).toMatchObject([{ why: 'more than it holds' }]); // prettier-ignore
    // What is known already is not told again.
    expect(seen(machines, { heldKg: held, known: () => true })).toEqual([]);
  });

  it('a truck that came loaded and left the yard was emptied: for sure where its own scale weighed it', () => {
    const way = times.filter((ms) => ms % 10_000 === 0).map((atMs) => ({ atMs, ...at(atMs < 200_000 || atMs > 700_000 ? 5000 : 0) })); // prettier-ignore
    const yards = [{ placeId: 'wet', ...at(0), radius: 80 }];
    const heldKg = (placeId: string): number => (placeId === 'T' ? 20_000 : 0);
    const machines = [truck('T', 0, way)];
    expect(seen(machines, { yards, heldKg })).toMatchObject([{ kind: 'yard', from: 'T', to: 'wet', kg: null, sure: false, why: 'not weighed' }]); // prettier-ignore
    const over = (total: number) => times.map((atMs) => ({ atMs, kg: atMs >= 210_000 && atMs < 240_000 ? total : 0 }));
    expect(seen(machines, { yards, heldKg, bridge: over(32_100) })).toMatchObject([{ sure: true, kg: 20_100 }]);
    expect(seen(machines, { yards, heldKg, bridge: over(40_000) })).toMatchObject([{ sure: false, why: 'scale differs' }]); // prettier-ignore
    // One that was empty only passed by.
    expect(seen(machines, { yards, bridge: over(12_100) })).toEqual([]);
  });

  it('a truck that was asked about and takes more than it can hold was emptied: what came into it is sure', () => {
    const way = times.filter((ms) => ms % 10_000 === 0).map((atMs) => ({ atMs, ...at(atMs < 100_000 ? 5000 : atMs < 400_000 ? 2000 : 10) })); // prettier-ignore
    const machines = [cart(falling), truck('T', 0, way)];
    const heldKg = (placeId: string): number => (placeId === 'T' ? 20_000 : placeId === 'cart' ? 5000 : 0);
    const more = { heldKg, capacityKg: () => 22_000 };
    expect(seen(machines, more)).toMatchObject([{ kind: 'dump', to: 'T', sure: false, why: 'more than it holds' }]);
    const yards = [{ placeId: 'wet', ...at(2000), radius: 80 }];
    expect(seen(machines, { ...more, yards })).toMatchObject([{ kind: 'yard', sure: false }, { kind: 'dump', to: 'T', sure: true }]); // prettier-ignore
    // The same where the question was asked before: it is not told again, and counts.
    expect(seen(machines, { ...more, yards, known: ({ kind }) => kind === 'yard' })).toMatchObject([{ kind: 'dump', sure: true }]); // prettier-ignore
  });

  it('a cart’s own scale says what is in it, not the book that waits for an answer', () => {
    const machines = [cart(rising), combine('A', 8)];
    const heldKg = (placeId: string): number => (placeId === 'cart' ? 24_000 : 0);
    expect(seen(machines, { heldKg })).toMatchObject([{ kind: 'cut', sure: true }]);
    expect(seen(machines, { capacityKg: () => 3000 })).toMatchObject([{ sure: false, why: 'more than it holds' }]);
  });

  it('what somebody tapped around the time, about as heavy, is the same load; his stays where both are in the book', () => {
    const load = { kind: 'cut' as const, machineId: 'cart', from: null, fromMs: 600_000, atMs: 660_000, kg: 5000 };
    const cut = (id: string, ms: number, wetKg: number, more: object = {}): Entry => ({ id, type: 'harvest', at: new Date(ms).toISOString(), lot: 'lot', to: 'cart', wetKg, moisture: 0.18, ...more }) as Entry; // prettier-ignore
    expect(isEntryOf(load, cut('a', 900_000, 5200))).toBe(true);
    expect(isEntryOf(load, cut('a', 900_000, 7000))).toBe(false);
    expect(isEntryOf(load, cut('a', 2_000_000, 5000))).toBe(false);
    expect(isEntryOf(load, cut('a', 661_000, 7000, { to: 'other' }))).toBe(false);
    const itself = cut('seen', 660_000, 5000, { device: `${SEEN_SIGN}scale` });
    expect(tappedToo([itself, cut('hand', 700_000, 5100)])).toEqual(['seen']);
    expect(tappedToo([itself, cut('hand', 700_000, 9000)])).toEqual([]);
    // One tap stands for one load.
    expect(tappedToo([itself, cut('seen2', 720_000, 5050, { device: `${SEEN_SIGN}scale` }), cut('hand', 700_000, 5100)])).toHaveLength(1); // prettier-ignore
  });
});
