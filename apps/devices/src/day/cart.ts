import { KG_PER_LB } from '@fanega/core';
import { CartScale, type CartMotion } from '../cart-scale.js';
import type { Combine } from './combine.js';
import type { Truck } from './truck.js';
import { Heap, type World } from './world.js';

const TO_COMBINE = 75;
const TO_TRUCK = 150;
const SETTLES = 9;
const FILL_KG_S = 85;
const EMPTY_KG_S = 190;
/** What sticks in the corners. */
const EMPTY_KG = 60;
/** An unloading auger lets the last of it lie. */
const TANK_EMPTY_KG = 5;
const PLACE_LB = 10;

type Doing =
  | { readonly what: 'waits' }
  | { readonly what: 'drives to combine'; readonly combine: Combine; seconds: number }
  | { readonly what: 'fills'; readonly combine: Combine }
  | { readonly what: 'settles full'; readonly combine: Combine; seconds: number }
  | { readonly what: 'drives to truck'; readonly truck: Truck; seconds: number }
  | { readonly what: 'empties'; readonly truck: Truck }
  | { readonly what: 'settles empty'; readonly truck: Truck; seconds: number };

const MOTION: Readonly<Record<Doing['what'], CartMotion>> = {
  waits: 'stands',
  'drives to combine': 'drives',
  fills: 'pours',
  'settles full': 'stands',
  'drives to truck': 'drives',
  empties: 'pours',
  'settles empty': 'stands',
};

/** A cart with a scale under it, which records what comes on and what goes off. */
export class Cart {
  readonly held = new Heap();
  private readonly scale: CartScale;
  private doing: Doing = { what: 'waits' };
  /** What the scale showed when it last stood, and the figures since. */
  private restKg: number;
  private standing: number[] = [];

  constructor(
    private readonly world: World,
    readonly place: {
      readonly id: string;
      readonly name: string;
      readonly capacityBu: number | null;
      readonly heldKg: number;
      readonly moisture: number | null;
    },
    index: number,
  ) {
    this.held.add(place.heldKg, place.moisture ?? 0.15);
    this.scale = new CartScale(world.chance(), index % 2 === 0 ? 0.0008 : -0.0011);
    this.restKg = this.scale.read(place.heldKg, 'stands');
  }

  get wire(): string {
    return `scale:${this.place.id}`;
  }
  /** Beside whom it is, or on its way to, and in how many seconds; null: it waits where it is. */
  get goes(): { readonly to: Combine | Truck; readonly seconds: number } | null {
    const { doing } = this;
    return doing.what === 'waits'
      ? null
      : { to: 'combine' in doing ? doing.combine : doing.truck, seconds: doing.what.startsWith('drives') && 'seconds' in doing ? doing.seconds : 0 }; // prettier-ignore
  }
  private get room(): number {
    return (this.place.capacityBu ?? 1000) * this.world.kgPerBu - this.held.kg;
  }

  /** One second: show the weight, then drive, pour, settle. */
  step(combines: readonly Combine[], trucks: readonly Truck[]): void {
    const { doing } = this;
    this.show(MOTION[doing.what]);
    switch (doing.what) {
      case 'waits':
        this.choose(combines, trucks);
        break;
      case 'drives to combine':
        if (--doing.seconds <= 0) this.doing = { what: 'fills', combine: doing.combine };
        break;
      case 'fills': {
        const { combine } = doing;
        const { kg, moisture } = combine.tank.take(Math.min(FILL_KG_S, this.room));
        this.held.add(kg, moisture);
        if (combine.tank.kg <= TANK_EMPTY_KG || this.room < 1)
          this.doing = { what: 'settles full', combine, seconds: SETTLES };
        break;
      }
      case 'settles full':
        if (--doing.seconds <= 0) this.loaded(doing.combine);
        break;
      case 'drives to truck':
        if (--doing.seconds <= 0) this.doing = { what: 'empties', truck: doing.truck };
        break;
      case 'empties': {
        const { truck } = doing;
        const { kg, moisture } = this.held.take(Math.min(EMPTY_KG_S, truck.room));
        truck.held.add(kg, moisture);
        if (this.held.kg <= EMPTY_KG || truck.room < 1) this.doing = { what: 'settles empty', truck, seconds: SETTLES };
        break;
      }
      case 'settles empty':
        if (--doing.seconds <= 0) this.emptied(doing.truck);
        break;
    }
  }

