import { describe, expect, it } from 'vitest';
import {
  deliveryPath,
  type HolderNow,
  Ledger,
  lotPath,
  nextSteps,
  type NextStepInput,
  traceDelivery,
} from '../src/index.js';
import { BookBuilder } from './books.js';

const PLACES = [
  { id: 'cart', kind: 'cart' },
  { id: 'truck', kind: 'truck' },
  { id: 'dryer', kind: 'dryer' },
  { id: 'bin', kind: 'bin' },
  { id: 'mill', kind: 'buyer' },
];

describe('the way of the grain', () => {
  const b = new BookBuilder([{ id: 'A' }, { id: 'B' }], PLACES);
  b.harvest('A', 'cart', 1000, 0.2);
  b.harvest('B', 'cart', 3000, 0.2);
  b.move('cart', 'truck');
  b.move('truck', 'dryer');
  b.move('dryer', 'bin');
  b.move('bin', 'dryer', { wetKg: 2000 }); // dried again: the way must not run in a circle
  b.move('dryer', 'bin');
  b.add({ type: 'loss', place: 'bin', wetKg: 400, reason: 'fines' });
  b.move('bin', 'truck', { wetKg: 1600 });
  const ticket = b.move('truck', 'mill');
  const ledger = Ledger.of(b.book());

  const isAcyclic = (links: readonly { from: string; to: string }[]): boolean => {
    const left = new Set(links);
    for (let before = -1; before !== left.size;) {
      before = left.size;
      for (const link of left) if (![...left].some((other) => other.to === link.from)) left.delete(link);
    }
    return left.size === 0;
  };

  it('goes from the fields to the ticket without a circle, each stream with its lots', () => {
    const way = deliveryPath(ledger, traceDelivery(ledger, ticket)!);
    expect(isAcyclic(way.links)).toBe(true);
    const into = way.links.filter((link) => link.to === 'place:mill');
    expect(into).toHaveLength(1);
    expect(into[0]!.from).toBe('place:truck:out');
    expect(into[0]!.dryKg).toBeCloseTo(1280, 6);
    expect(into[0]!.lots.A).toBeCloseTo(320, 6);
    const fromFields = way.links.filter((link) => link.from.startsWith('lot:'));
    expect(fromFields.reduce((sum, link) => sum + link.dryKg, 0)).toBeCloseTo(1280, 6);
    for (const link of way.links)
      expect(Object.values(link.lots).reduce((a, c) => a + c, 0)).toBeCloseTo(link.dryKg, 6);
  });

  it('of a lot ends in tickets, losses and where it stands, and they sum to what was cut', () => {
    const way = lotPath(ledger, 'A');
    expect(isAcyclic(way.links)).toBe(true);
    const end = (what: string) =>
      way.links.filter((link) => link.to.startsWith(what)).reduce((sum, link) => sum + link.dryKg, 0);
    expect([end('lost:'), end('standing:'), end('place:mill')].map((kg) => Math.round(kg * 1000) / 1000)).toEqual([
      80, 400, 320,
    ]);
  });
});

describe('what the book says should be done next', () => {
  const holder = (id: string, kind: string, bushels: number, more: Partial<HolderNow> = {}): HolderNow => ({
    id,
    kind,
    bushels,
    wetKg: bushels * 25.4,
    capacityBu: 1000,
    moisture: bushels > 0 ? 0.16 : null,
    unknownDryKg: 0,
    ...(bushels > 0 ? { crop: 'corn' } : {}),
    ...more,
  });
  const steps = (holders: HolderNow[], more: Partial<NextStepInput> = {}) =>
    nextSteps({
      holders,
      dryBelow: { corn: 0.15 },
      lastTargets: { corn: ['bin'] },
      levels: [],
      twins: [],
      kgPerBushel: () => 25.4,
      ...more,
    });

  it('a full cart goes on the empty truck, as much as it holds; the rest stays', () => {
    const [first] = steps([
      holder('cart', 'cart', 999),
      holder('t1', 'truck', 500),
      holder('t2', 'truck', 0, { capacityBu: 940 }),
    ]);
    expect(first).toMatchObject({ kind: 'cart_full', place: 'cart', load: { from: 'cart', to: 't2' } });
    const load = (first as { load: { wetKg: number; staysKg: number } }).load;
    expect(load.wetKg / 25.4).toBeCloseTo(940, 9);
    expect(load.staysKg / 25.4).toBeCloseTo(59, 9);
  });

  it('a cart that is not full waits for nobody; a full one without a truck is still said', () => {
    expect(steps([holder('cart', 'cart', 800), holder('t', 'truck', 0)])).toEqual([]);
    expect(
      steps([holder('cart', 'cart', 990), holder('t', 'truck', 940, { capacityBu: 940, crop: 'soybean' })])[0],
    ).toEqual({ kind: 'cart_full', place: 'cart' });
  });

  it('a loaded truck goes to the wet bin when it is wet and there is room, otherwise where the last one went', () => {
    const to = (moisture: number, wetBin: number) =>
      (
        steps([
          holder('t', 'truck', 900, { moisture }),
          holder('wet', 'wetBin', wetBin, { capacityBu: 4500 }),
          holder('bin', 'bin', 0, { capacityBu: 9000 }),
        ])[0] as {
          load?: { to: string };
        }
      ).load?.to;
    expect(to(0.19, 900)).toBe('wet');
    expect(to(0.19, 4000)).toBe('bin');
    expect(to(0.149, 900)).toBe('bin');
  });

  it('questions come after work: twins, a level that differs by more than 1 %, grain of no field', () => {
    const found = steps(
      [holder('cart', 'cart', 999), holder('bin', 'bin', 500, { unknownDryKg: 400, capacityBu: 9000 })],
      {
        levels: [
          { entry: 'L1', place: 'bin', foundKg: 979, bookKg: 1000 },
          { entry: 'L2', place: 'bin', foundKg: 995, bookKg: 1000 },
        ],
        twins: [{ first: 'A', second: 'B', share: 0.02 }],
      },
    );
    expect(found.map((step) => step.kind)).toEqual(['cart_full', 'maybe_twins', 'level_differs', 'unknown_grain']);
    expect(found[2]).toMatchObject({ entry: 'L1', share: expect.closeTo(-0.021, 9) });
  });
});
