import { Heap, type World } from './world.js';
import type { Yard } from './truck.js';

const BATCH_BU = 1380;

/** A batch dryer between the wet bin and the bins; its controller counts what goes through. */
export class Dryer {
  private readonly batch = new Heap();
  private doneMs = 0;
  private readonly id: string | undefined;
  private readonly room: Map<string, number>;

  constructor(
    private readonly world: World,
    private readonly yard: Yard,
  ) {
    const dryer = world.names.places.find((place) => place.kind === 'dryer');
    this.id = dryer?.id;
    const bins = world.plan.bins.flatMap(
      (name) => world.names.places.find((place) => place.name === name && place.kind === 'bin') ?? [],
    );
    this.room = new Map(bins.map((bin) => [bin.id, (bin.capacityBu ?? 0) * world.kgPerBu - bin.heldKg]));
    if (dryer && dryer.heldKg > 1) this.begin(dryer.heldKg, dryer.moisture ?? 0.18);
  }

  /** What its control shows: what goes in, and whether it burns; null where the farm has no dryer. */
  get control(): { readonly id: string; readonly running: boolean; readonly moistureIn: number } | null {
    return this.id === undefined ? null : { id: this.id, running: this.batch.kg > 0, moistureIn: this.moistureIn };
  }
  private moistureIn = 0;

  private begin(kg: number, moisture: number): void {
    const { plan, kgPerBu, now } = this.world;
    this.moistureIn = moisture;
    this.batch.add(kg, moisture);
    const points = Math.max(0.5, 100 * (moisture - plan.dryTo));
    this.doneMs = now + ((kg / kgPerBu) * points * 3_600_000) / plan.bushelPointsPerHour;
  }

  /** One second. */
  step(): void {
    const { world, yard, id } = this;
    if (id === undefined || !yard.wetBin) return;
    if (this.batch.kg > 0) {
      if (world.now < this.doneMs) return;
      const bin = [...this.room].find(([, room]) => room > this.batch.kg)?.[0];
      if (bin === undefined) return;
      const { kg } = this.batch.take(this.batch.kg);
      this.room.set(bin, this.room.get(bin)! - kg);
      world.write('dryer', 'Dryer', {
        type: 'condition',
        place: id,
        moisture: world.plan.dryTo,
        dryLoss: 0.001,
        method: 'volume',
      });
      world.write('dryer', 'Dryer', { type: 'move', from: id, to: bin, method: 'volume' });
      return;
    }
    const batch = BATCH_BU * world.kgPerBu;
    if (yard.wet.kg < 0.95 * batch) return;
    const { kg, moisture } = yard.wet.take(batch);
    world.write('dryer', 'Dryer', { type: 'move', from: yard.wetBin.id, to: id, wetKg: kg, method: 'volume' });
    this.begin(kg, moisture);
  }
}
