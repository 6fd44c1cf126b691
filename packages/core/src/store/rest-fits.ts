import { type Crop, cropOf, CROPS } from '../crops/index.js';
import { quickDryingCost, WET_ABOVE } from '../dry/index.js';
import { fieldFacts, type FieldRow } from '../fields/index.js';
import { timesFrom, windowAt, windowFor } from '../records/index.js';
import { baseMoistureOf, type FarmView, type PlaceInfo, UNKNOWN_LOT } from '../ledger/index.js';
import type { DryerSetup, HaulTimes, PlaceState, RecordsOf, RestRules, SettingsOf } from '../records/index.js';
import {
  allocate,
  type Allocation,
  type AllocationInput,
  type Destination,
  type Lane,
  type LinearSolver,
  termsOf,
  valueOfMoisture,
  type Offers,
} from '../sell/index.js';
import { dryBushels, kilogramsPerBushel } from '../units/index.js';
import { placeNow } from './place-state.js';

/** Grain that needs a place: a field's rest, or what is wet or on wheels. */
export interface RestSource {
  readonly id: string;
  readonly kind: 'field' | 'place';
  /** Field or place. */
  readonly subject: string;
  readonly crop: string;
  /** At the crop's base. */
  readonly bushels: number;
  /** As it will come: as read, or where it is still wetter than the window the window's top; wet-basis fraction. */
  readonly moisture: number;
  readonly acres: number;
  /** bu/ac at the base; null of a place. */
  readonly expected: number | null;
  /** Nobody has read it: the window's top is taken. */
  readonly guessed: boolean;
}

/** Why a place takes nothing. */
export type LeftOutWhy = 'out of service' | 'size not known' | 'wet grain in it' | 'full' | 'grain of others';

export interface RestPlace {
  readonly id: string;
  readonly crops: readonly string[];
  /** Bushels at base that go in yet. */
  readonly room: number;
  /** Out of service until then, ms: it counts because that is before all is in. */
  readonly backMs: number | null;
}

/** What stands, where it can go, and what there is of hours: the question before any answer. */
export interface RestQuestion {
  readonly sources: readonly RestSource[];
  readonly places: readonly RestPlace[];
  readonly leftOut: readonly {
    readonly id: string;
    readonly why: LeftOutWhy;
    readonly reason: string | null;
    readonly backMs: number | null;
  }[];
  /** Fields of which nobody knows what they will bring. */
  readonly unknown: readonly string[];
  /** Crops without a price: their bushels count, their dollars do not. */
  readonly noPrice: readonly string[];
  readonly days: number;
  readonly dryer: { readonly hours: number; readonly bushelPointsPerHour: number } | null;
  readonly trucks: { readonly hours: number; readonly count: number; readonly loadBu: number } | null;
  readonly input: AllocationInput;
}

export interface RestFarm {
  readonly farm: FarmView;
  readonly rows: readonly FieldRow[];
  readonly fields: RecordsOf<never, 'cuttingWindow' | 'nextFieldPlan'> & {
    readonly settings: Partial<SettingsOf<'buyerRoads'>>;
  };
  readonly states: Readonly<Record<string, { readonly value: PlaceState }>>;
  readonly rules: RestRules & { readonly days: number };
  /** null: nothing is dried here. */
  readonly dryer: Pick<
    DryerSetup,
    'fuelPerPointBushel' | 'fuelPrice' | 'kWhPerPointBushel' | 'powerPrice' | 'bushelPointsPerHour'
  > | null;
  readonly times: HaulTimes | null;
  /** What buyers give today; left out: by the windows. */
  readonly offers?: Offers;
  readonly nowMs: number;
}

const DAY = 86_400_000;
/** The road home, as hauling times name it. */
const HOME = 'home';
/** Below this a place is swept, a field's rest an edge. */
const LEAST_BU = 1;
const WAITS = ['combine', 'cart', 'truck', 'pit', 'wetBin', 'dryer'];
/** No truck is needed from there into a bin. */
const ON_SITE = ['pit', 'wetBin', 'dryer'];
const KEEPS = ['bin', 'pile'];
/** $/bu: every bushel is better in some place than in none, whatever its dock. */
const LEAST_VALUE = 0.001;

