import { describe, expect, it } from 'vitest';
import { finderMatch } from './finder-match';

describe('the finder', () => {
  it('finds by the words that were typed, what begins with them first', () => {
    expect(finderMatch('Clock of 24 hours: 14:55', 'clock')).toBe(1);
    expect(finderMatch('Heron Slough HS corn 2026 lot-hs-2026', 'heron')).toBe(1);
    expect(finderMatch('Save the whole book as a file', 'whole book')).toBe(0.8);
    expect(finderMatch('Breakdowns', 'down')).toBe(0.5);
    expect(finderMatch('Units for me: metric: t, ha, m, °C', 'units for me metric')).toBe(1);
    expect(finderMatch('anything', '')).toBe(1);
  });
  it('takes no letters strewn over a name and an id for a find', () => {
    expect(finderMatch('ticket 40132 Redbud Elevator 01M15KC2T57PXESW4222AJ6GGG', 'clock')).toBe(0);
    expect(finderMatch('ticket 40132 Redbud Elevator 01M15KC2T57PXESW4222AJ6GGG', 'kc2')).toBe(0);
    expect(finderMatch('ticket 40132 Redbud Elevator 01M15KC2T57PXESW4222AJ6GGG', '40132')).toBe(0.8);
    expect(finderMatch('Cart (2)', '(2')).toBe(0.8);
  });
});
