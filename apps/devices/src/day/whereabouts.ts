import type { Random } from '@fanega/core';
import { scatter } from '../chance.js';
import type { Cart } from './cart.js';
import { Combine } from './combine.js';
import type { Buyer, Truck } from './truck.js';
import type { StandingField, World } from './world.js';

/** Seconds between two positions. */
const EVERY = 10;
/** A receiver's own scatter, m. */
const SCATTER = 1.6;
const ACCURACY = 4;
const M_PER_DEGREE = 111_195;
/** Trucks stand so far apart along the end of the field, m. */
const STAND = 45;
/** How far a cart stands from the combine or truck that it is under. */
const SIDE = 7;
/** A truck that follows to the next field, m/s. */
const CREEPS = 8;

interface Spot {
  readonly east: number;
  readonly north: number;
}
const between = (a: Spot, b: Spot, share: number): Spot => ({
  east: a.east + (b.east - a.east) * share,
  north: a.north + (b.north - a.north) * share,
});
const far = (a: Spot, b: Spot): number => Math.hypot(a.east - b.east, a.north - b.north);

/** Where everything drives that day: combines in their rows, carts beside them, trucks at the end of the field, on the road, in the yard. */
export class Whereabouts {
  private readonly random: Random;
  private readonly origin: { readonly lon: number; readonly lat: number };
  private readonly spots = new Map<object, Spot>();

  constructor(
    private readonly world: World,
    private readonly combines: readonly Combine[],
    private readonly carts: readonly Cart[],
    private readonly trucks: readonly Truck[],
    private readonly buyers: readonly Buyer[],
  ) {
    this.random = world.chance();
    const [first] = world.fields.flatMap(({ edge }) => edge);
    this.origin = first ?? { lon: -38.6, lat: 33.4 };
  }

  step(second: number): void {
    // Nobody drew the fields: nobody says where he is.
    if (this.world.fields.some(({ edge }) => edge.length === 0)) return;
    for (const combine of this.combines) this.spots.set(combine, this.inRows(combine));
    this.trucks.forEach((truck, i) => this.drive(truck, i));
    for (const cart of this.carts) {
      const { goes } = cart;
      const was = this.spots.get(cart) ?? this.cornerOf(this.field);
      if (goes === null) {
        this.spots.set(cart, was);
        continue;
      }
      const other = this.spots.get(goes.to) ?? was;
      const beside = { east: other.east + (goes.to instanceof Combine ? -SIDE : SIDE), north: other.north };
      this.spots.set(cart, between(was, beside, 1 / (1 + goes.seconds)));
    }
    if (second % EVERY !== 0) return;
    for (const machine of [...this.combines, ...this.carts]) this.say(machine.wire, machine);
    for (const truck of this.trucks) this.say(`tracker:${truck.place.id}`, truck);
  }

  private get field(): StandingField {
    return this.world.field ?? this.world.fields.at(-1)!;
  }

  private drive(truck: Truck, index: number): void {
    const { to, seconds } = truck.goes;
    const corner = this.cornerOf(this.field);
    const stand = { east: corner.east + 20 + STAND * index, north: corner.north - 12 };
    const target = to === 'field' ? stand : to === 'yard' ? { east: -900 + 6 * index, north: -700 } : this.buyerAt(to);
    const was = this.spots.get(truck) ?? stand;
    if (seconds > 0) this.spots.set(truck, between(was, target, 1 / (1 + seconds)));
    else if (to !== 'field') this.spots.set(truck, target);
    // One that is loaded stays where it is; the others follow to the next field.
    else if (!truck.taken && far(was, target) > 1)
      this.spots.set(truck, between(was, target, Math.min(1, CREEPS / far(was, target))));
    else this.spots.set(truck, was);
  }

  private buyerAt(buyer: Buyer): Spot {
    return { east: 21_000 + 9000 * this.buyers.indexOf(buyer), north: 4000 };
  }

  /** Lowest corner of a field's edge. */
  private cornerOf({ edge }: StandingField): Spot {
    const spots = edge.map((one) => this.spotOf(one));
    return { east: Math.min(...spots.map(({ east }) => east)), north: Math.min(...spots.map(({ north }) => north)) };
  }

  /** Up one row and down the next, a row in from the edge; each combine in its own half. */
  private inRows(combine: Combine): Spot {
    const { field = this.field, meters } = combine.ground;
    const spots = field.edge.map((one) => this.spotOf(one));
    const [west, east] = [Math.min(...spots.map((one) => one.east)), Math.max(...spots.map((one) => one.east))];
    const [south, north] = [Math.min(...spots.map((one) => one.north)), Math.max(...spots.map((one) => one.north))];
    const length = 0.8 * (north - south);
    const row = Math.floor(meters / length);
    const along = meters - row * length;
    const half = (east - west) / 2;
    const wide = 0.8 * half;
    const over = (row * 9) % wide;
    return {
      east: west + (this.combines.indexOf(combine) % 2) * half + 0.1 * half + over,
      north: south + 0.08 * (north - south) + (row % 2 === 0 ? along : length - along),
    };
  }

  private spotOf({ lon, lat }: { readonly lon: number; readonly lat: number }): Spot {
    const { origin } = this;
    return {
      east: (lon - origin.lon) * M_PER_DEGREE * Math.cos((origin.lat * Math.PI) / 180),
      north: (lat - origin.lat) * M_PER_DEGREE,
    };
  }

  private say(wire: string, machine: object): void {
    const { east, north } = this.spots.get(machine)!;
    const { origin } = this;
    const point = {
      lon:
        origin.lon + (east + scatter(this.random, SCATTER)) / (M_PER_DEGREE * Math.cos((origin.lat * Math.PI) / 180)),
      lat: origin.lat + (north + scatter(this.random, SCATTER)) / M_PER_DEGREE,
    };
    const round = (degrees: number): number => Math.round(degrees * 1e6) / 1e6;
    this.world.tell({
      atMs: this.world.now,
      wire,
      what: 'position',
      point: { lon: round(point.lon), lat: round(point.lat), accuracy: ACCURACY },
    });
  }
}

/** Where the yard of the made-up farm lies, seen from its first field's corner, and how far around it trucks stand. */
export const YARD_SPOT = { east: -890, north: -700, radius: 120 };
