import {
  CROPS,
  type CropId,
  type Entry,
  KG_PER_LB,
  Ledger,
  type Method,
  type Place,
  poundsToKilograms,
} from '@fanega/core';
import { seeded } from './random.js';
import { ulidAt } from './ulid.js';

/** A field as the demo tells it; acres are what was planted. */
export interface DemoField {
  readonly id: string;
  readonly name: string;
  readonly acres: number;
}

export interface DemoLot {
  readonly id: string;
  readonly fieldId: string;
  readonly crop: CropId;
  readonly season: number;
  readonly variety: string;
  readonly tag: string;
  /** Owners and their parts; they sum to one. */
  readonly shares: readonly { readonly owner: string; readonly part: number }[];
}

export interface DemoPlace extends Place {
  readonly name: string;
  readonly kind: string;
  readonly capacityBu?: number;
  readonly diameterM?: number;
  readonly eaveM?: number;
  readonly hopperM?: number;
}

export interface DemoReading {
  readonly id: string;
  readonly fieldId: string;
  readonly at: string;
  readonly moisture: number;
  readonly source: 'hand' | 'combine' | 'elevator';
  readonly by: string;
}

export interface DemoBridged {
  readonly truck: string;
  readonly at: string;
  readonly netKg: number;
  readonly entryId: string;
  readonly crop: CropId;
  readonly shares: Readonly<Record<string, number>>;
}

export interface DemoFarm {
  readonly name: string;
  readonly timeZone: string;
  readonly fields: readonly DemoField[];
  readonly lots: readonly DemoLot[];
  readonly places: readonly DemoPlace[];
  /** Loads that drove over the farm's own bridge. */
  readonly bridged: readonly DemoBridged[];
  /** In the order in which they reached the book: one is late. */
  readonly entries: readonly Entry[];
  readonly readings: readonly DemoReading[];
}

export interface DemoOptions {
  readonly seed?: number;
  readonly seasons?: number;
  readonly fields?: number;
  /** The last season. */
  readonly year?: number;
}

const OWN = 'Kestrel Levee Farms';
const LANDLORD = 'Vance heirs';
const FT = 0.3048;

// [name, tag, acres, crop, variety, yield bu/ac, moisture % on the first day of cutting]
type FieldPlan = readonly [string, string, number, CropId, string, number, number];
const PLAN: readonly FieldPlan[] = [
  ['Levee Forty', 'LF', 41.2, 'corn', 'KL 1180', 172, 17.1],
  ['Heron Slough', 'HS', 62.5, 'corn', 'KL 1164', 186, 19.8],
  ['Pecan Turn', 'PT', 84.0, 'corn', 'KL 1180', 194, 17.0],
  ['Lantern Ridge', 'LR', 64.0, 'sorghum', 'Rust 40', 104, 15.8],
  ['Crane Bend', 'CB', 71.5, 'corn', 'KL 1172', 181, 15.6],
  ['Mudcat Corner', 'MC', 52.7, 'sorghum', 'Rust 40', 97, 15.1],
  ['Crawfish Cut', 'CC', 80.0, 'soybean', 'Delta 46', 58, 14.1],
  ['Lower Gum', 'LG', 54.6, 'corn', 'KL 1172', 178, 15.2],
  ['Buttonbush East', 'BE', 72.4, 'corn', 'KL 1195', 205, 21.3],
  ['Willow Run', 'WR', 88.3, 'soybean', 'Delta 46', 54, 13.4],
  ['Possum Tail', 'PO', 55.1, 'soybean', 'Delta 49', 51, 13.0],
  ['Buttonbush West', 'BW', 69.8, 'soybean', 'Delta 49', 56, 13.6],
];

/** The part of the first field that is of another variety. */
export const STRIP = 'zone-strip';

function fieldPlan(count: number): FieldPlan[] {
  return Array.from({ length: count }, (_, i) => {
    const plan = PLAN[i % PLAN.length]!;
    const round = Math.floor(i / PLAN.length);
    return round === 0
      ? plan
      : ([`${plan[0]} ${round + 1}`, `${plan[1]}${round + 1}`, ...plan.slice(2)] as unknown as FieldPlan);
  });
}

