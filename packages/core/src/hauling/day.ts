import { duration, exponential, type Formula, quantity, type Random, requireInRange, seededRandom, within } from '../kernel/index.js';

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
  readonly carts: readonly { readonly capacity: number; readonly unloadPerHour: number; /** One way between combine and truck. */ readonly drive: Minutes }[];
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
    | { readonly kind: 'home'; readonly dump: Minutes; readonly legPerHour: number; readonly wetBin: number; readonly wetBinHolds: number; readonly dryerPerHour: number };
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
  readonly bushelsPerHour: { readonly mean: number; readonly standardError: number; readonly low: number; readonly high: number };
  readonly deliveredBushels: number;
  /** Loads taken at the destination. */
  readonly loads: number;
  /** Grain in tanks, carts and trucks when the day is over: it stays overnight. */
  readonly onWheels: number;
  readonly overnight: GrainStanding;
  /** When the elevator takes no truck any more; at home when the combines stop. */
  readonly atClose: GrainStanding;
  /** Hours a day: combine standing full, cart waiting for a truck, truck waiting in the field, truck in line (each: per machine). */
  readonly waits: { readonly combine: number; readonly cart: number; readonly truckInField: number; readonly truckInLine: number };
  /** Minutes that one truck waits in line, on average; and the other farms'. */
  readonly lineMinutes: number;
  readonly othersLineMinutes: number;
  /** Hour of the day when a combine first stands full, median over the days on which one does; share of such days. */
  readonly firstStop: { readonly hour: number | null; readonly share: number };
  /** What holds the chain back, by where combines' standing time came from. */
  readonly heldBackBy: 'nothing: the combine sets the pace' | 'carts' | 'trucks on the road' | 'the line' | 'wet bin and dryer' | 'closing hour';
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

/** A combine calls when its tank is this full, so that the cart is there before it is full. */
const CALL_AT = 0.6;
/** A truck with less room than this share of its size leaves. */
const FULL_AT = 0.95;
const EPSILON = 1e-9;

// Kinds of events.
const CALL = 0;
const FULL = 1;
const CART_AT_COMBINE = 2;
const MOVED_TO_CART = 3;
const CART_AT_TRUCK = 4;
const TRUCK_LOADED = 5;
const ARRIVES = 6;
const UNLOADED = 7;
const BACK = 8;
const OTHER = 9;
const STOP = 10;
const LOOK = 11;
const OPENS = 12;
const CLOSES = 13;

/** Events by time, then by order of making. A binary heap in flat arrays: a thousand days are some million events. */
class Agenda {
  private times = new Float64Array(256);
  private orders = new Float64Array(256);
  private kinds = new Int32Array(256);
  private whos = new Int32Array(256);
  private versions = new Int32Array(256);
  private size = 0;
  private made = 0;
  time = 0;
  kind = 0;
  who = 0;
  version = 0;

  clear(): void {
    this.size = 0;
    this.made = 0;
  }

  add(time: number, kind: number, who: number, version = 0): void {
    if (this.size === this.times.length) this.grow();
    let i = this.size++;
    const order = this.made++;
    while (i > 0) {
      const up = (i - 1) >> 1;
      if (this.times[up]! < time || (this.times[up]! === time && this.orders[up]! < order)) break;
      this.copy(up, i);
      i = up;
    }
    this.put(i, time, order, kind, who, version);
  }

  /** Takes the next event into `time`, `kind`, `who`, `version`; false when there is none. */
  next(): boolean {
    if (this.size === 0) return false;
    this.time = this.times[0]!;
    this.kind = this.kinds[0]!;
    this.who = this.whos[0]!;
    this.version = this.versions[0]!;
    const n = --this.size;
    if (n > 0) {
      const [time, order, kind, who, version] = [this.times[n]!, this.orders[n]!, this.kinds[n]!, this.whos[n]!, this.versions[n]!];
      let i = 0;
      for (;;) {
        let child = 2 * i + 1;
        if (child >= n) break;
        if (child + 1 < n && this.before(child + 1, child)) child++;
        if (time < this.times[child]! || (time === this.times[child]! && order < this.orders[child]!)) break;
        this.copy(child, i);
        i = child;
      }
      this.put(i, time, order, kind, who, version);
    }
    return true;
  }

