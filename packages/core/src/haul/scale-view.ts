import type { FarmView, MeasureEntry, TapeLine, WitnessEntry } from '../ledger/index.js';
import { calendarDay, RangeRefusal } from '../kernel/index.js';
import { CROPS } from '../crops/index.js';
import { instantOf, kgPerBushelOf } from '../ledger/index.js';
import {
  type EmptyWeightRecord,
  living,
  type LogEntry,
  type RecordsOf,
  type ScaleSetup,
  type SettingEntry,
  type SettingsOf,
  type TruckSetup,
  type WeightRulesSetting,
} from '../records/index.js';
import { KG_PER_LB } from '../units/index.js';
import { type AxleRules, type LegalLoad, legalLoad } from './axle-limits.js';
import {
  type AxleDoubt,
  axleDoubts,
  EMPTY_WEIGHT_RULES,
  type EmptyWeight,
  emptyWeightStanding,
  type EmptyWeightStanding,
  type LoadWithEmptyWeight,
} from './empty-weights.js';
import { type CurveLoad, curveLoads, type ScaleReading, STILL_CART, STILL_TRUCK_SCALE } from './scale.js';
import type { HaulView } from './view.js';
import { type Weighing, weighed } from './weights.js';

/** How a farm judges its weights where nobody said; common practice, no source. */
export const USUAL_WEIGHT_RULES: WeightRulesSetting = {
  tolerance: 0.005,
  tareOldDays: EMPTY_WEIGHT_RULES.oldAfterDays,
  tareTolerance: EMPTY_WEIGHT_RULES.tolerance,
};
export const weightRulesOf = (records: RecordsOf<never, 'weightRules'>): WeightRulesSetting =>
  records.settings.weightRules.farm?.value ?? USUAL_WEIGHT_RULES;

/** A device as far as a view needs it. */
export interface DeviceView {
  readonly id: string;
  readonly kind: string;
  readonly revoked: boolean;
}

/** A scale as the farm set it up, or as such a scale usually is. */
export function scaleSetupOf(
  records: RecordsOf<never, 'scaleSetup'> | undefined,
  device: DeviceView,
): SettingEntry<'scaleSetup'> {
  const usual = device.kind === 'truckScale' ? STILL_TRUCK_SCALE : STILL_CART;
  return (
    records?.settings.scaleSetup[device.id] ?? {
      revision: 0,
      value: { zeroKg: 0, withinKg: usual.withinKg, forSeconds: usual.forSeconds },
    }
  );
}

/** The curve with the zero taken off. */
export const zeroed = (curve: readonly ScaleReading[], zeroKg: number): ScaleReading[] =>
  curve.map(({ atMs, kg }) => ({ atMs, kg: kg - zeroKg }));

/** The device of a kind that belongs to a machine; a revoked one belongs to none. */
export const deviceAt = <D extends DeviceView>(
  devices: readonly D[],
  records: RecordsOf<never, 'scaleSetup'> | undefined,
  kind: D['kind'],
  placeId: string,
): D | undefined =>
  devices.find(
    (device) => device.kind === kind && !device.revoked && scaleSetupOf(records, device).value.placeId === placeId,
  );

export const weighingOf = (axlesKg: readonly number[]): Weighing =>
  axlesKg.length === 1 ? { kind: 'whole', kg: axlesKg[0]! } : { kind: 'axles', kg: axlesKg };

/** An empty weight with who took it. */
export type KeptEmptyWeight = EmptyWeight & { readonly axlesKg: readonly number[]; readonly by: string };

/** Empty weights of a truck, of all its combinations, newest first. */
export function emptyWeightsOf(records: RecordsOf<'emptyWeight'> | undefined, truckId: string): KeptEmptyWeight[] {
  const own = (entry: LogEntry<'emptyWeight'>): boolean => entry.body.machineId === truckId;
  const kept = ({ id, at, combination, axlesKg }: EmptyWeightRecord, by: string): KeptEmptyWeight => ({
    id,
    atMs: instantOf(at),
    combination,
    axlesKg,
    weighing: weighingOf(axlesKg),
    by,
  });
  return living(records?.logs.emptyWeight ?? [])
    .filter(own)
    .map(({ body, by }) => kept(body, by));
}

