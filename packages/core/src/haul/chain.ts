import { type Formula, quantity, requireInRange } from '../kernel/index.js';
import { type ChainLink, LINKS } from '../records/index.js';
import { CART_LEAST_ROOM, COMBINE_UNLOADS_PER_HOUR, STANDS_SHARE, TRUCK_FULL_AT } from './usual.js';

/** The chain as it stands now. Minutes of the day (17:24 is 1044), wet bushels, bushels an hour. */
export interface ChainNow {
  readonly now: number;
  /** When the day ends anyway. */
  readonly until: number;
  /** Standing in the field still. */
  readonly fieldLeft: number;
  readonly combines: readonly {
    readonly bushelsPerHour: number;
    readonly tank: number;
    readonly holds: number;
    /** Stands until then: a reported delay. */ readonly stoppedUntil?: number;
  }[];
  readonly carts: readonly { readonly capacity: number; readonly holds: number; readonly stoppedUntil?: number }[];
  /** A truck in the field, on its way out (at: in line there), or on its way back (at: in the field again). */
  readonly trucks: readonly {
    readonly id: string;
    readonly capacity: number;
    readonly holds: number;
    readonly where: 'field' | 'out' | 'back';
    readonly at?: number;
  }[];
  readonly loadMin: number;
  /** One way of a cart between combine and truck; 0 or left out: it stands beside both. */
  readonly cartDriveMin?: number;
  readonly tarpMin: number;
  readonly roadMin: number;
  readonly backMin: number;
  readonly unloadMin: number;
  readonly destination:
    | {
        readonly kind: 'elevator';
        readonly opens: number;
        readonly closes: number;
        /** What a truck waits for others there. */ readonly lineMin: number;
      }
    | {
        readonly kind: 'home';
        readonly wetBin: number;
        readonly wetBinHolds: number;
        readonly dryerPerHour: number;
        readonly dryerStoppedUntil?: number;
        /** Room behind the dryer. */
        readonly binRoom: number;
      };
}

export interface ChainStop {
  readonly link: ChainLink;
  /** Minute of the day. */
  readonly at: number;
}

/** What somebody could change: a truck or a cart more, a line a quarter of an hour shorter, the buyer open an hour longer, a dryer a tenth faster or running again, cutting a tenth slower, loads to another place. */
export const LEVERS = [
  'truckMore',
  'cartMore',
  'shorterLine',
  'openLonger',
  'fasterDryer',
  'dryerRuns',
  'cutSlower',
  'elsewhere',
] as const;

export interface ChainLever {
  readonly what: (typeof LEVERS)[number];
  /** Which place, where the loads go elsewhere. */
  readonly to?: string;
  /** When a combine first stands full then; null when none does. */
  readonly stopsAt: number | null;
  /** More grain cut until the day ends, bu; below zero where it costs some. */
  readonly gain: number;
  /** When the field is cut then, minute of the day; null where the day ends first. */
  readonly doneAt: number | null;
  /** Minutes of standing less for each combine in the mean; below zero where it stands longer. */
  readonly lessStanding: number;
}

/** Another place for the day's loads, with its own road, line and hours. */
export type Elsewhere = Pick<ChainNow, 'destination' | 'roadMin' | 'backMin' | 'unloadMin'> & { readonly name: string };

export interface ChainStops {
  /** When each link first stops, in order of time; a link that runs through is not in it. */
  readonly stops: readonly ChainStop[];
  /**
   * When a combine first stands full, which link made it, for how many minutes each stands in the mean, and what they would have cut
   * meanwhile (bu, of what stands in the field). Null when none does, or less than {@link STANDS_SHARE} of the time.
   */
  readonly combineStands: {
    readonly at: number;
    readonly because: ChainLink;
    readonly minutes: number;
    readonly lostBushels: number;
  } | null;
  readonly cut: number;
  /** When the field is cut, minute of the day; null where the day ends first. */
  readonly doneAt: number | null;
  readonly onWheels: number;
  /** bu unloaded at the destination until the day ends; with what is on wheels it is all that was held and cut. */
  readonly delivered: number;
  /** Minutes of the longest wait of an own truck in line. */
  readonly longestLine: number;
}