  private before(a: number, b: number): boolean {
    return this.times[a]! < this.times[b]! || (this.times[a]! === this.times[b]! && this.orders[a]! < this.orders[b]!);
  }
  private copy(from: number, to: number): void {
    this.put(to, this.times[from]!, this.orders[from]!, this.kinds[from]!, this.whos[from]!, this.versions[from]!);
  }
  private put(i: number, time: number, order: number, kind: number, who: number, version: number): void {
    this.times[i] = time;
    this.orders[i] = order;
    this.kinds[i] = kind;
    this.whos[i] = who;
    this.versions[i] = version;
  }
  private grow(): void {
    const more = <A extends Float64Array | Int32Array>(old: A, made: A): A => (made.set(old), made);
    const n = this.times.length * 2;
    this.times = more(this.times, new Float64Array(n));
    this.orders = more(this.orders, new Float64Array(n));
    this.kinds = more(this.kinds, new Int32Array(n));
    this.whos = more(this.whos, new Int32Array(n));
    this.versions = more(this.versions, new Int32Array(n));
  }
}

interface Combine {
  level: number;
  since: number;
  cutting: boolean;
  /** bu/min now */
  rate: number;
  called: boolean;
  moving: boolean;
  waitingSince: number;
  /** What the clock of waiting carts showed then. */
  waitMark: number;
  version: number;
}
interface Cart {
  level: number;
  /** idle in the field; busy; at the trucks since `waitingSince` */
  state: 'idle' | 'busy' | 'waiting';
  target: number;
  amount: number;
  waitingSince: number;
  /** A combine that drives to the truck itself: index of the combine, else -1. */
  readonly self: number;
}
interface Truck {
  level: number;
  state: 'field' | 'loading' | 'away' | 'held';
  since: number;
  amount: number;
}

/** Everything that one day counts. */
interface Tally {
  cut: number;
  delivered: number;
  loads: number;
  combineWait: number;
  waitForCart: number;
  waitForTruck: number;
  waitAfterClose: number;
  cartWait: number;
  fieldWait: number;
  lineWait: number;
  lineCount: number;
  otherWait: number;
  otherCount: number;
  firstStop: number;
  roadTime: number;
}

const emptyTally = (): Tally => ({
  cut: 0,
  delivered: 0,
  loads: 0,
  combineWait: 0,
  waitForCart: 0,
  waitForTruck: 0,
  waitAfterClose: 0,
  cartWait: 0,
  fieldWait: 0,
  lineWait: 0,
  lineCount: 0,
  otherWait: 0,
  otherCount: 0,
  firstStop: Infinity,
  roadTime: 0,
});

