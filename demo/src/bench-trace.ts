import {
  dayReport,
  divisionsOf,
  entryRows,
  type FarmBook,
  insuranceOf,
  type Ledger,
  type LotInfo,
  originOf,
  type PlaceInfo,
  searchBook,
  type TraceRecords,
  USUAL_HAUL_TIMES,
  wrongFieldLoads,
  yearCosts,
} from '@fanega/core';

/** What the pages of Trace work out of a book of ten seasons and sixty fields. */
export function benchTrace(
  row: (what: string, figure: string, goal?: string) => void,
  timed: <T>(run: () => T) => { ms: number; result: T },
  ledger: Ledger,
): void {
  const lots = ledger.header.lots.map(({ id }, i): LotInfo => ({ id, fieldId: id, fieldName: `Field ${i + 1}`, acres: 80, crop: 'corn', season: 2026, variety: '', tag: `F${i + 1}`, shares: [] })); // prettier-ignore
  const places = ledger.header.places.map(({ id, kind }): PlaceInfo => ({ id, name: id, kind: kind ?? 'bin', withdrawal: 'mixed', capacityBu: null, diameterM: null, eaveM: null, hopperM: null })); // prettier-ignore
  const book: FarmBook = { ledger, lots, places };
  const zone = 'America/Chicago';
  const show = (what: string, run: () => unknown, goal = ''): void => row(what, `${timed(run).ms.toFixed(0)} ms`, goal);
  show('search, the first of a book', () => searchBook(book, 'wheel3', zone));
  show('search, each after it', () => searchBook(book, 'truck buyer2 sep 8', zone), 'goal under 200');
  const { arrivals } = ledger;
  const sold = arrivals.findLast(({ id }) => ledger.isDelivery(id))!;
  const subject = { kind: 'delivery', id: sold.id } as const;
  show('origin of one of the last deliveries, with how sure', () => originOf(book, subject, sold.at));
  show('the same divided three other ways', () => divisionsOf(book, subject, 'Farm'));
  show('a day', () => dayReport(book, sold.at.slice(0, 10), zone));
  show('what a year’s grain cost to dry, haul and store', () => yearCosts(book, {}, USUAL_HAUL_TIMES, 100, 2026), 'goal under 1,000 with the year'); // prettier-ignore
  const policy = { number: 'P', crop: 'corn', season: 2026, coverage: 0.75, price: 4.5, base: 0.15, noticeDays: 3, noticeAfterEnd: 15, periodEnds: '2026-12-10' }; // prettier-ignore
  const records = {
    logs: { appraisal: [], lossNotice: [], binMeasurement: [] },
    settings: { seasonState: {}, fileMatch: {}, fieldBoundary: {}, insurancePolicy: { p: { revision: 1, value: policy } }, insuranceUnit: Object.fromEntries(lots.map((lot) => [lot.id, { revision: 1, value: { policy: 'p', number: lot.id, kind: 'optional', lots: [lot.id], share: 1, approvedYield: 180 } }])) },
  } as unknown as TraceRecords; // prettier-ignore
  show('sixty insured units', () => insuranceOf(book, records, 2026, zone, Date.parse(sold.at)), 'goal under 1,000');
  show('loads under the wrong field', () => wrongFieldLoads(book, lots));
  let rows = 0;
  const { ms } = timed(() => {
    for (const line of entryRows(book)) rows += line.length > 0 ? 1 : 0;
  });
  row('entries as rows', `${Math.round((rows / ms) * 1000).toLocaleString('en')} rows/s`, 'goal 50,000');
}