export interface ChainAhead extends ChainStops {
  /** What would move it, most grain first, then the soonest done; those that change nothing are left out. */
  readonly levers: readonly ChainLever[];
}

export const CHAIN_AHEAD: Formula = {
  id: 'chain-ahead',
  title: 'What stops first',
  equation:
    'minute by minute from what is known now: cut, tank, cart, truck, road, line, pit, wet bin, dryer, bins; each at its usual time',
  standing: 'computed',
  source: 'Checked against hand-worked chains; without scatter, so a look ahead of hours, no promise',
  inputs: [quantity('minute of the day', 0, 4320, 'min'), quantity('bushels', 0, 1e6, 'bu')],
  note: 'A truck that cannot be in line by closing does not leave. A line of 20 minutes counts as a stop of the line. The levers are the same chain with one thing changed.',
};

/** From here on drivers call a line a line; common practice, no source. */
const LONG_LINE = 20;
/** Less than this is rounding, no standing still. */
const CRUMB = 0.5;

interface Truck {
  readonly id: string;
  readonly capacity: number;
  holds: number;
  state: 'field' | 'out' | 'waits' | 'unloading' | 'back' | 'held';
  at: number;
}

interface Cart {
  holds: number;
  state: 'combine' | 'to trucks' | 'trucks' | 'to combine';
  at: number;
}

interface Run {
  readonly first: Map<ChainLink, number>;
  readonly cut: number;
  readonly stands: { at: number; because: ChainLink; minutes: number } | null;
  /** What the combines would have cut standing nowhere, bu. */
  readonly couldCut: number;
  readonly onWheels: number;
  readonly delivered: number;
  readonly longestLine: number;
}

function check(chain: ChainNow): void {
  const minute = (name: string, value: number): number => requireInRange(name, value, 0, 4320, 'min of the day');
  const bu = (name: string, value: number): number => requireInRange(name, value, 0, 1e6, 'bu');
  minute('now', chain.now);
  requireInRange('end of the day', chain.until, chain.now, 4320, 'min of the day');
  bu('grain standing in the field', chain.fieldLeft);
  requireInRange('combines', chain.combines.length, 1, 40, '');
  requireInRange('carts', chain.carts.length, 0, 40, '');
  requireInRange('trucks', chain.trucks.length, 0, 40, '');
  for (const { bushelsPerHour, tank, holds, stoppedUntil } of chain.combines) {
    requireInRange('combine rate', bushelsPerHour, 0, 50_000, 'bu/h');
    bu('tank', tank);
    bu('grain in the tank', holds);
    minute('end of a delay', stoppedUntil ?? 0);
  }
  for (const { capacity, holds, stoppedUntil } of chain.carts) {
    bu('cart', capacity);
    bu('grain in the cart', holds);
    minute('end of a delay', stoppedUntil ?? 0);
  }
  for (const { capacity, holds, at } of chain.trucks) {
    requireInRange('truck', capacity, 1, 1e6, 'bu');
    bu('grain on the truck', holds);
    minute('time of a truck', at ?? 0);
  }
  for (const [name, value] of [
    ['loading', chain.loadMin],
    ['drive of a cart', chain.cartDriveMin ?? 0],
    ['tarping', chain.tarpMin],
    ['road', chain.roadMin],
    ['way back', chain.backMin],
    ['unloading', chain.unloadMin],
  ] as const)
    requireInRange(name, value, 0, 1440, 'min');
  const to = chain.destination;
  if (to.kind === 'elevator') {
    minute('opening', to.opens);
    requireInRange('closing', to.closes, to.opens, 4320, 'min of the day');
    requireInRange('line', to.lineMin, 0, 1440, 'min');
  } else {
    bu('wet bin', to.wetBin);
    requireInRange('grain in the wet bin', to.wetBinHolds, 0, Math.max(to.wetBin, to.wetBinHolds), 'bu');
    requireInRange('grain in the wet bin', to.wetBinHolds, 0, 1e6, 'bu');
    requireInRange('dryer', to.dryerPerHour, 0, 50_000, 'bu/h');
    minute('end of a delay', to.dryerStoppedUntil ?? 0);
    bu('room in the bins', to.binRoom);
  }
}