function yard(scale: number): DemoPlace[] {
  const bin = (
    id: string,
    name: string,
    withdrawal: Place['withdrawal'],
    diameterFt: number,
    eaveFt: number,
    capacityBu: number,
    hopperFt = 0,
    kind = 'bin',
  ): DemoPlace => ({
    id,
    name,
    kind,
    ...(withdrawal ? { withdrawal } : {}),
    capacityBu: capacityBu * scale,
    diameterM: diameterFt * FT,
    eaveM: eaveFt * FT,
    ...(hopperFt > 0 ? { hopperM: hopperFt * FT } : {}),
  });
  const vehicle = (id: string, name: string, kind: string, capacityBu: number): DemoPlace => ({
    id,
    name,
    kind,
    withdrawal: 'mixed',
    capacityBu,
  });
  return [
    vehicle('combine-1', 'Combine 1', 'combine', 350),
    vehicle('combine-2', 'Combine 2', 'combine', 300),
    vehicle('cart-1', 'Cart 1', 'cart', 1100),
    vehicle('cart-2', 'Cart 2', 'cart', 1050),
    vehicle('truck-1', 'Truck 1', 'truck', 940),
    vehicle('truck-2', 'Truck 2', 'truck', 940),
    vehicle('truck-3', 'Truck 3', 'truck', 960),
    vehicle('truck-4', 'Truck 4', 'truck', 920),
    bin('wet-bin', 'Wet bin', 'firstIn', 18, 20, 4500, 7, 'wetBin'),
    { id: 'dryer', name: 'Dryer', kind: 'dryer', withdrawal: 'mixed', capacityBu: 1400, diameterM: 3.6, eaveM: 7.5 },
    bin('bin-a', 'Bin A', 'lastIn', 42, 24, 26_700),
    bin('bin-b', 'Bin B', 'lastIn', 36, 22, 18_000),
    bin('bin-c', 'Bin C', 'lastIn', 36, 22, 18_000),
    bin('bin-d', 'Bin D, stirred', 'mixed', 30, 20, 11_360),
    bin('bin-e', 'Bin E, hopper', 'firstIn', 21, 22, 7200, 9),
    bin('bin-f', 'Bin F', 'lastIn', 30, 18, 10_200),
    bin('bin-g', 'Bin G', 'lastIn', 24, 16, 5800),
    { id: 'pile', name: 'Yard pile', kind: 'pile', withdrawal: 'mixed', capacityBu: 9000 * scale, diameterM: 18 },
    { id: 'redbud', name: 'Redbud Elevator', kind: 'buyer' },
    { id: 'gar-hole', name: 'Gar Hole Terminal', kind: 'buyer' },
    { id: 'whistling-duck', name: 'Whistling Duck Feed Mill', kind: 'buyer' },
  ];
}

const PRICE: Record<string, number> = { corn: 4.42, sorghum: 4.62, soybean: 10.48 };
const BINS_FOR: Record<string, readonly string[]> = {
  corn: ['bin-d', 'bin-b', 'bin-a', 'bin-c'],
  sorghum: ['bin-e', 'pile'],
  soybean: ['bin-f'],
};
/** Minutes from the last grain on to the ticket, at the least. */
const ROUND_MIN: Record<string, number> = { redbud: 38, 'gar-hole': 56, 'whistling-duck': 45 };
const MINUTE = 60_000;
/** What the dryer takes at once, and what it dries in an hour: bushels times points. */
const BATCH_BU = 1380;
export const DEMO_BUSHEL_POINTS = 2600;
const DAY = 1440 * MINUTE;
/** Central daylight time: the farm works from about nine to half past seven. */
const LOCAL = 5 * 60 * MINUTE;

/** Bushels an acre that a field of the demo brings. */
export const demoYield = (tag: string): number => PLAN.find((plan) => tag.startsWith(plan[1]))?.[5] ?? 100;

