import { describe, expect, it } from 'vitest';
import { readBidLines } from './index.js';

const buyers = [
  { id: 'r', name: 'Redbud Elevator' },
  { id: 'g', name: 'Gar Hole Terminal' },
  { id: 'g2', name: 'Gar Hole South' },
];
const read = (...lines: string[]) => readBidLines(lines.map((line) => line.split(',')), buyers, '2026-09-08', '2026-10-08'); // prettier-ignore

describe('bids as they are pasted', () => {
  it('cash, futures and basis, days; a buyer by the beginning of his name, a crop by what it is called', () => {
    const { bids, problems } = read('Buyer,Crop,Cash', 'redbud, corn, $4.41', 'Gar Hole Terminal, beans, 10.80, -0.35, 10/1/2026, 11/30/2026', '', 'Redbud,milo,4.60,2026-12-01'); // prettier-ignore
    expect(problems).toEqual([]);
    expect(bids).toEqual([
      { line: 2, buyerId: 'r', crop: 'corn', price: 4.41, from: '2026-09-08', until: '2026-10-08' },
      { line: 3, buyerId: 'g', crop: 'soybean', futures: 10.8, basis: -0.35, from: '2026-10-01', until: '2026-11-30' },
      { line: 5, buyerId: 'r', crop: 'sorghum', price: 4.6, from: '2026-12-01', until: '2026-12-01' },
    ]);
  });

  it('what cannot be read is named with its line', () => {
    const { bids, problems } = read('Nobody,corn,4.1', 'Gar Hole,corn,4.1', 'Redbud,hay,4.1', 'Redbud,corn,none', 'Redbud,corn,4.1,soon', 'Redbud,corn,4.1,11/1/2026,10/1/2026'); // prettier-ignore
    expect(bids).toEqual([]);
    expect(problems.map(({ line, what }) => [line, what])).toEqual([[1, 'no_buyer'], [2, 'no_buyer'], [3, 'no_crop'], [4, 'no_price'], [5, 'no_day'], [6, 'ends_first']]); // prettier-ignore
  });
});
