import { describe, expect, it } from 'vitest';
import { BookBuilder } from '../../test/books.js';
import { Ledger, type Place } from '../ledger/index.js';
import { deliveryTraceView } from './index.js';

const PLACES: Place[] = [
  { id: 'cart', kind: 'cart' },
  { id: 'truck', kind: 'truck' },
  { id: 'mill', kind: 'buyer' },
];
const weighedOf = (write: (book: BookBuilder) => void) => {
  const builder = new BookBuilder([{ id: 'A' }], PLACES);
  write(builder);
  const file = builder.book();
  const view = deliveryTraceView({ ledger: Ledger.of(file), lots: [], places: [] }, file.entries.at(-1)!.id)!;
  return view.weighed.map(({ method, ticketKg, saidKg, part }) => [method, Math.round(ticketKg), Math.round(saidKg), Math.round(100 * part)]); // prettier-ignore
};

describe('what weighed a delivery before the buyer did', () => {
  it('display in the field, cart’s scale and the ticket are of one grain: each against the ticket', () => {
    const weighed = weighedOf((b) => {
      const load = b.harvest('A', 'cart', 10_000, 0.2, { method: 'monitor' });
      b.add({ type: 'witness', of: load, wetKg: 10_100, method: 'cartScale' });
      b.move('cart', 'truck', { emptied: true });
      b.move('truck', 'mill', { emptied: true, ticket: 'T1', wetKg: 10_250, method: 'ticket' });
    });
    expect(weighed).toEqual([
      ['cartScale', 10_250, 10_100, 100],
      ['monitor', 10_250, 10_000, 100],
    ]);
  });

  it('half a load counts by half of what it weighed', () => {
    const weighed = weighedOf((b) => {
      b.harvest('A', 'cart', 10_000, 0.2, { method: 'cartScale' });
      b.move('cart', 'truck', { wetKg: 5000 });
      b.move('truck', 'mill', { emptied: true, ticket: 'T1', wetKg: 5100, method: 'ticket' });
    });
    expect(weighed).toEqual([['cartScale', 5100, 5000, 100]]);
  });

  it('what nobody weighed is not said', () => {
    expect(
      weighedOf((b) => {
        b.harvest('A', 'truck', 9000, 0.15, { method: 'ticket' });
        b.move('truck', 'mill', { emptied: true, ticket: 'T1', wetKg: 9000, method: 'ticket' });
      }),
    ).toEqual([]);
  });
});
