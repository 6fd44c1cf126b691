import { duration, exponential, type Random, requireInRange, seededRandom } from '../kernel/index.js';
import {
  Agenda,
  STOP,
  OTHER,
  OPENS,
  CLOSES,
  CALL,
  FULL,
  CART_AT_COMBINE,
  MOVED_TO_CART,
  CART_AT_TRUCK,
  CART_BACK,
  TRUCK_LOADED,
  ARRIVES,
  UNLOADED,
  BACK,
  LOOK,
} from './agenda.js';
import { CART_LEAST_ROOM, STANDS_SHARE, TRUCK_FULL_AT } from './usual.js';
import { type GrainStanding, type HaulingDay, type HaulingResult, checkHaulingDay } from './hauling-day.js';

/** A combine calls when its tank is this full, so that the cart is there before it is full. */
const CALL_AT = 0.6;
const EPSILON = 1e-9;
/** Minutes; shorter is a moment between two tanks. */
const A_STAND = 1;

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
  /** idle beside the combines; busy; at the trucks since `waitingSince` */
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
  /** As firstStop, however short. */
  firstMoment: number;
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
  firstMoment: Infinity,
  roadTime: 0,
});

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
    this.combines = day.combines.map(() => ({
      level: 0,
      since: 0,
      cutting: false,
      rate: 0,
      called: false,
      moving: false,
      waitingSince: -1,
      waitMark: 0,
      version: 0,
    }));
    this.carts =
      day.carts.length > 0
        ? day.carts.map(() => ({ level: 0, state: 'idle' as const, target: -1, amount: 0, waitingSince: 0, self: -1 }))
        : day.combines.map((_, self) => ({
            level: 0,
            state: 'idle' as const,
            target: self,
            amount: 0,
            waitingSince: 0,
            self,
          }));
    this.trucks = day.trucks.map(() => ({ level: 0, state: 'field' as const, since: 0, amount: 0 }));
    this.leastRoom = CART_LEAST_ROOM * Math.max(...day.combines.map((combine) => combine.tank));
  }

  run(): Tally {
    const { agenda } = this;
    for (let i = 0; i < this.combines.length; i++) this.cut(i, 0);
    agenda.add(this.end, STOP, 0);
    const to = this.day.destination;
    if (to.kind === 'elevator' && to.othersPerHour > 0)
      agenda.add(Math.max(0, this.opens) + exponential(this.random, 60 / to.othersPerHour), OTHER, 0);
    if (this.opens > 0) agenda.add(this.opens, OPENS, 0);
    agenda.add(Math.max(0, to.kind === 'elevator' ? this.closes : this.end), CLOSES, 0);
    while (agenda.next()) this.happen(agenda.time, agenda.kind, agenda.who, agenda.version);
    return this.tally;
  }

  /** Grain that no destination has taken. A cart that is a combine driving itself holds nothing of its own. */
  standing(now: number): GrainStanding {
    const sum = (holders: readonly { readonly level: number }[]): number =>
      holders.reduce((total, holder) => total + holder.level, 0);
    // Looked at between two events, and not touched: what was cut since the last one is in the tanks too.
    const tanks = this.combines.map((combine, i) => {
      const grown = combine.cutting ? combine.rate * Math.max(0, Math.min(now, this.end) - combine.since) : 0;
      return {
        level: combine.moving ? combine.level + grown : Math.min(this.day.combines[i]!.tank, combine.level + grown),
      };
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
      case CART_BACK:
        this.carts[who]!.state = 'idle';
        this.dispatch(now);
        return this.finish(now);
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
      const grown = Math.min(
        this.day.combines[i]!.tank - combine.level,
        combine.rate * (Math.min(now, this.end) - combine.since),
      );
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
    combine.rate =
      Math.min(duration(this.random, spec.bushelsPerHour, spec.rateCv ?? 0), spec.unloadPerHour * 0.99) / 60;
    const selfDriving = this.day.carts.length === 0;
    const callAt = selfDriving ? spec.tank : CALL_AT * spec.tank;
    this.agenda.add(now + Math.max(0, spec.tank - combine.level) / combine.rate, FULL, i, combine.version);
    this.agenda.add(now + Math.max(0, callAt - combine.level) / combine.rate, CALL, i, combine.version);
  }

  /** Sends idle carts to the combines that called, the one that called first first. */
  private dispatch(now: number): void {
    for (let k = 0; k < this.calls.length;) {
      const i = this.calls[k]!;
      const j = this.carts.findIndex(
        (cart, at) =>
          cart.state === 'idle' &&
          (cart.self < 0 ? cart.level < this.day.carts[at]!.capacity - EPSILON : cart.self === i),
      );
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
      } else this.agenda.add(now, CART_AT_COMBINE, j);
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
    if (time > EPSILON) this.tally.firstMoment = Math.min(this.tally.firstMoment, combine.waitingSince);
    if (time >= A_STAND) this.tally.firstStop = Math.min(this.tally.firstStop, combine.waitingSince);
    this.tally.combineWait += time;
    // While a cart stood at the trucks, trucks were what was missing, wherever the cart is by now.
    this.tick(now);
    const forTruck = cause === 'truck' ? time : Math.min(time, Math.max(0, this.cartClock - combine.waitMark));
    this.tally.waitForTruck += forTruck;
    this.tally.waitForCart += time - forTruck;
    if (combine.waitingSince + time > this.closes)
      this.tally.waitAfterClose += Math.min(time, combine.waitingSince + time - this.closes);
    combine.waitingSince = -1;
  }

  private moveToCart(j: number, now: number): void {
    const cart = this.carts[j]!;
    const i = cart.target;
    const combine = this.combines[i]!;
    const spec = this.day.combines[i]!;
    this.advance(i, now);
    this.waited(
      i,
      now,
      this.cartsAtTruck.length > 0 || this.carts.some((other) => other.state === 'waiting') ? 'truck' : 'cart',
    );
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
      for (let t = 0; t < this.trucks.length; t++)
        if (this.trucks[t]!.state === 'field' && (best < 0 || this.trucks[t]!.level > this.trucks[best]!.level))
          best = t;
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
    if (truck.level >= TRUCK_FULL_AT * this.day.trucks[t]!.capacity) this.depart(t, now);
    if (this.levelOf(cart) > EPSILON) {
      cart.state = 'waiting';
      cart.waitingSince = now;
      if (cart.self >= 0) this.stands(this.combines[cart.self]!, now);
      this.tick(now);
      this.cartsAtTruck.unshift(j);
    } else {
      if (cart.self < 0) {
        // Empty, it goes back to the combines and stays beside them until it is full again.
        const { drive } = this.day.carts[j]!;
        cart.state = 'busy';
        this.agenda.add(now + duration(this.random, drive.mean, drive.cv), CART_BACK, j);
      } else {
        cart.state = 'idle';
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
    for (const truck of this.trucks)
      if (truck.state === 'field') this.tally.fieldWait += Math.max(0, now - truck.since);
    this.finish(now);
  }

  /** After the end: what lies in carts goes to the trucks, and trucks with grain leave once nothing more can come. */
  private finish(now: number): void {
    if (!this.over || now < this.end) return;
    const coming = this.combines.some((combine) => combine.level > EPSILON || combine.moving);
    if (!coming)
      for (let j = 0; j < this.carts.length; j++)
        if (this.carts[j]!.state === 'idle' && this.carts[j]!.level > EPSILON) this.toTrucks(j, now);
    const carried = this.carts.some((cart) => cart.state !== 'idle' || cart.level > EPSILON);
    if (!coming && !carried)
      for (let t = 0; t < this.trucks.length; t++)
        if (this.trucks[t]!.state === 'field' && this.trucks[t]!.level > EPSILON) this.depart(t, now);
  }
}

/**
 * Runs a day many times over.
 * Range and source: {@link HAULING_DAY}.
 * @param replications 1 to 100,000 @param seed whole number; each replication has its own stream from it
 * @throws RangeRefusal naming the machine's figure that cannot be
 */
export function simulateHauling(day: HaulingDay, replications: number, seed: number): HaulingResult {
  checkHaulingDay(day);
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
    const run = new DayRun(
      day,
      agenda,
      seededRandom((Math.imul(seed + 1, 0x9e3779b1) + Math.imul(r + 1, 0x85ebca6b)) >>> 0),
    );
    const tally = run.run();
    add(atClose, run.atClose);
    add(overnight, run.standing(agenda.time));
    rates.push(tally.cut / hours);
    // A day counts as one with a combine standing by the same share by which the chain ahead says so.
    if (tally.combineWait > EPSILON && tally.combineWait >= STANDS_SHARE * hours * 60 * day.combines.length)
      stops.push(tally.firstStop < Infinity ? tally.firstStop : tally.firstMoment);
    for (const key of Object.keys(sum) as (keyof Tally)[])
      if (key !== 'firstStop' && key !== 'firstMoment') sum[key] += tally[key];
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
    firstStop: {
      hour: stops.length > 0 ? day.startHour + stops[stops.length >> 1]! / 60 : null,
      share: stops.length / replications,
    },
    heldBackBy: stops.length === 0 ? 'nothing: the combine sets the pace' : heldBack(sum, day),
  };
}

type Standing = Record<keyof GrainStanding, number>;
function add(sum: Standing, more: GrainStanding): void {
  for (const key of Object.keys(sum) as (keyof GrainStanding)[]) sum[key] += more[key];
}
const means = ({ tanks, carts, trucks, wetBin }: Standing, n: number): GrainStanding => ({
  tanks: tanks / n,
  carts: carts / n,
  trucks: trucks / n,
  wetBin: wetBin / n,
});

/** What made the combines stand, on the days on which they did. */
function heldBack(sum: Tally, day: HaulingDay): HaulingResult['heldBackBy'] {
  if (sum.waitAfterClose > 0.5 * sum.combineWait) return 'closing hour';
  if (sum.waitForCart >= sum.waitForTruck) return 'carts';
  if (sum.lineWait <= sum.roadTime) return 'trucks on the road';
  return day.destination.kind === 'home' ? 'wet bin and dryer' : 'the line';
}
