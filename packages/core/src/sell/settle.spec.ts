import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Delivery, farmView, type FarmState } from '../ledger/index.js';
import type {
  BuyerSheet,
  Contract,
  LogEntry,
  OwnerTerms,
  PriceFix,
  Settlement,
  TicketPaper,
} from '../records/index.js';
import {
  contractBook,
  duesOf,
  nextLoad,
  notOnContract,
  papersIn,
  pooledPrice,
  postingsOf,
  priceParts,
  readBuyerFile,
  matchColumns,
  settle,
  settlementsOf,
  SHEET_SCHOOLS,
  soldDeliveries,
  splitMoney,
  sumByOwner,
} from './index.js';

const LB = 0.45359237;
const NOW = Date.UTC(2026, 9, 10, 15);
const lot = (id: string, crop: string, shares: { owner: string; part: number }[] = []) => ({
  id, fieldId: id, name: id, crop, season: 2026, tag: id.slice(0, 2).toUpperCase(), acres: 100, areaHa: 40.47, shares,
}); // prettier-ignore
const farm = farmView({
  farm: { id: 'f', name: 'Kestrel Levee Farms', timeZone: 'America/Chicago', demo: true, defaults: { moisture: 0.15 } },
  lots: [
    lot('slough', 'corn'),
    lot('ridge', 'corn', [{ owner: 'Ida Renfro', part: 1 / 3 }, { owner: 'Kestrel Levee Farms', part: 2 / 3 }]),
    lot('turn', 'soybean', [{ owner: 'Old Dorsey', part: 1 }]),
  ],
  places: [{ id: 'mill', name: 'Mill', kind: 'buyer', capacityBu: null }],
  seq: 1, now: NOW, positions: {}, layers: {}, tape: [], flow: { cut: {} },
} as unknown as FarmState); // prettier-ignore

const delivery = (id: string, pounds: number, moisture: number, more: Partial<Delivery> = {}): Delivery =>
  ({
    entry: { id, at: new Date(NOW - 5 * 86_400_000).toISOString() },
    to: 'mill', from: 'truck', ticket: id, grossKg: null, tareKg: null, netKg: pounds * LB, dryKg: pounds * LB * (1 - moisture),
    moisture, pricePerBu: 4.5, lots: { slough: pounds }, witnesses: [], ...more,
  }) as unknown as Delivery; // prettier-ignore

const sheet = (more: Partial<BuyerSheet> = {}): BuyerSheet => ({
  ...SHEET_SCHOOLS.flat, buyerId: 'mill', crop: 'corn', from: '2026-08-01', base: 0.15, ...more,
}); // prettier-ignore
const contract = (more: Partial<Contract> = {}): { value: Contract } => ({
  value: {
    number: '118', buyerId: 'mill', crop: 'corn', kind: 'flat', price: 4.8, bushels: 1000, opens: '2026-09-01',
    closes: '2026-11-15', overage: 'spot', done: false, ...more,
  },
}); // prettier-ignore
const log = <N extends 'settlement' | 'ticketPaper' | 'priceFix'>(body: LogEntry<N>['body']): LogEntry<N> => ({ body, by: 'Oona', voided: false }); // prettier-ignore
const paid = (id: string, lines: Partial<Settlement['lines'][number]>[], more: Partial<Settlement> = {}): LogEntry<'settlement'> =>
  log<'settlement'>({
    id, at: new Date(NOW).toISOString(), number: id, buyerId: 'mill', paidOn: '2026-10-09',
    lines: lines.map((line) => ({ ticket: 'a', kind: 'ticket' as const, bushels: 0, money: 0, ...line })),
    deductions: [], net: lines.reduce((sum, { money = 0 }) => sum + money, 0), ...more,
  }); // prettier-ignore

