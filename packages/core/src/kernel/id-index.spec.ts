import { describe, expect, it } from 'vitest';
import { hashOfId, IdIndex } from './id-index.js';
import { seededRandom } from './random.js';

/** The same questions to a `Map`, and to a list that was cut. */
function compare(ids: readonly string[], steps: number, seed: number): void {
  const random = seededRandom(seed);
  const list: string[] = [];
  const index = new IdIndex((n) => list[n]!);
  for (let step = 0; step < steps; step++) {
    const what = random();
    if (what < 0.02) {
      const left = Math.floor(random() * (list.length + 1));
      index.truncate(left);
      list.length = left;
    } else if (what < 0.03) index.reserve(list.length + Math.floor(random() * 200));
    else {
      const id = ids[Math.floor(random() * ids.length)]!;
      const isNew = !list.includes(id);
      expect(index.add(id)).toBe(isNew);
      if (isNew) list.push(id);
    }
    const asked = ids[Math.floor(random() * ids.length)]!;
    expect(index.get(asked)).toBe(list.indexOf(asked));
  }
  ids.forEach((id) => expect(index.get(id)).toBe(list.indexOf(id)));
}

describe('an index of ids', () => {
  it('answers as a map does, whatever is put in, cut off and put in again', () => {
    const ids = Array.from({ length: 400 }, (_, i) => `E${String(i * 7919).padStart(9, '0')}`);
    for (const seed of [1, 2, 3]) compare(ids, 4000, seed);
  });

  it('answers so for ids that were made to fall on one another', () => {
    const ids: string[] = [];
    for (let i = 0; ids.length < 150; i++) if ((hashOfId(`X${i}`) & 1023) === 5) ids.push(`X${i}`);
    for (const seed of [4, 5, 6]) compare(ids, 2000, seed);
  });

  it('answers so for ids of one and the same hash', () => {
    // Found by trying, among four million: the hash goes on from piece to piece, so that these give as many pairs as one likes.
    const [a, b] = ['0000y0so', '0002kea0'];
    const tail = (n: number): string => n.toString(36).padStart(56, '-');
    const twins = [a + tail(1), b + tail(1)];
    expect(hashOfId(twins[0]!)).toBe(hashOfId(twins[1]!));
    compare([...twins, a + tail(2), b + tail(2), 'none of them'], 500, 7);
  });

  it('holds any texts, the names of what every object has among them', () => {
    compare(['', '__proto__', 'constructor', 'ü', '😀', 'a', 'A'], 300, 8);
  });
});
