import {
  type BuyerBid,
  type BuyerSheet,
  type Contract,
  contractBook,
  CROPS,
  type CropId,
  deliveries,
  type Due,
  duesOf,
  type FarmState,
  farmView,
  instantOf,
  Ledger,
  papersIn,
  SHEET_SCHOOLS,
  type Settlement,
  type SettingRecords,
  soldDeliveries,
} from '@fanega/core';
import type { DemoFarm } from './farm.js';
import { seeded } from './random.js';
import type { DemoLog, DemoSetting } from './records.js';
import { ulidAt } from './ulid.js';

export interface DemoSell {
  readonly settings: readonly DemoSetting[];
  readonly logs: readonly DemoLog[];
}

const DAY = 86_400_000;
const BY = 'Oona';

/** Sold ahead: one nearly filled, one late, two with a part of their price open, one that has not begun, one that is priced later. */
const CONTRACTS: readonly (readonly [id: string, Contract])[] = [
  ['contract-118', { number: '118', buyerId: 'redbud', crop: 'corn', kind: 'flat', price: 4.62, bushels: 10_450, opens: '2026-08-15', closes: '2026-10-15', overage: 'spot', done: false }],
  ['contract-2207', { number: '2207', buyerId: 'whistling-duck', crop: 'corn', kind: 'basisFixed', basis: -0.22, bushels: 12_000, opens: '2026-08-20', closes: '2026-12-15', overage: 'next', done: false }],
  ['contract-8814', { number: '88-14', buyerId: 'gar-hole', crop: 'sorghum', kind: 'futuresFixed', futures: 4.81, fee: 0.02, bushels: 6000, opens: '2026-08-15', closes: '2026-09-05', overage: 'spot', done: false, note: 'called Sep 3: they take it until the 12th' }],
  ['contract-s31', { number: 'S-31', buyerId: 'redbud', crop: 'soybean', kind: 'flat', price: 10.62, bushels: 10_000, opens: '2026-09-15', closes: '2026-11-15', overage: 'spot', done: false }],
  ['contract-s40', { number: 'S-40', buyerId: 'gar-hole', crop: 'soybean', kind: 'bothFixed', futures: 10.9, basis: -0.35, bushels: 5000, opens: '2026-09-01', closes: '2026-10-31', overage: 'refused', counts: 'own', done: false }],
  ['contract-dp3', { number: 'DP-3', buyerId: 'gar-hole', crop: 'sorghum', kind: 'delayed', bushels: 4000, opens: '2026-08-25', closes: '2026-12-31', overage: 'spot', chargePerMonth: 0.03, freeUntil: '2026-10-15', done: false, note: 'price to be set by the end of the year' }],
]; // prettier-ignore

const testWeight = (from: number): BuyerSheet['factors'][number] => ({
  factor: 'testWeight',
  steps: 'started',
  cumulative: true,
  refuseBeyond: 48,
  bands: [
    { from, per: 'bushel', amount: 0.01, step: 1 },
    { from: from - 2, per: 'bushel', amount: 0.03, step: 1 },
  ],
});
const damage: BuyerSheet['factors'][number] = {
  factor: 'damage',
  steps: 'started',
  cumulative: true,
  refuseBeyond: 20,
  bands: [
    { from: 5, per: 'bushel', amount: 0.015, step: 1 },
    { from: 10, per: 'bushel', amount: 0.03, step: 1 },
  ],
};
const posted = (
  buyerId: string,
  crop: CropId,
  school: keyof typeof SHEET_SCHOOLS,
  more: Partial<BuyerSheet>,
): BuyerSheet => ({ ...SHEET_SCHOOLS[school], buyerId, crop, from: '2026-07-15', base: CROPS[crop].baseMoisture, ...more }); // prettier-ignore

/** Three buyers, three schools: a flat shrink with drying, water with handling, a discount on the price alone. */
const SHEETS: readonly (readonly [id: string, BuyerSheet])[] = [
  ['sheet-redbud-corn', posted('redbud', 'corn', 'flat', { base: 0.15, refuseAbove: 0.22, factors: [testWeight(54), damage], feePerBu: 0.005 })],
  ['sheet-redbud-beans', posted('redbud', 'soybean', 'priceOnly', { base: 0.13, refuseAbove: 0.16, checkoffPercent: 0.5 })],
  ['sheet-gar-hole-corn', posted('gar-hole', 'corn', 'flat', { base: 0.155, shrinkPerPoint: 1.3, dryingPerPoint: 0.05, refuseAbove: 0.2, factors: [damage] })],
  ['sheet-gar-hole-milo', posted('gar-hole', 'sorghum', 'flat', { base: 0.145, shrinkPerPoint: 1.3, dryingPerPoint: 0.045, refuseAbove: 0.18, factors: [testWeight(55)] })],
  ['sheet-gar-hole-beans', posted('gar-hole', 'soybean', 'priceOnly', { base: 0.13, refuseAbove: 0.15, checkoffPercent: 0.5, foreignMaterialFree: 0.01 })],
  ['sheet-duck-corn', posted('whistling-duck', 'corn', 'water', { base: 0.155, dryingPerPoint: 0.03, refuseAbove: 0.26 })],
]; // prettier-ignore

