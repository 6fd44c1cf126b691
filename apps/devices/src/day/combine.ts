import { M2_PER_ACRE, type Random } from '@fanega/core';
import { Wander } from '../chance.js';
import { Display, type DisplayFaults } from '../monitor.js';
import { stands } from './crew.js';
import { Heap, type StandingField, type World } from './world.js';

/** Seconds between two figures of the display. */
const SHOWS_EVERY = 2;
const ROW_SECONDS = 210;
const TURN_SECONDS = 22;
const MOVE_SECONDS = 8 * 60;
/** Nobody sends a cart for less than this, kg: it goes along to the next field. */
const REST_KG = 300;

/** Combine 1 of the made-up farm reads high, more so when it is full; the second one a little low. */
const FAULTS: readonly DisplayFaults[] = [
  { bias: 0.036, biasByFlow: 0.0035, moisture: -0.004 },
  { bias: -0.012, biasByFlow: 0, moisture: 0.002 },
];

/** A combine: cuts in rows, turns, fills its tank, and stands when nobody takes it. */
export class Combine {
  readonly tank = new Heap();
  readonly display: Display;
  /** A cart is on its way, or under the auger. */
  served = false;
  /** Grain that lay in the tank overnight is in the book already. */
  overnight: boolean;
  /** The field that the tank's grain came from. */
  from: StandingField | undefined;
  private readonly yields: Wander;
  private readonly wet: Wander;
  private inRow = 0;
  private moving = 0;
  private at: StandingField | undefined;
  private meters = 0;

  constructor(
    private readonly world: World,
    readonly place: {
      readonly id: string;
      readonly name: string;
      readonly capacityBu: number | null;
      readonly heldKg: number;
      readonly moisture: number | null;
    },
    private readonly index: number,
  ) {
    this.tank.add(place.heldKg, place.moisture ?? 0.15);
    this.overnight = place.heldKg > 1;
    const random: Random = world.chance();
    this.yields = new Wander(random, 0.11, 0.985);
    this.wet = new Wander(random, 0.006, 0.99);
    this.display = new Display(world.chance(), FAULTS[index % FAULTS.length]);
  }

  /** Where it cuts, and how far it went in that field, m. */
  get ground(): { readonly field: StandingField | undefined; readonly meters: number } {
    return { field: this.at, meters: this.meters };
  }
  get wire(): string {
    return `display:${this.place.id}`;
  }
  get capacityKg(): number {
    return (this.place.capacityBu ?? 300) * this.world.kgPerBu;
  }
  /** Full enough for a cart to come. */
  get calls(): boolean {
    const evening = !this.world.cutting && this.tank.kg > 1;
    return !this.served && (this.tank.kg > 0.72 * this.capacityKg || this.overnight || evening);
  }

  /** One second. */
  step(second: number): void {
    const { world } = this;
    const cuts = this.cuts();
    const width = world.plan.widths[this.index] ?? 9.14;
    let flow = 0;
    let moisture = this.tank.moisture || 0.15;
    let speed = 0;
    if (cuts) {
      const { plan } = this.at!;
      const rate = ((world.plan.combines[this.index] ?? 1300) * world.kgPerBu) / 3600;
      flow = Math.min(this.at!.kg, Math.max(0.2 * rate, rate * (1 + this.yields.next())));
      moisture = Math.max(0.1, plan.moisture - (0.012 * Math.max(0, world.minute - 600)) / 600 + this.wet.next());
      speed = rate / (((plan.yieldBu * world.kgPerBu) / M2_PER_ACRE) * width);
      this.meters += speed;
      this.at!.kg -= flow;
      this.tank.add(flow, moisture);
      this.from = this.at;
    } else if (this.moving > 0) speed = 3.5;
    if (second % SHOWS_EVERY === 0 && (cuts || world.cutting)) {
      world.tell({
        atMs: world.now,
        wire: this.wire,
        what: 'flow',
        flow: this.display.read(world.now, { flow, moisture, speed, width }, SHOWS_EVERY),
        // What was cut before the day stands on the first combine's display, which began the field.
        ...(this.at && {
          open: { lotId: this.at.lotId, areaM2: (this.index === 0 ? this.at.cutM2 : 0) + this.meters * width },
        }),
      });
    }
  }

  private cuts(): boolean {
    const { world } = this;
    if (world.minute < world.plan.cutFrom || !world.cutting || this.overnight || stands(world, this.index))
      return false;
    // A tank with another field's grain is emptied before the next field: it stays one field's load.
    if (this.at !== world.field) {
      if (this.tank.kg > REST_KG && this.at !== undefined) return false;
      this.moving = this.at === undefined ? 0 : MOVE_SECONDS;
      this.at = world.field;
      this.meters = 0;
    }
    if (this.moving > 0) {
      this.moving--;
      return false;
    }
    if (this.tank.kg >= this.capacityKg) return false;
    this.inRow = (this.inRow + 1) % (ROW_SECONDS + TURN_SECONDS);
    return this.inRow < ROW_SECONDS;
  }

  /** True when it left a field and its tank still holds it: a cart must come however little it is. */
  get leaves(): boolean {
    return !this.served && this.at !== undefined && this.at !== this.world.field && this.tank.kg > REST_KG;
  }
}