function whole(
  deliveries: readonly Delivery[],
  contracts: Readonly<Record<string, { value: Contract }>> = {},
  sheets: readonly BuyerSheet[] = [sheet()],
  logs: readonly LogEntry<'settlement'>[] = [],
  papers: readonly TicketPaper[] = [],
) {
  const with_ = papersIn(farm, {
    logs: { ticketPaper: papers.map((body) => log<'ticketPaper'>(body)) },
    settings: { buyerSheet: Object.fromEntries(sheets.map((value, i) => [`s${i}`, { value }])) },
  });
  const sold = soldDeliveries(farm, deliveries, with_);
  const book = contractBook(contracts, [], sold, NOW);
  const dues = duesOf(farm, sold, book, with_);
  return { sold, book, dues, settled: settle(dues, logs) };
}

describe('what a ticket is owed by a posted sheet', () => {
  it('wet corn sold by a flat shrink: 50,000 lb at 18.0 %, 1.4 a point, 4 c a point by started halves, $4.50', () => {
    // By hand: 50,000 × (1 − 3 × 0.014) = 47,900 lb = 855.36 bu at 4.50 = 3,849.12; drying 3 points × 4 c × 892.86 wet bu = 107.14.
    const [due] = whole([delivery('a', 50_000, 0.18)]).dues;
    expect(due!.ticket).toMatchObject({ paidBushels: 855.36, wetBushels: 892.86, value: 3849.12, drying: 107.14, money: 3741.98 }); // prettier-ignore
    expect(due!.money).toBe(3741.98);
  });

  it('water by dry matter with half a percent of handling, and a sheet counts from its day on', () => {
    const sheets = [sheet({ from: '2026-10-06', base: 0.155 }), sheet({ ...SHEET_SCHOOLS.water, from: '2026-08-01' })];
    const [due] = whole([delivery('a', 50_000, 0.18)], {}, sheets).dues;
    // (0.18 − 0.15) ÷ 0.85 + 0.005 = 4.0294 % off: 47,985.29 lb = 856.88 bu.
    expect(due!.ticket!.paidBushels).toBe(856.88);
    expect(due!.sold.sheetId).toBe('s1');
  });

  it('beans that only lose price: 1 % of it for each half point or part over 13', () => {
    const beans: BuyerSheet = { ...SHEET_SCHOOLS.priceOnly, buyerId: 'mill', crop: 'soybean', from: '2026-08-01', base: 0.13, checkoffPercent: 0.5 }; // prettier-ignore
    const load = delivery('a', 57_000, 0.137, { lots: { turn: 57_000 }, pricePerBu: 10 });
    const [due] = whole([load], {}, [beans]).dues;
    // 950 bu; 0.7 points over: two started halves, 2 % of $10; checkoff half a percent of what is left.
    expect(due!.ticket).toMatchObject({ paidBushels: 950, value: 9500, docked: 190, checkoff: 46.55, money: 9263.45 });
  });

  it('discounts on gross bushels take more than on paid ones; dockage comes off before anything else', () => {
    const factors: BuyerSheet['factors'] = [
      {
        factor: 'testWeight',
        steps: 'whole',
        cumulative: true,
        bands: [{ from: 54, per: 'bushel', amount: 0.02, step: 1 }],
      },
    ];
    const paper = { id: 'p', at: '2026-10-05T12:00:00Z', entryId: 'a', factors: { testWeight: 52, dockage: 1.29 } };
    const load = [delivery('a', 56_000, 0.18)];
    const [on] = whole(load, {}, [sheet({ factors, dockage: true })], [], [paper]).dues;
    const [gross] = whole(load, {}, [sheet({ factors, dockage: true, discountsOn: 'gross' })], [], [paper]).dues;
    // Dockage in whole tenths, below dropped: 1.2 % of 56,000 lb; then 4.2 % shrink.
    expect(on!.ticket!.paidBushels).toBe(Number(((56_000 * 0.988 * 0.958) / 56).toFixed(2)));
    expect(on!.ticket!.docked).toBeCloseTo(0.04 * on!.ticket!.paidBushels, 2);
    expect(gross!.ticket!.docked).toBe(40);
  });
});

