import { inOrder } from '../kernel/index.js';
import type { FieldRow } from '../fields/index.js';
import {
  byTime,
  deliveries,
  type Delivery,
  deliveryOf,
  type Entry,
  type FarmBook,
  type Ledger,
} from '../ledger/index.js';
import { type DeliveryTrace, traceDelivery } from './sweep.js';
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
  /** What weighed the same grain before the buyer did: the displays in the field, the cart's scale, the truck's. */
  readonly weighed: readonly WeighedBefore[];
}

/** What one kind of scale said of a delivery's grain before it came to the buyer. */
export interface WeighedBefore {
  readonly method: string;
  /** kg of the delivery's grain that it weighed, as the ticket counts them, wet */
  readonly ticketKg: number;
  /** kg of the same grain as it said, at the ticket's moisture: dry matter is compared, as grain dries on its way */
  readonly saidKg: number;
  /** of the delivery, 0 to 1 */
  readonly part: number;
}

/** Less of a load says nothing of it. */
const LEAST_PART = 0.2;

/**
 * What a delivery's grain was weighed at on its way, by the kind of scale: off the field, else onto the truck that brought it. A load of which
 * a part went elsewhere counts by its part. Common practice, no source.
 */
function weighedBefore(ledger: Ledger, trace: DeliveryTrace, delivery: Delivery): WeighedBefore[] {
  const { tape } = ledger;
  // The ticket restates what came: a load's part of it is of what was there before.
  const restated = tape.restated[ledger.positionOfEntry(trace.entry)!] ?? 1;
  const sums = new Map<string, { of: 'loads' | 'moves'; dryKg: number; saidDryKg: number }>();
  const add = (kind: 'loads' | 'moves', id: string, dryKg: number): void => {
    const entry = ledger.entry(id);
    if (entry === undefined || (entry.type !== 'harvest' && entry.type !== 'move')) return;
    const whole = tape.dryKg[ledger.positionOfEntry(id)!]!;
    if (whole <= 0) return;
    const part = dryKg / (whole * restated);
    const lay = whole / tape.wetKg[ledger.positionOfEntry(id)!]!;
    const said = new Map<string, number>();
    for (const one of [entry, ...ledger.witnessesOf(id)]) {
      if (!('wetKg' in one) || one.wetKg === undefined || one.method === undefined) continue;
      const dry = 'moisture' in one && one.moisture !== undefined ? 1 - one.moisture : lay;
      said.set(one.method, one.wetKg * dry);
    }
    for (const [method, kg] of said) {
      const sum = sums.get(method);
      if (sum !== undefined && sum.of !== kind) continue;
      const own = sum ?? { of: kind, dryKg: 0, saidDryKg: 0 };
      own.dryKg += dryKg;
      own.saidDryKg += kg * part;
      sums.set(method, own);
    }
  };
  for (const [id, dryKg] of Object.entries(trace.loads)) if (id !== trace.entry) add('loads', id, dryKg);
  for (const [id, dryKg] of Object.entries(trace.moves)) {
    const entry = ledger.entry(id);
    if (id !== trace.entry && entry?.type === 'move' && entry.to === delivery.from) add('moves', id, dryKg);
  }
  const wet = delivery.dryKg > 0 ? delivery.netKg / delivery.dryKg : 0;
  return [...sums]
    .filter(([method]) => method !== 'ticket')
    .map(([method, { dryKg, saidDryKg }]) => ({
      method,
      ticketKg: dryKg * wet,
      saidKg: saidDryKg * wet,
      part: delivery.dryKg > 0 ? dryKg / delivery.dryKg : 0,
    }))
    .filter(({ part }) => part >= LEAST_PART)
    .sort((a, b) => b.part - a.part || inOrder(a.method, b.method));
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
  const delivery = deliveryOf(book, parcel!);
  return {
    delivery,
    weighed: weighedBefore(ledger, trace, delivery),
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
