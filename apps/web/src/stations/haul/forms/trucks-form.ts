import {
  closesAt,
  COMBINE_UNLOADS_PER_HOUR,
  combineRate,
  cropCut,
  cutLast,
  bushelPointsAt,
  dryerOf,
  fieldFacts,
  type FieldRecords,
  type FieldRow,
  type HaulingDay,
  type HaulTimes,
  type Minutes,
  type OwnTimes,
  USUAL_CART_DRIVE_MIN,
  USUAL_HARVEST_COSTS,
  USUAL_HOME_PIT,
  type HaulView,
} from '@fanega/core';
import type { Farm } from '../../../data/farm';
import type { Box, Values } from '../../../ui/form/box';
import { between, figureBox } from '../../../widgets/record-boxes';
import {
  areaRate,
  bushels,
  count,
  dollarsTyped,
  cropYield,
  grainRate,
  hours,
  minutes,
  plain,
  type Kind,
} from '../../../quantity/quantity';

/** Where trucks go: '' is home, the wet bin. */
export type To = string;
export type TimesFrom = 'tickets' | 'typed';

export type Key =
  | 'yield'
  | 'acres'
  | 'combines'
  | 'tank'
  | 'carts'
  | 'cart'
  | 'trucks'
  | 'road'
  | 'unload'
  | 'others'
  | 'dump'
  | 'leg'
  | 'wetBin'
  | 'wetHolds'
  | 'dryer'
  | 'begins'
  | 'ends'
  | 'opens'
  | 'closes'
  | 'truckCost'
  | 'combineCost';
export type Texts = Record<Key, string>;

/** The boxes as they stand on the page; which of them are asked depends on where the loads go. */
const GROUPS = {
  'Field and combines': ['yield', 'acres', 'combines', 'tank'],
  'Carts and trucks': ['carts', 'cart', 'road'],
  'At home': ['dump', 'leg', 'wetBin', 'wetHolds', 'dryer'],
  'At the buyer': ['unload', 'others', 'opens', 'closes'],
  'The day': ['begins', 'ends', 'truckCost', 'combineCost'],
} as const satisfies Readonly<Record<string, readonly Key[]>>;

export const LABELS: Readonly<Record<Key, string>> = {
  yield: 'Yield as it is',
  acres: 'Each cuts',
  combines: 'Combines',
  tank: 'Tank',
  carts: 'Carts',
  cart: 'Cart',
  trucks: 'Trucks, what each holds',
  road: 'Road, one way',
  dump: 'Weigh and open',
  leg: 'Leg',
  wetBin: 'Wet bin',
  wetHolds: 'in it now',
  dryer: 'Dryer',
  unload: 'Scale and pit',
  others: 'Other trucks an hour',
  opens: 'Opens',
  closes: 'Closes',
  begins: 'Cutting from',
  ends: 'until',
  truckCost: 'A truck and driver cost',
  combineCost: 'A combine and driver cost',
};

/** Boxes that are not asked: of a buyer at home and the other way about, and what own tickets tell. */
export const unasked = (to: To, times: TimesFrom): readonly Key[] =>
  to === ''
    ? GROUPS['At the buyer']
    : [...GROUPS['At home'], ...(times === 'tickets' ? (['unload', 'others'] as const) : [])];

export function groupsOf(
  to: To,
  times: TimesFrom,
): readonly { readonly title: string; readonly keys: readonly Key[] }[] {
  const not = unasked(to, times);
  return Object.entries(GROUPS)
    .map(([title, keys]) => ({ title, keys: keys.filter((key) => !not.includes(key)) }))
    .filter(({ keys }) => keys.length > 0);
}

const counted = (least: number, most: number): Box<number> => {
  const one = figureBox(between(least, most), count);
  return {
    ...one,
    read: (typed) => {
      const got = one.read(typed);
      return got.value !== undefined && !Number.isInteger(got.value)
        ? { error: `A whole number from ${least} to ${most}` }
        : got;
    },
  };
};