describe('what crosses a contract’s end', () => {
  const loads = [delivery('a', 40_000, 0.14), delivery('b', 28_000, 0.14, { entry: { id: 'b', at: new Date(NOW - 86_400_000).toISOString() } as Delivery['entry'] })]; // prettier-ignore
  const parts = (more: Partial<Contract>, others: Readonly<Record<string, { value: Contract }>> = {}) =>
    whole(loads, { c: contract(more), ...others }).dues.map((due) => due.parts.map(({ contractId, bushels, price }) => [contractId, Number(bushels.toFixed(2)), price])); // prettier-ignore

  it('goes by the rule that was signed: at the day’s price, all at the contract’s, or on the next', () => {
    const next = { n: contract({ number: '131', closes: '2026-12-15', price: 4.7 }) };
    expect(parts({}, next)).toEqual([[['c', 714.29, 4.8]], [['c', 285.71, 4.8], [null, 214.29, 4.5]]]); // prettier-ignore
    expect(parts({ overage: 'contract' }, next)[1]).toEqual([['c', 500, 4.8]]);
    expect(parts({ overage: 'next' }, next)[1]).toEqual([['c', 285.71, 4.8], ['n', 214.29, 4.7]]); // prettier-ignore
    expect(parts({ tolerance: 100 }, next)[1]).toEqual([['c', 385.71, 4.8], [null, 114.29, 4.5]]); // prettier-ignore
  });

  it('each part is paid to the cent', () => {
    const [, b] = whole(loads, { c: contract() }).dues;
    expect(b!.money).toBe(Number((Math.round(285.71 * 480) / 100 + Math.round(214.29 * 450) / 100).toFixed(2)));
  });

  it('the next load brings what its rule says', () => {
    const brings = (more: Partial<Contract>) => {
      const { book } = whole([delivery('a', 53_200, 0.14)], { c: contract(more), n: contract({ number: '131', closes: '2026-12-15', price: 4.7 }) }); // prettier-ignore
      return nextLoad({ crop: 'corn', bushels: 100 }, ['mill'], book.contracts, () => 4.5)[0]!.money;
    };
    expect(brings({})).toBe(50 * 4.8 + 50 * 4.5);
    expect(brings({ overage: 'contract' })).toBe(480);
    expect(brings({ overage: 'next' })).toBe(50 * 4.8 + 50 * 4.7);
    expect(brings({ overage: 'refused' })).toBe(240);
    expect(brings({ tolerance: 60 })).toBe(480);
  });

  it('a contract says why it does not take a load; a landlord’s third goes at the day’s price before it leaves, too', () => {
    const { book } = whole([], { c: contract({ counts: 'own' }), d: contract({ number: '9', done: true }), e: contract({ number: '10', opens: '2026-11-01', closes: '2026-12-01' }) }); // prettier-ignore
    const [c, d, e] = ['c', 'd', 'e'].map((id) => book.contracts.find((one) => one.id === id)!);
    const load = { crop: 'corn', buyerId: 'mill' };
    expect([
      notOnContract(c!, load),
      notOnContract(c!, { ...load, crop: 'soybean' }),
      notOnContract(c!, { ...load, buyerId: 'coop' }),
      notOnContract(c!, { ...load, ownPart: 0 }),
      notOnContract(d!, load),
      notOnContract(e!, load),
    ]).toEqual([null, 'otherCrop', 'otherBuyer', 'othersGrain', 'done', 'notOpen']);
    const [ahead] = nextLoad({ crop: 'corn', bushels: 900, ownPart: 2 / 3 }, ['mill'], book.contracts, () => 4.5);
    expect(ahead!.others).toBeCloseTo(300, 9);
    expect(ahead!.money).toBeCloseTo(600 * 4.8 + 300 * 4.5, 6);
  });

  it('a contract for the farm’s own share leaves the landlord’s third at the day’s price', () => {
    const load = delivery('a', 50_400, 0.14, { lots: { ridge: 50_400 } });
    const [due] = whole([load], { c: contract({ counts: 'own' }) }).dues;
    expect(due!.parts.map(({ contractId, bushels }) => [contractId, Math.round(bushels)])).toEqual([
      ['c', 600],
      [null, 300],
    ]);
  });

  it('a price fixed in two parts on two days is their mean; what is open is open', () => {
    const fix = (at: string, part: PriceFix['part'], price: number, bushels: number): PriceFix => ({ id: at, at, contractId: 'c', part, price, bushels }); // prettier-ignore
    const { value } = contract({ kind: 'basisFixed', basis: -0.2 });
    const half = [fix('2026-09-03T15:00:00Z', 'futures', 4.6, 400)];
    expect(priceParts(value, half)).toMatchObject({ futures: { bushels: 400, average: 4.6 }, priced: 400 });
    const both = [...half, fix('2026-09-20T15:00:00Z', 'futures', 4.9, 800)];
    const parts = priceParts(value, both);
    expect(parts.futures.bushels).toBe(1000);
    expect(parts.futures.average).toBeCloseTo(0.4 * 4.6 + 0.6 * 4.9, 10);
  });

  it('what is fixed of an open price is the price of what came first', () => {
    const fixes = [
      log<'priceFix'>({
        id: 'f',
        at: '2026-09-03T15:00:00Z',
        contractId: 'c',
        part: 'futures',
        price: 4.6,
        bushels: 900,
      }),
    ];
    const with_ = papersIn(farm, { logs: { ticketPaper: [] }, settings: { buyerSheet: { s: { value: sheet() } } } });
    const sold = soldDeliveries(farm, loads, with_);
    const book = contractBook(
      { c: contract({ kind: 'basisFixed', basis: -0.2, bushels: 5000 }) },
      [],
      sold,
      NOW,
      {},
      fixes,
    );
    const [a, b] = duesOf(farm, sold, book, with_);
    expect(a!.price).toBeCloseTo(4.4, 10);
    expect(b!.parts.map(({ bushels, price }) => [Number(bushels.toFixed(2)), price === null ? null : Number(price.toFixed(4))])).toEqual([[185.71, 4.4], [314.29, null]]); // prettier-ignore
    expect(b!.money).toBeNull();
  });
});

