import type { ChainNow } from './chain.js';
import type { HaulingDay } from './hauling-day.js';
import { COMBINE_UNLOADS_PER_HOUR, USUAL_HOME_PIT } from './usual.js';

/**
 * The simulated day of a chain as it stands, begun empty, with every time at its mean: nothing varies. Both are asked the same question then,
 * and must give the same answer; {@link HaulingDay}'s own scatter is what chance adds.
 */
export function dayOfChain(chain: ChainNow): HaulingDay {
  const steady = (mean: number): { mean: number; cv: number } => ({ mean, cv: 0 });
  const capacity = chain.trucks.reduce((sum, truck) => sum + truck.capacity, 0) / Math.max(1, chain.trucks.length);
  const to = chain.destination;
  const line = to.kind === 'elevator' ? to.lineMin : 0;
  return {
    startHour: chain.now / 60,
    stopHour: chain.until / 60,
    combines: chain.combines.map(({ bushelsPerHour, tank }) => ({
      bushelsPerHour,
      rateCv: 0,
      tank,
      unloadPerHour: COMBINE_UNLOADS_PER_HOUR,
      onTheGo: true,
    })),
    carts: chain.carts.map((cart) => ({
      capacity: cart.capacity,
      unloadPerHour: chain.loadMin > 0 ? (60 * capacity) / chain.loadMin : 1e6,
      drive: steady(chain.cartDriveMin ?? 0),
    })),
    trucks: chain.trucks.map((truck) => ({ capacity: truck.capacity, tarpMin: chain.tarpMin })),
    // Others' line is time away, as in a round by tickets.
    road: { out: steady(chain.roadMin + line), back: steady(chain.backMin) },
    destination:
      to.kind === 'elevator'
        ? {
            kind: 'elevator',
            opens: to.opens / 60,
            closes: to.closes / 60,
            pits: 1,
            unload: steady(chain.unloadMin),
            othersPerHour: 0,
          }
        : {
            kind: 'home',
            dump: steady(Math.max(0, chain.unloadMin - (60 * capacity) / USUAL_HOME_PIT.legPerHour)),
            legPerHour: USUAL_HOME_PIT.legPerHour,
            wetBin: to.wetBin,
            wetBinHolds: to.wetBinHolds,
            dryerPerHour: to.dryerPerHour,
          },
  };
}
