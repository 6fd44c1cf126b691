import { describe, expect, it } from 'vitest';
import { type Entry, OWN_TRUCK_SCALE, ownTimes, splitByOwner, walkRounds } from '../src/index.js';

const T0 = Date.UTC(2026, 8, 8, 15);
let n = 0;
const entry = (minute: number, more: object): Entry =>
  ({ id: `E${String(n++).padStart(4, '0')}`, at: new Date(T0 + minute * 60_000).toISOString(), ...more }) as Entry;
const KIND: Record<string, string> = {
  'combine-1': 'combine',
  'cart-1': 'cart',
  'cart-2': 'cart',
  t1: 'truck',
  bin: 'bin',
  redbud: 'buyer',
};
const walk = (entries: Entry[], witnesses: Record<string, Entry[]> = {}) =>
  walkRounds({ entries, witnessesOf: (id) => witnesses[id] ?? [], kindOf: (place) => KIND[place] });

describe('rounds of the trucks out of the book', () => {
  it('sets the cart, the bridge and the ticket of one truckload side by side', () => {
    const { weighed } = walk([
      entry(0, { type: 'harvest', lot: 'a', to: 'cart-1', wetKg: 9000, moisture: 0.17, method: 'monitor' }),
      entry(5, { type: 'move', from: 'cart-1', to: 't1', wetKg: 9100, method: 'cartScale' }),
      entry(9, { type: 'move', from: 'cart-1', to: 't1', wetKg: 14_000, method: 'cartScale', emptied: true }),
      entry(15, { type: 'measure', place: 't1', wetKg: 23_080, method: 'bridge' }),
      entry(60, { type: 'move', from: 't1', to: 'redbud', wetKg: 23_000, method: 'ticket', emptied: true }),
    ]);
    expect(weighed.length).toBe(1);
    expect(weighed[0]!.weights).toEqual([
      { method: 'ticket', scale: 'redbud', kg: 23_000 },
      { method: 'bridge', scale: OWN_TRUCK_SCALE, kg: 23_080 },
      { method: 'cartScale', scale: 'cart-1', kg: 23_100 },
    ]);
  });
  it('takes no sum where a dump was not weighed, and names several carts as such', () => {
    const load = (second: object) =>
      walk([
        entry(5, { type: 'move', from: 'cart-1', to: 't1', wetKg: 9000, method: 'cartScale' }),
        entry(9, { type: 'move', from: 'cart-2', to: 't1', ...second }),
        entry(60, { type: 'move', from: 't1', to: 'redbud', wetKg: 23_000, method: 'ticket', emptied: true }),
      ]).weighed;
    expect(load({})).toEqual([]);
    expect(load({ wetKg: 13_500, method: 'cartScale' })[0]!.weights[1]).toEqual({
      method: 'cartScale',
      scale: 'carts',
      kg: 22_500,
    });
  });
  it('lists a delivery whose ticket never came, and forgets it when it does', () => {
    const load = entry(5, { type: 'move', from: 'cart-1', to: 't1', wetKg: 9000, method: 'cartScale' });
    const gone = entry(60, { type: 'move', from: 't1', to: 'redbud' });
    expect(walk([load, gone]).unticketed.map(({ entry: { id } }) => id)).toEqual([gone.id]);
    const ticket = entry(600, { type: 'witness', of: gone.id, wetKg: 8990, method: 'ticket' });
    expect(walk([load, gone], { [gone.id]: [ticket] }).unticketed).toEqual([]);
  });
  it('knows where the vehicles are and since when a begun truck waits', () => {
    const { vehicles } = walk([
      entry(0, { type: 'move', from: 'cart-1', to: 't1' }),
      entry(30, { type: 'move', from: 'cart-2', to: 't1' }),
      entry(31, { type: 'harvest', lot: 'a', to: 'cart-1', wetKg: 5000, moisture: 0.16 }),
    ]);
    expect(vehicles.find(({ place }) => place === 't1')).toMatchObject({
      last: 'loaded',
      where: 'cart-2',
      sinceMs: T0 + 30 * 60_000,
      firstLoadMs: T0,
    });
    expect(vehicles.find(({ place }) => place === 'cart-1')).toMatchObject({ last: 'loaded', where: 'a' });
    expect(vehicles.find(({ place }) => place === 'cart-2')).toMatchObject({
      last: 'unloaded',
      where: 't1',
      firstLoadMs: null,
    });
  });
  it('times its rounds: there 40, 44 and 48 minutes, back 30', () => {
    const { rounds } = walk(
      [0, 1, 2].flatMap((i) => [
        entry(i * 80, { type: 'move', from: 'cart-1', to: 't1' }),
        entry(i * 80 + 40 + 4 * i, {
          type: 'move',
          from: 't1',
          to: 'redbud',
          wetKg: 1,
          method: 'ticket',
          emptied: true,
        }),
      ]),
    );
    const times = ownTimes(rounds, 'redbud')!;
    expect(times.rounds).toBe(3);
    expect(times.toTicket.mean).toBeCloseTo(44, 9);
    expect(times.toTicket.cv).toBeCloseTo(4 / 44, 9);
    // Two ways back are no figure.
    expect(times.back).toBeNull();
    expect(ownTimes(rounds, 'bin')).toBeNull();
  });
});

describe('whose grain', () => {
  const shares = (lot: string) => (({ half: [{ owner: 'Farm', part: 2 / 3 }, { owner: 'Heirs', part: 1 / 3 }], neighbor: [{ owner: 'Old Dorsey', part: 1 }] }) as Record<string, { owner: string; part: number }[]>)[lot]; // prettier-ignore
  it('splits a truck by share, to the kernel, and never takes a neighbor’s for its own', () => {
    const split = splitByOwner({ half: 9000, neighbor: 3000, ours: 6000 }, shares, 'Farm');
    expect(split.map(({ owner, own }) => [owner, own])).toEqual([['Farm', true], ['Heirs', false], ['Old Dorsey', false]]); // prettier-ignore
    [12_000, 3000, 3000].forEach((kg, i) => expect(split[i]!.kg).toBeCloseTo(kg, 9));
    expect(split.reduce((sum, { kg }) => sum + kg, 0)).toBeCloseTo(18_000, 9);
    expect(split[1]!.lots).toEqual({ half: 3000 });
  });
  it('gives grain of an unknown field to nobody', () => {
    const [unknown] = splitByOwner({ unknown: 100 }, shares, 'Farm');
    expect([unknown!.own, unknown!.owner]).toEqual([false, 'not known yet']);
  });
});
