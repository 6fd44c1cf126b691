import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { optimisticBook, type CabInput, cabNext, type HolderNow, instantOf, Ledger } from '../src/index.js';
import { anyBook, BookBuilder } from './books.js';

const BU = 25.4;
const holder = (
  id: string,
  kind: string,
  bushels: number,
  capacityBu: number,
  crop = 'corn',
  moisture = 0.17,
): HolderNow => ({
  id,
  kind,
  bushels,
  wetKg: bushels * BU,
  capacityBu,
  moisture: bushels > 0 ? moisture : null,
  unknownDryKg: 0,
  ...(bushels > 0 ? { crop } : {}),
});
const ask = (me: string, holders: readonly HolderNow[], more: Partial<CabInput> = {}) =>
  cabNext({
    me,
    holders,
    lastLoad: { lot: 'BE', wetKg: 250 * BU, moisture: 0.21 },
    lastTargets: { corn: ['bin-a', 'redbud'], 'dryer:corn': ['bin-b'] },
    buyers: ['redbud'],
    dryBelow: { corn: 0.15 },
    kgPerBushel: () => BU,
    ...more,
  });

describe('what is next in the cab', () => {
  it('a tank goes into the cart that was begun, where it fits, and says what stays where it does not', () => {
    const actions = ask('c1', [
      holder('c1', 'combine', 214, 350),
      holder('cart-1', 'cart', 0, 1100),
      holder('cart-2', 'cart', 600, 1050),
      holder('cart-3', 'cart', 1000, 1100),
    ]);
    expect(actions.map((a) => a.kind === 'move' && [a.to, Math.round(a.staysKg / BU)])).toEqual([
      ['cart-2', 0],
      ['cart-1', 0],
      ['cart-3', 114],
    ]);
  });
  it('another crop is never offered on top, and a vessel without room is none', () => {
    const actions = ask('c1', [
      holder('c1', 'combine', 214, 350),
      holder('beans', 'cart', 300, 1100, 'soybean'),
      holder('full', 'cart', 1090, 1100),
    ]);
    expect(actions).toEqual([]);
  });
  it('a full cart goes to the truck that takes most, not to the one that is nearly full', () => {
    const [first] = ask('cart', [
      holder('cart', 'cart', 999, 1050),
      holder('t1', 'truck', 907, 940),
      holder('t2', 'truck', 0, 940),
    ]);
    expect(first).toMatchObject({ kind: 'move', from: 'cart', to: 't2', wetKg: 940 * BU });
  });
  it('a cart with room waits for the next dump, like the last one', () => {
    expect(ask('cart', [holder('cart', 'cart', 300, 1100)])[0]).toEqual({
      kind: 'cut',
      lot: 'BE',
      to: 'cart',
      wetKg: 250 * BU,
      moisture: 0.21,
    });
    expect(ask('cart', [holder('cart', 'cart', 300, 1100)], { lastLoad: null })).toEqual([]);
  });
  it('a dump off the field goes into a cart that takes all of it before one that would run over', () => {
    const carts = [
      holder('nearly', 'cart', 1000, 1050),
      holder('begun', 'cart', 400, 1100),
      holder('empty', 'cart', 0, 1100),
    ];
    expect(ask('c1', [holder('c1', 'combine', 0, 350), ...carts]).map((a) => a.kind === 'cut' && a.to)).toEqual([
      'c1',
      'begun',
      'empty',
    ]);
  });
  it('a truck goes where its crop went last; wet grain to the wet bin first; a buyer wants his ticket', () => {
    const yard = [holder('bin-a', 'bin', 0, 20_000), holder('wet', 'wetBin', 0, 4500)];
    expect(
      ask('t', [holder('t', 'truck', 900, 940, 'corn', 0.2), ...yard]).map((a) => ('to' in a ? a.to : null)),
    ).toEqual(['wet', 'bin-a', 'redbud']);
    const dry = ask('t', [holder('t', 'truck', 900, 940, 'corn', 0.15), ...yard]);
    expect(dry.map((a) => a.kind)).toEqual(['move', 'deliver']);
    // A bin that has no room for all of it is not offered.
    expect(
      ask('t', [holder('t', 'truck', 900, 940, 'corn', 0.15), holder('bin-a', 'bin', 19_500, 20_000)]).map(
        (a) => a.kind,
      ),
    ).toEqual(['deliver']);
  });
  it('a dryer dries, then empties, then fills again', () => {
    const bins = [holder('bin-b', 'bin', 0, 18_000), holder('wet', 'wetBin', 2000, 4500, 'corn', 0.2)];
    expect(ask('d', [holder('d', 'dryer', 1380, 1400, 'corn', 0.2), ...bins])[0]).toEqual({
      kind: 'dry',
      place: 'd',
      to: 0.15,
    });
    expect(ask('d', [holder('d', 'dryer', 1380, 1400, 'corn', 0.15), ...bins])[0]).toMatchObject({
      kind: 'move',
      to: 'bin-b',
    });
    expect(ask('d', [holder('d', 'dryer', 0, 1400), ...bins])[0]).toMatchObject({
      kind: 'move',
      from: 'wet',
      to: 'd',
      wetKg: 1400 * BU,
    });
  });
  it('nobody is offered more than three things, and a machine that is none nothing', () => {
    const carts = Array.from({ length: 9 }, (_, i) => holder(`cart-${i}`, 'cart', 0, 1100));
    expect(ask('c1', [holder('c1', 'combine', 200, 350), ...carts]).length).toBe(3);
    expect(ask('none', carts)).toEqual([]);
  });
});