/** What a truck weighed empty last: by its last ticket that says so, or over the own scale; null where nobody weighed it. */
export function usualEmptyWeight(
  tape: readonly TapeLine[],
  records: RecordsOf<'emptyWeight'> | undefined,
  truckId: string,
): number | null {
  const tickets = tape.flatMap(({ entry, voided }) =>
    !voided && entry.type === 'move' && entry.from === truckId && entry.tareKg !== undefined
      ? [{ atMs: instantOf(entry.at), kg: entry.tareKg }]
      : [],
  );
  const own = emptyWeightsOf(records, truckId).map(({ atMs, weighing }) => ({ atMs, kg: weighed(weighing).kg }));
  return [...tickets, ...own].sort((a, b) => b.atMs - a.atMs)[0]?.kg ?? null;
}

/** A printed weight, as far as a view needs it. */
export interface TicketView {
  readonly number: number;
  readonly at: string;
  readonly machineId: string;
  readonly combination: string;
  readonly grossKg: readonly number[];
  readonly tareKg: readonly number[];
  readonly crop: string | null;
  readonly voided: boolean;
}
/** The hauling with the farm's own tickets. */
export type HaulWithTickets = HaulView & { readonly tickets: readonly TicketView[] };

/** Loaded weighings of a combination, axle by axle, newest first. */
export const loadedAxles = (haul: HaulWithTickets, combination: string): number[][] =>
  haul.tickets
    .filter((ticket) => !ticket.voided && ticket.combination === combination && ticket.grossKg.length > 1)
    .map((ticket) => [...ticket.grossKg]);

export interface WeighingView {
  readonly grossKg: number;
  /** Of what is taken off; null where the combination was never weighed empty. */
  readonly tareKg: number | null;
  readonly netKg: number | null;
  /** The empty weight is that of the paper. */
  readonly fromPaper: boolean;
  /** It weighs no more than empty: another truck, or nothing on it. */
  readonly nothingOn: boolean;
  readonly standing: EmptyWeightStanding | null;
  readonly tare: KeptEmptyWeight | null;
  readonly doubts: readonly AxleDoubt[];
  /** Something speaks against the empty weight: weigh empty first, or somebody says that it is right. */
  readonly stop: boolean;
}

/**
 * What stands on the truck scale comes to: gross, empty weight, net, and what speaks against it.
 * @param axlesKg one weight, or axles from the front @param fromPaperKg an empty weight that is typed from a paper stands above the kept one
 */
export function weighingView(
  records: RecordsOf<'emptyWeight', 'weightRules'>,
  haul: HaulWithTickets,
  truck: { readonly id: string; readonly combination: string },
  axlesKg: readonly number[],
  nowMs: number,
  fromPaperKg?: number,
): WeighingView {
  const { standing, tare } = emptyWeightNow(records, truck, nowMs);
  const grossKg = weighed(weighingOf(axlesKg)).kg;
  const doubts =
    axlesKg.length > 1
      ? axleDoubts(axlesKg, loadedAxles(haul, truck.combination), tare && tare.axlesKg.length > 1 ? tare.axlesKg : null)
      : [];
  const paper = fromPaperKg !== undefined && fromPaperKg >= 1 && fromPaperKg < grossKg;
  const tareKg = paper ? fromPaperKg : (standing?.kg ?? null);
  const netKg = tareKg === null ? null : grossKg - tareKg;
  return {
    grossKg,
    tareKg,
    netKg,
    fromPaper: paper,
    nothingOn: netKg !== null && netKg <= 0,
    standing,
    tare,
    doubts,
    stop: !paper && (doubts.length > 0 || standing?.weighEmpty === true || standing?.drifted === true),
  };
}

/** The empty weight of a combination that counts now, by the farm's rules. A phone's clock may run behind the scale's. */
export function emptyWeightNow(
  records: RecordsOf<'emptyWeight', 'weightRules'>,
  truck: { readonly id: string; readonly combination: string },
  nowMs: number,
): { readonly standing: EmptyWeightStanding | null; readonly tare: KeptEmptyWeight | null } {
  const { tareOldDays, tareTolerance } = weightRulesOf(records);
  const own = emptyWeightsOf(records, truck.id);
  const standing = emptyWeightStanding(own, truck.combination, Math.max(nowMs, ...own.map(({ atMs }) => atMs)), {
    oldAfterDays: tareOldDays,
    tolerance: tareTolerance,
  });
  return { standing, tare: standing && own.find((one) => one.id === standing.newest.id)! };
}