/** lb/bu, as a fair year brings it. */
const TEST_WEIGHTS: Readonly<Record<string, number>> = { corn: 57.4, soybean: 57.1, sorghum: 58.2 };

/** What each bids at first, under or over the rest of the market. */
const BIDS: readonly (readonly [buyerId: string, crop: CropId, first: number, basis?: number])[] = [
  ['redbud', 'corn', 4.34],
  ['gar-hole', 'corn', 4.41, -0.19],
  ['whistling-duck', 'corn', 4.22],
  ['gar-hole', 'sorghum', 4.55],
  ['redbud', 'soybean', 10.31],
  ['gar-hole', 'soybean', 10.44, -0.38],
];

/**
 * How the farm sold so far: contracts, what buyers post and bid, prices fixed in parts on two days, three settlements (one with two
 * mistakes of the buyer, one deferred over the new year), leases, a hedge. What is paid is worked out from the tickets by the program's own
 * arithmetic; the mistakes are put in by hand.
 */
export function demoSell(farm: DemoFarm, seed = 20260912): DemoSell {
  const random = seeded(seed);
  const end = Math.max(...farm.entries.map((entry) => instantOf(entry.at)));
  const id = (at: number): string => ulidAt(at, random);
  const iso = (at: number): string => new Date(at).toISOString();
  const day = (at: number): string => iso(at - 5 * 3_600_000).slice(0, 10);
  const year = day(end).slice(0, 4);
  const logs: DemoLog[] = [];
  const log = <K extends 'bid' | 'priceFix' | 'settlement' | 'ticketPaper'>(kind: K, body: Extract<DemoLog, { kind: K }>['body']): void => void logs.push({ kind, body, by: BY, voided: false } as DemoLog); // prettier-ignore
  for (const [k, [buyerId, crop, first, basis]] of BIDS.entries())
    for (let week = 4; week >= 0; week--) {
      const at = end - week * 7 * DAY - (2 + k / 10) * 3_600_000;
      const price = Math.round((first + 0.02 * (4 - week) + 0.05 * (random() - 0.5)) * 100) / 100;
      const bid: BuyerBid = {
        id: id(at),
        at: iso(at),
        buyerId,
        crop,
        from: day(at),
        until: day(at + 40 * DAY),
        ...(basis === undefined
          ? { price }
          : { futures: Math.round((price - basis) * 100) / 100, basis, month: crop === 'soybean' ? `Nov ${year}` : `Dec ${year}` }),
      }; // prettier-ignore
      log('bid', bid);
    }
  const fix = (
    daysAgo: number,
    contractId: string,
    part: 'futures' | 'basis',
    price: number,
    bushels: number,
  ): void => {
    const at = end - daysAgo * DAY;
    log('priceFix', { id: id(at), at: iso(at), contractId, part, price, bushels });
  };
  fix(12, 'contract-2207', 'futures', 4.58, 4000);
  fix(4, 'contract-2207', 'futures', 4.66, 3000);
  fix(9, 'contract-8814', 'basis', -0.21, 6000);

  // Tickets of the last season as the program works them out.
  const ledger = new Ledger({
    defaults: { moisture: 0.15, trust: ['ticket', 'bridge', 'cartScale', 'volume', 'monitor', 'estimate'] },
    lots: farm.lots.map(({ id: lotId }) => ({ id: lotId })),
    places: farm.places,
  });
  ledger.append(farm.entries);
  const nameOf = new Map(farm.fields.map(({ id: fieldId, name }) => [fieldId, name]));
  const lots = farm.lots.map((lot) => ({ ...lot, name: lot.tag, fieldName: nameOf.get(lot.fieldId) ?? '', acres: 0 }));
  const view = farmView({
    farm: { id: 'demo', name: farm.name, timeZone: farm.timeZone, demo: true, defaults: { moisture: 0.15 } },
    lots,
    places: farm.places,
    positions: {},
    now: end,
  } as unknown as FarmState);
  const season = Math.max(...lots.map((lot) => lot.season));
  const settings: DemoSetting[] = [
    ...CONTRACTS.map(([subject, body]): DemoSetting => ({ kind: 'contract', subject, body })),
    ...SHEETS.map(([subject, body]): DemoSetting => ({ kind: 'buyerSheet', subject, body })),
  ];
  const kept = <K extends 'contract' | 'buyerSheet'>(kind: K): Record<string, { value: SettingRecords[K] }> =>
    Object.fromEntries(settings.flatMap((one) => (one.kind === kind ? [[one.subject, { value: one.body as SettingRecords[K] }]] : []))); // prettier-ignore
  const papers = papersIn(view, { logs: { ticketPaper: [] }, settings: { buyerSheet: kept('buyerSheet') } });
  const sold = soldDeliveries(view, deliveries({ ledger, lots, places: farm.places } as never, season), papers);
  const fixes = logs.flatMap((one) => (one.kind === 'priceFix' ? [{ ...one, body: one.body }] : []));
  const book = contractBook(kept('contract'), [], sold, end, {}, fixes);
  const dues = duesOf(view, sold, book, papers).filter((due) => due.ticketNo !== null && due.money !== null);
  const oldest = (buyerId: string, crop: string): Due[] =>
    dues.filter(({ buyerId: to, sold: one }) => to === buyerId && one.crop === crop).sort((a, b) => a.atMs - b.atMs);
  type Line = Settlement['lines'][number];
  const lineOf = ({ ticket, ticketNo, price }: Due): Line => ({
    ticket: ticketNo!,
    kind: 'ticket',
    bushels: ticket!.paidBushels,
    price: Math.round(price! * 1e4) / 1e4,
    taken: Math.round(100 * (ticket!.value - ticket!.money)) / 100,
    money: ticket!.money,
  });
  const pay = (number: string, buyerId: string, daysAgo: number, lines: readonly Line[], more: Partial<Settlement> = {}): void => {
    if (lines.length === 0) return;
    const at = end - daysAgo * DAY;
    const off = (more.deductions ?? []).reduce((sum, { amount }) => sum + amount, 0);
    const net = Math.round(100 * (lines.reduce((sum, { money }) => sum + money, 0) - off)) / 100;
    log('settlement', { id: id(at), at: iso(at), number, buyerId, paidOn: day(at), lines, deductions: [], net, ...more });
  }; // prettier-ignore
  const redbud = oldest('redbud', 'corn').map(lineOf);
  pay('22871', 'redbud', 10, redbud.slice(0, 4), { deductions: [{ kind: 'other', amount: 12.5, note: 'probe repair, agreed' }] }); // prettier-ignore
  // Sold now, paid after the new year: the money is next year's.
  pay('22902', 'redbud', 3, redbud.slice(4, 7), { deferredTo: `${Number(year) + 1}-01-05` });
  const milo = oldest('gar-hole', 'sorghum').slice(0, 4);
  pay(
    'GH-4471',
    'gar-hole',
    2,
    milo.map((due, i): Line => {
      const line = lineOf(due);
      // Drying charged twice on one; the shrink of another begins at 14.0 where the sheet says 14.5.
      if (i === 1) {
        const more = due.ticket!.drying > 0 ? due.ticket!.drying : 41.2;
        return { ...line, taken: Math.round(100 * (line.taken! + more)) / 100, money: Math.round(100 * (line.money - more)) / 100 }; // prettier-ignore
      }
      if (i === 2) {
        const bushels = Math.round(100 * line.bushels * (1 - 0.0065)) / 100;
        return { ...line, bushels, money: Math.round(100 * (bushels * line.price! - line.taken!)) / 100 };
      }
      return line;
    }),
  );
  // What the buyers' testers said of each ticket; no sheet docks such grain.
  const tester = seeded(seed + 1);
  for (const { delivery, crop } of sold) {
    const usual = TEST_WEIGHTS[crop ?? ''];
    if (delivery.ticket === null || usual === undefined) continue;
    const at = instantOf(delivery.entry.at) + 5 * 60_000;
    log('ticketPaper', { id: ulidAt(at, tester), at: iso(at), entryId: delivery.entry.id, factors: { testWeight: Math.round(10 * (usual + 1.6 * (tester() - 0.5))) / 10 } }); // prettier-ignore
  }
  return {
    logs,
    settings: [
      ...settings,
      { kind: 'ownerTerms', subject: 'lease-vance', body: { owner: 'Vance heirs', kind: 'share', price: 'ticket', docksBorneBy: 'owner', haulingPerBu: 0.1 } },
      { kind: 'ownerTerms', subject: 'lease-renfro', body: { owner: 'Ida Renfro', kind: 'cash', price: 'asSold', docksBorneBy: 'owner', rent: 18_400, note: 'half on March 1, half on December 1' } },
      { kind: 'sellPlan', subject: `corn-${season}`, body: { crop: 'corn', season, insured: 62_000 } },
      { kind: 'hedge', subject: 'hedge-1', body: { crop: 'corn', what: 'futures', side: 'sold', month: `Dec ${year}`, bushels: 10_000, price: 4.71, on: day(end - 60 * DAY), fee: 0.01 } },
    ],
  }; // prettier-ignore
}