/** What still needs a place, the places, and the lanes between them with what a bushel is worth there. Common practice, no source. */
export function restQuestion({
  farm,
  rows,
  fields,
  states,
  rules,
  dryer,
  times,
  offers,
  nowMs,
}: RestFarm): RestQuestion {
  const { defaults } = farm.data.farm;
  const baseOf = (crop: string): number => baseMoistureOf(crop, defaults);
  const cropFor = (id: string): Crop => cropOf(id) ?? CROPS.corn;
  const atBase = (dryKg: number, crop: string): number => dryBushels(dryKg, cropFor(crop).legalPounds, baseOf(crop));
  const own = (crop: string) => windowFor(fields, crop, null)?.value;

  const facts = fieldFacts(farm, rows, fields);
  const unknown = facts
    .filter(({ acresLeft, expected }) => acresLeft > 0 && expected === null)
    .map((f) => f.row.lot.fieldName);
  const sources: RestSource[] = facts.flatMap(({ row, crop, expected, acresLeft, cuttingToday }): RestSource[] => {
    const bushels = acresLeft * (expected ?? 0);
    if (bushels < LEAST_BU) return [];
    const top = own(crop.id)?.bestTo ?? baseOf(crop.id) + 0.03;
    const read = row.lastMoisture?.moisture ?? null;
    const moisture = read === null ? top : cuttingToday ? read : Math.min(read, top);
    const { id, fieldName } = row.lot;
    return [{ id: `field ${id}`, kind: 'field', subject: fieldName, crop: crop.id, bushels, moisture, acres: acresLeft, expected, guessed: read === null }]; // prettier-ignore
  });
  for (const place of farm.data.places) {
    if (!WAITS.includes(place.kind)) continue;
    const held = farm.held(place.id);
    const crop = farm.cropOf(held.lots);
    if (crop === undefined || held.moisture === null) continue;
    const bushels = atBase(held.dryKg, crop);
    if (bushels < LEAST_BU) continue;
    sources.push({ id: `place ${place.id}`, kind: 'place', subject: place.name, crop, bushels, moisture: held.moisture, acres: 0, expected: null, guessed: false }); // prettier-ignore
  }

  const crops = [...new Set(sources.map(({ crop }) => crop))];
  const ownersIn = (lots: Readonly<Record<string, number>>): string[] =>
    farm
      .owners(Object.fromEntries(Object.entries(lots).filter(([lot]) => lot !== UNKNOWN_LOT)))
      .map(({ owner }) => owner);
  const ends = nowMs + rules.days * DAY;
  const leftOut: RestQuestion['leftOut'][number][] = [];
  const places: RestPlace[] = [];
  const ownersOfPlace = new Map<string, readonly string[]>();
  for (const place of farm.data.places) {
    if (!KEEPS.includes(place.kind)) continue;
    const state = placeNow(states[place.id]?.value, nowMs);
    const held = farm.held(place.id);
    const heldBu = farm.bushels(held.wetLots);
    const there = heldBu >= LEAST_BU ? farm.cropOf(held.lots) : undefined;
    const room = place.capacityBu === null ? 0 : place.capacityBu - heldBu;
    const out = state.out && (state.backMs === null || state.backMs >= ends);
    const why: LeftOutWhy | null = out
      ? 'out of service'
      : place.capacityBu === null
        ? place.kind === 'pile' && heldBu < LEAST_BU
          ? null
          : 'size not known'
        : room < LEAST_BU
          ? 'full'
          : there !== undefined && held.moisture !== null && held.moisture > baseOf(there) + WET_ABOVE
            ? 'wet grain in it'
            : null;
    if (why !== null) {
      leftOut.push({ id: place.id, why, reason: out ? state.why : null, backMs: out ? state.backMs : null });
      continue;
    }
    if (place.capacityBu === null) continue;
    const takes = there !== undefined ? [there] : place.reservedFor ? [place.reservedFor] : crops;
    const fitting = takes.filter((crop) => crops.includes(crop));
    if (there !== undefined) ownersOfPlace.set(place.id, ownersIn(held.wetLots));
    places.push({ id: place.id, crops: fitting.length > 0 ? fitting : takes, room, backMs: state.backMs });
  }

  const dryerHours = dryer === null ? null : dryer.bushelPointsPerHour > 0 ? rules.days * rules.dryerHoursPerDay : 0;
  const trucks = farm.data.places.filter(({ kind, capacityBu }) => kind === 'truck' && (capacityBu ?? 0) > 0);
  const loadBu = trucks.reduce((sum, { capacityBu }) => sum + capacityBu!, 0) / Math.max(1, trucks.length);
  const truckHours = trucks.length === 0 || times === null ? null : trucks.length * rules.days * rules.truckHoursPerDay;
  const onSite = new Set(farm.data.places.filter(({ kind }) => ON_SITE.includes(kind)).map(({ id }) => `place ${id}`));
  /** h of a truck for a bushel from a source: a field may have a road of its own. */
  const cycleHours = (source: RestSource | null, to: string): number => {
    if (times === null || loadBu === 0) return 0;
    const lot = source?.kind === 'field' ? facts.find(({ row }) => `field ${row.lot.id}` === source.id)?.row.lot : undefined; // prettier-ignore
    const { roadMin } = timesFrom(times, fields, lot?.fieldId);
    return (2 * (roadMin[to] ?? 0) + times.loadMin + times.tarpMin + times.unloadMin) / 60 / loadBu;
  };
  const aPoint = dryer
    ? quickDryingCost(1, dryer.fuelPerPointBushel, dryer.fuelPrice, dryer.kWhPerPointBushel, dryer.powerPrice)
    : 0;

  const noPrice = crops.filter((crop) => !((own(crop)?.price ?? 0) > 0));
  const buyers = farm.data.places.filter(({ kind }) => kind === 'buyer');
  const lanes: Lane[] = [];
  const lanesTo = (source: RestSource, place: PlaceInfo | RestPlace): void => {
    const crop = cropFor(source.crop);
    const base = baseOf(source.crop);
    const pounds = kilogramsPerBushel(crop.legalPounds);
    /** Wet bushels as they come for one at base. */
    const wet = (1 - base) / (1 - source.moisture);
    const points = Math.max(0, 100 * (source.moisture - base));
    const drying = points > 100 * WET_ABOVE ? wet * points : 0;
    const dries = drying > 0 && dryer !== null;
    const lane = (to: string, way: 'wet' | 'dried', value: number, road: string): void => {
      const hours = road === HOME && onSite.has(source.id) ? 0 : cycleHours(source, road);
      lanes.push({
        from: source.id,
        to,
        way,
        value: Math.max(LEAST_VALUE, value - hours * (times?.truckCostPerHour ?? 0)),
        ...(hours > 0 ? { hoursPerBushel: hours } : {}),
        ...(way === 'dried' && dries ? { dryerHoursPerBushel: drying / Math.max(1, dryer.bushelPointsPerHour) } : {}),
      });
    };
    if ('room' in place) {
      if (!place.crops.includes(source.crop) || (drying > 0 && dryer === null)) return;
      const owners = ownersOfPlace.get(place.id);
      if (owners && owners.length > 0 && source.kind === 'field') {
        const lot = facts.find(({ row }) => `field ${row.lot.id}` === source.id)!.row.lot;
        if (!ownersIn({ [lot.id]: 1 }).some((owner) => owners.includes(owner))) return;
      }
      const price = own(source.crop)?.price ?? 0;
      lane(place.id, 'dried', price + rules.storedWorth - drying * aPoint, HOME);
      return;
    }
    const window = windowAt(fields, source.crop, place.id);
    if (!window) return;
    const to = `${place.id} ${source.crop}`;
    const offer = offers?.(source.crop, place.id) ?? null;
    const price = offer?.price ?? window.price;
    const value = valueOfMoisture(offer?.terms ?? termsOf(window, crop.legalPounds, base), price)(source.moisture);
    if (value !== null) lane(to, 'wet', value * pounds * wet, place.id);
    if (dries) lane(to, 'dried', price - drying * aPoint, place.id);
  };
  for (const source of sources) {
    for (const place of places) lanesTo(source, place);
    for (const buyer of buyers) lanesTo(source, buyer);
  }
  const outlets = new Set(lanes.map(({ to }) => to));
  const total = Math.ceil(sources.reduce((sum, { bushels }) => sum + bushels, 0)) + 1;
  /** What the trucks can bring there while it is open, bu. */
  const takes = (buyer: string, crop: string): number => {
    const window = windowAt(fields, crop, buyer);
    const open = Math.min(rules.truckHoursPerDay, (window?.closesAt ?? 24) - (window?.opensAt ?? 0));
    const hours = cycleHours(null, buyer);
    return truckHours === null || hours === 0 ? total : Math.min(total, (trucks.length * rules.days * open) / hours);
  };
  const destinations: Destination[] = [
    ...places.map(({ id, crops: takes, room }): Destination => ({ id, kind: 'bin', crop: takes, most: room })),
    ...buyers.flatMap(({ id }) =>
      crops
        .map((crop): Destination => ({ id: `${id} ${crop}`, kind: 'buyer', crop, most: takes(id, crop) }))
        .filter((one) => outlets.has(one.id)),
    ),
  ];
  return {
    sources,
    places,
    leftOut,
    unknown,
    noPrice,
    days: rules.days,
    dryer: dryer === null ? null : { hours: dryerHours ?? 0, bushelPointsPerHour: dryer.bushelPointsPerHour },
    trucks: truckHours === null ? null : { hours: truckHours, count: trucks.length, loadBu },
    input: {
      sources: sources.map(({ id, crop, bushels }) => ({ id, crop, bushels })),
      destinations,
      lanes,
      ...(truckHours === null ? {} : { truckHours }),
      ...(dryerHours === null ? {} : { dryerHours }),
    },
  };
}