describe('a buyer’s sheet against the farm’s own arithmetic', () => {
  it('what agrees, a shrink from another base, a price of another contract, a ticket paid twice, one that is nobody’s', () => {
    const loads = ['a', 'b', 'c', 'd'].map((id, i) => delivery(id, 50_000 + 100 * i, 0.18));
    const lost = delivery('x', 44_800, 0.15, { ticket: null });
    const { dues } = whole([...loads, lost]);
    const line = (i: number, more = {}) => {
      const { ticket, price } = dues[i]!;
      return { ticket: dues[i]!.ticketNo!, bushels: ticket!.paidBushels, price: price!, taken: Number((ticket!.value - ticket!.money).toFixed(2)), money: ticket!.money, ...more }; // prettier-ignore
    };
    const b = line(1);
    const settled = settle(dues, [
      paid('901', [line(3), { ticket: '77', bushels: 800, price: 4.5, money: 3600 }]),
      paid('900', [line(0), { ...b, bushels: b.bushels - 12.5, money: Number((b.money - 12.5 * 4.5).toFixed(2)) }, line(2, { price: 4.4, money: Number((line(2).money - 0.1 * line(2).bushels).toFixed(2)) }), line(3)], { paidOn: '2026-10-01' }),
    ]); // prettier-ignore
    const [second, first] = settled.sheets;
    expect(first!.tickets.map(({ ticket, state }) => [ticket, state])).toEqual([['a', 'agrees'], ['b', 'short'], ['c', 'short'], ['d', 'agrees']]); // prettier-ignore
    expect(first!.tickets[1]!.differences).toMatchObject([{ what: 'bushels', short: 56.25 }]);
    expect(first!.tickets[2]!.differences.map(({ what }) => what)).toEqual(['price']);
    expect(second!.tickets.map(({ state }) => state)).toEqual(['twice', 'noLoad']);
    expect(second!.tickets[1]!.likely.map(({ entryId }) => entryId)).toEqual(['x']);
    expect(settled.short).toBeCloseTo(56.25 + 0.1 * line(2).bushels, 1);
    expect(settled.unpaid).toMatchObject({ count: 1 });
    expect(settled.withoutTicket.map(({ entryId }) => entryId)).toEqual(['x']);
  });

  it('a correction on a later sheet sets it right, and nothing before it is changed', () => {
    const { dues } = whole([delivery('a', 50_000, 0.18)]);
    const own = dues[0]!.money!;
    const before = [paid('900', [{ ticket: 'a', bushels: 855.36, money: Number((own - 40).toFixed(2)) }], { paidOn: '2026-10-01' })]; // prettier-ignore
    expect(settle(dues, before)).toMatchObject({ short: 40 });
    const after = [paid('901', [{ ticket: 'a', kind: 'correction', money: 40 }]), ...before];
    const settled = settle(dues, after);
    expect(settled).toMatchObject({ short: 0, over: 0, accounts: [{ open: 0, sheets: ['900', '901'] }] });
    expect(settled.sheets[1]!.tickets[0]).toMatchObject({ state: 'short', short: 40 });
  });

  it('a net that its own lines do not add up to, deductions taken off', () => {
    const { dues } = whole([delivery('a', 50_000, 0.18)]);
    const [sheetOf] = settle(dues, [
      paid('900', [{ ticket: 'a', bushels: 855.36, money: 3741.98 }], { deductions: [{ kind: 'storage', amount: 20 }], net: 3701.98 }), // prettier-ignore
    ]).sheets;
    expect(sheetOf).toMatchObject({ should: 3721.98, netShort: 20 });
  });

  it('agrees with a slow settlement written another way, on random sets of tickets', () => {
    const ticketOf = fc.record({
      pounds: fc.integer({ min: 20_000, max: 60_000 }),
      moisture: fc.integer({ min: 110, max: 240 }),
      off: fc.constantFrom(0, 0, 12.34, -7.5),
      on: fc.integer({ min: 0, max: 2 }),
      fixed: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(ticketOf, { minLength: 1, maxLength: 12 }), (tickets) => {
        const loads = tickets.map(({ pounds, moisture }, i) => delivery(`t${i}`, pounds, moisture / 1000));
        const { dues } = whole(loads);
        // The oracle: whole cents by its own formula of the posted sheet.
        const own = tickets.map(({ pounds, moisture }) => {
          const points = Math.max(0, moisture - 150) / 10;
          const bushels = Math.round(((pounds * (1 - 0.014 * points)) / 56) * 100) / 100;
          const wet = Math.round((pounds / 56) * 100) / 100;
          const drying = Math.round(0.5 * Math.ceil(Number((points / 0.5).toFixed(6))) * 4 * wet * 1e6) / 1e6;
          return Math.round(bushels * 450) - Math.round(Number(drying.toFixed(4)));
        });
        own.forEach((cents, i) => expect(Math.abs(Math.round(dues[i]!.money! * 100) - cents)).toBeLessThanOrEqual(1));
        const lines = [0, 1].map(
          (sheetNo) =>
          tickets.flatMap(({ on, off }, i) => (on === sheetNo ? [{ ticket: `t${i}`, bushels: 1, money: Number((dues[i]!.money! - off).toFixed(2)) }] : [])), // prettier-ignore
        );
        const fixes = tickets.flatMap(({ off, fixed, on }, i) => (off !== 0 && fixed && on < 2 ? [{ ticket: `t${i}`, kind: 'correction' as const, bushels: 0, money: off }] : [])); // prettier-ignore
        const logs = [
          ...(fixes.length > 0 ? [paid('z', fixes, { paidOn: '2026-10-10' })] : []),
          ...lines.flatMap((of, i) => (of.length > 0 ? [paid(`s${i}`, of, { paidOn: `2026-10-0${i + 1}` })] : [])),
        ];
        const settled = settle(dues, logs);
        let short = 0;
        let over = 0;
        let unpaid = 0;
        tickets.forEach(({ on, off, fixed }, i) => {
          if (on === 2) unpaid += Math.round(dues[i]!.money! * 100);
          else if (!fixed && off > 0) short += Math.round(off * 100);
          else if (!fixed && off < 0) over -= Math.round(off * 100);
        });
        expect(Math.round(settled.short * 100)).toBe(short);
        expect(Math.round(settled.over * 100)).toBe(over);
        expect(Math.round(settled.unpaid.money * 100)).toBe(unpaid);
        // The order in which sheets were written down does not matter.
        const turned = settle(dues, [...logs].reverse());
        expect(turned.short).toBe(settled.short);
      }),
      { seed: 17, numRuns: 60 },
    );
  });
});

