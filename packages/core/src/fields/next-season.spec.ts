import { describe, expect, it } from 'vitest';
import type { LotInfo } from '../ledger/index.js';
import { nextSeason } from './index.js';

const lot = (fieldId: string, season: number, crop: string): LotInfo => ({ id: `${fieldId}-${season}`, fieldId, fieldName: fieldId, acres: 80, crop, season, variety: 'KL 1', tag: fieldId.toUpperCase(), shares: [{ owner: 'Ida', part: 1 }] }); // prettier-ignore

describe('the next season', () => {
  it('goes on with the newest season’s fields, the crop by the usual rotation, owners as they are', () => {
    const { season, lots } = nextSeason([lot('a', 2026, 'corn'), lot('b', 2026, 'soybean'), lot('c', 2025, 'corn')]);
    expect(season).toBe(2027);
    expect(lots.map(({ fieldId, crop, variety }) => [fieldId, crop, variety])).toEqual([['a', 'soybean', ''], ['b', 'corn', '']]); // prettier-ignore
    expect(lots[0]!.shares).toEqual([{ owner: 'Ida', part: 1 }]);
  });

  it('by the field’s own rotation where the book knows one: corn on corn stays', () => {
    const { lots } = nextSeason([lot('a', 2024, 'corn'), lot('a', 2025, 'corn'), lot('a', 2026, 'corn')]);
    expect(lots[0]!.crop).toBe('corn');
    const three = nextSeason([lot('a', 2023, 'wheat'), lot('a', 2024, 'corn'), lot('a', 2025, 'soybean'), lot('a', 2026, 'wheat')]); // prettier-ignore
    expect(three.lots[0]!.crop).toBe('corn');
  });
});
