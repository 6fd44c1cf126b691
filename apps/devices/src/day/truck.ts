import { duration, type Random } from '@fanega/core';
import { crossing, FIGURES_A_SECOND, type BridgeFigure } from '../truck-scale.js';
import { ElevatorDesk } from '../elevator.js';
import type { BuyerPlan, DayPlan } from './plan.js';
import { Heap, type World } from './world.js';

const TARP = 180;
const YARD_ROAD = 6 * 60;
const PIT = 7 * 60;
/** Shares of the load on five axles, from the front, and of the empty weight. */
const LOAD_SHARES = [0.05, 0.23, 0.23, 0.245, 0.245];
const EMPTY_SHARES = [0.384, 0.16, 0.157, 0.151, 0.148];
/** Grain wetter than this above the base is dried at home where there is room. */
const WET = 0.007;

/** A buyer's place: its desk, and who stands in its line. */
export class Buyer {
  readonly desk: ElevatorDesk;
  private readonly random: Random;
  constructor(
    world: World,
    readonly plan: BuyerPlan,
    readonly id: string,
  ) {
    this.random = world.chance();
    this.desk = new ElevatorDesk(world.chance(), plan.firstTicket, plan.pricePerBu);
  }
  get wire(): string {
    return `desk:${this.id}`;
  }
  /** Seconds that a truck stands in line. */
  line(): number {
    return Math.round(60 * duration(this.random, this.plan.lineMin, 0.6));
  }
}

/** The yard: one bridge, the wet bin and the dryer behind it. */
export class Yard {
  readonly wet = new Heap();
  readonly wetBin: { readonly id: string; readonly capacityBu: number | null } | undefined;
  /** A truck is on the bridge. */
  busy = false;
  /** The next one drives on from here: it stands behind the line until the one before is off and out of the way. */
  clearMs = 0;
  /** Trucks that stand over the pit and let it run. */
  dumping = 0;
  constructor(private readonly world: World) {
    const bin = world.names.places.find((place) => place.kind === 'wetBin');
    this.wetBin = bin;
    if (bin) this.wet.add(bin.heldKg, bin.moisture ?? 0.18);
  }
  /** Room for a load that is on its way is kept. */
  private coming = 0;
  takes(kg: number): boolean {
    const capacity = (this.wetBin?.capacityBu ?? 0) * this.world.kgPerBu;
    return this.wetBin !== undefined && this.wet.kg + this.coming + kg < capacity - 20 * this.world.kgPerBu;
  }
  keep(kg: number): void {
    this.coming += kg;
  }
  dump(heap: Heap): void {
    const { kg, moisture } = heap.take(heap.kg);
    this.coming -= kg;
    this.wet.add(kg, moisture);
  }
}

/** ms between one truck off the platform and the next one on it. */
const NEXT_AFTER_MS = 25_000;

type Doing =
  | { readonly what: 'field' }
  | { readonly what: 'tarps'; seconds: number }
  | { readonly what: 'looks where to' }
  | { readonly what: 'drives to buyer'; readonly buyer: Buyer; seconds: number }
  | { readonly what: 'in line'; readonly buyer: Buyer; seconds: number }
  | { readonly what: 'unloads'; readonly buyer: Buyer; seconds: number }
  | { readonly what: 'drives home'; seconds: number }
  | { readonly what: 'waits for the bridge' }
  | {
      readonly what: 'on the bridge';
      readonly figures: readonly BridgeFigure[];
      readonly beganMs: number;
      next: number;
    }
  | { readonly what: 'dumps'; seconds: number }
  | { readonly what: 'drives to field'; seconds: number };

/** A truck and its round: loaded, tarped, to the buyer or over the bridge to the wet bin, and back. */
export class Truck {
  readonly held = new Heap();
  /** A cart is on its way to it. */
  taken = false;
  private doing: Doing = { what: 'field' };
  private readonly random: Random;
  private readonly tareKg: number;

  constructor(
    private readonly world: World,
    readonly place: {
      readonly id: string;
      readonly name: string;
      readonly heldKg: number;
      readonly moisture: number | null;
    },
    private readonly buyers: readonly Buyer[],
    private readonly yard: Yard,
    index: number,
  ) {
    this.held.add(place.heldKg, place.moisture ?? 0.15);
    this.random = world.chance();
    this.tareKg = world.plan.tareKg + 35 * index;
    // What was loaded the evening before leaves as soon as somebody takes it.
    if (this.loaded) this.doing = { what: 'looks where to' };
  }

  private get fullKg(): number {
    return this.world.plan.truckBu * this.world.kgPerBu;
  }
  get room(): number {
    return this.fullKg - this.held.kg;
  }
  /** Where it is, or drives to, and in how many seconds it is there. */
  get goes(): { readonly to: 'field' | 'yard' | Buyer; readonly seconds: number } {
    const { doing } = this;
    switch (doing.what) {
      case 'drives to buyer':
        return { to: doing.buyer, seconds: doing.seconds };
      case 'in line':
      case 'unloads':
        return { to: doing.buyer, seconds: 0 };
      case 'drives home':
        return { to: 'yard', seconds: doing.seconds };
      case 'waits for the bridge':
      case 'on the bridge':
      case 'dumps':
        return { to: 'yard', seconds: 0 };
      case 'drives to field':
        return { to: 'field', seconds: doing.seconds };
      default:
        return { to: 'field', seconds: 0 };
    }
  }
  get waits(): boolean {
    return this.doing.what === 'field' && !this.taken;
  }
  private get loaded(): boolean {
    return this.held.kg > 0.93 * this.fullKg;
  }