/** Draws one farm, the same every time for the same options. */
export function demoFarm({
  seed = 20260908,
  seasons = 1,
  fields = PLAN.length,
  year = 2026,
}: DemoOptions = {}): DemoFarm {
  const plans = fieldPlan(fields);
  const scale = Math.max(1, fields / PLAN.length);
  const places = yard(scale);
  const lots: DemoLot[] = [];
  for (let s = 0; s < seasons; s++) {
    plans.forEach(([, tag, , crop, variety], i) => {
      lots.push({
        id: `lot-${tag.toLowerCase()}-${year - seasons + 1 + s}`,
        fieldId: `field-${i + 1}`,
        crop,
        season: year - seasons + 1 + s,
        variety,
        tag,
        shares:
          i === 1
            ? [
                { owner: OWN, part: 2 / 3 },
                { owner: LANDLORD, part: 1 / 3 },
              ]
            : [{ owner: OWN, part: 1 }],
      });
    });
  }
  const writer = new BookWriter(seed, lots, places);
  for (let s = 0; s < seasons; s++)
    writer.season(plans, lots.slice(s * fields, (s + 1) * fields), year - seasons + 1 + s, s === seasons - 1);
  return {
    name: OWN,
    timeZone: 'America/Chicago',
    fields: plans.map(([name, , acres], i) => ({ id: `field-${i + 1}`, name, acres })),
    lots,
    places,
    entries: writer.arrivals(),
    readings: writer.readings,
    bridged: writer.bridged,
  };
}

interface Standing {
  readonly plan: FieldPlan;
  readonly lot: DemoLot;
  bushelsLeft: number;
  daysCut: number;
}

/** Writes the entries of a season as the people of the farm would, and replays them on the way to know what is where. */
class BookWriter {
  private isLast = false;
  readonly readings: DemoReading[] = [];
  readonly bridged: DemoBridged[] = [];
  private readonly random: () => number;
  /** The displays' own scatter, so that they change nothing else that is drawn. */
  private readonly scatter: () => number;
  /** Roads and lines, for the same reason. */
  private readonly roads: () => number;
  private readonly lastDump = new Map<number, number>();
  private dump = 0;
  private day = 0;
  private readonly ledger: Ledger;
  private readonly written: { entry: Entry; arrived: number }[] = [];
  private ticket = 40_118;
  private truck = 0;
  private cart = 0;
  private clock = 0;
  private pace = 1;
  /** Loads until one is typed wrong, and tickets until one is weighed three times. */
  private wrong = 31;
  private wetToday = false;
  /** When the batch in the dryer is out. */
  private dryerFree = 0;
  /** The dryer's own, for the same reason. */
  private readonly burner: () => number;
  private thrice = 9;
  /** Deliveries until one drives over the own bridge, and until one whose ticket never came back. */
  private bridge = 2;
  private lost = 23;

  constructor(
    seed: number,
    lots: readonly DemoLot[],
    private readonly places: readonly DemoPlace[],
  ) {
    this.random = seeded(seed);
    this.scatter = seeded(seed + 1);
    this.roads = seeded(seed + 2);
    this.burner = seeded(seed + 3);
    this.ledger = new Ledger({
      defaults: { moisture: 0.15, trust: ['ticket', 'bridge', 'cartScale', 'volume', 'monitor', 'estimate'] },
      lots: lots.map(({ id }) => ({ id })),
      places,
    });
  }

  arrivals(): Entry[] {
    return [...this.written].sort((a, b) => a.arrived - b.arrived).map(({ entry }) => entry);
  }

  private between(from: number, to: number): number {
    return from + this.random() * (to - from);
  }

  private add(entry: object, by: string, device: string, lateMinutes = 0.3, random = this.random): string {
    const id = ulidAt(this.clock, random);
    const arrived = this.clock + lateMinutes * MINUTE;
    const full = {
      id,
      at: new Date(this.clock).toISOString(),
      ...entry,
      recordedAt: new Date(arrived).toISOString(),
      by,
      device,
    } as Entry;
    this.ledger.append([full]);
    this.written.push({ entry: full, arrived });
    return id;
  }

  private pass(minutes: number): void {
    this.clock += minutes * MINUTE * this.pace;
  }