/** @param per kg of a bushel of what is cut */
export function trucksBoxes(per: number) {
  const figure = (kind: Kind, least: number, most: number) => figureBox(between(least, most), kind, { per });
  const sizes: Box<number[]> = {
    read: (typed) => {
      const value = readSizes(typed, per);
      return value.length > 0
        ? { value }
        : { error: `What each holds, like ${[940, 940, 960].map((size) => bushels.text(size, per)).join(', ')}` };
    },
    control: { unit: bushels.unit, inputMode: 'decimal' },
  };
  return {
    yield: figure(cropYield, 5, 400),
    acres: figure(areaRate, 0.5, 60),
    combines: counted(1, 10),
    tank: figure(bushels, 20, 2000),
    carts: counted(0, 10),
    cart: figure(bushels, 50, 5000),
    trucks: sizes,
    road: figure(minutes, 1, 300),
    dump: figure(minutes, 0, 120),
    leg: figure(grainRate, 100, 60_000),
    wetBin: figure(bushels, 50, 500_000),
    wetHolds: figure(bushels, 0, 500_000),
    dryer: figure(grainRate, 0, 20_000),
    unload: figure(minutes, 1, 240),
    others: figure(count, 0, 60),
    opens: figure(hours, 0, 23),
    closes: figure(hours, 1, 24),
    begins: figure(hours, 0, 23),
    ends: figure(hours, 1, 24),
    truckCost: figure(dollarsTyped, 0, 2000),
    combineCost: figure(dollarsTyped, 0, 5000),
  };
}
type DayValues = Values<ReturnType<typeof trucksBoxes>>;

const whole = (value: number): string => plain(value, 0);
const USUAL = { tank: 300, cart: 1000, truck: 900, rate: 1500, yieldBu: 180 };

/** The day as the farm knows it: its field, its machines, its roads. */
export function startTexts(
  farm: Farm,
  notebook: FieldRecords,
  rows: readonly FieldRow[],
  sheet: HaulTimes,
  to: To,
): Texts {
  const of = (kind: string) => farm.data.places.filter((place) => place.kind === kind);
  const sizes = (kind: string) => of(kind).flatMap((place) => (place.capacityBu === null ? [] : [place.capacityBu]));
  const per = farm.kgPerBu(cropCut(rows));
  /** Whole bushels: what stands there is a guess. */
  const about = (kind: Kind, value: number): string => kind.text(Math.round(value), per);
  const mean = (kind: string, otherwise: number): string =>
    about(bushels, sizes(kind).length === 0 ? otherwise : sizes(kind).reduce((a, b) => a + b, 0) / sizes(kind).length);
  const current = cutLast(rows);
  const facts = fieldFacts(farm, rows, notebook).find((fact) => fact.row === current);
  const base = facts?.crop.baseMoisture ?? 0.15;
  // Expected is dry at the base; combines and trucks have it as it is.
  const wetYield = facts?.expected
    ? (facts.expected * (1 - base)) / (1 - Math.min(0.5, current?.lastMoisture?.moisture ?? base))
    : USUAL.yieldBu;
  const combines = Math.max(1, of('combine').length);
  const rate = combineRate(farm, notebook, rows, cropCut(rows)) / combines;
  const wet = of('wetBin')[0];
  const moisture = current?.lastMoisture?.moisture ?? 0.18;
  const able = dryerOf(notebook);
  const dryer =
    able && moisture > able.dryTo + 0.002
      ? bushelPointsAt(able, 100 * (moisture - able.dryTo)) / (100 * (moisture - able.dryTo))
      : 1000;
  const hours = closesAt(farm, notebook, facts?.crop.id ?? 'corn', to);
  return {
    yield: about(cropYield, wetYield),
    acres: plain(areaRate.shown((rate >= 1 ? rate : USUAL.rate) / wetYield), 1),
    combines: String(combines),
    tank: mean('combine', USUAL.tank),
    carts: String(of('cart').length),
    cart: mean('cart', USUAL.cart),
    trucks: (sizes('truck').length === 0 ? [USUAL.truck] : sizes('truck'))
      .map((size) => about(bushels, size))
      .join(', '),
    road: whole(to === '' ? (sheet.roadMin['home'] ?? 5) : (sheet.roadMin[to] ?? 25)),
    unload: whole(sheet.unloadMin),
    others: String(sheet.othersPerHour),
    dump: String(USUAL_HOME_PIT.dumpMin),
    leg: about(grainRate, USUAL_HOME_PIT.legPerHour),
    wetBin: about(bushels, wet?.capacityBu ?? 3000),
    wetHolds: about(bushels, wet ? Math.min(wet.capacityBu ?? Infinity, farm.bushels(farm.held(wet.id).wetLots)) : 0),
    dryer: about(grainRate, Math.min(20_000, dryer)),
    begins: '10',
    ends: '20',
    opens: hours ? whole(hours.opens / 60) : '7',
    closes: hours ? whole(hours.closes / 60) : '19',
    truckCost: dollarsTyped.text(sheet.truckCostPerHour ?? USUAL_HARVEST_COSTS.truckPerHour),
    combineCost: dollarsTyped.text(sheet.combineCostPerHour ?? USUAL_HARVEST_COSTS.combinePerHour),
  };
}

