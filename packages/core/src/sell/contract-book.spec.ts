import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Contract, LogEntry } from '../records/index.js';
import { contractBook, nextLoad, notOnContract, partOn, storageCharge } from './index.js';
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

  it('takes the grain of owners who are named, and leaves the rest of the load to the others', () => {
    const owners = [
      { owner: 'Farm', part: 0.5, own: true },
      { owner: 'Ida', part: 0.3, own: false },
      { owner: 'Otto', part: 0.2, own: false },
    ];
    const book = contractBook(
      {
        ida: contract({ counts: 'named', owners: ['Ida', 'Otto'], bushels: 400, closes: '2026-10-20' }),
        own: contract({ number: '131', counts: 'own', closes: '2026-12-31' }),
      },
      [],
      [{ ...sold('a', 2, 1000), ownPart: 0.5, owners }],
      NOW,
    );
    // 500 are Ida's and Otto's, 400 of them fit; 500 are the farm's; 100 are left over.
    expect(book.contracts.map(({ delivered }) => delivered)).toEqual([400, 500]);
    expect(book.spot).toMatchObject([{ entryId: 'a', bushels: expect.closeTo(100, 9) as number }]);
    const [ida] = book.contracts;
    expect(partOn(ida!.contract, { owners })).toBeCloseTo(0.5, 12);
    expect(partOn(ida!.contract, {})).toBe(0);
    expect(notOnContract({ ...ida!, left: 100, state: 'open' }, { crop: 'soybean', buyerId: 'mill' })).toBe(
      'othersGrain',
    );
  });

  it('what is priced later is open until a cash price fixes it, and the buyer charges for the days until then', () => {
    const fix = (id: string, daysAgo: number, bushels: number, at: number): LogEntry<'priceFix'> => ({
      body: {
        id,
        at: new Date(NOW - daysAgo * DAY).toISOString(),
        contractId: 'one',
        part: 'cash',
        price: at,
        bushels,
      },
      by: 'Oona',
      voided: false,
    });
    const fixes = [fix('f', 10, 400, 10.4)];
    const book = contractBook(
      { one: contract({ kind: 'delayed', opens: '2026-07-01', bushels: 1000, chargePerMonth: 0.05 }) },
      [],
      [sold('a', 70, 400), sold('b', 40, 600)],
      NOW,
      { soybean: { cash: 10 } },
      fixes,
    );
    const [one] = book.contracts;
    expect(one!.parts).toMatchObject({ priced: 400, futures: { average: 10.4 }, basis: { average: 0 } });
    expect(one!.price).toMatchObject({ price: null, today: (400 * 10.4 + 600 * 10) / 1000 });
    const charge = storageCharge(
      one!,
      fixes.map(({ body }) => body),
      NOW,
    );
    // 400 bu for 60 days and 600 bu for 40, at 5 cents a month of 30 days.
    expect(charge.soFar).toBeCloseTo(0.05 * (400 * 2 + (600 * 40) / 30), 9);
    expect(charge).toMatchObject({ open: 600, aDay: (0.05 / 30) * 600 });
    // Nothing is taken until the free date is over.
    const free = { ...one!, contract: { ...one!.contract, freeUntil: '2026-12-31' } };
    expect(storageCharge(free, [], NOW)).toEqual({ soFar: 0, aDay: 0, open: 1000 });
  });

  it('nobody must bring anything into storage: it is never late', () => {
    const [one] = contractBook({ s: contract({ kind: 'storage', closes: '2026-10-01' }) }, [], [], NOW).contracts;
    expect(one!.state).toBe('open');
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
