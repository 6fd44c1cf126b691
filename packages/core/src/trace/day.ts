import { fromWallTime, inOrder, startOfDay, tally } from '../kernel/index.js';
import { deliveryOf, type FarmBook, kgPerBushelOf, mainCrop } from '../ledger/index.js';

/** Grain that went through one hand or place on a day. */
export interface DayLine {
  readonly id: string;
  readonly loads: number;
  readonly wetKg: number;
  readonly bushels: number;
}

/** What was done on a day of the farm. */
export interface DayReport {
  /** a day of the farm's calendar */
  readonly day: string;
  /** off the field, by lot, with its moisture */
  readonly cut: readonly (DayLine & { readonly crop: string; readonly moisture: number; readonly firstAt: string; readonly lastAt: string })[]; // prettier-ignore
  /** out of carts and bins by truck, by truck */
  readonly hauled: readonly DayLine[];
  /** by dryer or bin, with what it was dried from and to */
  readonly dried: readonly { readonly id: string; readonly wetKg: number; readonly waterKg: number; readonly from: number; readonly to: number }[]; // prettier-ignore
  /** into bins, piles and the like, by place */
  readonly stored: readonly DayLine[];
  readonly sold: readonly { readonly entryId: string; readonly buyerId: string; readonly ticket: string | null; readonly netKg: number; readonly bushels: number; readonly moisture: number; readonly pricePerBu: number | null }[]; // prettier-ignore
  readonly lost: readonly { readonly id: string; readonly reason: string; readonly wetKg: number }[];
  /** entries by who made them, the most first */
  readonly people: readonly { readonly name: string; readonly entries: number }[];
}

const STORES = new Set(['bin', 'wetBin', 'overhead', 'pile', 'dryer']);

/** A day's work out of the book. @param day of the farm's calendar, like 2026-09-08 */
export function dayReport(book: FarmBook, day: string, timeZone: string): DayReport {
  const { ledger, lots, places } = book;
  const from = startOfDay(fromWallTime(`${day}T12:00`, timeZone), timeZone);
  // A day of autumn has 25 hours.
  const until = startOfDay(from + 36 * 3_600_000, timeZone) - 1;
  const first = ledger.positionsUntil(from - 1);
  const last = ledger.positionsUntil(until);
  const lotOf = new Map(lots.map((lot) => [lot.id, lot]));
  const kindOf = new Map(places.map(({ id, kind }) => [id, kind]));
  const cut = new Map<string, { loads: number; wetKg: number; dryKg: number; firstAt: string; lastAt: string }>();
  const hauled = new Map<string, { loads: number; wetKg: number; bushels: number }>();
  const stored = new Map<string, { loads: number; wetKg: number; bushels: number }>();
  const sold: DayReport['sold'][number][] = [];
  const lost: DayReport['lost'][number][] = [];
  const add = (to: typeof hauled, id: string, wetKg: number, bushels: number): void => {
    const sum = to.get(id) ?? { loads: 0, wetKg: 0, bushels: 0 };
    to.set(id, { loads: sum.loads + 1, wetKg: sum.wetKg + wetKg, bushels: sum.bushels + bushels });
  };
  for (const parcel of ledger.parcels(first, last)) {
    const { entry, wetKg, dryKg } = parcel;
    if (wetKg <= 0) continue;
    const bushels = wetKg / kgPerBushelOf(mainCrop(parcel.lots, lotOf));
    if (entry.type === 'harvest') {
      const sum = cut.get(entry.lot);
      cut.set(entry.lot, { loads: (sum?.loads ?? 0) + 1, wetKg: (sum?.wetKg ?? 0) + wetKg, dryKg: (sum?.dryKg ?? 0) + dryKg, firstAt: sum?.firstAt ?? entry.at, lastAt: entry.at }); // prettier-ignore
    }
    if (entry.type === 'loss') lost.push({ id: entry.place, reason: entry.reason, wetKg });
    if (entry.type !== 'move') continue;
    if (kindOf.get(entry.from) === 'truck') add(hauled, entry.from, wetKg, bushels);
    if (STORES.has(kindOf.get(entry.to) ?? '')) add(stored, entry.to, wetKg, bushels);
    if (!ledger.isDelivery(entry.id)) continue;
    const { ticket, moisture, pricePerBu } = deliveryOf(book, parcel);
    sold.push({ entryId: entry.id, buyerId: entry.to, ticket, netKg: wetKg, bushels, moisture, pricePerBu });
  }
  const entries = ledger.entriesBetween(from, until);
  const dryings = entries.filter((entry) => entry.type === 'condition');
  const before = ledger.heldBefore(dryings.map(({ id }) => id));
  const dried = dryings.flatMap((entry) => {
    const held = before.get(entry.id);
    if (!held || held.moisture === null || entry.type !== 'condition' || held.moisture <= entry.moisture) return [];
    return [{ id: entry.place, wetKg: held.wetKg, waterKg: held.wetKg - held.dryKg / (1 - entry.moisture), from: held.moisture, to: entry.moisture }]; // prettier-ignore
  });
  const people = tally<number>();
  for (const { by } of entries) if (by) people[by] = (people[by] ?? 0) + 1;
  const lines = (of: typeof hauled): DayLine[] => [...of].map(([id, sum]) => ({ id, ...sum })).sort((a, b) => b.wetKg - a.wetKg); // prettier-ignore
  return {
    day,
    cut: [...cut]
      .map(([id, { loads, wetKg, dryKg, firstAt, lastAt }]) => {
        const crop = lotOf.get(id)?.crop ?? '';
        return { id, loads, wetKg, bushels: wetKg / kgPerBushelOf(crop), crop, moisture: 1 - dryKg / wetKg, firstAt, lastAt }; // prettier-ignore
      })
      .sort((a, b) => b.wetKg - a.wetKg),
    hauled: lines(hauled),
    dried,
    stored: lines(stored),
    sold,
    lost,
    people: Object.entries(people)
      .map(([name, count]) => ({ name, entries: count }))
      .sort((a, b) => b.entries - a.entries || inOrder(a.name, b.name)),
  };
}
