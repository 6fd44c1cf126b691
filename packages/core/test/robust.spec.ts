import { describe, expect, it } from 'vitest';
import {
  balanceOf,
  type BookRefused,
  type Entry,
  Ledger,
  MAX_MASS_KG,
  MOST_VOIDS,
  splitByOwner,
  traceDelivery,
} from '../src/index.js';
import { BookBuilder } from './books.js';

const refusalsOf = (act: () => unknown): string[] => {
  try {
    act();
    return [];
  } catch (error) {
    return (error as BookRefused).refusals.map(({ code }) => code);
  }
};

it('the last instant is that of an entry that still stands: one wrong year, taken back, moves nothing', () => {
  const b = new BookBuilder([{ id: 'A' }], [{ id: 'cart' }]);
  b.harvest('A', 'cart', 1000, 0.2, { at: '2026-09-08T12:00:00Z' });
  const wrong = b.harvest('A', 'cart', 1000, 0.2, { at: '2027-09-08T12:00:00Z' });
  expect(Ledger.of(b.book()).lastInstant).toBe(Date.parse('2027-09-08T12:00:00Z'));
  b.add({ type: 'void', voids: wrong });
  expect(Ledger.of(b.book()).lastInstant).toBe(Date.parse('2026-09-08T12:00:00Z'));
});

describe('a book that somebody means ill with', () => {
  const NAMES = ['__proto__', 'constructor', 'toString', 'hasOwnProperty', 'valueOf'];

  it.each(NAMES)('takes a lot and a place called %s as names like others', (name) => {
    const b = new BookBuilder(
      [{ id: name }, { id: 'A' }],
      [
        { id: name, kind: 'cart' },
        { id: 'mill', kind: 'buyer' },
      ],
    );
    const load = b.harvest(name, name, 1000, 0.2);
    b.harvest('A', name, 500, 0.1);
    const d = b.move(name, 'mill', { wetKg: 600 });
    b.add({ type: 'loss', place: name, wetKg: 90, reason: name });
    const ledger = Ledger.of(b.book());
    expect(Object.keys(ledger.positions())).toEqual([name]);
    const held = ledger.positions()[name]!;
    expect(held.wetKg).toBeCloseTo(810, 9);
    expect(Object.values(held.lots).reduce((sum, kg) => sum + kg, 0)).toBeCloseTo(held.dryKg, 9);
    const account = ledger.accounts()[name]!;
    expect(account.harvestedDryKg).toBeCloseTo(800, 9);
    expect(Object.keys(account.lostDryKg)).toEqual([name]);
    expect(balanceOf(Object.values(ledger.accounts())).balances).toBe(true);
    const trace = traceDelivery(ledger, d)!;
    expect(trace.lots[name]!).toBeCloseTo((600 / 1500) * 800, 9);
    expect(trace.loads[load]!).toBeCloseTo(trace.lots[name]!, 9);
    // Through JSON and back it is the same: nothing hides in a prototype.
    expect(Object.keys(JSON.parse(JSON.stringify(held.lots)) as object).sort()).toEqual([name, 'A'].sort());
    expect(splitByOwner(held.lots, () => undefined, 'Own')[0]!.kg).toBeCloseTo(held.dryKg, 9);
  });

  it('follows a chain of voids as long as it may be, each taking back the one before', () => {
    const b = new BookBuilder([{ id: 'A' }], [{ id: 'cart', kind: 'cart' }]);
    let last = b.harvest('A', 'cart', 1000);
    for (let i = 0; i < MOST_VOIDS; i++) last = b.add({ type: 'void', voids: last });
    const ledger = Ledger.of(b.book());
    expect(ledger.position('cart').wetKg).toBe(1000);
    expect(refusalsOf(() => ledger.append([{ ...b.entries.at(-1)!, id: 'E9999', voids: last } as Entry]))).toEqual([
      'voids_too_deep',
    ]);
    // Refused, it left nothing behind: the next entry is taken as ever.
    expect(ledger.position('cart').wetKg).toBe(1000);
    expect(ledger.size).toBe(b.entries.length);
    ledger.append([{ ...b.entries[0]!, id: 'E9998' }]);
    expect(ledger.position('cart').wetKg).toBe(2000);
  });

  it('is read again where somebody made a longer chain before there was a limit to it', () => {
    // Six batches of a thousand: the stack of the machine that reads it does not grow with it.
    const b = new BookBuilder([{ id: 'A' }], [{ id: 'cart', kind: 'cart' }]);
    let last = b.harvest('A', 'cart', 1000);
    for (let i = 0; i < 6000; i++) last = b.add({ type: 'void', voids: last });
    expect(new Set(refusalsOf(() => Ledger.of(b.book())))).toEqual(new Set(['voids_too_deep']));
    const { entries, ...header } = b.book();
    const ledger = new Ledger(header as never);
    ledger.restore(entries);
    expect(ledger.position('cart').wetKg).toBe(1000);
    expect(ledger.isVoided(entries[1]!.id)).toBe(true);
  });

  it.each([
    [MAX_MASS_KG, []],
    [MAX_MASS_KG * 1.01, ['mass_out_of_range']],
    [1e308, ['mass_out_of_range']],
    [Infinity, ['mass_out_of_range']],
    [-1, ['mass_out_of_range']],
  ] as const)('takes %s kg as it should', (wetKg, codes) => {
    const b = new BookBuilder([{ id: 'A' }], [{ id: 'pile', kind: 'pile' }]);
    b.harvest('A', 'pile', wetKg);
    expect(refusalsOf(() => Ledger.of(b.book()))).toEqual(codes);
  });
});
