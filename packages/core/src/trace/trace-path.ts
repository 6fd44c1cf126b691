import { inOrder, tally } from '../kernel/index.js';
import { type Ledger, PLACE_KINDS, type PlaceKind } from '../ledger/index.js';
import type { DeliveryTrace } from './sweep.js';

/** A stop on the way of the grain: a lot in the field, several small ones, a place, or where grain was lost. */
export interface TraceStop {
  readonly id: string;
  readonly what: 'lot' | 'lots' | 'place' | 'lost' | 'standing';
  /** The lot or place; the reason of a loss; how many lots are gathered. */
  readonly of: string;
  /** A cart or truck that carried stored grain out is another stop than the same truck bringing it in. */
  readonly out: boolean;
}

/** Dry kg that went from one stop to another. */
export interface TraceLink {
  readonly from: string;
  readonly to: string;
  readonly dryKg: number;
  /** Its dry kg by lot. */
  readonly lots: Readonly<Record<string, number>>;
  /** How many entries made it up. */
  readonly entries: number;
}

/** A flow without circles, ready to be drawn. */
export interface TracePath {
  readonly nodes: readonly TraceStop[];
  readonly links: readonly TraceLink[];
}

const ON_WHEELS: ReadonlySet<string> = new Set<PlaceKind>(['combine', 'cart', 'truck']);

class PathBuilder {
  private readonly nodes = new Map<string, TraceStop>();
  private readonly links = new Map<
    string,
    { from: string; to: string; dryKg: number; lots: Record<string, number>; entries: number }
  >();
  private readonly carriesStored = new Set<string>();
  private readonly kinds: Map<string, string>;

  constructor(ledger: Ledger) {
    this.kinds = new Map(ledger.header.places.map((place) => [place.id, place.kind ?? PLACE_KINDS[0]]));
  }

  private onWheels(place: string): boolean {
    return ON_WHEELS.has(this.kinds.get(place) ?? '');
  }

  private node(what: TraceStop['what'], of: string, out = false): string {
    const id = `${what}:${of}${out ? ':out' : ''}`;
    if (!this.nodes.has(id)) this.nodes.set(id, { id, what, of, out });
    return id;
  }

  placeNode(place: string): string {
    return this.node('place', place, this.carriesStored.has(place));
  }

  harvest(lot: string, to: string, dryKg: number): void {
    if (!(dryKg > 0)) return;
    this.carriesStored.delete(to);
    this.add(this.node('lot', lot), this.placeNode(to), dryKg, { [lot]: dryKg });
  }

  /** Called in the order of the book, so that what a truck carries is known when it unloads. */
  move(from: string, to: string, dryKg: number, lots: Readonly<Record<string, number>>): void {
    if (!(dryKg > 0)) return;
    const source = this.placeNode(from);
    if (this.onWheels(to)) {
      if (!this.onWheels(from) || this.carriesStored.has(from)) this.carriesStored.add(to);
      else this.carriesStored.delete(to);
    }
    this.add(source, this.placeNode(to), dryKg, lots);
  }

  lost(place: string, reason: string, dryKg: number, lots: Readonly<Record<string, number>>): void {
    if (dryKg > 0) this.add(this.placeNode(place), this.node('lost', reason), dryKg, lots);
  }

  standing(place: string, dryKg: number, lots: Readonly<Record<string, number>>): void {
    if (dryKg > 0) this.add(this.placeNode(place), this.node('standing', place), dryKg, lots);
  }

  private add(from: string, to: string, dryKg: number, lots: Readonly<Record<string, number>>): void {
    const key = `${from}\n${to}`;
    let link = this.links.get(key);
    if (!link) this.links.set(key, (link = { from, to, dryKg: 0, lots: tally<number>(), entries: 0 }));
    link.dryKg += dryKg;
    link.entries++;
    for (const [lot, kg] of Object.entries(lots)) link.lots[lot] = (link.lots[lot] ?? 0) + kg;
  }

  /** Grain that came back (dryer to bin to dryer, a bin turned over) goes to a second stop of the same place. */
  build(): TracePath {
    const after = new Map<string, string[]>();
    const reaches = (from: string, goal: string, seen = new Set<string>()): boolean => {
      if (from === goal) return true;
      if (seen.has(from)) return false;
      seen.add(from);
      return (after.get(from) ?? []).some((next) => reaches(next, goal, seen));
    };
    const links: TraceLink[] = [];
    for (const link of this.links.values()) {
      let to = link.to;
      if (reaches(to, link.from)) {
        const back = this.nodes.get(to)!;
        to = `${to}:again`;
        if (!this.nodes.has(to)) this.nodes.set(to, { ...back, id: to });
      }
      after.set(link.from, [...(after.get(link.from) ?? []), to]);
      links.push({ ...link, to });
    }
    return { nodes: [...this.nodes.values()], links };
  }
}

