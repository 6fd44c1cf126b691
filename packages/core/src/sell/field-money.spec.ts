import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fieldMoney, type TicketAccount } from './index.js';

interface Told {
  readonly id: string;
  readonly lots: Readonly<Record<string, number>>;
  readonly money: number | null;
  readonly paid: number;
  readonly bushels?: number;
}
const account = ({ id, lots, money, paid, bushels = 100 }: Told): TicketAccount =>
  ({
    due: {
      entryId: id,
      money,
      ticket: money === null ? null : { paidBushels: bushels },
      sold: { delivery: { lots }, bushels },
    },
    paid,
    open: money === null ? null : money - paid,
    sheets: [],
  }) as unknown as TicketAccount;

describe('the money of a field', () => {
  it('is its part of each ticket by dry matter; what has no price is told apart', () => {
    const accounts = [
      account({ id: 'a', lots: { A: 300, B: 100 }, money: 400, paid: 400 }),
      account({ id: 'b', lots: { A: 50, B: 50 }, money: 410, paid: 0 }),
      account({ id: 'c', lots: { A: 10 }, money: null, paid: 0 }),
      account({ id: 'd', lots: { B: 10 }, money: 77, paid: 77 }),
    ];
    const found = fieldMoney(accounts, 'A');
    expect(found).toMatchObject({ due: 505, paid: 300, open: 205, pricedBu: 125, unpricedBu: 100 });
    expect(found.mean).toBeCloseTo(505 / 125, 9);
    expect([...found.lines]).toEqual([
      ['a', { due: 300, paid: 300 }],
      ['b', { due: 205, paid: 0 }],
      ['c', { due: null, paid: 0 }],
    ]);
    expect(fieldMoney(accounts, 'nowhere')).toMatchObject({ due: 0, paid: 0, open: 0, mean: null });
  });

  it('sums over the fields to the tickets, to the cent', () => {
    const cents = fc.integer({ min: 0, max: 900_000 }).map((whole) => whole / 100);
    const told = fc.record({ a: fc.integer({ min: 1, max: 9999 }), b: fc.integer({ min: 1, max: 9999 }), c: fc.integer({ min: 1, max: 9999 }), money: cents, paid: cents }); // prettier-ignore
    fc.assert(
      fc.property(fc.array(told, { minLength: 1, maxLength: 20 }), (all) => {
        const accounts = all.map(({ a, b, c, money, paid }, i) => account({ id: String(i), lots: { a, b, c }, money, paid })); // prettier-ignore
        const of = ['a', 'b', 'c'].map((lot) => fieldMoney(accounts, lot));
        const sum = (what: 'due' | 'paid') => Math.round(100 * of.reduce((total, one) => total + one[what], 0));
        expect(sum('due')).toBe(Math.round(100 * all.reduce((total, one) => total + one.money, 0)));
        expect(sum('paid')).toBe(Math.round(100 * all.reduce((total, one) => total + one.paid, 0)));
      }),
      { seed: 20261130, numRuns: 200 },
    );
  });
});
