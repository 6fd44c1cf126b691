import { describe, expect, it } from 'vitest';
import { type Delivery, farmView, type FarmState } from '../ledger/index.js';
import type { LogEntry, SellRecords, Settlement } from '../records/index.js';
import { sellBookOf } from '../sell/index.js';
import { bookGaps } from './index.js';

const KG_PER_BU = 25.40117272;
const NOW = Date.UTC(2026, 9, 30, 15);
const farm = farmView({
  farm: { id: 'f', name: 'Kestrel', timeZone: 'America/Chicago', demo: true, defaults: { moisture: 0.15 } },
  lots: [{ id: 'A', fieldId: 'A', fieldName: 'A', crop: 'corn', season: 2026, tag: 'A', acres: 100, shares: [] }],
  places: [{ id: 'mill', name: 'Mill', kind: 'buyer', capacityBu: null }, { id: 'bin', name: 'Bin', kind: 'bin', capacityBu: null }],
  seq: 1, now: NOW, layers: {}, tape: [], flow: { cut: {} },
  positions: { bin: { wetKg: 1000, dryKg: 850, moisture: 0.15, layers: 1, wetLots: { A: 1000 }, lots: { A: 850 } } },
} as unknown as FarmState); // prettier-ignore
const delivery = (id: string, day: number, ticket: string | null): Delivery =>
  ({ entry: { id, at: `2026-10-${String(day).padStart(2, '0')}T15:00:00Z` }, to: 'mill', from: 'truck', ticket, grossKg: null, tareKg: null, netKg: 900 * KG_PER_BU, dryKg: 0.85 * 900 * KG_PER_BU, moisture: 0.15, pricePerBu: 4.5, lots: { A: 1 }, wetLots: { A: 900 * KG_PER_BU }, witnesses: [] }) as unknown as Delivery; // prettier-ignore
const sheet: LogEntry<'settlement'> = {
  body: { id: 's', at: '2026-10-20T12:00:00Z', number: 'C-1', buyerId: 'mill', paidOn: '2026-10-20', deductions: [], net: 8000, lines: [{ ticket: '103', kind: 'ticket', bushels: 900, money: 4000 }, { ticket: '200', kind: 'ticket', bushels: 900, money: 4000 }] } as unknown as Settlement,
  by: 'Oona', voided: false,
}; // prettier-ignore

describe('what is not matched yet', () => {
  const records = {
    logs: { contractLoad: [], priceFix: [], ticketPaper: [], ticketPhoto: [], settlement: [sheet], statement: [], bid: [{ body: { id: 'b', at: '2026-10-29T12:00:00Z', buyerId: 'mill', crop: 'corn', price: 4, from: '2026-10-01', until: '2026-12-31' }, by: 'Oona', voided: false }] },
    settings: { contract: {}, buyerSheet: {}, ownerTerms: {}, hedge: {}, sellPlan: {}, columnMatch: {} },
  } as unknown as SellRecords; // prettier-ignore
  // Paid short; never paid; too young to be paid; a number missing between two of a day; no ticket at all.
  const deliveries = [delivery('a', 1, '103'), delivery('b', 2, '110'), delivery('c', 29, '120'), delivery('d', 29, '122'), delivery('e', 10, null)]; // prettier-ignore
  const book = sellBookOf(farm, records, 2026, deliveries);

  it('is listed by the money at risk, with its age', () => {
    const gaps = bookGaps(farm, book, [{ kind: 'level_differs', place: 'bin', entry: 'L', share: -0.1, wetKg: -254.0117272 }]); // prettier-ignore
    expect(gaps.map(({ what, ticket, count, money }) => [what, ticket, count, money === null ? null : Math.round(money * 100) / 100])).toEqual([
      ['noSettlement', null, 1, 4050],
      ['noTicket', null, 1, 4050],
      ['missingNumbers', '121', 1, 4050],
      ['noLoad', '200', 1, 4000],
      ['short', '103', 1, 50],
      // Ten bushels at the day's four dollars.
      ['level', null, 1, 40],
    ]); // prettier-ignore
    expect(gaps.find(({ what }) => what === 'noSettlement')!.sinceMs).toBe(Date.parse('2026-10-02T15:00:00Z'));
  });
});