/** How the rest is shared out: into the own bins first, or for the most money. */
export type RestBy = 'room' | 'money';

export interface RestCrop {
  readonly crop: string;
  /** Bushels at base that need a place. */
  readonly comes: number;
  /** Of them into the own bins, at most. */
  readonly home: number;
  /** Of them beyond the bins. */
  readonly over: number;
}

/** The whole loads that a bin still takes, and what of the one after them finds room. */
export interface PartLoad {
  readonly place: string;
  readonly whole: number;
  /** bu of the load that only partly fits; 0 where it comes out even */
  readonly part: number;
}

export interface RestAnswer {
  /** All of it goes into the own bins. */
  readonly fits: boolean;
  readonly comes: number;
  readonly home: number;
  readonly over: number;
  /** Room that is left in the bins then, bu. */
  readonly spare: number;
  readonly crops: readonly RestCrop[];
  readonly plans: Readonly<Record<RestBy, Extract<Allocation, { kind: 'plan' }>>>;
  /** Bins that one bushel more of room, or hours of which one more, would bring more home. */
  readonly binds: readonly { readonly id: string; readonly bushels: number }[];
  readonly lastLoads: Readonly<Record<RestBy, readonly PartLoad[]>>;
}

/** A bushel at a buyer's counts so little against one in the own bin that none is sent away while there is room. */
const AWAY = 0.001;
/** Less than this is the solver's, not grain. */
const CRUMB = 0.5;

