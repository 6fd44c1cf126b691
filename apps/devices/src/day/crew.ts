import { placesOf } from './plan.js';
import type { World } from './world.js';

const MINUTE = 60;

/** Does a combine of the row stand at a minute of the day: for fuel, or with a bearing that must cool? */
export function stands({ plan, minute }: World, combine: number): boolean {
  const during = (at: number, minutes: number): boolean => minute >= at && minute < at + minutes;
  const hot = plan.bearing.read.at(-1);
  return (
    plan.fuel.some((stop) => stop.combine === combine && during(stop.at, stop.minutes)) ||
    (hot !== undefined && plan.bearing.combine === combine && during(hot.at, plan.bearing.minutes))
  );
}

/** What people write down on the day: fuel that was filled, and a bearing that is felt, stopped for and greased. */
export class Crew {
  private readonly combines: readonly { readonly id: string }[];

  constructor(private readonly world: World) {
    this.combines = placesOf(world.names, 'combine');
  }

  step(second: number): void {
    const { plan, minute } = this.world;
    if (second % MINUTE !== 0) return;
    for (const { combine, at, minutes, gallons } of plan.fuel)
      if (minute === at + minutes) this.tell('shed/fuel-fill', combine, { gallons, full: true });
    const { combine, part, airCelsius, read, minutes, after } = plan.bearing;
    const feel = (celsius: number, greased: boolean): void =>
      this.tell('shed/part-heat', combine, { part, celsius, airCelsius, noticed: '', greased });
    for (const { at, celsius } of read) if (minute === at) feel(celsius, false);
    if (minute === (read.at(-1)?.at ?? NaN) + minutes) feel(after, true);
  }

  private tell(record: string, combine: number, body: object): void {
    const place = this.combines[combine];
    if (!place) return;
    const { world } = this;
    const at = new Date(world.now).toISOString();
    world.tell({ atMs: world.now, wire: 'crew', what: 'record', record, body: { id: world.id(), at, placeId: place.id, ...body } }); // prettier-ignore
  }
}
