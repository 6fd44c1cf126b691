import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inOrder, naturally } from './index.js';

describe('the order of names', () => {
  it('is the one of the platform’s tables: numbers by their size, without accents and capitals', () => {
    const { compare } = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });
    const word = fc.constantFrom('ash', 'Ash', 'Élan', 'elan', 'bin', 'Bin', 'b', 'ÿ', 'z', 'Ångström');
    const count = fc.integer({ min: 0, max: 120 }).map(String);
    const name = fc.array(fc.oneof(word, count), { minLength: 1, maxLength: 4 }).map((parts) => parts.join(' '));
    fc.assert(
      fc.property(name, name, (a, b) => {
        expect(Math.sign(naturally(a, b))).toBe(compare(a, b));
        expect(naturally(a, b)).toBe(-naturally(b, a) + 0);
      }),
      { seed: 3, numRuns: 2000 },
    );
    expect(['Bin 10', 'bin 9', 'Bin 1', 'Dryer', ''].sort(naturally)).toEqual([
      '',
      'Bin 1',
      'bin 9',
      'Bin 10',
      'Dryer',
    ]);
  });
  it('of ids and days is that of their letters', () => {
    expect(['2026-10-02', '2025-12-31', '2026-01-01'].sort(inOrder)).toEqual([
      '2025-12-31',
      '2026-01-01',
      '2026-10-02',
    ]);
    expect(inOrder('a', 'a')).toBe(0);
  });
});
