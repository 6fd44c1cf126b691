import { type Entry, type FarmBook, instantOf, type MoveEntry } from '../ledger/index.js';
import { inOrder, toWallTime } from '../kernel/index.js';

/** Grain of one lot in an event, by weight. */
interface Quantity {
  readonly epcClass: string;
  readonly quantity: number;
  /** UN/CEFACT: kilograms */
  readonly uom: 'KGM';
}

interface EventBase {
  readonly eventTime: string;
  readonly eventTimeZoneOffset: string;
  readonly eventID: string;
  readonly bizStep: string;
  readonly disposition?: string;
  readonly readPoint?: { readonly id: string };
  readonly bizLocation?: { readonly id: string };
  readonly bizTransactionList?: readonly { readonly type: string; readonly bizTransaction: string }[];
  /** wet-basis fraction, and how the weight was got */
  readonly 'fanega:moisture'?: number;
  readonly 'fanega:method'?: string;
}
export type EpcisEvent = EventBase &
  (
    | { readonly type: 'ObjectEvent'; readonly action: 'ADD' | 'OBSERVE' | 'DELETE'; readonly epcList: readonly []; readonly quantityList: readonly Quantity[] } // prettier-ignore
    | { readonly type: 'TransformationEvent'; readonly inputQuantityList: readonly Quantity[]; readonly outputQuantityList: readonly Quantity[] } // prettier-ignore
  );

export interface EpcisDocument {
  readonly '@context': readonly (string | Readonly<Record<string, string>>)[];
  readonly type: 'EPCISDocument';
  readonly schemaVersion: '2.0';
  readonly creationDate: string;
  readonly epcisBody: { readonly eventList: readonly EpcisEvent[] };
}

/** What a move into a kind of place is in the words of the standard's vocabulary. */
const STEP: Readonly<Record<string, string>> = {
  buyer: 'shipping',
  truck: 'loading',
  cart: 'loading',
  combine: 'loading',
  bin: 'storing',
  wetBin: 'storing',
  overhead: 'storing',
  pile: 'storing',
  pit: 'receiving',
  dryer: 'receiving',
};

/** "-05:00" of a zone at an instant. */
function offsetOf(ms: number, timeZone: string): string {
  const wall = Date.parse(`${toWallTime(ms, timeZone).slice(0, 19)}Z`);
  const minutes = Math.round((wall - Math.floor(ms / 1000) * 1000) / 60_000);
  const two = (value: number): string => String(value).padStart(2, '0');
  return `${minutes < 0 ? '-' : '+'}${two(Math.floor(Math.abs(minutes) / 60))}:${two(Math.abs(minutes) % 60)}`;
}

/** Grams: a scale of a farm weighs no finer. */
const grams = (kg: number): number => Math.round(kg * 1000) / 1000;

/**
 * A farm's book as events of EPCIS 2.0 (GS1, ISO/IEC 19987; core business vocabulary): what comes off a field is commissioned, what is moved
 * observed, what is dried transformed, what is sold shipped, what is lost destroyed. Grain has no serial numbers: each event names classes, a
 * lot of a field and season, with the weight of each by the book's shares.
 * @param season of the lots; left out: all of them
 */
export function epcisOf(
  { ledger, lots, places }: FarmBook,
  farm: { readonly id: string; readonly timeZone: string; readonly now: number },
  season?: number,
): EpcisDocument {
  const uri = (what: string, id: string): string => `urn:fanega:${encodeURIComponent(farm.id)}:${what}:${encodeURIComponent(id)}`; // prettier-ignore
  const own = new Set(lots.filter((lot) => season === undefined || lot.season === season).map(({ id }) => id));
  const kindOf = new Map(places.map(({ id, kind }) => [id, kind]));
  const quantities = (byLot: Readonly<Record<string, number>>): Quantity[] =>
    Object.entries(byLot)
      .filter(([lot, kg]) => own.has(lot) && kg >= 0.0005)
      .map(([lot, kg]) => ({ epcClass: uri('lot', lot), quantity: grams(kg), uom: 'KGM' }));
  const base = (entry: Entry, bizStep: string): EventBase => {
    const ms = instantOf(entry.at);
    return {
      eventTime: new Date(ms).toISOString(),
      eventTimeZoneOffset: offsetOf(ms, farm.timeZone),
      eventID: uri('entry', entry.id),
      bizStep,
    };
  };
  const events: EpcisEvent[] = [];
  for (const { entry, moisture, wetLots } of ledger.parcels()) {
    const quantityList = quantities(wetLots);
    if (quantityList.length === 0) continue;
    const more = {
      epcList: [] as const,
      quantityList,
      'fanega:moisture': Math.round(moisture * 1e5) / 1e5,
      ...('method' in entry && entry.method !== undefined ? { 'fanega:method': entry.method } : {}),
    };
    if (entry.type === 'harvest')
      events.push({
        type: 'ObjectEvent',
        action: 'ADD',
        ...base(entry, 'commissioning'),
        disposition: 'active',
        readPoint: { id: uri('lot', entry.lot) },
        bizLocation: { id: uri('place', entry.to) },
        ...more,
      });
    else if (entry.type === 'move') {
      const kind = kindOf.get(entry.to) ?? '';
      const { ticket } = entry as MoveEntry;
      events.push({
        type: 'ObjectEvent',
        action: 'OBSERVE',
        ...base(entry, STEP[kind] ?? 'storing'),
        disposition: kind === 'buyer' ? 'in_transit' : 'in_progress',
        readPoint: { id: uri('place', entry.from) },
        bizLocation: { id: uri('place', entry.to) },
        ...(ticket === undefined || ticket === '' ? {} : { bizTransactionList: [{ type: 'bol', bizTransaction: uri('ticket', `${entry.to}/${ticket}`) }] }), // prettier-ignore
        ...more,
      });
    } else if (entry.type === 'loss')
      events.push({
        type: 'ObjectEvent',
        action: 'DELETE',
        ...base(entry, 'destroying'),
        disposition: 'destroyed',
        readPoint: { id: uri('place', entry.place) },
        ...more,
      });
  }
  const dried = ledger.records.entries.flatMap((entry) => entry.type === 'condition' && !ledger.isVoided(entry.id) ? [entry] : []); // prettier-ignore
  const ids = dried.map(({ id }) => id);
  const [before, after] = [ledger.heldBefore(ids), ledger.heldAfter(ids)];
  for (const entry of dried) {
    const [input, output] = [quantities(before.get(entry.id)!.wetLots), quantities(after.get(entry.id)!.wetLots)];
    if (input.length === 0 || output.length === 0) continue;
    events.push({
      type: 'TransformationEvent',
      ...base(entry, 'creating_class_instance'),
      readPoint: { id: uri('place', entry.place) },
      bizLocation: { id: uri('place', entry.place) },
      inputQuantityList: input,
      outputQuantityList: output,
      'fanega:moisture': entry.moisture,
    });
  }
  events.sort((a, b) => inOrder(a.eventTime, b.eventTime) || inOrder(a.eventID, b.eventID));
  return {
    '@context': ['https://ref.gs1.org/standards/epcis/2.0.0/epcis-context.jsonld', { fanega: 'urn:fanega:terms:' }],
    type: 'EPCISDocument',
    schemaVersion: '2.0',
    creationDate: new Date(farm.now).toISOString(),
    epcisBody: { eventList: events },
  };
}
