import { type Formula, quantity } from '../kernel/index.js';
import { checkHaulingDay, type HaulingDay } from './hauling-day.js';
import { truckCycle } from './queue.js';

export const AVERAGE_FLOW: Formula = {
  id: 'average-flow',
  title: 'Hauling by plain averages',
  equation:
    'round = load + tarp + road out + pit + road back; bu/h a truck = 60 load / round; trucks needed = combines bu/h / bu/h a truck, rounded up; short by = combines - trucks; lasts = room / short by',
  standing: 'common practice',
  source: 'Arithmetic of means, as done on the back of an envelope',
  inputs: [quantity('minutes of a round', 0.01, 50_000, 'min'), quantity('bushels an hour', 0, 1e6, 'bu/h')],
  note: 'Without waiting, closing hours or chance: the simulated days have those, and bring less.',
};

export interface AverageFlow {
  /** bu/h that all combines bring while they cut. */
  readonly combines: number;
  /** Minutes of a truck's round, waiting for nobody. */
  readonly roundMin: number;
  /** bu/h of one truck. */
  readonly perTruck: number;
  readonly trucksNeeded: number;
  /** bu/h of the trucks there are. */
  readonly trucks: number;
  /** bu/h that scale and pit can take of these trucks. */
  readonly pit: number;
  /** bu/h that the combines bring and nobody takes away; 0 where all is taken. */
  readonly shortBy: number;
  /** bu that tanks and carts take until the combines stand; minutes that it lasts, null where nothing is short. */
  readonly room: number;
  readonly roomLastsMin: number | null;
  /** At home: what the wet bin gains an hour over the dryer, and the minutes until it is full; null where it never is. */
  readonly wetBin: { readonly gains: number; readonly lastsMin: number | null } | null;
}

/**
 * The plain average figures of a hauling day.
 * Range and source: {@link AVERAGE_FLOW}.
 * @throws RangeRefusal for a machine, a time or a place that cannot be, by its name
 */
export function averageFlow(day: HaulingDay): AverageFlow {
  checkHaulingDay(day);
  const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);
  const mean = (values: readonly number[]): number => sum(values) / values.length;
  const load = mean(day.trucks.map(({ capacity }) => capacity));
  const to = day.destination;
  const unloading = day.carts.length > 0 ? day.carts : day.combines;
  const pitMin = to.kind === 'elevator' ? to.unload.mean : to.dump.mean + (60 * load) / to.legPerHour;
  const { minutes: roundMin, bushelsPerHour: perTruck } = truckCycle({
    loadMin: (60 * load) / mean(unloading.map(({ unloadPerHour }) => unloadPerHour)),
    // One figure for both ways: the mean of out and back.
    roadMin: (day.road.out.mean + day.road.back.mean) / 2,
    unloadMin: pitMin,
    waitMin: mean(day.trucks.map(({ tarpMin }) => tarpMin)),
    bushels: load,
  });
  const combines = sum(day.combines.map(({ bushelsPerHour }) => bushelsPerHour));
  const trucks = perTruck * day.trucks.length;
  const pits = to.kind === 'elevator' ? to.pits : 1;
  const others = to.kind === 'elevator' ? to.othersPerHour : 0;
  const pit = pitMin > 0 ? Math.max(0, (pits * 60) / pitMin - others) * load : Infinity;
  const taken = Math.min(trucks, pit);
  const shortBy = Math.max(0, combines - taken);
  const room = sum(day.combines.map(({ tank }) => tank)) + sum(day.carts.map(({ capacity }) => capacity));
  const gains = to.kind === 'home' ? Math.min(combines, taken) - to.dryerPerHour : 0;
  return {
    combines,
    roundMin,
    perTruck,
    trucksNeeded: Math.ceil(combines / perTruck - 1e-9),
    trucks,
    pit,
    shortBy,
    room,
    roomLastsMin: shortBy > 0 ? (60 * room) / shortBy : null,
    wetBin:
      to.kind === 'home'
        ? {
            gains: Math.max(0, gains),
            lastsMin: gains > 0 ? (60 * (to.wetBin - to.wetBinHolds)) / gains : null,
          }
        : null,
  };
}