/** Places in a list, in order again, equal ones as they stand in it: they nearly are already, and a day asks a thousand times. */
function settled(order: number[], by: (a: number, b: number) => number): readonly number[] {
  for (let i = 1; i < order.length; i++) {
    const moved = order[i]!;
    let to = i;
    for (; to > 0; to--) {
      const before = order[to - 1]!;
      const apart = by(before, moved);
      if (apart < 0 || (apart === 0 && before < moved)) break;
      order[to] = before;
    }
    order[to] = moved;
  }
  return order;
}

function run(chain: ChainNow, minuteBy?: (cut: number) => void): Run {
  const { destination: to } = chain;
  const first = new Map<ChainLink, number>();
  const mark = (link: ChainLink, at: number): void => {
    if (!first.has(link)) first.set(link, at);
  };
  let field = chain.fieldLeft;
  const tanks = chain.combines.map(({ holds }) => holds);
  const drive = chain.cartDriveMin ?? 0;
  const leastRoom = drive > 0 ? CART_LEAST_ROOM * Math.max(...chain.combines.map(({ tank }) => tank)) : 0;
  const carts = chain.carts.map(({ holds, capacity }): Cart => ({
    holds,
    state: capacity - holds < Math.max(leastRoom, CRUMB) ? 'trucks' : 'combine',
    at: chain.now,
  }));
  let stoodField = chain.fieldLeft;
  let couldCut = 0;
  const trucks: Truck[] = chain.trucks.map(({ id, capacity, holds, where, at }) => ({
    id,
    capacity,
    holds,
    state: where,
    at: at ?? chain.now,
  }));
  // In order from minute to minute: little changes in one.
  const byTime = trucks.map((_, i) => i);
  const soonest = (a: number, b: number): number => trucks[a]!.at - trucks[b]!.at;
  const byTank = tanks.map((_, i) => i);
  const fullestTank = (a: number, b: number): number => tanks[b]! - tanks[a]!;
  const byLoad = trucks.map((_, i) => i);
  const fullestTruck = (a: number, b: number): number => trucks[b]!.holds - trucks[a]!.holds;
  let pitFree = chain.now;
  let [wet, binRoom] = to.kind === 'home' ? [to.wetBinHolds, to.binRoom] : [0, Infinity];
  let [cut, standing, longestLine, delivered] = [0, 0, 0, 0];
  let stands: Run['stands'] = null;
  const minutes = Math.floor(chain.until - chain.now);
  for (let step = 0; step < minutes; step++) {
    const now = chain.now + step;
    // Trucks first: what comes back now can take grain now.
    for (const i of settled(byTime, soonest)) {
      const truck = trucks[i]!;
      if (truck.state === 'back' && truck.at <= now) truck.state = 'field';
      if (truck.state === 'out' && truck.at <= now) truck.state = 'waits';
      if (truck.state === 'waits') {
        if (to.kind === 'elevator') {
          // In line by closing, or the load stays on wheels.
          if (truck.at > to.closes) {
            truck.state = 'held';
            mark('hours', now);
            continue;
          }
          const start = Math.max(truck.at + to.lineMin, pitFree, to.opens);
          longestLine = Math.max(longestLine, start - truck.at);
          if (start - truck.at >= LONG_LINE) mark('line', truck.at);
          if (pitFree > truck.at + to.lineMin) mark('pit', truck.at);
          pitFree = start + chain.unloadMin;
        } else {
          const waited = now - truck.at;
          longestLine = Math.max(longestLine, waited);
          if (to.wetBin - wet < Math.min(truck.holds, to.wetBin) - CRUMB) {
            mark('wet bin', now);
            if (waited >= LONG_LINE) mark('line', truck.at);
            continue;
          }
          if (pitFree > now) {
            mark('pit', truck.at);
            continue;
          }
          pitFree = now + chain.unloadMin;
          wet += truck.holds;
        }
        truck.state = 'unloading';
        truck.at = pitFree;
        continue;
      }
      if (truck.state === 'unloading' && truck.at <= now) {
        delivered += truck.holds;
        truck.holds = 0;
        truck.state = 'back';
        truck.at = truck.at + chain.backMin;
        if (truck.at <= now) truck.state = 'field';
      }
    }
    if (to.kind === 'home') {
      const runs = (to.dryerStoppedUntil ?? 0) <= now;
      if (!runs && wet > CRUMB) mark('dryer', now);
      const dried = runs ? Math.min(wet, to.dryerPerHour / 60, binRoom) : 0;
      wet -= dried;
      binRoom -= dried;
      if (binRoom <= CRUMB && wet > CRUMB) mark('bin room', now);
    }
    for (const cart of carts) {
      if (cart.at > now) continue;
      if (cart.state === 'to trucks') cart.state = 'trucks';
      if (cart.state === 'to combine') cart.state = 'combine';
    }
    // Grain runs from the tank on: carts take it from the combines, trucks from the carts.
    chain.combines.forEach((combine, i) => {
      if ((combine.stoppedUntil ?? 0) > now) return;
      const wanted = combine.bushelsPerHour / 60;
      const could = Math.min(wanted, stoodField);
      stoodField -= could;
      couldCut += could;
      const gets = Math.min(wanted, field);
      const room = combine.tank - tanks[i]! + roomBehind(now);
      const takes = Math.max(0, Math.min(gets, room));
      tanks[i]! += takes;
      field -= takes;
      cut += takes;
      if (gets < wanted && field <= CRUMB) mark('field', now);
      if (gets > 0 && takes < gets - 1e-6) {
        standing += 1 - takes / gets;
        mark('combine', now);
        stands ??= { at: now, because: cause(now), minutes: 0 };
      }
    });
    unloadTanks(now);
    loadTrucks(now);
    if (drive > 0) driveCarts(now);
    else unloadTanks(now);
    const noTruck = !trucks.some((truck) => truck.state === 'field');
    const full =
      carts.length > 0 &&
      carts.every(
        (cart, i) =>
          chain.carts[i]!.capacity - cart.holds < CRUMB ||
          (drive > 0 && noTruck && cart.state === 'trucks' && chain.carts[i]!.capacity - cart.holds < leastRoom),
      );
    if (full) mark('cart', now);
    if (
      chain.trucks.length > 0 &&
      noTruck &&
      carts.some((cart, i) => (drive === 0 || cart.state === 'trucks') && cart.holds > 0.85 * chain.carts[i]!.capacity)
    )
      mark('trucks', now);
    minuteBy?.(cut);
  }
  const onWheels = [...tanks, ...carts.map((cart) => cart.holds), ...trucks.map((truck) => truck.holds)].reduce(
    (sum, holds) => sum + holds,
    0,
  );
  const stood = standing / chain.combines.length;
  if (stood < STANDS_SHARE * minutes) {
    stands = null;
    first.delete('combine');
  }
  return {
    first,
    cut,
    couldCut,
    stands: stands && { ...(stands as NonNullable<Run['stands']>), minutes: stood },
    onWheels,
    delivered,
    longestLine,
  };

  /** What the combines can unload in this minute while they cut. */
  function roomBehind(now: number): number {
    // The cart takes it as it comes: what it can hold counts, but not what a truck will take from it later.
    let room = 0;
    if (carts.length === 0) {
      for (const truck of trucks) if (truck.state === 'field') room = room + truck.capacity - truck.holds;
    } else for (let i = 0; i < carts.length; i++) room += takesNow(carts[i]!, i, now);
    return room;
  }

  /** What a cart takes from the combines in this minute. */
  function takesNow(cart: Cart, i: number, now: number): number {
    if ((chain.carts[i]!.stoppedUntil ?? 0) > now || (drive > 0 && cart.state !== 'combine')) return 0;
    const room = chain.carts[i]!.capacity - cart.holds;
    return Math.max(0, drive > 0 ? Math.min(room, COMBINE_UNLOADS_PER_HOUR / 60) : room);
  }

  function unloadTanks(now: number): void {
    carts.forEach((cart, c) => {
      let may = takesNow(cart, c, now);
      // The fullest tank first.
      for (const i of settled(byTank, fullestTank)) {
        const takes = Math.min(tanks[i]!, may);
        tanks[i]! -= takes;
        cart.holds += takes;
        may -= takes;
      }
    });
  }

  /** A cart that has no room for half a tank, or the last grain on, drives to the trucks; one that is empty back to the combines. */
  function driveCarts(now: number): void {
    const last = field <= CRUMB && tanks.every((holds) => holds < CRUMB);
    carts.forEach((cart, i) => {
      if ((chain.carts[i]!.stoppedUntil ?? 0) > now) return;
      const room = chain.carts[i]!.capacity - cart.holds;
      if (cart.state === 'combine' && cart.holds > CRUMB && (room < leastRoom || last)) {
        cart.state = 'to trucks';
        cart.at = now + drive;
      } else if (cart.state === 'trucks' && cart.holds <= CRUMB) {
        cart.state = 'to combine';
        cart.at = now + drive;
      }
    });
  }

  function loadTrucks(now: number): void {
    // Each truck of the field is loaded in turn, the fullest first; a truck that could not be in line by closing stays.
    if (!trucks.some((truck) => truck.state === 'field')) return;
    const busy = new Set<number>();
    for (const at of settled(byLoad, fullestTruck)) {
      const truck = trucks[at]!;
      if (truck.state !== 'field') continue;
      let may = chain.loadMin > 0 ? truck.capacity / chain.loadMin : truck.capacity;
      const give = (holds: number): number => {
        const takes = Math.max(0, Math.min(holds, truck.capacity - truck.holds, may));
        truck.holds += takes;
        may -= takes;
        return takes;
      };
      if (carts.length === 0)
        tanks.forEach((holds, i) => {
          tanks[i]! -= give(holds);
        });
      else
        carts.forEach((cart, i) => {
          if (drive > 0 && (cart.state !== 'trucks' || busy.has(i))) return;
          const takes = give(cart.holds);
          cart.holds -= takes;
          // One auger, one truck at a time.
          if (takes > 0) busy.add(i);
        });
      const noMore =
        field <= CRUMB &&
        tanks.every((holds) => holds < CRUMB) &&
        carts.every((cart) => cart.holds < CRUMB) &&
        truck.holds > CRUMB;
      if (truck.holds < TRUCK_FULL_AT * truck.capacity && !noMore) continue;
      const arrives = now + 1 + chain.tarpMin + chain.roadMin;
      if (to.kind === 'elevator' && arrives > to.closes) {
        truck.state = 'held';
        mark('hours', now);
        continue;
      }
      truck.state = 'out';
      truck.at = arrives;
    }
  }

  /** Which link holds the grain back when a combine stands: the farthest one down the way that does. */
  function cause(now: number): ChainLink {
    if (to.kind === 'home' && trucks.some((truck) => truck.state === 'waits')) {
      if (binRoom <= CRUMB) return 'bin room';
      if ((to.dryerStoppedUntil ?? 0) > now) return 'dryer';
      // Once the wet bin turned a load away, what waits waits for the dryer behind it, though a load fits now and then.
      return first.has('wet bin') ? 'wet bin' : 'pit';
    }
    if (trucks.some((truck) => truck.state === 'held')) return 'hours';
    if (to.kind === 'elevator' && trucks.some((truck) => truck.state === 'unloading') && longestLine >= LONG_LINE)
      return 'line';
    return trucks.some((truck) => truck.state === 'field' && truck.holds < TRUCK_FULL_AT * truck.capacity)
      ? 'cart'
      : 'trucks';
  }
}