describe('the book ahead of what waits', () => {
  it('is what the book will be, whatever the book and whatever waits', () => {
    fc.assert(
      fc.property(anyBook, fc.double({ min: 0, max: 1, noNaN: true }), (book, share) => {
        // What waits is the newest, and says nothing of what is older.
        const sorted = [...book.entries].sort((a, b) => instantOf(a.at) - instantOf(b.at) || (a.id < b.id ? -1 : 1));
        const cut = Math.floor(share * sorted.length);
        const [before, after] = [sorted.slice(0, cut), sorted.slice(cut)];
        const newer = new Set(after.map((entry) => entry.id));
        const selfContained = (entry: (typeof after)[number]): boolean =>
          entry.type === 'void' ? newer.has(entry.voids) : entry.type === 'witness' ? newer.has(entry.of) : true;
        fc.pre(
          after.every(selfContained) &&
            before.every((entry) =>
              entry.type === 'void' ? !newer.has(entry.voids) : entry.type === 'witness' ? !newer.has(entry.of) : true,
            ),
        );
        const now = Ledger.of({ ...book, entries: before });
        const layers = Object.fromEntries(
          book.places.filter((place) => place.kind !== 'buyer').map((place) => [place.id, now.layers(place.id)]),
        );
        const { ledger, unforeseen } = optimisticBook(
          { defaults: book.defaults, lots: book.lots, places: book.places, layers },
          after,
        );
        expect(unforeseen).toEqual([]);
        const whole = Ledger.of(book);
        for (const place of book.places) {
          if (place.kind === 'buyer') continue;
          const [ahead, real] = [ledger.position(place.id), whole.position(place.id)];
          expect(Math.abs(ahead.wetKg - real.wetKg)).toBeLessThan(1e-6 * Math.max(1, real.wetKg));
          for (const lot of new Set([...Object.keys(ahead.lots), ...Object.keys(real.lots)])) {
            expect(Math.abs((ahead.lots[lot] ?? 0) - (real.lots[lot] ?? 0))).toBeLessThan(
              1e-6 * Math.max(1, real.wetKg),
            );
          }
        }
      }),
      { seed: 20261124, numRuns: 300 },
    );
  });
  it('names what it cannot foresee: a void of something older', () => {
    const b = new BookBuilder([{ id: 'A' }], [{ id: 'cart', kind: 'cart', withdrawal: 'mixed' }]);
    const old = b.harvest('A', 'cart', 5000);
    const now = Ledger.of(b.book());
    const undo = { type: 'void', id: 'V1', at: '2026-09-09T00:00:00Z', voids: old } as const;
    const more = {
      type: 'harvest',
      id: 'H2',
      at: '2026-09-09T00:01:00Z',
      lot: 'A',
      to: 'cart',
      wetKg: 1000,
      moisture: 0.2,
    } as const;
    const { ledger, unforeseen } = optimisticBook(
      { lots: [{ id: 'A' }], places: b.places, layers: { cart: now.layers('cart') } },
      [undo, more],
    );
    expect([unforeseen, ledger.position('cart').wetKg]).toEqual([[undo], 6000]);
  });
});
