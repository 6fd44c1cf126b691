import type { Book, Entry, Place } from '@fanega/core';
import { seeded } from './random.js';

/**
 * A large book for measuring: carts and trucks bring grain into bins of all three withdrawals; bins are dried, measured
 * and hauled out. `fieldsAtOnce` lots are cut at a time, one after the other as a season goes; with all of them at once
 * every place mixes every lot, which is the worst that a replay can meet.
 */
export function benchBook(entries: number, lots: number, places: number, fieldsAtOnce = 6, seed = 1): Book {
  const random = seeded(seed);
  const pick = (from: number, to: number) => from + Math.floor(random() * (to - from));
  const buyers = 4;
  const bins = Math.floor((places - buyers) / 2);
  const wheels = places - buyers - bins;
  const list: Place[] = [];
  for (let i = 0; i < wheels; i++)
    list.push({ id: `wheel${i}`, kind: i % 3 === 0 ? 'cart' : 'truck', withdrawal: 'mixed' });
  for (let i = 0; i < bins; i++)
    list.push({ id: `bin${i}`, kind: 'bin', withdrawal: (['mixed', 'firstIn', 'lastIn'] as const)[i % 3]! });
  for (let i = 0; i < buyers; i++) list.push({ id: `buyer${i}`, kind: 'buyer' });
  const start = Date.UTC(2026, 7, 1);
  const out: Entry[] = [];
  // Rough contents, so that trucks and bins fill and empty within what such vessels hold.
  const held = new Map(list.map((place) => [place.id, 0]));
  const pour = (id: string, kg: number) => held.set(id, Math.max(0, (held.get(id) ?? 0) + kg));
  const wheelRoom = 24_000;
  const binRoom = 900_000;
  const some = (prefix: string, n: number, fits: (kg: number) => boolean): string => {
    for (let i = pick(0, n), k = 0; k < n; i = (i + 1) % n, k++)
      if (fits(held.get(`${prefix}${i}`)!)) return `${prefix}${i}`;
    return `${prefix}${pick(0, n)}`;
  };
  for (let i = 0; i < entries; i++) {
    const base = { id: `E${String(i).padStart(9, '0')}`, at: new Date(start + i * 30000).toISOString() };
    const roll = random();
    const moisture = 0.14 + random() * 0.08;
    const move = (from: string, to: string, wetKg: number, more: object = {}) => {
      out.push({ ...base, type: 'move', from, to, wetKg, ...more });
      pour(from, -wetKg);
      pour(to, wetKg);
    };
    if (roll < 0.34) {
      const to = some('wheel', wheels, (kg) => kg < wheelRoom - 9000);
      out.push({
        ...base,
        type: 'harvest',
        lot: `lot${Math.floor((i / entries) * (lots - fieldsAtOnce + 1)) + pick(0, fieldsAtOnce)}`,
        to,
        wetKg: 4000 + random() * 5000,
        moisture,
      });
      pour(to, 6500);
    } else if (roll < 0.46) {
      move(
        some('wheel', wheels, (kg) => kg > 4000),
        some('wheel', wheels, (kg) => kg < 8000),
        3000 + random() * 6000,
      );
    } else if (roll < 0.64) {
      const from = some('wheel', wheels, (kg) => kg > 9000);
      const to = some('bin', bins, (kg) => kg < binRoom);
      if (random() < 0.5)
        move(from, to, held.get(from)! * (0.99 + random() * 0.02), {
          emptied: true,
          ...(random() < 0.5 ? { moisture } : {}),
        });
      else move(from, to, held.get(from)! * (0.5 + random() * 0.4));
    } else if (roll < 0.79) {
      move(
        some('bin', bins, (kg) => kg > 30_000),
        some('wheel', wheels, (kg) => kg < 4000),
        9000 + random() * 13_000,
      );
    } else if (roll < 0.955) {
      const from = some('wheel', wheels, (kg) => kg > 12_000);
      move(from, `buyer${pick(0, buyers)}`, held.get(from)! * (0.99 + random() * 0.02), {
        emptied: true,
        moisture,
        method: 'ticket',
      });
    } else if (roll < 0.96)
      out.push({ ...base, type: 'condition', place: `bin${pick(0, bins)}`, moisture: 0.14, dryLoss: 0.002 });
    else if (roll < 0.965) {
      const place = `bin${pick(0, bins)}`;
      out.push({ ...base, type: 'measure', place, wetKg: held.get(place)! * (0.97 + random() * 0.06) });
    } else if (roll < 0.97)
      out.push({ ...base, type: 'loss', place: `bin${pick(0, bins)}`, wetKg: random() * 200, reason: 'fines' });
    else {
      const of = out[out.length - pick(1, Math.min(50, out.length))]!;
      if (of.type === 'move' && of.wetKg)
        out.push({ ...base, type: 'witness', of: of.id, wetKg: of.wetKg * (0.99 + random() * 0.02), method: 'bridge' });
      else if (of.type === 'harvest' && random() < 0.2) out.push({ ...base, type: 'void', voids: of.id });
      else out.push({ ...base, type: 'witness', of: out[0]!.id, moisture: 0.16 });
    }
  }
  return {
    format: 'fanega-book',
    version: 1,
    defaults: { moisture: 0.15, trust: ['ticket', 'bridge', 'cartScale', 'volume', 'monitor', 'estimate'] },
    lots: Array.from({ length: lots }, (_, i) => ({ id: `lot${i}` })),
    places: list,
    entries: out,
  };
}
