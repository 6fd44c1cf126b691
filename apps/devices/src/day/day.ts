import type { DeviceNames } from '@fanega/contract';
import { HandTester } from '../tester.js';
import { stationWeather } from '../weather.js';
import { Cart } from './cart.js';
import { Combine } from './combine.js';
import { Crew } from './crew.js';
import { Dryer } from './dryer.js';
import type { DayEvent } from './events.js';
import { type DayPlan, placesOf } from './plan.js';
import { Site } from './site.js';
import { Buyer, Truck, Yard } from './truck.js';
import { Whereabouts } from './whereabouts.js';
import { World } from './world.js';

const READ_AT = [15, 180, 390];
const HOUR = 60;

/**
 * A whole harvest day, second by second: what each device tells the farm, in order of time. The same names, plan, day and seed tell
 * the same day to the letter.
 * @param midnightMs the day's first instant on the farm @param offset ms that its clock is behind UTC
 * @throws Error where the plan names a field that the farm does not have
 */
export function* harvestDay(input: {
  readonly names: DeviceNames;
  readonly plan: DayPlan;
  readonly midnightMs: number;
  readonly offset: number;
  readonly seed: number;
}): Generator<DayEvent> {
  const { names, plan, midnightMs, offset, seed } = input;
  const world = new World(names, plan, midnightMs, seed);
  const combines = placesOf(names, 'combine').map((place, i) => new Combine(world, place, i));
  const carts = placesOf(names, 'cart').map((place, i) => new Cart(world, place, i));
  const buyers = plan.buyers.flatMap((buyer) => {
    const place = names.places.find(({ name, kind }) => kind === 'buyer' && name === buyer.name);
    return place ? [new Buyer(world, buyer, place.id)] : [];
  });
  const yard = new Yard(world);
  const trucks = placesOf(names, 'truck').map((place, i) => new Truck(world, place, buyers, yard, i));
  const dryer = new Dryer(world, yard);
  const tester = new HandTester(world.chance());
  // After all others: what it draws by chance changes nothing of theirs.
  const site = new Site(world, dryer, yard);
  const crew = new Crew(world);
  const where = new Whereabouts(world, combines, carts, trucks, buyers);
  const seconds = (plan.ends - plan.begins) * 60;
  for (let second = 0; second < seconds; second++) {
    world.now = midnightMs + plan.begins * 60_000 + second * 1000;
    if (second % (HOUR * 60) === 0) {
      world.tell({
        atMs: world.now,
        wire: 'weather',
        what: 'weather',
        hours: stationWeather({
          ...{ now: world.now, offset, seed, hoursBack: 1, hoursAhead: 30 },
          shower: { fromMs: midnightMs + 60_000 * plan.shower.from, toMs: midnightMs + 60_000 * plan.shower.to, chance: plan.shower.chance }, // prettier-ignore
        }),
      });
    }
    if (second % 60 === 0 && READ_AT.includes(second / 60)) {
      for (const field of world.fields.filter(({ kg }) => kg > 1)) {
        const moisture = tester.read(field.plan.moisture);
        world.tell({
          atMs: world.now,
          wire: 'tester',
          what: 'reading',
          reading: {
            id: world.id(),
            fieldId: field.fieldId,
            at: new Date(world.now).toISOString(),
            moisture,
            source: 'hand',
            spot: 'gate',
          },
        });
      }
    }
    for (const combine of combines) combine.step(second);
    for (const cart of carts) cart.step(combines, trucks);
    for (const truck of trucks) truck.step();
    dryer.step();
    site.step(second);
    crew.step(second);
    where.step(second);
    yield* world.drain();
  }
}