/** What a weighing says in the book: one load on the truck is weighed again, several are what the truck holds; nothing where the book has none on it. */
export function weighingEntry(
  truckId: string,
  heldKg: number,
  loads: readonly string[],
  common: {
    readonly id: string;
    readonly at: string;
    readonly device: string;
    readonly wetKg: number;
    readonly note: string;
  },
): WitnessEntry | MeasureEntry | null {
  if (heldKg < 1) return null;
  const [only, ...others] = loads;
  return only !== undefined && others.length === 0
    ? { ...common, method: 'bridge', type: 'witness', of: only }
    : { ...common, method: 'bridge', type: 'measure', place: truckId };
}

/** What a crop likely brings: what the hauling last heard of a price for it; null where it heard none. */
export const likelyPrice = (haul: HaulView, crop: string | null): number | null =>
  [...haul.unticketed, ...haul.tared].find((load) => load.crop === crop && load.pricePerBu !== null)?.pricePerBu ??
  null;

/** Loads that were weighed with an empty weight of a truck. Those without a ticket of ours are a combination's where the truck has only one. */
export function loadsWithEmptyWeight(
  haul: HaulWithTickets,
  records: RecordsOf<'emptyWeight'>,
  truckId: string,
  combination: string,
): LoadWithEmptyWeight[] {
  const pounds = (crop: string | null): number => kgPerBushelOf(crop ?? undefined) / KG_PER_LB;
  const alone = new Set([combination, ...emptyWeightsOf(records, truckId).map((one) => one.combination)]).size === 1;
  return [
    ...haul.tickets
      .filter((ticket) => !ticket.voided && ticket.machineId === truckId)
      .map((ticket) => ({
        id: String(ticket.number),
        atMs: instantOf(ticket.at),
        combination: ticket.combination,
        grossKg: weighed(weighingOf(ticket.grossKg)).kg,
        tareKg: weighed(weighingOf(ticket.tareKg)).kg,
        legalPounds: pounds(ticket.crop),
        pricePerBu: likelyPrice(haul, ticket.crop),
      })),
    ...haul.tared
      .filter((load) => load.truck === truckId && alone)
      .map((load) => ({
        id: load.entry.id,
        atMs: instantOf(load.entry.at),
        combination,
        grossKg: load.grossKg,
        tareKg: load.tareKg,
        legalPounds: pounds(load.crop),
        pricePerBu: load.pricePerBu ?? likelyPrice(haul, load.crop),
      })),
  ];
}

/** A cart that is lighter than the book by less than this has only moved. */
const POURED_KG = 100;

export interface LegalView {
  readonly setup: TruckSetup | null;
  /** The permit where it holds today, on the road that is asked about. */
  readonly permit: TruckSetup['permit'] | null;
  /** Why a permit that the truck has is not counted. */
  readonly permitNot: 'date' | 'road' | null;
  /** Grain that carts are pouring onto it now, by cart. */
  readonly pouring: readonly { readonly cart: string; readonly kg: number }[];
  readonly onKg: number;
  /** Was it weighed empty axle by axle? Spread over the axles otherwise. */
  readonly emptyByAxle: boolean;
  readonly everWeighedEmpty: boolean;
  readonly legal: LegalLoad | null;
  readonly problem: RangeRefusal | null;
  /** Bushels that may still go on, by the law, by the space, and the lesser of them; null where nobody knows. */
  readonly roomByWeight: number | null;
  readonly roomByVolume: number | null;
  readonly room: number | null;
}

/**
 * How much may still go on a truck, also while a cart unloads: what its scale is lighter than the book is on the truck already.
 * @param weightOf the newest weight of a device, kg, zero taken off; undefined where it is silent
 * @param testWeight lb/bu: struck capacity is space, what goes in weighs by the test weight
 * @param to the buyer to whom it goes: a permit that names roads holds on those only
 */