/** The way of one delivery, back to the lots in the field; kg are of the delivery's dry matter. */
export function deliveryPath(ledger: Ledger, trace: DeliveryTrace): TracePath {
  const way = new PathBuilder(ledger);
  const { records } = ledger;
  const steps = [...Object.entries(trace.loads), ...Object.entries(trace.moves)]
    .map(([id, dryKg]) => ({ r: records.recordOf(id)!, dryKg }))
    .sort((a, b) => records.compare(a.r, b.r));
  // A parcel is mixed through, so whatever part of it reached the delivery has the shares of the whole.
  const carried = new Map(
    ledger.parcels(0, records.steps, (entry) => entry.id in trace.moves).map((parcel) => [parcel.entry.id, parcel]),
  );
  for (const { r, dryKg } of steps) {
    const entry = records.entries[r]!;
    if (entry.type === 'harvest') way.harvest(entry.lot, entry.to, dryKg);
    else if (entry.type === 'move') {
      const parcel = carried.get(entry.id);
      const part = parcel && parcel.dryKg > 0 ? dryKg / parcel.dryKg : 0;
      way.move(
        entry.from,
        entry.to,
        dryKg,
        Object.fromEntries(Object.entries(parcel?.lots ?? {}).map(([lot, kg]) => [lot, kg * part])),
      );
    }
  }
  return way.build();
}

/** The way of one lot from the field on: to tickets, to losses and to where it stands now; kg of its dry matter as it was then. */
export function lotPath(ledger: Ledger, lotId: string): TracePath {
  const way = new PathBuilder(ledger);
  const { records } = ledger;
  const lot = records.lotNumber(lotId);
  ledger.visitParcels(0, records.steps, (r, slot, stock) => {
    const dryKg = stock.dryKgOf(slot, lot);
    if (dryKg === 0) return;
    const entry = records.entries[r]!;
    if (entry.type === 'harvest') way.harvest(lotId, entry.to, dryKg);
    else if (entry.type === 'move') way.move(entry.from, entry.to, dryKg, { [lotId]: dryKg });
    else if (entry.type === 'loss') way.lost(entry.place, entry.reason, dryKg, { [lotId]: dryKg });
  });
  for (const [place, position] of Object.entries(ledger.positions()))
    way.standing(place, position.lots[lotId] ?? 0, { [lotId]: position.lots[lotId] ?? 0 });
  return way.build();
}

/** Lots that a drawing shows one by one, and the share below which they are gathered where there are more. */
const LOTS_SHOWN = 12;

/**
 * A path with its smallest fields gathered into one stop, so that a ticket of sixty fields stays legible: the largest eleven are shown, the rest
 * as one. The same path where it has no more than twelve.
 */
export function gathered(path: TracePath): TracePath {
  const kg = new Map<string, number>();
  for (const { from, dryKg } of path.links) kg.set(from, (kg.get(from) ?? 0) + dryKg);
  const lots = path.nodes.filter(({ what }) => what === 'lot').sort((a, b) => (kg.get(b.id) ?? 0) - (kg.get(a.id) ?? 0) || inOrder(a.id, b.id)); // prettier-ignore
  if (lots.length <= LOTS_SHOWN) return path;
  const small = new Set(lots.slice(LOTS_SHOWN - 1).map(({ id }) => id));
  const rest: TraceStop = { id: 'lots:rest', what: 'lots', of: String(small.size), out: false };
  const links = new Map<string, TraceLink>();
  for (const link of path.links) {
    const from = small.has(link.from) ? rest.id : link.from;
    const key = `${from}\n${link.to}`;
    const same = links.get(key);
    const sum = tally<number>();
    for (const [lot, of] of [...Object.entries(same?.lots ?? {}), ...Object.entries(link.lots)]) sum[lot] = (sum[lot] ?? 0) + of; // prettier-ignore
    links.set(key, { from, to: link.to, dryKg: (same?.dryKg ?? 0) + link.dryKg, entries: (same?.entries ?? 0) + link.entries, lots: sum }); // prettier-ignore
  }
  return { nodes: [rest, ...path.nodes.filter(({ id }) => !small.has(id))], links: [...links.values()] };
}
