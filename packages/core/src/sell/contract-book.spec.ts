import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Contract, LogEntry } from '../records/index.js';
import { contractBook, nextLoad } from './index.js';
import type { SoldDelivery } from './view.js';

const DAY = 86_400_000;
const NOW = Date.UTC(2026, 9, 10, 15);
const contract = (more: Partial<Contract> = {}): { value: Contract } => ({
  value: {
    number: '118', buyerId: 'mill', crop: 'soybean', kind: 'flat', price: 10.62, bushels: 10_000,
    opens: '2026-09-01', closes: '2026-11-15', overage: 'spot', done: false, ...more,
  },
}); // prettier-ignore
const sold = (id: string, daysAgo: number, bushels: number, to = 'mill', crop = 'soybean'): SoldDelivery =>
  ({ delivery: { entry: { id, at: new Date(NOW - daysAgo * DAY).toISOString() }, to }, crop, bushels, money: null }) as unknown as SoldDelivery; // prettier-ignore
const counts = (entryId: string, contractId: string, bushels: number): LogEntry<'contractLoad'> => ({
  body: { id: 'x', at: new Date(NOW).toISOString(), entryId, contractId, bushels },
  by: 'Oona',
  voided: false,
});

describe('contracts and what is delivered on them', () => {
  it('fill in the order in which their windows end, the rest is spot; nobody else’s grain counts', () => {
    const book = contractBook(
      { late: contract({ number: '131', closes: '2026-12-31', bushels: 5000 }), soon: contract({ bushels: 1000, overage: 'next' }) },
      [],
      [sold('a', 3, 900), sold('b', 2, 900), sold('c', 1, 5000), sold('d', 1, 700, 'terminal'), sold('e', 1, 700, 'mill', 'corn')],
      NOW,
    ); // prettier-ignore
    expect(book.contracts.map(({ id, delivered, left, state }) => [id, delivered, left, state])).toEqual([
      ['soon', 1000, 0, 'filled'],
      ['late', 5000, 0, 'filled'],
    ]);
    expect(book.spot.map(({ entryId, bushels }) => [entryId, Math.round(bushels)])).toEqual([
      ['c', 800],
      ['d', 700],
      ['e', 700],
    ]);
  });

  it('what somebody said counts first, whatever the order, and may go over', () => {
    const book = contractBook(
      { one: contract({ bushels: 1000 }), two: contract({ number: '131', closes: '2026-12-31' }) },
      [counts('b', 'one', 1200)],
      [sold('a', 3, 900), sold('b', 2, 1200)],
      NOW,
    );
    const [one, two] = book.contracts;
    expect(one).toMatchObject({ delivered: 1200, left: 0, state: 'over', loads: [{ entryId: 'b', said: true }] });
    expect(two).toMatchObject({ delivered: 900, loads: [{ entryId: 'a', said: false }] });
  });

  it('late, soon, ahead and done by its window', () => {
    const state = (more: Partial<Contract>) => contractBook({ c: contract(more) }, [], [], NOW).contracts[0]!.state;
    expect(state({ closes: '2026-10-09' })).toBe('late');
    expect(state({ closes: '2026-10-20' })).toBe('soon');
    expect(state({ closes: '2026-11-15' })).toBe('open');
    expect(state({ opens: '2026-11-01', closes: '2026-11-15' })).toBe('ahead');
    expect(state({ done: true })).toBe('done');
  });

  it('every bushel is on one contract or on the spot, and no order of tickets changes the sums', () => {
    const load = fc.record({ days: fc.integer({ min: 0, max: 30 }), bushels: fc.integer({ min: 1, max: 1200 }) });
    fc.assert(
      fc.property(fc.array(load, { maxLength: 20 }), fc.integer({ min: 100, max: 6000 }), (loads, size) => {
        const tickets = loads.map(({ days, bushels }, i) => sold(`t${i}`, days, bushels));
        const of = (list: readonly SoldDelivery[]) =>
          contractBook({ a: contract({ bushels: size }), b: contract({ number: '2', closes: '2026-12-01', bushels: 900 }) }, [], list, NOW); // prettier-ignore
        const book = of(tickets);
        const whole = tickets.reduce((sum, { bushels }) => sum + bushels, 0);
        const on = book.contracts.reduce((sum, { delivered }) => sum + delivered, 0);
        expect(on + book.spot.reduce((sum, { bushels }) => sum + bushels, 0)).toBeCloseTo(whole, 6);
        for (const { delivered, contract: one } of book.contracts)
          expect(delivered).toBeLessThanOrEqual(one.bushels + 1e-6);
        expect(of([...tickets].reverse()).contracts.map(({ delivered }) => delivered)).toEqual(book.contracts.map(({ delivered }) => delivered)); // prettier-ignore
      }),
      { seed: 12, numRuns: 100 },
    );
  });
});

describe('the next load', () => {
  const book = (loads: readonly SoldDelivery[]) =>
    contractBook({ c118: contract(), c131: contract({ number: '131', closes: '2026-12-31', price: 10.3, bushels: 5000 }) }, [], loads, NOW).contracts; // prettier-ignore
  it('M12: crosses the end of contract 118: 516.50 on it, 433.10 over, $9,837.89, $246.87 at stake', () => {
    const [mill, terminal] = nextLoad(
      { crop: 'soybean', bushels: 949.6 },
      ['terminal', 'mill'],
      book([sold('a', 3, 9483.5)]),
      (buyer) => (buyer === 'mill' ? 10.05 : 9.9),
    );
    expect(mill).toMatchObject({ buyerId: 'mill', contract: { id: 'c118' }, money: 9837.89 });
    expect(mill!.crossing).toMatchObject({
      onContract: expect.closeTo(516.5, 6) as number,
      over: expect.closeTo(433.1, 6) as number,
      contractMoney: 5485.23,
      overMoney: 4352.66,
      allOnContract: 10_084.75,
      atStake: 246.87,
    });
    expect(mill!.crossing!.offers.map(({ kind }) => kind)).toEqual(['other contract', 'take less', 'sell spot']);
    expect(terminal).toMatchObject({ buyerId: 'terminal', contract: null, crossing: null });
  });
  it('fits on it, is spot where there is none, and says nothing in dollars where nobody knows a price', () => {
    const of = (bushels: number, spot: number | null) => nextLoad({ crop: 'soybean', bushels }, ['mill'], book([]), () => spot)[0]!; // prettier-ignore
    expect(of(900, 10)).toMatchObject({ contract: { id: 'c118' }, crossing: null, money: expect.closeTo(9558, 6) as number }); // prettier-ignore
    expect(of(20_000, null).money).toBeNull();
    expect(nextLoad({ crop: 'corn', bushels: 900 }, ['mill'], book([]), () => 4)[0]).toMatchObject({ contract: null, money: 3600 }); // prettier-ignore
  });
  it('a price that is not fixed yet counts at today’s market, and without one as not known', () => {
    const open = (market: { basis?: number }) =>
      nextLoad(
        { crop: 'soybean', bushels: 900 },
        ['mill'],
        contractBook({ c: contract({ kind: 'futuresFixed', futures: 10.5 }) }, [], [], NOW, { soybean: market }).contracts, // prettier-ignore
        () => null,
      )[0]!.money;
    expect(open({ basis: -0.3 })).toBeCloseTo(900 * 10.2, 6);
    expect(open({})).toBeNull();
  });
});
