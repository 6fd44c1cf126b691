import { describe, expect, it } from 'vitest';
import { sameNumbers, ticketGaps } from './index.js';

const at = (text: string): number => Date.parse(text);
const ticket = (ticketNo: string | null, atMs = at('2026-09-03T15:00:00Z'), buyerId = 'mill') => ({ buyerId, ticketNo, atMs }); // prettier-ignore

describe('numbers of tickets', () => {
  it('one to three missing within a day of one buyer may be a lost ticket; more are other farms’', () => {
    const gaps = ticketGaps([ticket('0410'), ticket('0412'), ticket('0420'), ticket('0413', at('2026-09-04T15:00:00Z')), ticket('0417', undefined, 'coop'), ticket('A7'), ticket(null)], 'America/Chicago'); // prettier-ignore
    expect(gaps).toMatchObject([{ buyerId: 'mill', after: '0410', before: '0412', numbers: ['0411'] }]);
  });

  it('the same number twice at one buyer is named, at two buyers it is not', () => {
    expect(sameNumbers([ticket('7'), ticket(' 7'), ticket('7', undefined, 'coop'), ticket(null)])).toHaveLength(1);
  });
});