  /** One second. */
  step(): void {
    const { doing } = this;
    switch (doing.what) {
      case 'field':
        if (!this.taken && this.loaded) this.doing = { what: 'tarps', seconds: TARP };
        break;
      case 'tarps':
        if (--doing.seconds <= 0) this.doing = { what: 'looks where to' };
        break;
      case 'looks where to':
        this.leave();
        break;
      case 'drives to buyer':
        if (--doing.seconds <= 0) this.doing = { what: 'in line', buyer: doing.buyer, seconds: doing.buyer.line() };
        break;
      case 'in line':
        if (--doing.seconds <= 0) this.doing = { what: 'unloads', buyer: doing.buyer, seconds: PIT };
        break;
      case 'unloads':
        if (--doing.seconds <= 0) this.sold(doing.buyer);
        break;
      case 'drives home':
        if (--doing.seconds <= 0) this.doing = { what: 'waits for the bridge' };
        break;
      case 'waits for the bridge':
        if (!this.yard.busy && this.world.now >= this.yard.clearMs) {
          this.yard.busy = true;
          const axles = LOAD_SHARES.map(
            (share, i) => this.held.kg * share * (1 + 0.01 * (this.random() - 0.5)) + this.tareKg * EMPTY_SHARES[i]!,
          );
          this.doing = {
            what: 'on the bridge',
            figures: crossing(axles, this.random),
            beganMs: this.world.now,
            next: 0,
          };
        }
        break;
      case 'on the bridge':
        for (let i = 0; i < FIGURES_A_SECOND && doing.next < doing.figures.length; i++) {
          const { ms, kg } = doing.figures[doing.next++]!;
          this.world.tell({ atMs: doing.beganMs + ms, wire: 'bridge', what: 'weight', kg });
        }
        if (doing.next >= doing.figures.length) {
          this.yard.busy = false;
          this.yard.clearMs = this.world.now + NEXT_AFTER_MS;
          this.yard.dumping++;
          this.doing = { what: 'dumps', seconds: PIT };
        }
        break;
      case 'dumps':
        if (--doing.seconds <= 0) this.dumped();
        break;
      case 'drives to field':
        if (--doing.seconds <= 0) this.doing = { what: 'field' };
        break;
    }
  }

  /** Wet grain home where there is room, else to the nearest buyer that takes it and is open when it comes; else it waits, perhaps overnight. */
  private leave(): void {
    const { world } = this;
    const { plan, minute }: { plan: DayPlan; minute: number } = world;
    const { moisture, kg } = this.held;
    if (moisture > plan.dryTo + WET && this.yard.takes(kg)) {
      this.yard.keep(kg);
      this.doing = { what: 'drives home', seconds: YARD_ROAD };
      return;
    }
    const buyer = this.buyers.find(
      ({ plan: own }) => moisture <= own.mostMoisture && minute + own.roadMin <= own.closes - 10,
    );
    // Before the doors open it waits for this one.
    if (buyer && minute + buyer.plan.roadMin >= buyer.plan.opens)
      this.doing = {
        what: 'drives to buyer',
        buyer,
        seconds: Math.round(60 * duration(this.random, buyer.plan.roadMin, 0.07)),
      };
  }

  private sold(buyer: Buyer): void {
    const { world, place } = this;
    const ticket = buyer.desk.weigh(this.held.kg, this.tareKg, this.held.moisture);
    this.held.take(this.held.kg);
    world.write(buyer.wire, `${buyer.plan.name} desk`, {
      type: 'move',
      from: place.id,
      to: buyer.id,
      emptied: true,
      method: 'ticket',
      ...ticket,
    });
    this.doing = { what: 'drives to field', seconds: Math.round(60 * duration(this.random, buyer.plan.roadMin, 0.07)) };
  }

  private dumped(): void {
    const { world, place, yard } = this;
    // The bridge's own figures: the sum of what stood on it, less what the truck weighs empty.
    const shown = (kg: number): number => Math.round(kg / 9.0718474) * 9.0718474;
    const grossKg = shown((this.held.kg + this.tareKg) * (1 + 0.0012 + 0.002 * (this.random() - 0.5)));
    const tareKg = shown(this.tareKg);
    yard.dump(this.held);
    yard.dumping--;
    world.write('bridge', 'Own bridge', {
      type: 'move',
      from: place.id,
      to: yard.wetBin!.id,
      emptied: true,
      wetKg: grossKg - tareKg,
      grossKg,
      tareKg,
      method: 'bridge',
    });
    this.doing = { what: 'drives to field', seconds: YARD_ROAD };
  }
}
