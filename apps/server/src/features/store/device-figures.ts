import { type Crop, cropOf, CROPS, mainCrop } from '@fanega/core';
import { Refused } from '../../platform/refused.js';
import { requireSensible } from '../../platform/sensible-time.js';
import type { OpenBook } from '../ledger/index.js';

/**
 * What a device says is of things that the farm has, at moments that can be.
 * @param what one of its figures is called @param idOf names the thing in `field`
 * @throws Refused at the first that is not so
 */
export function requireKnown<Row extends { readonly at: string }>(
  rows: readonly Row[],
  known: ReadonlySet<string>,
  nowMs: number,
  what: string,
  field: string & keyof Row,
  messageOf: (id: string) => string,
): void {
  rows.forEach((row, index) => {
    const id = String(row[field]);
    const message = messageOf(id);
    if (!known.has(id))
      throw new Refused('body_wrong', `${what} ${index + 1}: ${message}`, [{ index, field, code: 'unknown', message }]);
    requireSensible(row.at, nowMs, index);
  });
}

export const requirePlaces = <Row extends { readonly at: string; readonly placeId: string }>(
  rows: readonly Row[],
  book: OpenBook,
  nowMs: number,
  what: string,
): void =>
  requireKnown(rows, new Set(book.places.map(({ id }) => id)), nowMs, what, 'placeId', () => 'There is no such place in the book.'); // prettier-ignore

/** What lies in a place, and which crop its formulas are asked for. @param usual crop of the place while it is empty */
export function grainIn(
  book: OpenBook,
  placeId: string,
  usual?: string,
): { wetKg: number; moisture: number; crop: Crop } {
  const { lots, wetKg, moisture } = book.ledger.position(placeId);
  const crop = cropOf(mainCrop(lots, new Map(book.lots.map((lot) => [lot.id, lot]))) ?? usual ?? '') ?? CROPS.corn;
  return { wetKg, crop, moisture: moisture ?? crop.baseMoisture };
}
