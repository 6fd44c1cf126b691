import { describe, expect, it } from 'vitest';
import { type Delivery, farmView, type FarmState } from '../ledger/index.js';
import type { LogEntry, SellRecords, Settlement } from '../records/index.js';
import { changedSince, nextNumber, ownersOf, ownerStatement, sellBookOf, statementsGiven } from './index.js';

const LB = 0.45359237;
const NOW = Date.UTC(2026, 9, 10, 15);
const lot = (id: string, shares: { owner: string; part: number }[]) => ({ id, fieldId: id, name: id, fieldName: id, crop: 'corn', season: 2026, tag: id, acres: 100, shares }); // prettier-ignore
const farm = farmView({
  farm: { id: 'f', name: 'Kestrel', timeZone: 'America/Chicago', demo: true, defaults: { moisture: 0.15 } },
  lots: [lot('ridge', [{ owner: 'Ida', part: 1 / 3 }, { owner: 'Kestrel', part: 2 / 3 }]), lot('own', [])],
  places: [{ id: 'mill', name: 'Mill', kind: 'buyer', capacityBu: null }, { id: 'bin', name: 'Bin', kind: 'bin', capacityBu: null }],
  seq: 1, now: NOW, layers: {}, tape: [], flow: { cut: {} },
  positions: { bin: { wetKg: 0, dryKg: 0, moisture: 0.15, layers: 1, wetLots: {}, lots: { ridge: 0.85 * 600 * 56 * LB, own: 0.85 * 100 * 56 * LB } } },
} as unknown as FarmState); // prettier-ignore
const delivery = (id: string, bushels: number, lots: Record<string, number>): Delivery =>
  ({ entry: { id, at: '2026-10-01T15:00:00Z' }, to: 'mill', from: 'truck', ticket: id, grossKg: null, tareKg: null, netKg: bushels * 56 * LB, dryKg: 0.85 * bushels * 56 * LB, moisture: 0.15, pricePerBu: 4.5, lots, wetLots: lots, witnesses: [] }) as unknown as Delivery; // prettier-ignore
const settlement = (id: string, paidOn: string, lines: Partial<Settlement['lines'][number]>[]): LogEntry<'settlement'> => ({
  body: { id, at: `${paidOn}T12:00:00Z`, number: id, buyerId: 'mill', paidOn, deductions: [], net: 0, lines: lines.map((line) => ({ ticket: 'a', kind: 'ticket', bushels: 0, money: 0, ...line })) },
  by: 'Oona', voided: false,
}); // prettier-ignore
const bookOf = (settlements: LogEntry<'settlement'>[]) => {
  const records = {
    logs: { contractLoad: [], priceFix: [], bid: [], ticketPaper: [], ticketPhoto: [], settlement: settlements, statement: [] },
    settings: { contract: {}, buyerSheet: {}, ownerTerms: {}, hedge: {}, sellPlan: {}, columnMatch: {} },
  } as unknown as SellRecords; // prettier-ignore
  return sellBookOf(farm, records, 2026, [delivery('a', 900, { ridge: 1 }), delivery('b', 300, { ridge: 1, own: 1 })]);
};
const of = (settlements: LogEntry<'settlement'>[], owner = 'Ida') => {
  const book = bookOf(settlements);
  return ownerStatement(farm, book, ownersOf(farm, book).postings, owner, '2026-01-01', '2026-12-31');
};
const first = settlement('900', '2026-10-05', [{ bushels: 900, price: 4.5, taken: 0, money: 4050 }]);

describe('an owner’s statement', () => {
  it('a landlord’s third at year’s end: paid, delivered and not paid, stored', () => {
    const ida = of([first]);
    expect(ida).toMatchObject({ total: 1350, byAccount: { sale: 1350 } });
    const [corn] = ida.bushels;
    expect([corn!.paid, corn!.delivered, corn!.stored].map((bu) => Math.round(bu))).toEqual([300, 50, 200]);
    expect(of([first], 'Kestrel').total + ida.total).toBe(4050);
  });

  it('one that was given stands until a correction comes, and says what is otherwise then', () => {
    const given = { lines: of([first]).lines };
    expect(changedSince(given, of([first]).lines)).toEqual({ came: [], gone: [], money: 0 });
    const fix = settlement('901', '2026-10-09', [{ kind: 'correction', money: 30 }]);
    const changed = changedSince(given, of([fix, first]).lines);
    expect(changed).toMatchObject({ gone: [], money: 10, came: [{ check: '901', account: 'correction', amount: 10 }] });
    // A settlement that is taken back takes its lines along.
    expect(changedSince(given, of([{ ...first, voided: true }]).lines)).toMatchObject({ came: [], money: -1350 });
  });

  it('counts payments of its days only, and numbers go on after what was taken back', () => {
    const late = settlement('902', '2027-01-05', [{ ticket: 'b', bushels: 300, money: 1350 }]);
    expect(of([late, first]).lines.map(({ check }) => check)).toEqual(['900']);
    const kept = (number: number, voided: boolean): LogEntry<'statement'> => ({ body: { id: 'x', at: '2026-10-06T12:00:00Z', number, owner: 'Ida', cropYear: 2026, from: '2026-01-01', until: '2026-12-31', lines: [], total: 0 }, by: 'O', voided }); // prettier-ignore
    expect(nextNumber([])).toBe(1);
    expect(nextNumber([kept(4, true), kept(3, false)])).toBe(5);
    expect(statementsGiven([kept(4, true), kept(3, false)]).map(({ number }) => number)).toEqual([3]);
  });
});
