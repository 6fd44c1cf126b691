import { describe, expect, it } from 'vitest';
import type { FieldRow } from '../fields/index.js';
import { farmView, type FarmState } from '../ledger/index.js';
import type { TicketAccount } from '../sell/index.js';
import { yearOf } from './index.js';

const KG = 56 * 0.45359237;
const farm = farmView({ farm: { id: 'f', name: 'K', timeZone: 'UTC', demo: true, defaults: { moisture: 0.15 } }, lots: [], places: [], seq: 0, now: 0, positions: {}, layers: {}, tape: [], flow: {} } as unknown as FarmState); // prettier-ignore
/** Dry matter of so many bushels at 15 %. */
const dry = (bushels: number): number => bushels * KG * 0.85;
const row = (id: string, bushels: number, more: { restated?: number; lost?: number; sold?: number; acres?: number; crop?: string } = {}): FieldRow => {
  const { restated = 0, lost = 0, sold = 0, acres = 100, crop = 'corn' } = more;
  const inStock = bushels + restated - lost - sold;
  return {
    lot: { id, fieldId: id, fieldName: id, acres, crop, season: 2026, variety: '', tag: id, shares: [] },
    account: { harvestedDryKg: dry(bushels), restatedDryKg: dry(restated), lostDryKg: lost > 0 ? { spill: dry(lost) } : {}, waterRemovedKg: 120, inStockDryKg: dry(inStock), deliveredDryKg: dry(sold) },
    balance: { harvested: dry(bushels), restated: dry(restated), lost: dry(lost), inStock: dry(inStock), delivered: dry(sold), gap: 0, balances: true },
    cutWetKg: dry(bushels) / 0.8, cutDryKg: dry(bushels), lastMoisture: null, firstCut: null, lastCut: null,
  };
}; // prettier-ignore
const account = (money: number | null, price: number | null, paid: number): TicketAccount => ({ due: { sold: { crop: 'corn', bushels: 1000 }, ticket: null, money, price }, paid, open: 0, sheets: [] }) as unknown as TicketAccount; // prettier-ignore

describe('a year', () => {
  it('by crop: what was harvested and what became of it, money beside it', () => {
    const { crops } = yearOf(
      farm,
      [row('a', 20_000, { lost: 50, sold: 6000 }), row('b', 10_000, { restated: -120, sold: 1000 }), row('c', 0)],
      [row('a', 18_000)],
      [account(4500, 4.5, 4500), account(4400, 4.4, 0), account(null, null, 0)],
    );
    const [corn] = crops;
    expect(corn).toMatchObject({
      crop: 'corn',
      fields: 3,
      acres: 300,
      balances: true,
      due: 8900,
      paid: 4500,
      waterKg: 360,
    });
    expect(corn!.harvested).toBeCloseTo(30_000, 6);
    expect(corn!.perAcre).toBeCloseTo(150, 6);
    expect(corn!.perAcreBefore).toBeCloseTo(180, 6);
    expect(corn!.moisture).toBeCloseTo(0.2, 9);
    expect(corn!.restated).toBeCloseTo(-120, 6);
    expect(corn!.lostBy.spill).toBeCloseTo(50, 6);
    expect(corn!.average).toBeCloseTo(4.45, 9);
    // Nothing is lost between the lines.
    expect(corn!.harvested + corn!.restated - corn!.lost - corn!.delivered).toBeCloseTo(corn!.stored, 6);
  });

  it('by field the same sums, and the test weight of tickets by what they weighed and whose grain they were', () => {
    const ticket = (id: string, kg: number, wetLots: Record<string, number>): TicketAccount => ({ due: { entryId: id, sold: { crop: 'corn', bushels: 1, delivery: { netKg: kg, wetLots } }, ticket: null, money: null, price: null }, paid: 0, open: null, sheets: [] }) as unknown as TicketAccount; // prettier-ignore
    const papers = new Map([['t1', { factors: { testWeight: 54 } }], ['t2', { factors: { testWeight: 60 } }], ['t3', { factors: { damage: 2 } }]]) as unknown as Parameters<typeof yearOf>[4]; // prettier-ignore
    const { crops, fields } = yearOf(
      farm,
      [row('a', 20_000, { lost: 50, sold: 6000 }), row('b', 10_000, { restated: -120 }), row('c', 0)],
      [],
      [ticket('t1', 5400, { a: 5400 }), ticket('t2', 6000, { a: 3000, b: 3000 }), ticket('t3', 9000, { b: 9000 })],
      papers,
    );
    // 5,400 at 54 and 6,000 at 60 fill a hundred each: 11,400 in two hundred.
    expect(crops[0]!.testWeight).toBeCloseTo(57, 9);
    expect(fields.map(({ lotId }) => lotId)).toEqual(['a', 'b']);
    expect(fields[0]!.testWeight).toBeCloseTo(8400 / 150, 9);
    expect(fields[1]!.testWeight).toBeCloseTo(60, 9);
    expect(fields[0]).toMatchObject({ harvested: expect.closeTo(20_000, 6), perAcre: expect.closeTo(200, 6), lost: expect.closeTo(50, 6), delivered: expect.closeTo(6000, 6) }); // prettier-ignore
    for (const key of ['harvested', 'restated', 'lost', 'stored', 'delivered'] as const)
      expect(fields.reduce((sum, one) => sum + one[key], 0)).toBeCloseTo(crops[0]![key], 6);
    // Nobody printed one.
    expect(yearOf(farm, [row('a', 100)], [], []).crops[0]!.testWeight).toBeNull();
  });

  it('names the fields whose weights were set right most, the largest first', () => {
    const { differences } = yearOf(farm, [row('a', 1000, { restated: 5 }), row('b', 1000, { restated: -40 }), row('c', 1000)], [], []); // prettier-ignore
    expect(differences.map(({ lotId, restated }) => [lotId, Math.round(restated)])).toEqual([['b', -40], ['a', 5]]); // prettier-ignore
    expect(differences[0]!.share).toBeCloseTo(-0.04, 9);
  });
});