function check(day: HaulingDay): void {
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
    requireInRange('unloading rate, faster than cutting', combine.unloadPerHour, combine.bushelsPerHour * 1.01, 1e6, 'bu/h');
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

const NOTHING: GrainStanding = { tanks: 0, carts: 0, trucks: 0, wetBin: 0 };

/** One day from start to the last event. Minutes from the start of the day. */
class DayRun {
  private readonly agenda: Agenda;
  private readonly random: Random;
  private readonly tally = emptyTally();
  private readonly end: number;
  private readonly opens: number;
  private readonly closes: number;
  private readonly combines: Combine[];
  private readonly carts: Cart[];
  private readonly trucks: Truck[];
  private readonly calls: number[] = [];
  private readonly cartsAtTruck: number[] = [];
  private cartClock = 0;
  private cartClockAt = 0;
  /** Trucks in line by index, other farms' as -1, and since when. */
  private readonly line: { who: number; since: number }[] = [];
  private lineHead = 0;
  private pitsFree: number;
  private wet: number;
  private wetSince = 0;
  private looking = false;
  private over = false;
  private readonly leastRoom: number;
  atClose: GrainStanding = NOTHING;

  constructor(
    private readonly day: HaulingDay,
    agenda: Agenda,
    random: Random,
  ) {
    this.agenda = agenda;
    agenda.clear();
    this.random = random;
    this.end = (day.stopHour - day.startHour) * 60;
    const to = day.destination;
    this.opens = to.kind === 'elevator' ? (to.opens - day.startHour) * 60 : -Infinity;
    this.closes = to.kind === 'elevator' ? (to.closes - day.startHour) * 60 : Infinity;
    this.pitsFree = to.kind === 'elevator' ? to.pits : 1;
    this.wet = to.kind === 'home' ? to.wetBinHolds : 0;
    this.combines = day.combines.map(() => ({ level: 0, since: 0, cutting: false, rate: 0, called: false, moving: false, waitingSince: -1, waitMark: 0, version: 0 }));
    this.carts =
      day.carts.length > 0
        ? day.carts.map(() => ({ level: 0, state: 'idle' as const, target: -1, amount: 0, waitingSince: 0, self: -1 }))
        : day.combines.map((_, self) => ({ level: 0, state: 'idle' as const, target: self, amount: 0, waitingSince: 0, self }));
    this.trucks = day.trucks.map(() => ({ level: 0, state: 'field' as const, since: 0, amount: 0 }));
    this.leastRoom = 0.5 * Math.max(...day.combines.map((combine) => combine.tank));
  }

  run(): Tally {
    const { agenda } = this;
    for (let i = 0; i < this.combines.length; i++) this.cut(i, 0);
    agenda.add(this.end, STOP, 0);
    const to = this.day.destination;
    if (to.kind === 'elevator' && to.othersPerHour > 0) agenda.add(Math.max(0, this.opens) + exponential(this.random, 60 / to.othersPerHour), OTHER, 0);
    if (this.opens > 0) agenda.add(this.opens, OPENS, 0);
    agenda.add(Math.max(0, to.kind === 'elevator' ? this.closes : this.end), CLOSES, 0);
    while (agenda.next()) this.happen(agenda.time, agenda.kind, agenda.who, agenda.version);
    return this.tally;
  }

  /** Grain that no destination has taken. A cart that is a combine driving itself holds nothing of its own. */
  standing(now: number): GrainStanding {
    const sum = (holders: readonly { readonly level: number }[]): number => holders.reduce((total, holder) => total + holder.level, 0);
    // Looked at between two events, and not touched: what was cut since the last one is in the tanks too.
    const tanks = this.combines.map((combine, i) => {
      const grown = combine.cutting ? combine.rate * Math.max(0, Math.min(now, this.end) - combine.since) : 0;
      return { level: combine.moving ? combine.level + grown : Math.min(this.day.combines[i]!.tank, combine.level + grown) };
    });
    const to = this.day.destination;
    const wetBin = to.kind === 'home' ? Math.max(0, this.wet - ((now - this.wetSince) * to.dryerPerHour) / 60) : 0;
    return { tanks: sum(tanks), carts: sum(this.carts), trucks: sum(this.trucks), wetBin };
  }

  private happen(now: number, kind: number, who: number, version: number): void {
    switch (kind) {
      case CALL: {
        const combine = this.combines[who]!;
        if (version !== combine.version || combine.called || combine.moving) return;
        combine.called = true;
        this.calls.push(who);
        return this.dispatch(now);
      }
      case FULL: {
        const combine = this.combines[who]!;
        if (version !== combine.version) return;
        this.advance(who, now);
        combine.cutting = false;
        this.stands(combine, now);
        return;
      }
      case CART_AT_COMBINE:
        return this.moveToCart(who, now);
      case MOVED_TO_CART:
        return this.movedToCart(who, now);
      case CART_AT_TRUCK: {
        const cart = this.carts[who]!;
        cart.state = 'waiting';
        cart.waitingSince = now;
        this.tick(now);
        this.cartsAtTruck.push(who);
        return this.loadTrucks(now);
      }
      case TRUCK_LOADED:
        return this.truckLoaded(who, version, now);
      case ARRIVES: {
        const truck = this.trucks[who]!;
        if (now > this.closes + EPSILON) {
          truck.state = 'held';
          return;
        }
        this.line.push({ who, since: now });
        return this.serve(now);
      }
      case OTHER: {
        if (now > this.closes) return;
        this.line.push({ who: -1, since: now });
        const to = this.day.destination;
        if (to.kind === 'elevator') this.agenda.add(now + exponential(this.random, 60 / to.othersPerHour), OTHER, 0);
        return this.serve(now);
      }
      case UNLOADED: {
        this.pitsFree++;
        if (who >= 0) {
          const truck = this.trucks[who]!;
          this.tally.delivered += truck.level;
          this.tally.loads++;
          truck.level = 0;
          const road = duration(this.random, this.day.road.back.mean, this.day.road.back.cv);
          this.tally.roadTime += road;
          this.agenda.add(now + road, BACK, who);
        }
        return this.serve(now);
      }
      case BACK: {
        const truck = this.trucks[who]!;
        truck.state = 'field';
        truck.since = now;
        return this.loadTrucks(now);
      }
      case STOP:
        return this.stop(now);
      case LOOK:
        this.looking = false;
        return this.serve(now);
      case OPENS:
        return this.serve(now);
      case CLOSES:
        this.atClose = this.standing(now);
        return;
    }
  }

  private advance(i: number, now: number): void {
    const combine = this.combines[i]!;
    if (combine.cutting) {
      const grown = Math.min(this.day.combines[i]!.tank - combine.level, combine.rate * (Math.min(now, this.end) - combine.since));
      if (grown > 0) {
        combine.level += grown;
        this.tally.cut += grown;
      }
    }
    combine.since = now;
  }

  /** Starts (or goes on) cutting, with a rate for the tank to come. */
  private cut(i: number, now: number): void {
    const combine = this.combines[i]!;
    const spec = this.day.combines[i]!;
    combine.version++;
    combine.since = now;
    combine.called = false;
    if (now >= this.end) {
      combine.cutting = false;
      if (combine.level > EPSILON) this.agenda.add(now, CALL, i, combine.version);
      return;
    }
    combine.cutting = true;
    // Never as fast as it unloads, or unloading on the go would not end.
    combine.rate = Math.min(duration(this.random, spec.bushelsPerHour, spec.rateCv ?? 0), spec.unloadPerHour * 0.99) / 60;
    const selfDriving = this.day.carts.length === 0;
    const callAt = selfDriving ? spec.tank : CALL_AT * spec.tank;
    this.agenda.add(now + Math.max(0, spec.tank - combine.level) / combine.rate, FULL, i, combine.version);
    this.agenda.add(now + Math.max(0, callAt - combine.level) / combine.rate, CALL, i, combine.version);
  }

  /** Sends idle carts to the combines that called, the one that called first first. */
  private dispatch(now: number): void {
    for (let k = 0; k < this.calls.length;) {
      const i = this.calls[k]!;
      const j = this.carts.findIndex((cart, at) => cart.state === 'idle' && (cart.self < 0 ? cart.level < this.day.carts[at]!.capacity - EPSILON : cart.self === i));
      if (j < 0) {
        k++;
        continue;
      }
      this.calls.splice(k, 1);
      const cart = this.carts[j]!;
      cart.state = 'busy';
      cart.target = i;
      if (cart.self >= 0) {
        // The combine itself drives to the trucks and stands there.
        this.combineStands(i, now);
        this.agenda.add(now, CART_AT_TRUCK, j);
      } else {
        const { drive } = this.day.carts[j]!;
        this.agenda.add(now + duration(this.random, drive.mean, drive.cv), CART_AT_COMBINE, j);
      }
    }
  }

  private combineStands(i: number, now: number): void {
    const combine = this.combines[i]!;
    this.advance(i, now);
    combine.cutting = false;
    combine.moving = true;
    combine.version++;
    if (combine.waitingSince < 0) this.stands(combine, now);
  }

  /** The clock that runs while at least one cart waits for a truck. */
  private tick(now: number): void {
    if (this.cartsAtTruck.length > 0) this.cartClock += now - this.cartClockAt;
    this.cartClockAt = now;
  }

  private stands(combine: Combine, now: number): void {
    this.tick(now);
    combine.waitingSince = now;
    combine.waitMark = this.cartClock;
  }

  /** A combine that stood full is standing no longer: whose fault was it? */
  private waited(i: number, now: number, cause: 'cart' | 'truck'): void {
    const combine = this.combines[i]!;
    if (combine.waitingSince < 0) return;
    const until = Math.min(now, this.end);
    const time = Math.max(0, until - combine.waitingSince);
    if (time > EPSILON) this.tally.firstStop = Math.min(this.tally.firstStop, combine.waitingSince);
    this.tally.combineWait += time;
    // While a cart stood at the trucks, trucks were what was missing, wherever the cart is by now.
    this.tick(now);
    const forTruck = cause === 'truck' ? time : Math.min(time, Math.max(0, this.cartClock - combine.waitMark));
    this.tally.waitForTruck += forTruck;
    this.tally.waitForCart += time - forTruck;
    if (combine.waitingSince + time > this.closes) this.tally.waitAfterClose += Math.min(time, combine.waitingSince + time - this.closes);
    combine.waitingSince = -1;
  }

  private moveToCart(j: number, now: number): void {
    const cart = this.carts[j]!;
    const i = cart.target;
    const combine = this.combines[i]!;
    const spec = this.day.combines[i]!;
    this.advance(i, now);
    this.waited(i, now, this.cartsAtTruck.length > 0 || this.carts.some((other) => other.state === 'waiting') ? 'truck' : 'cart');
    combine.moving = true;
    combine.version++;
    const unload = spec.unloadPerHour / 60;
    const room = this.day.carts[j]!.capacity - cart.level;
    const going = spec.onTheGo && now < this.end;
    if (going) combine.cutting = true;
    else combine.cutting = false;
    const rate = going ? combine.rate : 0;
    // On the go the grain cut meanwhile comes along: level u/(u - r).
    cart.amount = Math.min(room, (combine.level * unload) / (unload - rate));
    this.agenda.add(now + cart.amount / unload, MOVED_TO_CART, j);
  }

  private movedToCart(j: number, now: number): void {
    const cart = this.carts[j]!;
    const i = cart.target;
    const combine = this.combines[i]!;
    // The tank's level with what was cut and what left; the cap of a full tank must not bite here.
    if (combine.cutting) {
      const grown = combine.rate * (Math.min(now, this.end) - Math.min(combine.since, this.end));
      combine.level += grown;
      this.tally.cut += grown;
    }
    combine.since = now;
    const amount = Math.min(cart.amount, combine.level);
    combine.level -= amount;
    cart.level += amount;
    combine.moving = false;
    this.cut(i, now);
    const room = this.day.carts[j]!.capacity - cart.level;
    const more = this.calls.length > 0 || this.combines.some((other) => other.level > EPSILON);
    if (cart.level > EPSILON && (room < this.leastRoom || (now >= this.end && !more))) this.toTrucks(j, now);
    else cart.state = 'idle';
    this.dispatch(now);
    this.finish(now);
  }

  private toTrucks(j: number, now: number): void {
    const { drive } = this.day.carts[j]!;
    this.carts[j]!.state = 'busy';
    this.agenda.add(now + duration(this.random, drive.mean, drive.cv), CART_AT_TRUCK, j);
  }

  private levelOf(cart: Cart): number {
    return cart.self < 0 ? cart.level : this.combines[cart.self]!.level;
  }

  /** Carts at the trucks unload into those that stand there, the fullest truck first. */
  private loadTrucks(now: number): void {
    for (let k = 0; k < this.cartsAtTruck.length;) {
      const j = this.cartsAtTruck[k]!;
      let best = -1;
      for (let t = 0; t < this.trucks.length; t++) if (this.trucks[t]!.state === 'field' && (best < 0 || this.trucks[t]!.level > this.trucks[best]!.level)) best = t;
      if (best < 0) return;
      const cart = this.carts[j]!;
      const truck = this.trucks[best]!;
      this.tick(now);
      this.cartsAtTruck.splice(k, 1);
      const waited = Math.max(0, Math.min(now, this.end) - cart.waitingSince);
      this.tally.cartWait += waited;
      if (cart.self >= 0) this.waited(cart.self, now, 'truck');
      cart.state = 'busy';
      this.tally.fieldWait += Math.max(0, Math.min(now, this.end) - truck.since);
      truck.state = 'loading';
      truck.amount = Math.min(this.levelOf(cart), this.day.trucks[best]!.capacity - truck.level);
      const perHour = cart.self < 0 ? this.day.carts[j]!.unloadPerHour : this.day.combines[cart.self]!.unloadPerHour;
      this.agenda.add(now + (60 * truck.amount) / perHour, TRUCK_LOADED, best, j);
    }
  }

  private truckLoaded(t: number, j: number, now: number): void {
    const truck = this.trucks[t]!;
    const cart = this.carts[j]!;
    truck.level += truck.amount;
    if (cart.self < 0) cart.level -= truck.amount;
    else this.combines[cart.self]!.level -= truck.amount;
    truck.state = 'field';
    truck.since = now;
    if (truck.level >= FULL_AT * this.day.trucks[t]!.capacity) this.depart(t, now);
    if (this.levelOf(cart) > EPSILON) {
      cart.state = 'waiting';
      cart.waitingSince = now;
      if (cart.self >= 0) this.stands(this.combines[cart.self]!, now);
      this.tick(now);
      this.cartsAtTruck.unshift(j);
    } else {
      cart.state = 'idle';
      if (cart.self >= 0) {
        this.combines[cart.self]!.moving = false;
        this.combines[cart.self]!.waitingSince = -1;
        this.cut(cart.self, now);
      }
    }
    this.loadTrucks(now);
    this.dispatch(now);
    this.finish(now);
  }

  private depart(t: number, now: number): void {
    const truck = this.trucks[t]!;
    const { road } = this.day;
    const leaves = now + this.day.trucks[t]!.tarpMin;
    if (leaves + road.out.mean > this.closes) {
      truck.state = 'held';
      return;
    }
    truck.state = 'away';
    const out = duration(this.random, road.out.mean, road.out.cv);
    this.tally.roadTime += out;
    this.agenda.add(leaves + out, ARRIVES, t);
  }

  private wetNow(now: number): number {
    const to = this.day.destination;
    if (to.kind === 'home') this.wet = Math.max(0, this.wet - ((now - this.wetSince) * to.dryerPerHour) / 60);
    this.wetSince = now;
    return this.wet;
  }

  private serve(now: number): void {
    const to = this.day.destination;
    while (this.pitsFree > 0 && this.lineHead < this.line.length && now >= this.opens) {
      const { who, since } = this.line[this.lineHead]!;
      const load = who >= 0 ? this.trucks[who]!.level : 0;
      let service: number;
      if (to.kind === 'home') {
        const room = to.wetBin - this.wetNow(now);
        if (room < load - 1e-6) {
          // Looks again when the dryer has made room; without a dryer it never will.
          if (to.dryerPerHour > 0 && !this.looking) {
            this.looking = true;
            this.agenda.add(now + (60 * (load - room)) / to.dryerPerHour, LOOK, 0);
          }
          return;
        }
        this.wet += load;
        service = duration(this.random, to.dump.mean, to.dump.cv) + (60 * load) / to.legPerHour;
      } else service = duration(this.random, to.unload.mean, to.unload.cv);
      this.lineHead++;
      this.pitsFree--;
      if (who >= 0) {
        this.tally.lineWait += now - since;
        this.tally.lineCount++;
      } else {
        this.tally.otherWait += now - since;
        this.tally.otherCount++;
      }
      this.agenda.add(now + service, UNLOADED, who);
    }
  }

  private stop(now: number): void {
    this.over = true;
    for (let i = 0; i < this.combines.length; i++) {
      const combine = this.combines[i]!;
      if (combine.moving) continue;
      this.advance(i, now);
      combine.cutting = false;
      if (combine.waitingSince >= 0) this.waited(i, now, this.cartsAtTruck.length > 0 ? 'truck' : 'cart');
      if (combine.level > EPSILON && !combine.called) {
        combine.version++;
        this.agenda.add(now, CALL, i, combine.version);
      }
    }
    for (const j of this.cartsAtTruck) this.tally.cartWait += Math.max(0, now - this.carts[j]!.waitingSince);
    for (const truck of this.trucks) if (truck.state === 'field') this.tally.fieldWait += Math.max(0, now - truck.since);
    this.finish(now);
  }

  /** After the end: what lies in carts goes to the trucks, and trucks with grain leave once nothing more can come. */
  private finish(now: number): void {
    if (!this.over || now < this.end) return;
    const coming = this.combines.some((combine) => combine.level > EPSILON || combine.moving);
    if (!coming) for (let j = 0; j < this.carts.length; j++) if (this.carts[j]!.state === 'idle' && this.carts[j]!.level > EPSILON) this.toTrucks(j, now);
    const carried = this.carts.some((cart) => cart.state !== 'idle' || cart.level > EPSILON);
    if (!coming && !carried) for (let t = 0; t < this.trucks.length; t++) if (this.trucks[t]!.state === 'field' && this.trucks[t]!.level > EPSILON) this.depart(t, now);
  }
}

/**
 * Runs a day many times over.
 * Range and source: {@link HAULING_DAY}.
 * @param replications 1 to 100,000 @param seed whole number; each replication has its own stream from it
 * @throws RangeRefusal naming the machine's figure that cannot be
 */
export function simulateHauling(day: HaulingDay, replications: number, seed: number): HaulingResult {
  check(day);
  requireInRange('seed', seed, 0, 2 ** 32 - 2, '');
  requireInRange('replications', replications, 1, 100_000, '');
  const agenda = new Agenda();
  const sum = emptyTally();
  const rates: number[] = [];
  const stops: number[] = [];
  const atClose: Standing = { ...NOTHING };
  const overnight: Standing = { ...NOTHING };
  const hours = day.stopHour - day.startHour;
  for (let r = 0; r < replications; r++) {
    const run = new DayRun(day, agenda, seededRandom((Math.imul(seed + 1, 0x9e3779b1) + Math.imul(r + 1, 0x85ebca6b)) >>> 0));
    const tally = run.run();
    add(atClose, run.atClose);
    add(overnight, run.standing(agenda.time));
    rates.push(tally.cut / hours);
    if (tally.firstStop < Infinity) stops.push(tally.firstStop);
    for (const key of Object.keys(sum) as (keyof Tally)[]) if (key !== 'firstStop') sum[key] += tally[key];
  }
  const each = (total: number): number => total / replications;
  rates.sort((a, b) => a - b);
  stops.sort((a, b) => a - b);
  const mean = rates.reduce((a, b) => a + b, 0) / replications;
  const variance = replications > 1 ? rates.reduce((s, v) => s + (v - mean) ** 2, 0) / (replications - 1) : 0;
  const at = (share: number): number => rates[Math.min(replications - 1, Math.floor(share * replications))]!;
  return {
    replications,
    bushels: each(sum.cut),
    bushelsPerHour: { mean, standardError: Math.sqrt(variance / replications), low: at(0.1), high: at(0.9) },
    deliveredBushels: each(sum.delivered),
    loads: each(sum.loads),
    onWheels: each(overnight.tanks + overnight.carts + overnight.trucks),
    overnight: means(overnight, replications),
    atClose: means(atClose, replications),
    waits: {
      combine: each(sum.combineWait) / 60 / day.combines.length,
      cart: each(sum.cartWait) / 60 / Math.max(1, day.carts.length),
      truckInField: each(sum.fieldWait) / 60 / day.trucks.length,
      truckInLine: each(sum.lineWait) / 60 / day.trucks.length,
    },
    lineMinutes: sum.lineCount > 0 ? sum.lineWait / sum.lineCount : 0,
    othersLineMinutes: sum.otherCount > 0 ? sum.otherWait / sum.otherCount : 0,
    firstStop: { hour: stops.length > 0 ? day.startHour + stops[stops.length >> 1]! / 60 : null, share: stops.length / replications },
    heldBackBy: heldBack(sum, day, hours * replications * day.combines.length * 60),
  };
}

type Standing = Record<keyof GrainStanding, number>;
function add(sum: Standing, more: GrainStanding): void {
  for (const key of Object.keys(sum) as (keyof GrainStanding)[]) sum[key] += more[key];
}
const means = ({ tanks, carts, trucks, wetBin }: Standing, n: number): GrainStanding => ({ tanks: tanks / n, carts: carts / n, trucks: trucks / n, wetBin: wetBin / n });

function heldBack(sum: Tally, day: HaulingDay, fieldMinutes: number): HaulingResult['heldBackBy'] {
  // Standing less than two minutes in a hundred is a pace that the combine sets.
  if (sum.combineWait < 0.02 * fieldMinutes) return 'nothing: the combine sets the pace';
  if (sum.waitAfterClose > 0.5 * sum.combineWait) return 'closing hour';
  if (sum.waitForCart >= sum.waitForTruck) return 'carts';
  if (sum.lineWait <= sum.roadTime) return 'trucks on the road';
  return day.destination.kind === 'home' ? 'wet bin and dryer' : 'the line';
}

export interface TrucksWorth {
  readonly trucks: number;
  readonly result: HaulingResult;
  /** bu/h more than with one truck less; null for the first. */
  readonly gain: number | null;
}

/**
 * How many trucks are worth having: the same days (same seeds) with one truck, two, and so on: those of the list first, then more like its first.
 * Range and source: {@link HAULING_DAY}.
 * @param leastGain bu/h that a truck has to bring; the advice is the largest fleet whose last truck still did
 * @param mostLineMin minutes that a truck may wait in line, on average: one that waits longer is room on wheels, not haul
 * @param onFleet told after each fleet, for whoever waits
 */
export function trucksWorthHaving(
  day: HaulingDay,
  most: number,
  replications: number,
  seed: number,
  leastGain: number,
  mostLineMin = Infinity,
  onFleet?: (trucks: number) => void,
): { fleets: TrucksWorth[]; worth: number } {
  requireInRange('largest fleet', most, 1, 40, '');
  requireInRange('gain that a truck has to bring', leastGain, 0, 1e5, 'bu/h');
  if (mostLineMin !== Infinity) requireInRange('longest line', mostLineMin, 0, 1440, 'min');
  const fleets: TrucksWorth[] = [];
  for (let n = 1; n <= most; n++) {
    const result = simulateHauling({ ...day, trucks: Array.from({ length: n }, (_, i) => day.trucks[i] ?? day.trucks[0]!) }, replications, seed);
    const before = fleets.at(-1);
    onFleet?.(n);
    fleets.push({ trucks: n, result, gain: before ? result.bushelsPerHour.mean - before.result.bushelsPerHour.mean : null });
  }
  let worth = 1;
  for (const fleet of fleets) {
    if (fleet.gain !== null && (fleet.gain < leastGain || fleet.result.lineMinutes > mostLineMin)) break;
    worth = fleet.trucks;
  }
  return { fleets, worth };
}
