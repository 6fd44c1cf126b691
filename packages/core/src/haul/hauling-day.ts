import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';

/** A time that varies: mean minutes and coefficient of variation (0 never varies, 1 is as irregular as arrivals by chance). */
export interface Minutes {
  readonly mean: number;
  readonly cv: number;
}

/** The chain of a harvest day. Grain in wet bushels, rates in bushels an hour, clock in hours of the day. */
export interface HaulingDay {
  readonly startHour: number;
  readonly stopHour: number;
  readonly combines: readonly {
    readonly bushelsPerHour: number;
    /** Variation of the rate from tank to tank. */
    readonly rateCv?: number;
    readonly tank: number;
    readonly unloadPerHour: number;
    readonly onTheGo: boolean;
  }[];
  /** None: each combine drives to the truck itself and stands while it unloads. */
  readonly carts: readonly {
    readonly capacity: number;
    readonly unloadPerHour: number;
    /** One way between combine and truck. */ readonly drive: Minutes;
  }[];
  readonly trucks: readonly { readonly capacity: number; readonly tarpMin: number }[];
  /** One way, loaded and back. */
  readonly road: { readonly out: Minutes; readonly back: Minutes };
  readonly destination:
    | {
        readonly kind: 'elevator';
        readonly opens: number;
        readonly closes: number;
        readonly pits: number;
        readonly unload: Minutes;
        /** Trucks of other farms in an hour. */ readonly othersPerHour: number;
      }
    | {
        readonly kind: 'home';
        readonly dump: Minutes;
        readonly legPerHour: number;
        readonly wetBin: number;
        readonly wetBinHolds: number;
        readonly dryerPerHour: number;
      };
}

/** Grain that stands about at one moment, bu, mean over all days. */
export interface GrainStanding {
  readonly tanks: number;
  readonly carts: number;
  /** In the field, on the road and in line. */
  readonly trucks: number;
  /** At home only. */
  readonly wetBin: number;
}

/** What a day came to: means over all replications. */
export interface HaulingResult {
  readonly replications: number;
  readonly bushels: number;
  /** bu/h over the field hours: mean, its standard error, and the 1st and 9th tenth of days. */
  readonly bushelsPerHour: {
    readonly mean: number;
    readonly standardError: number;
    readonly low: number;
    readonly high: number;
  };
  readonly deliveredBushels: number;
  /** Loads taken at the destination. */
  readonly loads: number;
  /** Grain in tanks, carts and trucks when the day is over: it stays overnight. */
  readonly onWheels: number;
  readonly overnight: GrainStanding;
  /** When the elevator takes no truck any more; at home when the combines stop. */
  readonly atClose: GrainStanding;
  /** Hours a day: combine standing full, cart waiting for a truck, truck waiting in the field, truck in line (each: per machine). */
  readonly waits: {
    readonly combine: number;
    readonly cart: number;
    readonly truckInField: number;
    readonly truckInLine: number;
  };
  /** Minutes that one truck waits in line, on average; and the other farms'. */
  readonly lineMinutes: number;
  readonly othersLineMinutes: number;
  /** Hour of the day when a combine first stands full, median over the days on which they stand for 2 % of the time or more; share of such days. */
  readonly firstStop: { readonly hour: number | null; readonly share: number };
  /** What holds the chain back, by where combines' standing time came from; nothing only where there is no such day. */
  readonly heldBackBy:
    | 'nothing: the combine sets the pace'
    | 'carts'
    | 'trucks on the road'
    | 'the line'
    | 'wet bin and dryer'
    | 'closing hour';
}

const COUNT = quantity('machines of one kind', 0, 40, '');
const MINUTES = quantity('minutes', 0, 1440, 'min');
const CV = quantity('coefficient of variation', 0, 3, '');

export const HAULING_DAY: Formula = {
  id: 'hauling-day',
  title: 'A day of hauling, event by event',
  equation: 'combines, carts, trucks, road, line, pit, wet bin and dryer as queues; gamma-distributed times',
  standing: 'computed',
  source: 'Discrete-event simulation; checked against M/M/c and hand-worked cycles',
  inputs: [COUNT, MINUTES, CV],
  note: 'Trucks leave full (95 %) or when the day ends; a truck that could not be in line by closing keeps its load overnight. Seeded: the same day twice gives the same figures.',
};

/** @throws RangeRefusal for a machine, a time or a place that cannot be, by its name */
export function checkHaulingDay(day: HaulingDay): void {
  const minutes = (m: Minutes): void => {
    within(MINUTES, m.mean);
    within(CV, m.cv);
  };
  const bushels = (name: string, value: number): number => requireInRange(name, value, 1, 1e6, 'bu');
  const rate = (name: string, value: number): number => requireInRange(name, value, 0.001, 1e6, 'bu/h');
  requireInRange('start of the day', day.startHour, 0, 100_000, 'h');
  requireInRange('end of the day', day.stopHour, day.startHour + 0.01, 100_000, 'h');
  requireInRange('combines', day.combines.length, 1, COUNT.most, '');
  within(COUNT, day.carts.length);
  requireInRange('trucks', day.trucks.length, 1, COUNT.most, '');
  for (const combine of day.combines) {
    rate('combine rate', combine.bushelsPerHour);
    within(CV, combine.rateCv ?? 0);
    bushels('tank', combine.tank);
    requireInRange(
      'unloading rate, faster than cutting',
      combine.unloadPerHour,
      combine.bushelsPerHour * 1.01,
      1e6,
      'bu/h',
    );
  }
  for (const cart of day.carts) {
    bushels('cart', cart.capacity);
    rate('unloading rate of the cart', cart.unloadPerHour);
    minutes(cart.drive);
  }
  for (const truck of day.trucks) {
    bushels('truck', truck.capacity);
    within(MINUTES, truck.tarpMin);
  }
  minutes(day.road.out);
  minutes(day.road.back);
  const to = day.destination;
  if (to.kind === 'elevator') {
    requireInRange('closing hour', to.closes, to.opens, 200_000, 'h');
    requireInRange('pits', to.pits, 1, 20, '');
    minutes(to.unload);
    requireInRange('trucks of other farms', to.othersPerHour, 0, 1000, '1/h');
  } else {
    minutes(to.dump);
    rate('leg', to.legPerHour);
    bushels('wet bin', to.wetBin);
    requireInRange('grain in the wet bin', to.wetBinHolds, 0, to.wetBin, 'bu');
    requireInRange('dryer rate', to.dryerPerHour, 0, 1e6, 'bu/h');
    const largest = Math.max(...day.trucks.map((truck) => truck.capacity));
    requireInRange('wet bin, at least one load', to.wetBin, largest, 1e6, 'bu');
  }
}
