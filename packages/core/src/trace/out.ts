import { cropOf } from '../crops/index.js';
import { calendarDay, inOrder } from '../kernel/index.js';
import { baseMoistureOf, deliveries, type FarmBook, kgPerBushelOf, placeNames } from '../ledger/index.js';
import type { BookDefaults } from '../ledger/index.js';
import type { FieldBoundary, SellRecords, TraceRecords } from '../records/index.js';
import { dryBushels } from '../units/index.js';
import { ringsOf } from './boundary.js';
import type { Insurance } from './insurance.js';

/** A table with its heads, as rows of words and figures: what every format of tables is made from. */
export interface OutTable {
  readonly name: string;
  readonly heads: readonly string[];
  readonly rows: readonly (readonly (string | number | null)[])[];
}

/** Fields of a season as GeoJSON (RFC 7946): boundaries where they are known, and what each came to. */
export function fieldsGeoJson(
  book: FarmBook,
  boundaries: ReadonlyMap<string, FieldBoundary>,
  season: number | undefined,
  defaults: BookDefaults,
): object {
  const accounts = book.ledger.accounts();
  const right = (
    ring: readonly (readonly [number, number])[],
    hole: boolean,
  ): readonly (readonly [number, number])[] => {
    // RFC 7946, 3.1.6: the outer ring runs against the clock, holes with it.
    let sum = 0;
    for (let i = 0; i < ring.length - 1; i++) sum += (ring[i + 1]![0] - ring[i]![0]) * (ring[i + 1]![1] + ring[i]![1]);
    const clockwise = sum > 0;
    return clockwise === hole ? ring : [...ring].reverse();
  };
  return {
    type: 'FeatureCollection',
    features: book.lots
      .filter((lot) => season === undefined || lot.season === season)
      .map((lot) => {
        const boundary = boundaries.get(lot.fieldId);
        const rings = boundary ? ringsOf(boundary).map((part) => part.map((ring, i) => right(ring, i > 0))) : null;
        const dry = accounts[lot.id]?.harvestedDryKg ?? 0;
        const base = baseMoistureOf(lot.crop, defaults);
        return {
          type: 'Feature',
          id: lot.id,
          geometry: rings === null ? null : rings.length === 1 ? { type: 'Polygon', coordinates: rings[0] } : { type: 'MultiPolygon', coordinates: rings }, // prettier-ignore
          properties: {
            name: lot.fieldName,
            tag: lot.tag,
            season: lot.season,
            crop: cropOf(lot.crop)?.name ?? lot.crop,
            variety: lot.variety,
            acres: lot.acres,
            owners: lot.shares.map(({ owner, part }) => `${owner} ${Math.round(1000 * part) / 10} %`).join('; '),
            harvested_bushels: Math.round(100 * dryBushels(dry, cropOf(lot.crop)?.legalPounds ?? 56, base)) / 100,
            base_moisture: base,
          },
        };
      }),
  };
}

/** A day or an hour that must not be missed. */
export interface CalendarEvent {
  readonly uid: string;
  readonly title: string;
  readonly about: string;
  /** how much it is about: a page says it in the reader's units */
  readonly grain?: { readonly bushels: number; readonly crop: string };
  /** a day of the farm's calendar; `from` and `until` for a window, both included */
  readonly from: string;
  readonly until: string;
}

/** What an event is about where nobody's units are known, in bushels: a calendar's file, a sheet. */
export const aboutInBushels = ({ about, grain }: CalendarEvent): string =>
  grain ? `${about}: ${grain.bushels.toLocaleString('en-US')} bu ${cropOf(grain.crop)?.short ?? grain.crop}` : about;