/**
 * Hours of the combines' own cutting that the chain lets through until each minute from now on, 0 first: where nothing holds them back it is the
 * clock's. Whatever field they are in then. Range and source: {@link CHAIN_AHEAD}.
 * @throws RangeRefusal where a time or a quantity cannot be
 */
export function cuttingHours(chain: ChainNow): number[] {
  check(chain);
  const rate = chain.combines.reduce((sum, { bushelsPerHour }) => sum + bushelsPerHour, 0);
  const hours = [0];
  run({ ...chain, fieldLeft: 1e6 }, (cut) => hours.push(rate > 0 ? cut / rate : 0));
  return hours;
}

const doneAt = (one: Run): number | null => one.first.get('field') ?? null;

/**
 * Which link of the chain stops when, if all goes on as it stands.
 * Range and source: {@link CHAIN_AHEAD}.
 * @throws RangeRefusal where a time or a quantity cannot be
 */
export function chainStops(chain: ChainNow): ChainStops {
  check(chain);
  return stopsOf(run(chain));
}

const stopsOf = (base: Run): ChainStops => ({
  stops: [...base.first]
    .map(([link, at]) => ({ link, at }))
    .sort((a, b) => a.at - b.at || LINKS.indexOf(b.link) - LINKS.indexOf(a.link)),
  combineStands: base.stands && { ...base.stands, lostBushels: Math.max(0, base.couldCut - base.cut) },
  cut: base.cut,
  doneAt: doneAt(base),
  onWheels: base.onWheels,
  delivered: base.delivered,
  longestLine: base.longestLine,
});