describe('money by owner and field', () => {
  const ida: OwnerTerms = { owner: 'Ida Renfro', kind: 'share', price: 'ticket', docksBorneBy: 'owner' };

  it('a landlord’s third at the day’s price, the rest on contract; hauling by the lease; sums equal to the cent', () => {
    const load = delivery('a', 50_400, 0.14, { lots: { ridge: 50_400 } });
    const { dues } = whole([load], { c: contract({ bushels: 5000, price: 4.8 }) });
    const [check] = settle(dues, [
      paid('900', [{ ticket: 'a', bushels: 900, price: 4.8, taken: 0, money: 4320 }]),
    ]).sheets;
    const terms = new Map([['Ida Renfro', { ...ida, haulingPerBu: 0.12 }]]);
    const sums = sumByOwner(postingsOf(farm, check!, terms, () => null));
    // 300 bu at $4.50 instead of $4.80, less 12 c a bushel hauling: 1,350.00 − 36.00.
    expect(sums.map(({ owner, money }) => [owner, money])).toEqual([['Kestrel Levee Farms', 3006], ['Ida Renfro', 1314]]); // prettier-ignore
  });

  it('every split sums to the check, whatever the shares, discounts, deductions and rules', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ pounds: fc.integer({ min: 1000, max: 60_000 }), lots: fc.array(fc.constantFrom('slough', 'ridge', 'turn', 'gone'), { minLength: 1, maxLength: 3 }), money: fc.integer({ min: -90_000, max: 900_000 }), taken: fc.integer({ min: 0, max: 9000 }) }), { minLength: 1, maxLength: 8 }),
        fc.integer({ min: -5000, max: 90_000 }),
        fc.constantFrom('asSold' as const, 'ticket' as const, 'pooled' as const),
        fc.constantFrom('owner' as const, 'farm' as const),
        (tickets, off, price, docksBorneBy) => {
          const loads = tickets.map(({ pounds, lots }, i) => delivery(`t${i}`, pounds, 0.16, { lots: Object.fromEntries(lots.map((id, k) => [id, pounds / (k + 1)])) })); // prettier-ignore
          const { dues } = whole(loads);
          const lines = tickets.map(({ money, taken }, i) => ({ ticket: `t${i}`, bushels: 10, taken: taken / 100, money: money / 100 })); // prettier-ignore
          const [check] = settle(dues, [paid('900', lines, { deductions: [{ kind: 'freight', amount: off / 100 }] })]).sheets; // prettier-ignore
          const terms = new Map([['Ida Renfro', { ...ida, price, docksBorneBy, haulingPerBu: 0.07 }]]);
          const postings = postingsOf(farm, check!, terms, (crop) => pooledPrice(dues, crop));
          const cents = (amount: number) => Math.round(amount * 100);
          expect(postings.reduce((sum, { amount }) => sum + cents(amount), 0)).toBe(cents(check!.should));
          expect(sumByOwner(postings).reduce((sum, { money }) => sum + cents(money), 0)).toBe(cents(check!.should));
        },
      ),
      { seed: 18, numRuns: 60 },
    ); // prettier-ignore
  });

  it('splits money of either sign without loss', () => {
    expect(splitMoney(-10, [1, 1, 1])).toEqual([-3.34, -3.33, -3.33]);
    expect(splitMoney(0.01, [0, 0])).toEqual([0.01, 0]);
  });
});