function planned(input: AllocationInput, solve: LinearSolver): Extract<Allocation, { kind: 'plan' }> {
  const plan = allocate(input, solve);
  // No place asks for a least, so there is always a plan.
  if (plan.kind !== 'plan') throw new Error('a plan without demands cannot be impossible');
  return { ...plan, flows: plan.flows.filter(({ bushels }) => bushels >= CRUMB), left: plan.left.filter(({ bushels }) => bushels >= CRUMB) }; // prettier-ignore
}

/**
 * Whether the rest goes into the own bins, and who goes where: once with as much as possible at home, once for the most money.
 * @param solve `loadSolver()` of `@fanega/core/solver`
 */
export function restAnswer(question: RestQuestion, solve: LinearSolver): RestAnswer {
  const { sources, places, input, trucks } = question;
  const isBin = new Set(places.map(({ id }) => id));
  const byRoom: AllocationInput = {
    ...input,
    lanes: input.lanes.map((lane) => ({ ...lane, value: isBin.has(lane.to) ? 1 : AWAY })),
  };
  const room = planned(byRoom, solve);
  const money = planned(input, solve);
  const comes = sources.reduce((sum, { bushels }) => sum + bushels, 0);
  const into = (crop: string | null): number =>
    room.flows.reduce((sum, { from, to, bushels }) => {
      const own = isBin.has(to) && (crop === null || sources.find(({ id }) => id === from)!.crop === crop);
      return own ? sum + bushels : sum;
    }, 0);
  const home = into(null);
  const crops = [...new Set(sources.map(({ crop }) => crop))].map((crop): RestCrop => {
    const needs = sources.filter((one) => one.crop === crop).reduce((sum, { bushels }) => sum + bushels, 0);
    const kept = into(crop);
    return { crop, comes: needs, home: kept, over: Math.max(0, needs - kept) };
  });
  const load = trucks?.loadBu ?? 0;
  const lastLoads = (plan: Extract<Allocation, { kind: 'plan' }>): PartLoad[] =>
    load <= 0
      ? []
      : plan.fills.flatMap(({ id, bushels, full }): PartLoad[] => {
          if (!isBin.has(id) || !full || bushels < CRUMB) return [];
          const whole = Math.floor(bushels / load + 1e-9);
          const part = bushels - whole * load;
          return [{ place: id, whole, part: part < LEAST_BU ? 0 : part }];
        });
  const over = Math.max(0, comes - home);
  return {
    fits: over < LEAST_BU,
    comes,
    home,
    over: over < LEAST_BU ? 0 : over,
    spare: Math.max(0, places.reduce((sum, one) => sum + one.room, 0) - home),
    crops,
    plans: { room, money },
    binds: room.shadows.filter(({ worth }) => worth > 2 * AWAY).map(({ id, worth }) => ({ id, bushels: worth })),
    lastLoads: { room: lastLoads(room), money: lastLoads(money) },
  };
}