/** Windows and ends of contracts, payments that were put off, and notices that an insurer waits for. */
export function calendarOf(
  sell: SellRecords,
  trace: TraceRecords,
  insurance: Insurance,
  placeName: (id: string) => string,
  now: number,
  timeZone: string,
): CalendarEvent[] {
  const events: CalendarEvent[] = [];
  for (const [id, { value }] of Object.entries(sell.settings.contract)) {
    if (value.done) continue;
    const about = { about: placeName(value.buyerId), grain: { bushels: value.bushels, crop: value.crop } };
    const closes = (value.changes ?? []).reduce((last, change) => change.closes ?? last, value.closes);
    events.push({ uid: `contract-${id}-opens`, title: `Contract ${value.number} opens`, ...about, from: value.opens, until: value.opens }); // prettier-ignore
    events.push({ uid: `contract-${id}-closes`, title: `Contract ${value.number}: last day`, ...about, from: closes, until: closes }); // prettier-ignore
  }
  for (const { body, voided } of sell.logs.settlement)
    if (!voided && body.deferredTo !== undefined)
      events.push({ uid: `deferred-${body.id}`, title: `${placeName(body.buyerId)} pays ${body.number}`, about: `deferred, $${body.net.toLocaleString('en-US', { minimumFractionDigits: 2 })}`, from: body.deferredTo, until: body.deferredTo }); // prettier-ignore
  const policies = new Map(Object.entries(trace.settings.insurancePolicy).map(([id, { value }]) => [id, value]));
  for (const notice of insurance.notices)
    events.push({ uid: `notice-${notice.noticeId ?? notice.policyId}-${notice.what}`, title: `Tell the insurer, policy ${policies.get(notice.policyId)?.number ?? ''}`, about: notice.what === 'loss' ? notice.cause : 'harvest is over and short', from: notice.by, until: notice.by }); // prettier-ignore
  for (const [id, policy] of policies)
    events.push({ uid: `period-${id}`, title: `Policy ${policy.number}: the insurance period ends`, about: '', from: policy.periodEnds, until: policy.periodEnds }); // prettier-ignore
  const today = calendarDay(now, timeZone);
  // A year back is history enough for a calendar.
  const oldest = `${Number(today.slice(0, 4)) - 1}${today.slice(4)}`;
  return events.filter(({ until }) => until >= oldest).sort((a, b) => inOrder(a.from, b.from) || inOrder(a.uid, b.uid)); // prettier-ignore
}

/** The book's own tables, as they are handed to a spreadsheet: fields, places, tickets, what lies where. Weights in kg, moistures as fractions. */
export function bookTables(book: FarmBook, season: number | undefined): OutTable[] {
  const { ledger, lots, places } = book;
  const accounts = ledger.accounts();
  const lotOf = new Map(lots.map((lot) => [lot.id, lot]));
  const nameOf = placeNames(places);
  const own = lots.filter((lot) => season === undefined || lot.season === season);
  const fields: OutTable = {
    name: 'Fields',
    heads: ['field', 'tag', 'season', 'crop', 'variety', 'acres', 'owners', 'harvested_dry_kg', 'restated_dry_kg', 'lost_dry_kg', 'in_stock_dry_kg', 'delivered_dry_kg', 'id'],
    rows: own.map((lot) => {
      const account = accounts[lot.id];
      const lost = Object.values(account?.lostDryKg ?? {}).reduce((a, b) => a + b, 0);
      return [lot.fieldName, lot.tag, lot.season, lot.crop, lot.variety, lot.acres, lot.shares.map(({ owner, part }) => `${owner} ${part}`).join('; '), account?.harvestedDryKg ?? 0, account?.restatedDryKg ?? 0, lost, account?.inStockDryKg ?? 0, account?.deliveredDryKg ?? 0, lot.id];
    }),
  }; // prettier-ignore
  const tickets: OutTable = {
    name: 'Tickets',
    heads: ['at', 'buyer', 'ticket', 'gross_kg', 'tare_kg', 'net_kg', 'moisture', 'dry_kg', 'bushels', 'price_per_bu', 'fields', 'id'],
    rows: deliveries(book, season).map((one) => {
      const crop = Object.keys(one.lots).map((id) => lotOf.get(id)?.crop).find(Boolean); // prettier-ignore
      return [one.entry.at, nameOf(one.to), one.ticket, one.grossKg, one.tareKg, one.netKg, one.moisture, one.dryKg, one.netKg / kgPerBushelOf(crop), one.pricePerBu, Object.entries(one.wetLots).map(([id, kg]) => `${lotOf.get(id)?.fieldName ?? id} ${Math.round(kg)} kg`).join('; '), one.entry.id];
    }),
  }; // prettier-ignore
  const stock: OutTable = {
    name: 'In stock',
    heads: ['place', 'kind', 'field', 'season', 'wet_kg', 'dry_kg', 'moisture_of_place'],
    rows: Object.entries(ledger.positions()).flatMap(
      ([id, position]) =>
      Object.keys(position.lots).map((lot) => [nameOf(id), places.find((place) => place.id === id)?.kind ?? '', lotOf.get(lot)?.fieldName ?? lot, lotOf.get(lot)?.season ?? null, position.wetLots[lot] ?? 0, position.lots[lot]!, position.moisture] as const), // prettier-ignore
    ),
  };
  return [fields, tickets, stock];
}