  /** To the nearest 20 lb, as a scale shows it. */
  private scaleKg(kg: number): number {
    return Math.round(kg / KG_PER_LB / 20) * 20 * KG_PER_LB;
  }

  private held(place: string): number {
    return this.ledger.position(place).wetKg;
  }

  private roomBu(place: string, legalPounds: number): number {
    return this.places.find((p) => p.id === place)!.capacityBu! - this.held(place) / KG_PER_LB / legalPounds;
  }

  season(plans: readonly FieldPlan[], lots: readonly DemoLot[], year: number, last: boolean): void {
    this.isLast = last;
    const standing: Standing[] = plans.map((plan, i) => ({
      plan,
      lot: lots[i]!,
      bushelsLeft: plan[2] * plan[5],
      daysCut: 0,
    }));
    const total = standing.reduce((sum, s) => sum + s.bushelsLeft, 0);
    const cyclesADay = total / 900 / 33.4;
    // A bigger farm has more combines and pits: its loads follow each other faster.
    this.pace = Math.min(1, 600 / cyclesADay / 62);
    const first = Date.UTC(year, 7, 11);
    // The last season stands in the middle of its fifth week; earlier ones were finished and sold.
    for (let day = 0; standing.some((s) => s.bushelsLeft > 1) && day < 60; day++) {
      const date = first + day * DAY;
      const lastDay = last && day === 28;
      if (new Date(date).getUTCDay() === 0 || day === 9) continue;
      this.day = day;
      this.morning(standing, date);
      const worked = day - Math.floor((day + 1) / 7);
      const loads = Math.floor((worked + 1) * cyclesADay) - Math.floor(worked * cyclesADay);
      const cycles = lastDay ? Math.ceil(loads / 2) : loads;
      for (let c = 0; c < cycles && standing.some((s) => s.bushelsLeft > 1); c++) {
        this.clock = date + LOCAL + (9.25 * 60 + (c * 600) / loads + this.between(0, 6)) * MINUTE;
        this.load(standing);
      }
      // Nothing wet came in: what is left in the wet bin goes through the dryer before it heats.
      this.clock = date + LOCAL + 19.6 * 60 * MINUTE;
      if (!this.wetToday) while (this.held('wet-bin') > 1) this.dry(CROPS.corn.legalPounds);
      this.wetToday = false;
      if (last) this.incident(day, date);
      if (day % 3 === 2 || !last) this.haulOut(date);
      for (const s of standing) if (s.daysCut > 0) s.daysCut += 1;
      if (lastDay) {
        this.afternoon(standing, date);
        return;
      }
    }
    if (!last) this.sellOut(Date.UTC(year + 1, 2, 2));
  }

  private morning(standing: readonly Standing[], date: number): void {
    const next = standing.filter((s) => s.bushelsLeft > 1).slice(0, 2);
    this.clock = date + LOCAL + this.between(7.6, 8.4) * 60 * MINUTE;
    for (const s of next) {
      this.readings.push({
        id: ulidAt(this.clock, this.random),
        fieldId: s.lot.fieldId,
        at: new Date(this.clock).toISOString(),
        moisture: this.moisture(s),
        source: 'hand',
        by: 'Oona',
      });
      this.pass(9);
    }
  }

  private moisture(s: Standing): number {
    const dried = s.plan[6] - s.daysCut * (s.lot.crop === 'corn' ? 0.42 : 0.18) + this.between(-0.45, 0.45);
    return Math.round(Math.max(dried, s.lot.crop === 'soybean' ? 11.4 : 13.6) * 10) / 1000;
  }

