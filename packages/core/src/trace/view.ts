import type { FieldRow } from '../fields/index.js';
import { byTime, deliveries, type Delivery, deliveryOf, type Entry, type FarmBook } from '../ledger/index.js';
import { traceDelivery } from './sweep.js';
import { deliveryPath, lotPath, type TracePath } from './trace-path.js';

export interface TraceLoad {
  readonly entry: Entry;
  /** kg dry matter of the delivery that came from or through this entry */
  readonly dryKg: number;
}

export interface DeliveryTraceView {
  readonly delivery: Delivery;
  readonly loads: readonly TraceLoad[];
  readonly moves: readonly TraceLoad[];
  readonly path: TracePath;
}

export interface LotTraceView {
  readonly row: FieldRow;
  readonly path: TracePath;
  readonly deliveries: readonly { readonly delivery: Delivery; readonly dryKg: number; readonly wetKg: number }[];
}

/** One ticket, back to each load off the field; null for an entry that is no living delivery. */
export function deliveryTraceView(book: FarmBook, entryId: string): DeliveryTraceView | null {
  const { ledger } = book;
  const trace = traceDelivery(ledger, entryId);
  if (!trace) return null;
  const position = ledger.positionOfEntry(entryId)!;
  const [parcel] = ledger.parcels(position, position + 1);
  const loads = (contributions: Readonly<Record<string, number>>): TraceLoad[] =>
    Object.entries(contributions)
      .map(([id, dryKg]) => ({ entry: ledger.entry(id)!, dryKg }))
      .sort((a, b) => byTime(a.entry, b.entry));
  return {
    delivery: deliveryOf(book, parcel!),
    loads: loads(trace.loads),
    moves: loads(trace.moves),
    path: deliveryPath(ledger, trace),
  };
}

/** One field, on to its tickets. */
export function lotTraceView(book: FarmBook, row: FieldRow): LotTraceView {
  const id = row.lot.id;
  return {
    row,
    path: lotPath(book.ledger, id),
    deliveries: deliveries(book).flatMap((delivery) =>
      (delivery.lots[id] ?? 0) > 0 ? [{ delivery, dryKg: delivery.lots[id]!, wetKg: delivery.wetLots[id] ?? 0 }] : [],
    ),
  };
}
