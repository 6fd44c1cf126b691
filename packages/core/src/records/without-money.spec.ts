import { describe, expect, it } from 'vitest';
import { LOG_KINDS, SETTING_KINDS } from './all.js';
import { CUTTING_WINDOW, SEASON_PLAN } from './index.js';
import { checkRecord } from './kind.js';
import { withoutMoney } from './without-money.js';

describe('a record without money', () => {
  it('has no price any more, and is a record still', () => {
    const window = { tooDryBelow: 0.13, bestFrom: 0.15, bestTo: 0.18, refuseAbove: 0.24, price: 4.42, shrinkPerPoint: 1.4, dockPerPoint: 0.04, closesAt: 18 }; // prettier-ignore
    const seen = withoutMoney(CUTTING_WINDOW.fields, window);
    expect(seen).toEqual({ ...window, price: 0, dockPerPoint: 0 });
    expect(checkRecord(CUTTING_WINDOW, seen)).toEqual([]);
  });

  it('leaves what is no money as it is, in lists and maps too', () => {
    const plan = { firstDays: { corn: '2026-08-11' }, acknowledge: ['headerLock'], fireStopAt: 35 };
    expect(withoutMoney(SEASON_PLAN.fields, plan)).toEqual(plan);
    const costs = LOG_KINDS.breakdown;
    const broken = { id: '01J00000000000000000000000', at: '2026-09-01T12:00:00Z', assetId: 'a', what: 'belt', cause: 'wear', cost: 900, hoursLost: 2, acresLost: 0, missingSpare: '', mended: true }; // prettier-ignore
    expect(withoutMoney(costs.fields, broken)).toEqual({ ...broken, cost: 0 });
  });

  it('finds money by its unit in every kind that a paired phone may read', () => {
    const named = Object.values({ ...LOG_KINDS, ...SETTING_KINDS })
      .filter(({ station }) => station !== 'sell' && station !== 'trace')
      .flatMap(({ name, fields }) =>
        Object.entries(fields)
          .filter(
            ([key, { spec }]) =>
              /price|cost|dollar|wage/i.test(key) && !(spec.kind === 'number' && spec.unit.includes('$')),
          )
          .map(([key]) => `${name}.${key}`),
      );
    expect(named).toEqual([]);
  });
});