  /** One truck: two or three dumps into a cart, the cart into a truck, the truck to where its grain belongs. */
  private load(standing: readonly Standing[]): void {
    const cart = `cart-${(this.cart++ % 2) + 1}`;
    const truck = `truck-${(this.truck++ % 4) + 1}`;
    // One day the cable of cart 2's scale was torn off: until it was mended only the displays measured.
    const scaleBroken = this.day === 20 && cart === 'cart-2';
    const driver = ['Ruiz', 'Ames', 'Tilda', 'Ruiz'][this.truck % 4]!;
    const field = standing.find((s) => s.bushelsLeft > 1)!;
    const crop = CROPS[field.lot.crop];
    let room = this.between(870, 925);
    let wet = 0;
    let kg = 0;
    let s: Standing | undefined = field;
    while (room > 20 && s && s.lot.crop === field.lot.crop) {
      if (s.daysCut === 0) s.daysCut = 1;
      const dump = Math.min(room, s.bushelsLeft, this.between(215, 290));
      const moisture = this.moisture(s);
      const weight = this.scaleKg(poundsToKilograms(dump * crop.legalPounds));
      const combine = this.random() < 0.6 ? 1 : 2;
      this.cut(s.lot.id, cart, weight, moisture, combine, scaleBroken, this.inStrip(s) ? { zone: STRIP } : {});
      wet += weight * moisture;
      kg += weight;
      s.bushelsLeft -= dump;
      room -= dump;
      this.pass(this.between(6, 9));
      if (s.bushelsLeft <= 1) s = standing.find((other) => other.bushelsLeft > 1);
    }
    const moisture = wet / kg;
    const weighed = scaleBroken ? {} : { wetKg: this.scaleKg(this.held(cart)), method: 'cartScale' };
    this.add({ type: 'move', from: cart, to: truck, ...weighed, emptied: true }, 'Dell', `${cart}-phone`);
    this.pass(this.between(14, 20));
    if (this.wrong-- === 0) this.wrongThenRight(cart, truck);
    this.unload(truck, field.lot.crop, moisture, driver);
  }

  /** The first field has a strip of another variety, whose loads say so. */
  private inStrip({ plan, bushelsLeft }: Standing): boolean {
    const [, tag, acres, , , perAcre] = plan;
    const left = bushelsLeft / (acres * perAcre);
    return this.isLast && tag === PLAN[0]![1] && left < 0.47 && left > 0.21;
  }

  /** A dump into a cart; every third one is read off the display too, and where the scale is broken the display is all there is. */
  private cut(
    lot: string,
    cart: string,
    weight: number,
    moisture: number,
    combine: number,
    scaleBroken: boolean,
    part: { readonly zone?: string },
  ): void {
    const who = [combine === 1 ? 'Oona' : 'Bea', `combine-${combine}-tablet`] as const;
    const took = this.clock - (this.lastDump.get(combine) ?? -Infinity);
    this.lastDump.set(combine, this.clock);
    const flow = took > 0 && took <= 45 * MINUTE ? (1000 * weight) / took : 7;
    // Combine 1 reads high, more so when it is full; combine 2 a little low.
    const bias = combine === 1 ? 0.036 + 0.0035 * (flow - 7) : -0.012;
    const shown = Math.round((weight * (1 + bias + (this.scatter() - 0.5) * 0.02)) / KG_PER_LB / 10) * 10 * KG_PER_LB;
    if (scaleBroken) {
      this.add(
        { type: 'harvest', lot, ...part, to: cart, wetKg: shown, moisture, method: 'monitor', note: 'cart scale has no cable' }, // prettier-ignore
        ...who,
      );
      return;
    }
    const id = this.add(
      { type: 'harvest', lot, ...part, to: cart, wetKg: weight, moisture, method: 'cartScale' },
      ...who,
    );
    if (this.dump++ % 3 === 0)
      this.add({ type: 'witness', of: id, wetKg: shown, method: 'monitor' }, ...who, 0.3, this.scatter);
  }

  private unload(truck: string, crop: CropId, moisture: number, driver: string): void {
    const legal = CROPS[crop].legalPounds;
    const device = `${truck}-phone`;
    const bushels = this.held(truck) / KG_PER_LB / legal;
    if (crop === 'corn' && moisture > 0.157) {
      this.wetToday = true;
      while (this.roomBu('wet-bin', legal) < bushels + 50) this.dry(legal);
      this.add({ type: 'move', from: truck, to: 'wet-bin', emptied: true }, driver, device);
      this.pass(4);
      while (this.held('wet-bin') / KG_PER_LB / legal >= BATCH_BU) this.dry(legal);
      return;
    }
    const bin = BINS_FOR[crop]!.find((id) => this.roomBu(id, legal) > bushels + 20);
    if (bin && this.random() > (crop === 'soybean' ? 0.3 : 0.35)) {
      this.add(
        { type: 'move', from: truck, to: bin, emptied: true, moisture: Math.round(moisture * 1000) / 1000 },
        'Bea',
        'yard-tablet',
      );
      return;
    }
    this.deliver(truck, crop, moisture, driver);
  }

