import {
  type BuyerSheet,
  type Contract,
  contractBook,
  CROPS,
  type Delivery,
  duesOf,
  type FarmState,
  farmView,
  matchColumns,
  papersIn,
  positionOf,
  postingsOf,
  readBuyerFile,
  seededRandom,
  settle,
  type Settlement,
  settlementsOf,
  SHEET_SCHOOLS,
  soldDeliveries,
  sumByOwner,
} from '@fanega/core';

const DAY = 86_400_000;
const YEAR = 365.25 * DAY;
const FIRST = Date.UTC(2016, 8, 1);
const BUYERS = ['mill', 'terminal', 'river', 'feeder'];

/** What the money pages work out: tickets by their sheets, contracts, settlements, owners and position. */
export function sellBench(
  row: (what: string, took: string, note?: string) => void,
  timed: (run: () => unknown, times?: number) => number,
  contracts: Readonly<Record<string, { readonly value: Contract }>>,
): void {
  const random = seededRandom(23);
  const lots = Array.from({ length: 40 }, (_, i) => ({
    id: `lot-${i}`, fieldId: `f${i}`, name: `F${i}`, fieldName: `F${i}`, crop: i % 4 === 0 ? 'soybean' : 'corn', season: 2016 + (i % 10), tag: `F${i}`,
    acres: 120, shares: i % 5 === 0 ? [{ owner: 'Landlord', part: 1 / 3 }, { owner: 'Farm', part: 2 / 3 }] : [],
  })); // prettier-ignore
  const farm = farmView({
    farm: { id: 'f', name: 'Farm', timeZone: 'America/Chicago', demo: true, defaults: { moisture: 0.15 } },
    lots, places: BUYERS.map((id) => ({ id, name: id, kind: 'buyer', capacityBu: null })), seq: 1, now: FIRST + 10 * YEAR, positions: {}, layers: {}, tape: [], flow: { cut: {} },
  } as unknown as FarmState); // prettier-ignore
  const corn = lots.filter((lot) => lot.crop === 'corn');
  const beans = lots.filter((lot) => lot.crop === 'soybean');
  const deliveries = Array.from({ length: 20_000 }, (_, i): Delivery => {
    const of = random() < 0.3 ? beans : corn;
    const netKg = 22_000 + 2000 * random();
    return {
      entry: { id: `t${i}`, at: new Date(FIRST + random() * 10 * YEAR).toISOString() },
      to: BUYERS[i % 4]!, from: 'truck', ticket: String(100_000 + i), grossKg: null, tareKg: null, netKg, dryKg: netKg * 0.84, moisture: 0.14 + 0.05 * random(),
      pricePerBu: 4.2, lots: { [of[i % of.length]!.id]: netKg, [of[(i + 3) % of.length]!.id]: netKg / 9 }, wetLots: {}, witnesses: [],
    } as unknown as Delivery;
  }); // prettier-ignore
  const buyerSheet = Object.fromEntries(
    BUYERS.flatMap((buyerId) =>
      (['corn', 'soybean'] as const).map((crop): [string, { value: BuyerSheet }] => [
        `${buyerId}-${crop}`,
        { value: { ...SHEET_SCHOOLS.flat, buyerId, crop, from: '2016-01-01', base: CROPS[crop].baseMoisture } },
      ]),
    ),
  );
  const with_ = papersIn(farm, { logs: { ticketPaper: [] }, settings: { buyerSheet } });
  const dues = (all: readonly Delivery[]) => {
    const sold = soldDeliveries(farm, all, with_);
    return duesOf(farm, sold, contractBook(contracts, [], sold, farm.data.now), with_);
  };
  const worked = dues(deliveries);
  // A check for every fifty tickets, as they are due; one in forty is short.
  const logs = Array.from({ length: 400 }, (_, k) => {
    const lines = worked.slice(50 * k, 50 * k + 50).map((due, i): Settlement['lines'][number] => {
      const money = due.money ?? 3000;
      return { ticket: due.ticketNo!, kind: 'ticket', bushels: due.ticket?.paidBushels ?? 800, money: i % 40 === 0 ? money - 30 : money };
    });
    const body: Settlement = {
      id: `s${k}`, at: new Date(FIRST + k * 9 * DAY).toISOString(), number: String(k), buyerId: worked[50 * k]!.buyerId, paidOn: '2026-01-01', lines, deductions: [],
      net: lines.reduce((sum, { money }) => sum + money, 0),
    };
    return { body, by: 'x', voided: false };
  }); // prettier-ignore
  const settled = settle(worked, logs);
  row('20,000 tickets over ten seasons by their sheets and 400 contracts', `${timed(() => dues(deliveries), 5).toFixed(0)} ms`); // prettier-ignore
  row(
    'position of a season after them',
    `${timed(() => positionOf({ farm, season: 2025, facts: [], accounts: settled.accounts, contracts: contractBook(contracts, [], worked.map(({ sold }) => sold), farm.data.now).contracts, plans: [], hedges: [], market: { corn: { cash: 4.2 } } }), 5).toFixed(0)} ms`,
    'goal under 300 with the page',
  ); // prettier-ignore
  row(
    'settled: 400 sheets of 50 tickets against them, by owner to the cent',
    `${timed(() => sumByOwner(settle(worked, logs).sheets.flatMap((sheet) => postingsOf(farm, sheet, new Map(), () => null))), 5).toFixed(0)} ms`,
    'goal under 500 with the page',
  ); // prettier-ignore
  const heads = ['Ticket', 'Check', 'Date', 'Net Bu', 'Price', 'Discounts', 'Net Amount'];
  const rows = Array.from({ length: 5000 }, (_, i) => [`n${i}`, String(i % 25), '10/9/2026', '880.25', '4.20', '12.00', '3,685.05']); // prettier-ignore
  row(
    'a buyer’s file of 5,000 lines: matched, read against 20,000 known ones, made into settlements',
    `${timed(() => settlementsOf(readBuyerFile(heads, rows, matchColumns(heads), 'mill', logs).lines, '2026-10-10'), 5).toFixed(0)} ms`,
    'goal under 3,000 with its writing',
  ); // prettier-ignore
}