/**
 * Which link of the chain stops when, if all goes on as it stands, and what would move it.
 * @param elsewhere other places that take these loads: each is a lever too
 * Range and source: {@link CHAIN_AHEAD}.
 * @throws RangeRefusal where a time or a quantity cannot be
 */
export function chainAhead(chain: ChainNow, elsewhere: readonly Elsewhere[] = []): ChainAhead {
  check(chain);
  const base = run(chain);
  const standing = (one: Run): number => one.stands?.minutes ?? 0;
  const { destination: to } = chain;
  const levers: ChainLever[] = [];
  const pull = (what: ChainLever['what'], changed: ChainNow, place?: string): void => {
    const then = run(changed);
    const gain = then.cut - base.cut;
    const stopsAt = then.stands?.at ?? null;
    const lessStanding = standing(base) - standing(then);
    const moves =
      Math.abs(gain) >= 1 ||
      stopsAt !== (base.stands?.at ?? null) ||
      doneAt(then) !== doneAt(base) ||
      Math.abs(lessStanding) >= 1;
    if (moves)
      levers.push({
        what,
        ...(place === undefined ? {} : { to: place }),
        stopsAt,
        gain,
        doneAt: doneAt(then),
        lessStanding,
      });
  };
  const mean = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0) / values.length;
  if (base.stands) {
    if (chain.trucks.length > 0)
      pull('truckMore', {
        ...chain,
        trucks: [
          ...chain.trucks,
          { id: 'one more', capacity: mean(chain.trucks.map((t) => t.capacity)), holds: 0, where: 'field' },
        ],
      });
    if (chain.carts.length > 0)
      pull('cartMore', {
        ...chain,
        carts: [...chain.carts, { capacity: mean(chain.carts.map((c) => c.capacity)), holds: 0 }],
      });
    if (to.kind === 'elevator') {
      if (to.lineMin > 0)
        pull('shorterLine', { ...chain, destination: { ...to, lineMin: Math.max(0, to.lineMin - 15) } });
      pull('openLonger', { ...chain, destination: { ...to, closes: to.closes + 60 } });
    } else {
      if (to.dryerStoppedUntil !== undefined && to.dryerStoppedUntil > chain.now) {
        const { dryerStoppedUntil: _, ...running } = to;
        pull('dryerRuns', { ...chain, destination: running });
      }
      pull('fasterDryer', { ...chain, destination: { ...to, dryerPerHour: 1.1 * to.dryerPerHour } });
    }
    for (const { name, ...there } of elsewhere) {
      const moved = { ...chain, ...there };
      check(moved);
      pull('elsewhere', moved, name);
    }
    pull('cutSlower', {
      ...chain,
      combines: chain.combines.map((combine) => ({ ...combine, bushelsPerHour: 0.9 * combine.bushelsPerHour })),
    });
  }
  return {
    ...stopsOf(base),
    levers: levers.sort(
      (a, b) =>
        Math.round(b.gain) - Math.round(a.gain) ||
        (a.doneAt ?? 1e4) - (b.doneAt ?? 1e4) ||
        b.lessStanding - a.lessStanding,
    ),
  };
}