  private deliver(truck: string, crop: CropId, moisture: number, driver: string): string {
    const buyer =
      crop === 'sorghum'
        ? 'gar-hole'
        : this.random() < 0.6
          ? 'redbud'
          : crop === 'corn'
            ? 'whistling-duck'
            : 'gar-hole';
    const booked = this.held(truck);
    const net = this.scaleKg(booked * this.between(0.9955, 1.0025));
    const tare = this.scaleKg(poundsToKilograms(this.between(26_800, 27_600)));
    // Tarp, road, line and pit: what of it the yard's way did not take already.
    this.pass(ROUND_MIN[buyer]! - 17 + 16 * this.roads());
    const measured = Math.round((moisture + this.between(-0.003, 0.003)) * 1000) / 1000;
    const price = Math.round((PRICE[crop]! + this.between(-0.12, 0.1)) * 100) / 100;
    const { lots, dryKg } = this.ledger.position(truck);
    if (this.lost-- === 0) {
      this.ticket++;
      return this.add(
        {
          type: 'move',
          from: truck,
          to: buyer,
          emptied: true,
          wetKg: this.scaleKg(booked),
          method: 'cartScale',
          note: 'no ticket came back',
        },
        driver,
        `${truck}-phone`,
      );
    }
    const id = this.add(
      {
        type: 'move',
        from: truck,
        to: buyer,
        wetKg: net,
        emptied: true,
        moisture: measured,
        method: 'ticket' satisfies Method,
        ticket: String(this.ticket++),
        grossKg: net + tare,
        tareKg: tare,
        pricePerBu: price,
      },
      driver,
      `${truck}-phone`,
    );
    if (this.bridge-- === 0) {
      this.bridge = 3;
      // The own bridge reads a little high, and a little higher every week.
      const kg = this.scaleKg(net * (1 + 0.001 + 0.0002 * this.day + (this.scatter() - 0.5) * 0.003));
      const entryId = this.add(
        { type: 'witness', of: id, wetKg: kg, method: 'bridge', note: 'own bridge' },
        driver,
        'bridge-tablet',
        0.3,
        this.scatter,
      );
      const shares = Object.fromEntries(Object.entries(lots).map(([lot, dry]) => [lot, dry / dryKg]));
      this.bridged.push({ truck, at: new Date(this.clock).toISOString(), netKg: kg, entryId, crop, shares });
    }
    if (this.thrice-- === 0) {
      this.pass(2);
      this.add(
        {
          type: 'witness',
          of: id,
          wetKg: this.scaleKg(booked),
          method: 'cartScale',
          note: 'cart scale of the same load',
        },
        'Dell',
        'cart-1-phone',
      );
      this.add(
        {
          type: 'witness',
          of: id,
          wetKg: this.scaleKg(net * 1.0012),
          moisture: measured,
          method: 'bridge',
          note: 'own bridge on the way out',
        },
        driver,
        `${truck}-phone`,
      );
    }
    return id;
  }