  private show(motion: CartMotion): void {
    const kg = this.scale.read(this.held.kg, motion);
    if (motion === 'stands') this.standing.push(kg);
    else this.standing = [];
    this.world.tell({ atMs: this.world.now, wire: this.wire, what: 'weight', kg });
  }

  private choose(combines: readonly Combine[], trucks: readonly Truck[]): void {
    const { world } = this;
    const over = !world.cutting && combines.every((combine) => combine.tank.kg < 1);
    const full = this.room < 260 * world.kgPerBu || (over && this.held.kg > EMPTY_KG);
    if (full) {
      const truck = trucks
        .filter((one) => one.waits && one.room > 40 * world.kgPerBu)
        .sort((a, b) => a.room - b.room)[0];
      if (truck) {
        truck.taken = true;
        this.doing = { what: 'drives to truck', truck, seconds: TO_TRUCK };
      }
      return;
    }
    const combine = combines
      .filter((one) => (one.calls || one.leaves) && this.room > Math.min(one.tank.kg, 120 * world.kgPerBu))
      .sort((a, b) => b.tank.kg - a.tank.kg)[0];
    if (combine) {
      combine.served = true;
      this.doing = { what: 'drives to combine', combine, seconds: TO_COMBINE };
    }
  }

  /** The weight now that it stands, in the scale's divisions, against that before. */
  private weighed(): number {
    const last = this.standing.slice(-5);
    const now = last.reduce((sum, kg) => sum + kg, 0) / last.length;
    const change = Math.abs(now - this.restKg);
    this.restKg = now;
    return Math.round(change / KG_PER_LB / PLACE_LB) * PLACE_LB * KG_PER_LB;
  }

  private loaded(combine: Combine): void {
    const { world, wire, place } = this;
    const wetKg = this.weighed();
    const shown = combine.display.load();
    if (combine.overnight) {
      combine.overnight = false;
      world.write(wire, `${place.name} scale`, {
        type: 'move',
        from: combine.place.id,
        to: place.id,
        wetKg,
        emptied: true,
        method: 'cartScale',
      });
    } else if (combine.from) {
      // The display's moisture of this load: the cart may hold others.
      const moisture = Math.round((shown.moisture ?? this.held.moisture) * 1000) / 1000;
      const id = world.write(wire, `${place.name} scale`, {
        type: 'harvest',
        lot: combine.from.lotId,
        to: place.id,
        wetKg,
        moisture,
        method: 'cartScale',
      });
      if (shown.kg > 1) {
        const displayed = Math.round(shown.kg / KG_PER_LB / 10) * 10 * KG_PER_LB;
        world.write(combine.wire, `${combine.place.name} display`, {
          type: 'witness',
          of: id,
          wetKg: displayed,
          method: 'monitor',
        });
      }
    }
    combine.served = false;
    this.doing = { what: 'waits' };
  }

  private emptied(truck: Truck): void {
    const { world, wire, place } = this;
    const wetKg = this.weighed();
    const all = this.held.kg <= EMPTY_KG;
    if (all) truck.held.add(this.held.take(this.held.kg).kg, truck.held.moisture);
    world.write(wire, `${place.name} scale`, {
      type: 'move',
      from: place.id,
      to: truck.place.id,
      wetKg,
      ...(all ? { emptied: true } : {}),
      method: 'cartScale',
    });
    truck.taken = false;
    this.doing = { what: 'waits' };
  }
}