const MOST_TRUCK_BU = 5000;

/** Sizes of trucks, "940, 940, 960"; empty where one is no truck. */
export function readSizes(text: string, per: number): number[] {
  const one = (part: string): number => bushels.read(part, { per }).value ?? NaN;
  const sizes = text
    .split(/;|\s+|,\s/)
    .filter(Boolean)
    .flatMap((part) => {
      const size = one(part);
      // "940,960" is two trucks, "1,000" is one.
      return size > MOST_TRUCK_BU || Number.isNaN(size) ? part.split(',').map(one) : [size];
    });
  return sizes.every((size) => size >= 50 && size <= MOST_TRUCK_BU) && sizes.length <= 40 ? sizes : [];
}

/**
 * What own rounds tell of the time at the buyer: from the last grain to the ticket, less tarp and road. Scale and pit take what they
 * usually take, one own truck after the other; the rest is the others' line, in which each waits for itself.
 */
export function atBuyer(
  times: OwnTimes,
  { tarpMin, unloadMin }: Pick<HaulTimes, 'tarpMin' | 'unloadMin'>,
  roadMin: number,
): { readonly pit: Minutes; readonly lineMin: number } {
  const there = Math.max(1, times.toTicket.mean - tarpMin - roadMin);
  const pit = Math.min(there, unloadMin);
  return { pit: { mean: pit, cv: 0.35 }, lineMin: there - pit };
}

/** bu/h that each combine brings */
export const rateOf = (value: Pick<DayValues, 'yield' | 'acres'>): number => value.yield * value.acres;

/** What does not fit together, by its box. */
export function dayErrors(value: DayValues, to: To, per: number): Partial<Record<Key, string>> {
  const rate = rateOf(value);
  return {
    ...(value.ends <= value.begins ? { ends: 'After it begins' } : {}),
    ...(to !== '' && value.closes <= value.opens ? { closes: 'After it opens' } : {}),
    ...(to === '' && value.wetHolds > value.wetBin ? { wetHolds: 'More than it holds' } : {}),
    ...(to === '' && value.trucks.some((size) => size > value.wetBin) ? { wetBin: 'At least one load' } : {}),
    ...(rate >= 50 && rate <= 8900
      ? {}
      : { acres: `No combine runs at that rate: ${grainRate.figure(50, per)} to ${grainRate(8900, per)}` }),
  };
}

/** The simulated day that the boxes describe. */
export function dayOf(
  value: DayValues,
  to: To,
  times: OwnTimes | null,
  sheet: Pick<HaulTimes, 'tarpMin' | 'unloadMin' | 'loadMin'>,
): HaulingDay {
  const sizes = value.trucks;
  const capacity = sizes.reduce((sum, size) => sum + size, 0) / sizes.length;
  const there = times && to !== '' ? atBuyer(times, sheet, value.road) : null;
  return {
    startHour: value.begins,
    stopHour: value.ends,
    combines: Array.from({ length: value.combines }, () => ({
      bushelsPerHour: rateOf(value),
      rateCv: 0.15,
      tank: value.tank,
      unloadPerHour: COMBINE_UNLOADS_PER_HOUR,
      onTheGo: true,
    })),
    carts: Array.from({ length: value.carts }, () => ({
      capacity: value.cart,
      // A truck takes as long to load here as in the look ahead.
      unloadPerHour: sheet.loadMin > 0 ? (60 * capacity) / sheet.loadMin : 60_000,
      drive: { mean: USUAL_CART_DRIVE_MIN, cv: 0.3 },
    })),
    trucks: sizes.map((size) => ({ capacity: size, tarpMin: sheet.tarpMin })),
    road: {
      out: { mean: value.road + (there?.lineMin ?? 0), cv: there && times ? Math.min(1, times.toTicket.cv) : 0.15 },
      back: { mean: value.road, cv: 0.15 },
    },
    destination:
      to === ''
        ? {
            kind: 'home',
            dump: { mean: value.dump, cv: 0.3 },
            legPerHour: value.leg,
            wetBin: value.wetBin,
            wetBinHolds: value.wetHolds,
            dryerPerHour: value.dryer,
          }
        : {
            kind: 'elevator',
            opens: value.opens,
            closes: value.closes,
            pits: 1,
            unload: there?.pit ?? { mean: value.unload, cv: 0.35 },
            // Own rounds have the others' line in them already.
            othersPerHour: there ? 0 : value.others,
          },
  };
}

/** Own rounds to a buyer, where there are enough of them. */
export const ownRounds = (haul: HaulView, to: To): OwnTimes | null => haul.times[to] ?? null;