  /** One dryer batch: it begins when the one before is out, takes its bushel-points, and goes into a bin that has room then. */
  private dry(legal: number): void {
    const batch = poundsToKilograms(BATCH_BU * legal);
    const { wetKg } = this.ledger.position('wet-bin');
    const now = this.clock;
    const dried = Math.round(147 + 4 * this.burner()) / 1000;
    this.clock = Math.max(now, this.dryerFree);
    this.add(
      { type: 'move', from: 'wet-bin', to: 'dryer', ...(wetKg > batch ? { wetKg: batch, method: 'volume' } : {}) },
      'Bea',
      'dryer-tablet',
      0.3,
      this.burner,
    );
    const taken = this.ledger.position('dryer');
    const points = Math.max(0.5, 100 * ((taken.moisture ?? 0.2) - dried));
    this.clock += (((taken.wetKg / KG_PER_LB / legal) * points) / DEMO_BUSHEL_POINTS) * 60 * MINUTE * this.pace;
    this.add({ type: 'condition', place: 'dryer', moisture: dried, dryLoss: 0.001 }, 'Bea', 'dryer-tablet', 0.3, this.burner); // prettier-ignore
    this.clock += 4 * MINUTE;
    const bin = BINS_FOR.corn!.find((id) => this.roomBu(id, legal) > 1450) ?? 'bin-c';
    this.add({ type: 'move', from: 'dryer', to: bin }, 'Bea', 'dryer-tablet', 0.3, this.burner);
    this.dryerFree = this.clock + 4 * MINUTE * this.pace;
    // The dryer runs beside everything else.
    this.clock = now;
  }

  /** Stored grain to a buyer, so that tickets of mixed bins are in the book too. */
  private haulOut(date: number): void {
    this.clock = date + LOCAL + 19.9 * 60 * MINUTE;
    for (const [bin, crop] of [
      ['bin-b', 'corn'],
      ['bin-e', 'sorghum'],
    ] as const) {
      const legal = CROPS[crop].legalPounds;
      if (this.held(bin) / KG_PER_LB / legal < 2500) continue;
      const truck = `truck-${(this.truck++ % 4) + 1}`;
      // Where another bin of the crop is as full, the truck takes half from each: their sumps are kept level.
      const other = BINS_FOR[crop]!.find((id) => id !== bin && this.held(id) / KG_PER_LB / legal >= 2500);
      const bushels = this.between(890, 915);
      for (const from of other ? [other, bin] : [bin]) {
        const wetKg = this.scaleKg(poundsToKilograms((bushels / (other ? 2 : 1)) * legal));
        this.add({ type: 'move', from, to: truck, wetKg, method: 'bridge' }, 'Ames', `${truck}-phone`);
        this.pass(other ? 17 : 35);
      }
      this.deliver(truck, crop, this.ledger.position(truck).moisture ?? 0.15, 'Ames');
      this.pass(8);
    }
  }

  /** A move typed against the wrong weight, voided and made again. */
  private wrongThenRight(cart: string, truck: string): void {
    const wrong = this.add(
      { type: 'move', from: cart, to: truck, wetKg: poundsToKilograms(5200), method: 'cartScale' },
      'Dell',
      `${cart}-phone`,
    );
    this.pass(2);
    this.add({ type: 'void', voids: wrong, note: 'cart was empty already' }, 'Oona', 'office');
    this.pass(1);
  }

  private incident(day: number, date: number): void {
    const at = (hour: number) => {
      this.clock = date + LOCAL + hour * 60 * MINUTE;
    };
    if (day === 7) {
      // A phone out of reach of a tower: the load is booked where it belongs in time, two days after it happened.
      at(19.5);
      const hs = this.ledger.header.lots.find((l) => String(l.id).startsWith('lot-hs-'))!;
      this.add(
        {
          type: 'harvest',
          lot: hs.id,
          to: 'combine-2',
          wetKg: this.scaleKg(poundsToKilograms(14_200)),
          moisture: 0.192,
          method: 'monitor',
          note: 'the wet corner by the slough; phone had no signal',
        },
        'Bea',
        'combine-2-tablet',
        2 * 1440 + 37,
      );
      this.pass(15);
      this.add(
        { type: 'move', from: 'combine-2', to: 'wet-bin', note: 'straight into the pit' },
        'Bea',
        'combine-2-tablet',
        2 * 1440 + 36,
      );
    }
    if (day === 13) {
      at(20.6);
      this.add({ type: 'loss', place: 'bin-b', wetKg: poundsToKilograms(420), reason: 'fines' }, 'Bea', 'yard-tablet');
    }
    if (day === 22) {
      // Looking in before filling: the floor was not as empty as the book says.
      at(8.1);
      this.add(
        {
          type: 'measure',
          place: 'bin-g',
          wetKg: poundsToKilograms(6300),
          moisture: 0.138,
          method: 'volume',
          note: 'left from last winter?',
        },
        'Bea',
        'yard-tablet',
      );
    }
    if (day === 27) {
      // The level shows less than the book: nobody knows why yet.
      at(20.7);
      this.add(
        {
          type: 'measure',
          place: 'bin-a',
          wetKg: this.scaleKg(this.held('bin-a') * 0.979),
          method: 'volume',
          note: 'tape from the hatch, five points',
        },
        'Oona',
        'office',
      );
    }
  }