describe('a buyer’s file', () => {
  const heads = ['Ticket No', 'Check #', 'Check Date', 'Contract', 'Net Bu', 'Price', 'Discounts', 'Net Amount'];
  const rows = [
    ['40120', '900', '10/9/2026', '118', '855.36', '4.50', '(107.14)', '$3,741.98'],
    ['40121', '900', '10/9/2026', '', '900.00', '4.50', '', '4,050.00'],
  ];

  it('its columns are found by their heads, and as they were matched before', () => {
    expect(matchColumns(heads)).toEqual({ ticket: 'Ticket No', check: 'Check #', paidOn: 'Check Date', contract: 'Contract', bushels: 'Net Bu', price: 'Price', taken: 'Discounts', money: 'Net Amount' }); // prettier-ignore
    expect(matchColumns(['Ref', 'Qty bu', 'Amount'], { ticket: 'Ref' })).toEqual({ ticket: 'Ref', bushels: 'Qty bu', money: 'Amount' }); // prettier-ignore
  });

  it('taken in once is known the second time; other figures become a correction; what is wrong is named', () => {
    const match = matchColumns(heads);
    const first = readBuyerFile(heads, rows, match, 'mill', []);
    expect(first.problems).toEqual([]);
    expect(first.lines.map(({ state }) => state)).toEqual(['new', 'new']);
    expect(first.lines[0]).toMatchObject({ paidOn: '2026-10-09', line: { taken: 107.14, money: 3741.98 } });
    const [taken] = settlementsOf(first.lines, '2026-10-10');
    expect(taken).toMatchObject({ number: '900', paidOn: '2026-10-09', net: 7791.98 });
    const logs = [paid('x', [], { ...taken!, number: '900' })];
    const again = readBuyerFile(heads, rows, match, 'mill', logs);
    expect(again.lines.map(({ state }) => state)).toEqual(['known', 'known']);
    expect(settlementsOf(again.lines, '2026-10-10')).toEqual([]);
    const other = readBuyerFile(heads, [rows[0]!, ['40121', '900', '', '', '910.00', '', '', '4,095.00']], match, 'mill', logs); // prettier-ignore
    expect(other.lines.map(({ state }) => state)).toEqual(['known', 'different']);
    expect(settlementsOf(other.lines, '2026-10-10')).toMatchObject([{ lines: [{ ticket: '40121', kind: 'correction', bushels: 10, money: 45 }] }]); // prettier-ignore
    const wrong = readBuyerFile(heads, [['', '900', '', '', '1', '', '', '1'], ['7', '900', '13/45/2026', '', '1', '', '', '1'], ['8', '900', '', '', 'many', '', '', '1'], rows[0]!, rows[0]!], match, 'mill', []); // prettier-ignore
    expect(wrong.problems.map(({ row, what }) => [row, what])).toEqual([[2, 'no_ticket'], [3, 'no_day'], [4, 'no_figure'], [6, 'twice']]); // prettier-ignore
    expect(readBuyerFile(['x'], rows, {}, 'mill', []).problems.map(({ column }) => column)).toEqual(['ticket', 'bushels', 'money']); // prettier-ignore
  });
});
