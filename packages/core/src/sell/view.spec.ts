import { describe, expect, it } from 'vitest';
import { farmView, type FarmState, type Delivery } from '../ledger/index.js';
import { computeTicket, sellView, soldDelivery } from './index.js';

const KG_PER_BU = 56 * 0.45359237;

const delivery = (id: string, lots: Record<string, number>, bushels: number, moisture: number, price: number | null) =>
  ({
    entry: { id, type: 'move', at: '2026-10-01T12:00:00Z' },
    to: 'buyer',
    netKg: bushels * KG_PER_BU,
    dryKg: bushels * KG_PER_BU * (1 - moisture),
    moisture,
    pricePerBu: price,
    lots,
    wetLots: lots,
    witnesses: [],
  }) as unknown as Delivery;

const lot = (id: string, crop: string, shares: { owner: string; part: number }[] = []) => ({ id, crop, shares });

const farm = farmView({
  farm: { id: 'f', name: 'Kestrel Levee Farms', timeZone: 'UTC', demo: false, defaults: { bases: { soybean: 0.12 } } },
  lots: [
    lot('a', 'corn'),
    lot('b', 'corn', [
      { owner: 'Kestrel Levee Farms', part: 2 / 3 },
      { owner: 'Ostrander', part: 1 / 3 },
    ]),
    lot('c', 'soybean'),
  ],
  places: [],
} as unknown as FarmState);

describe('what deliveries bring', () => {
  it('is paid by the bushels at the base: 1,000 bu of 20 % corn are 941.18 at 15 %', () => {
    const { bushels, money } = soldDelivery(delivery('1', { a: 1 }, 1000, 0.2, 4), 'corn', 0.15);
    expect(bushels).toBeCloseTo((1000 * 0.8) / 0.85, 6);
    expect(money).toBe(3764.72);
  });

  it('over-dry grain is paid by its own weight, though its bushels at the base are more', () => {
    const { bushels, money } = soldDelivery(delivery('1', { a: 1 }, 1000, 0.13, 4), 'corn', 0.15);
    expect(bushels).toBeCloseTo((1000 * 0.87) / 0.85, 6);
    expect(money).toBe(4000);
  });

  it('is to the cent what a buyer without discounts would pay', () => {
    for (const [bushels, moisture, price] of [
      [938.27, 0.183, 4.135],
      [512.5, 0.15, 3.99],
      [720.01, 0.141, 5.0725],
    ] as const)
      expect(soldDelivery(delivery('1', { a: 1 }, bushels, moisture, price), 'corn', 0.15).money).toBe(
        computeTicket(
          { grossKg: bushels * KG_PER_BU, tareKg: 0, moisture, price },
          { legalPounds: 56, shrink: { kind: 'exact', base: 0.15 }, factors: [] },
        ).money,
      );
  });

  it('without a price brings nothing that is known, and a load of no known crop counts as it lies', () => {
    expect(soldDelivery(delivery('1', { a: 1 }, 100, 0.15, null), 'corn', 0.15).money).toBeNull();
    const unknown = soldDelivery(delivery('1', {}, 100, 0.2, 4), undefined, 0.15);
    expect(unknown.bushels).toBeCloseTo(100, 9);
    expect(unknown.money).toBe(400);
  });

  it('gives each owner his part of every ticket, and the parts sum to the tickets', () => {
    const view = sellView(farm, [
      delivery('1', { a: 100 }, 900, 0.15, 4),
      delivery('2', { a: 50, b: 50 }, 600, 0.15, 5),
      delivery('3', { c: 10 }, 560, 0.12, 10),
      delivery('4', { a: 1 }, 100, 0.15, null),
    ]);
    const corn = view.own.find(({ crop }) => crop === 'corn')!;
    expect(corn.bushels).toBeCloseTo(900 + 300 + 200 + 100, 6);
    expect(corn.money).toBeCloseTo(3600 + (3000 * 5) / 6, 6);
    expect(view.others).toEqual([
      { owner: 'Ostrander', crop: 'corn', bushels: expect.closeTo(100, 6), money: expect.closeTo(500, 6) },
    ]);
    // Soybeans at the farm's own base of 12 %, by 60 lb a bushel.
    expect(view.own.find(({ crop }) => crop === 'soybean')!.bushels).toBeCloseTo((560 * 56) / 60, 6);
    const all = [...view.own, ...view.others].reduce((sum, { money }) => sum + money, 0);
    expect(all).toBeCloseTo(
      view.rows.reduce((sum, { money }) => sum + (money ?? 0), 0),
      2,
    );
  });
});