export function legalView(
  farm: FarmView,
  records: RecordsOf<'emptyWeight', 'truckSetup' | 'scaleSetup'> & {
    readonly settings: Partial<SettingsOf<'buyerFacts'>>;
  },
  devices: readonly DeviceView[],
  weightOf: (device: DeviceView) => number | undefined,
  truckId: string,
  cropId: string,
  testWeight: number | null,
  to?: string,
): LegalView {
  const setup = records.settings.truckSetup[truckId]?.value ?? null;
  const pouring = devices.flatMap((device) => {
    const cart =
      device.kind === 'cartScale' && !device.revoked ? scaleSetupOf(records, device).value.placeId : undefined;
    if (cart === undefined) return [];
    const now = weightOf(device);
    const book = farm.held(cart).wetKg;
    return now !== undefined && book - now > POURED_KG ? [{ cart, kg: book - Math.max(0, now) }] : [];
  });
  const onKg = farm.held(truckId).wetKg + pouring.reduce((sum, cart) => sum + cart.kg, 0);
  const today = calendarDay(farm.data.now, farm.data.farm.timeZone);
  const held = setup?.permit;
  const permitNot =
    held === undefined
      ? null
      : held.from > today || today > held.until
        ? 'date'
        : setup?.permitRoads !== undefined && !setup.permitRoads.includes(to ?? '')
          ? 'road'
          : null;
  const permit = held !== undefined && permitNot === null ? held : null;
  const own = setup ? emptyWeightsOf(records, truckId).filter((one) => one.combination === setup.combination) : [];
  const byAxle = own.find((one) => one.axlesKg.length === setup?.axles.length);
  let legal: LegalLoad | null = null;
  let problem: RangeRefusal | null = null;
  if (setup && own.length > 0) {
    const emptyKg = byAxle ? byAxle.axlesKg : spread(weighed(own[0]!.weighing).kg, setup.axles.length);
    const percentGross = permit?.percentGross ?? 0;
    // What may be on the buyer's own scale or road no permit lifts.
    const most = to === undefined ? undefined : records.settings.buyerFacts?.[to]?.value.grossLimitLb;
    const rules: AxleRules = {
      single: setup.singleLb,
      tandem: setup.tandemLb,
      gross: Math.min(setup.grossLb, (most ?? Infinity) / (1 + percentGross / 100)),
      permitPercent: { axles: permit?.percentAxles ?? 0, gross: percentGross },
    };
    try {
      legal = legalLoad(
        setup.axles.map((axle, i) => ({ ...axle, emptyKg: emptyKg[i]! })),
        onKg,
        rules,
      );
    } catch (error) {
      if (!(error instanceof RangeRefusal)) throw error;
      problem = error;
    }
  }
  const kgPerBu = farm.kgPerBu(cropId);
  const capacity = farm.place(truckId)?.capacityBu ?? null;
  const roomByVolume =
    capacity === null || testWeight === null ? null : (capacity * testWeight * KG_PER_LB - onKg) / kgPerBu;
  const roomByWeight = legal === null ? null : legal.roomKg / kgPerBu;
  return {
    setup,
    permit,
    permitNot,
    pouring,
    onKg,
    emptyByAxle: byAxle !== undefined,
    everWeighedEmpty: own.length > 0,
    legal,
    problem,
    roomByWeight,
    roomByVolume,
    room: roomByWeight === null ? null : Math.min(roomByWeight, roomByVolume ?? Infinity),
  };
}

/** A whole empty weight spread evenly: right for the gross, a guess for the axles, and said to be one. */
const spread = (kg: number, axles: number): number[] => Array.from({ length: axles }, () => kg / axles);

/** An entry of the same direction around a load's time is that load: a person was faster, or the scale's own wire. */
const BEFORE_MS = 120_000;
const AFTER_MS = 240_000;

/** Loads that a scale's curve shows and the book does not have yet. */
export function offeredLoads(
  tape: readonly TapeLine[],
  curve: readonly ScaleReading[],
  setup: ScaleSetup,
): CurveLoad[] {
  if (!setup.placeId) return [];
  let loads: CurveLoad[];
  try {
    loads = curveLoads(zeroed(curve, setup.zeroKg), setup);
  } catch (error) {
    if (error instanceof RangeRefusal) return [];
    throw error;
  }
  const own = tape.flatMap(({ entry, voided }) => {
    if (voided || (entry.type !== 'harvest' && entry.type !== 'move')) return [];
    const side =
      entry.to === setup.placeId ? 'loaded' : 'from' in entry && entry.from === setup.placeId ? 'unloaded' : null;
    return side === null ? [] : [{ side, at: instantOf(entry.at) }];
  });
  return loads.filter(
    (load) =>
      !own.some(({ side, at }) => side === load.kind && at >= load.fromMs - BEFORE_MS && at <= load.toMs + AFTER_MS),
  );
}

/** What a legal figure is counted for where nobody chose: the crop on the truck, else the one that is cut. */
export function likelyCrop(farm: FarmView, truckId: string): string {
  const last = farm.data.tape.flatMap(({ entry, voided }) =>
    !voided && entry.type === 'harvest' ? [entry.lot] : [],
  )[0];
  return farm.cropOf(farm.held(truckId).lots) ?? farm.lot(last ?? '')?.crop ?? CROPS.corn.id;
}