  /** The last hour before now: two fields in one cart, a truck waiting, grain in a combine. */
  private afternoon(standing: readonly Standing[], date: number): void {
    const [now] = standing.filter((s) => s.bushelsLeft > 1300);
    const next = standing.find((s) => s !== now && s.lot.crop === now?.lot.crop && s.bushelsLeft > 1300);
    if (!now || !next) return;
    const legal = CROPS[now.lot.crop].legalPounds;
    this.clock = date + LOCAL + (13 * 60 + 26) * MINUTE;
    const harvest = (s: Standing, to: string, bushels: number, by: string, method: Method): void => {
      if (s.daysCut === 0) s.daysCut = 1;
      this.add(
        {
          type: 'harvest',
          lot: s.lot.id,
          to,
          wetKg: this.scaleKg(poundsToKilograms(bushels * legal)),
          moisture: this.moisture(s),
          method,
        },
        by,
        by === 'Oona' ? 'combine-1-tablet' : 'combine-2-tablet',
      );
      s.bushelsLeft -= bushels;
      this.pass(this.between(6, 8));
    };
    for (const bushels of [262, 331, 309]) harvest(next, 'cart-2', bushels, 'Oona', 'cartScale');
    this.add(
      {
        type: 'move',
        from: 'cart-2',
        to: 'truck-4',
        wetKg: this.scaleKg(this.held('cart-2')),
        emptied: true,
        method: 'cartScale',
      },
      'Dell',
      'cart-2-phone',
    );
    this.pass(17);
    this.add({ type: 'move', from: 'truck-4', to: 'wet-bin', emptied: true }, 'Tilda', 'truck-4-phone');
    harvest(now, 'cart-1', 318, 'Bea', 'cartScale');
    harvest(now, 'cart-1', 305, 'Oona', 'cartScale');
    harvest(now, 'cart-1', 284, 'Bea', 'cartScale');
    this.add(
      {
        type: 'move',
        from: 'cart-1',
        to: 'truck-1',
        wetKg: this.scaleKg(this.held('cart-1')),
        emptied: true,
        method: 'cartScale',
      },
      'Dell',
      'cart-1-phone',
    );
    this.pass(4);
    harvest(now, 'cart-2', 172, 'Bea', 'cartScale');
    harvest(next, 'cart-2', 338, 'Oona', 'cartScale');
    harvest(next, 'cart-2', 331, 'Oona', 'cartScale');
    harvest(next, 'cart-2', 158, 'Bea', 'cartScale');
    harvest(next, 'combine-1', 214, 'Oona', 'monitor');
  }

  /** Between seasons everything is sold, so that bins start empty. */
  private sellOut(from: number): void {
    this.clock = from;
    for (const [crop, bins] of Object.entries(BINS_FOR)) {
      const legal = CROPS[crop as CropId].legalPounds;
      for (const bin of [...bins, ...(crop === 'corn' ? ['wet-bin'] : [])]) {
        while (this.held(bin) > 1) {
          const truck = `truck-${(this.truck++ % 4) + 1}`;
          const load = poundsToKilograms(905 * legal);
          this.add(
            {
              type: 'move',
              from: bin,
              to: truck,
              ...(this.held(bin) > load * 1.1 ? { wetKg: load } : {}),
              method: 'bridge',
            },
            'Ames',
            `${truck}-phone`,
          );
          this.pass(40);
          this.deliver(truck, crop as CropId, this.ledger.position(truck).moisture ?? 0.15, 'Ames');
          this.pass(25);
        }
      }
    }
  }
}
