import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changePlan, type ChangePlanInput } from './change-plan.js';

const CORN = { acres: 200, acresPerHour: 9, yieldBu: 180, price: 4.2, lostIfLeft: 0 };
const BEANS = { acres: 80, acresPerHour: 12, yieldBu: 55, price: 10.2, lostIfLeft: 0.03 };
const PLAN: ChangePlanInput = { window: 5, stay: CORN, other: BEANS, changeOver: 1, road: 0.5 };

describe('stay or switch', () => {
  it('five dry hours of corn against beans after an hour and a half of changing over', () => {
    const { stay, switch: goes, better, difference } = changePlan(PLAN);
    // 9 x 5 x 180 = 8,100 bu x $4.20; all 4,400 bu of beans stand through the rain, 3 of 100 of them.
    expect(stay).toMatchObject({ bushels: 8100, acres: 45, by: 'rain or dark' });
    expect(stay.cut).toBeCloseTo(34_020, 6);
    expect(stay.lost).toBeCloseTo(4400 * 10.2 * 0.03, 6);
    // 12 x 3.5 x 55 = 2,310 bu x $10.20; 2,090 stay.
    expect(goes).toMatchObject({ hours: 3.5, bushels: 2310, by: 'rain or dark' });
    expect(goes.total).toBeCloseTo(23_562 - 2090 * 10.2 * 0.03, 6);
    expect(better).toBe('stay');
    expect(difference).toBeCloseTo(goes.total - stay.total, 9);
  });

  it('a dryer that cannot keep up, a buyer who closes, a field that ends: each is what ends it', () => {
    const slow = changePlan({ ...PLAN, stay: { ...CORN, takesPerHour: 600, room: 900 } });
    expect(slow.stay).toMatchObject({ bushels: 900 + 5 * 600, by: 'what is taken' });
    // Beans then bring more, from the hours on at which they do.
    expect(slow.better).toBe('switch');
    expect(slow.paysFrom).toBeGreaterThan(1.5);
    const closes = changePlan({ ...PLAN, other: { ...BEANS, openHours: 2, room: 100 } });
    expect(closes.switch).toMatchObject({ bushels: 100 + 2 * 12 * 55, by: 'what is taken' });
    expect(changePlan({ ...PLAN, other: { ...BEANS, acres: 10 } }).switch).toMatchObject({
      bushels: 550,
      by: 'the field',
    });
  });

  it('where the rain takes much of the beans, they come first however short it stays dry', () => {
    const risky = changePlan({ ...PLAN, other: { ...BEANS, lostIfLeft: 0.9 } });
    expect(risky.better).toBe('switch');
    expect(changePlan({ ...PLAN, window: 1 }).switch).toMatchObject({ hours: 0, bushels: 0 });
    expect(() => changePlan({ ...PLAN, window: -1 })).toThrow(/rains or gets dark/);
    expect(() => changePlan({ ...PLAN, other: { ...BEANS, lostIfLeft: 3 } })).toThrow(/share lost/);
  });

  it('never cuts more than stands, than is cut in the hours, or than is taken; and the break-even is one', () => {
    const side = fc.record({ acres: fc.double({ min: 0, max: 500, noNaN: true }), acresPerHour: fc.double({ min: 0, max: 30, noNaN: true }), yieldBu: fc.double({ min: 0, max: 250, noNaN: true }), price: fc.double({ min: 0, max: 14, noNaN: true }), lostIfLeft: fc.double({ min: 0, max: 1, noNaN: true }), takesPerHour: fc.double({ min: 0, max: 6000, noNaN: true }), room: fc.double({ min: 0, max: 9000, noNaN: true }) }); // prettier-ignore
    fc.assert(
      fc.property(side, side, fc.double({ min: 0, max: 12, noNaN: true }), (stay, other, window) => {
        const plan = { stay, other, window, changeOver: 1, road: 0.5 };
        const found = changePlan(plan);
        expect(found.stay.bushels).toBeLessThanOrEqual(Math.min(stay.acres * stay.yieldBu, stay.acresPerHour * window * stay.yieldBu, stay.room + stay.takesPerHour * window) + 1e-6); // prettier-ignore
        expect(found.stay.total).toBeCloseTo(found.stay.cut - found.stay.lost, 6);
        if (found.paysFrom !== null) {
          const at = changePlan({ ...plan, window: Math.min(48, found.paysFrom + 1e-3) });
          expect(at.difference).toBeGreaterThan(-1);
        }
      }),
      { seed: 8 },
    );
  });
});
