import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { KG_PER_LB, MASS, MOISTURE, PRICE } from '../units/index.js';
import { type MoistureTerms, valueOfMoisture } from '../sell/index.js';
import { truckCycle } from './queue.js';

export const DRYER_DOWN: Formula = {
  id: 'dryer-down',
  title: 'When the dryer dies: the ways out',
  equation:
    'haul wet: loads = bushels / truck, rounded up; rounds = loads / trucks, rounded up; start by = closing - road - (rounds - 1) x round - load - tarp; $ = kg x what the buyer pays at that moisture. Wait: $ = dry value - drying, of what lasts until then',
  standing: 'common practice',
  source: 'Arithmetic of loads, the buyer’s own schedule, the keeping tables',
  inputs: [MASS, MOISTURE, quantity('minutes of a round', 0.01, 50_000, 'min')],
  note: 'Grain that does not last is counted as lost to the buyer’s discounts at half its value: nobody knows what he will take it for.',
};

/** Wet grain at home and on wheels, and until when it lasts. */
export interface WetParcel {
  readonly wetKg: number;
  readonly moisture: number;
  /** ms; null: at once */
  readonly dueMs: number | null;
}

/** A buyer that might take it wet. */
export interface WetBuyer {
  readonly id: string;
  readonly name: string;
  readonly terms: MoistureTerms;
  readonly price: number;
  readonly opensMs: number;
  readonly closesMs: number;
  readonly roadMin: number;
  readonly lineMin: number;
}

export interface DryerDownInput {
  readonly now: number;
  /** When the repair is expected to be done, ms. */
  readonly repairedMs: number;
  readonly parcels: readonly WetParcel[];
  readonly legalPounds: number;
  readonly buyers: readonly WetBuyer[];
  /** Trucks that run, and what they carry in the mean, bu. */
  readonly trucks: number;
  readonly truckBu: number;
  readonly loadMin: number;
  readonly tarpMin: number;
  readonly unloadMin: number;
  /** At home: what it is dried to, what that costs a point and wet bushel, what a dry bushel brings, and how fast. */
  readonly dryTo: number;
  readonly dryingPerPointBushel: number;
  readonly dryPrice: number;
  readonly dryerBushelsPerHour: number;
  /** Another dryer that somebody offers: its rate and its charge; left out: none. */
  readonly other?: { readonly bushelsPerHour: number; readonly perPointBushel: number; readonly roadMin: number };
  /** The combines: what an hour of standing costs, and hours of cutting that are left today. */
  readonly combineCostPerHour: number;
  readonly cuttingHoursLeft: number;
}

/** One way out, in bushels, hours and dollars. */
export interface WayOut {
  readonly way: 'haul wet' | 'wait' | 'other dryer' | 'stop cutting';
  /** The buyer, by id; empty otherwise. */
  readonly to: string;
  readonly name: string;
  readonly bushels: number;
  /** Bushels that it does not save: over the buyer's limit, past closing, or past their deadline. */
  readonly leftBushels: number;
  readonly loads: number;
  /** Start by then to get all of it there before closing, and the last dump if begun now; ms. */
  readonly startByMs: number | null;
  readonly lastMs: number | null;
  readonly hours: number;
  /** $ that all of the wet grain brings this way; for stopping: what it costs, below zero. */
  readonly money: number;
  /** $ behind the best way; 0 for it. */
  readonly behind: number;
}

const MINUTE = 60_000;
const HOUR = 3_600_000;
/** Of its value, what grain that spoiled still brings; nobody knows, and the note says so. */
const SPOILED = 0.5;

/**
 * The ways out side by side, the most dollars first; stopping the combines is beside them, since it saves no wet grain.
 * Range and source: {@link DRYER_DOWN}.
 */
export function dryerDown(input: DryerDownInput): WayOut[] {
  const { now, parcels } = input;
  requireInRange('time', now, 0, 1e14, 'ms');
  requireInRange('end of the repair', input.repairedMs, now, 1e14, 'ms');
  requireInRange('wet parcels', parcels.length, 0, 10_000, '');
  requireInRange('trucks', input.trucks, 0, 40, '');
  requireInRange('truck', input.truckBu, 1, 5000, 'bu');
  requireInRange('drying', input.dryingPerPointBushel, 0, 10, '$/point/bu');
  requireInRange('cost of a combine', input.combineCostPerHour, 0, 50_000, '$/h');
  requireInRange('hours of cutting left', input.cuttingHoursLeft, 0, 24, 'h');
  requireInRange('dryer', input.dryerBushelsPerHour, 0, 1e6, 'bu/h');
  within(MOISTURE, input.dryTo);
  within(PRICE, input.dryPrice);
  const kgPerBu = requireInRange('legal bushel weight', input.legalPounds, 1, 200, 'lb/bu') * KG_PER_LB;
  for (const parcel of parcels) {
    within(MASS, parcel.wetKg);
    within(MOISTURE, parcel.moisture);
    requireInRange('deadline', parcel.dueMs ?? 0, 0, 1e15, 'ms');
  }
  const all = parcels.reduce((sum, { wetKg }) => sum + wetKg, 0) / kgPerBu;
  /** What a parcel brings dried at home, before drying; and its points. */
  const dryValue = ({ wetKg, moisture }: WetParcel): number =>
    ((wetKg * (1 - moisture)) / (1 - Math.min(moisture, input.dryTo)) / kgPerBu) * input.dryPrice;
  const points = ({ moisture }: WetParcel): number => Math.max(0, 100 * (moisture - input.dryTo));
  const dried = (parcel: WetParcel, perPoint: number): number =>
    dryValue(parcel) - (parcel.wetKg / kgPerBu) * points(parcel) * perPoint;
  const spoils = (parcel: WetParcel, by: number): boolean => parcel.dueMs === null || parcel.dueMs < by;
  const ways: Omit<WayOut, 'behind'>[] = [];

  for (const buyer of input.buyers) {
    requireInRange('road', buyer.roadMin, 0, 1440, 'min');
    requireInRange('line', buyer.lineMin, 0, 1440, 'min');
    requireInRange('closing', buyer.closesMs, buyer.opensMs, 1e14, 'ms');
    const pays = valueOfMoisture(buyer.terms, buyer.price);
    const taken = parcels.filter(({ moisture }) => pays(moisture) !== null);
    const bushels = taken.reduce((sum, { wetKg }) => sum + wetKg, 0) / kgPerBu;
    const loads = Math.max(0, Math.ceil(bushels / input.truckBu - 1e-9));
    const { minutes: round } = truckCycle({
      loadMin: input.loadMin,
      roadMin: buyer.roadMin,
      unloadMin: input.unloadMin,
      waitMin: input.tarpMin + buyer.lineMin,
      bushels: input.truckBu,
    });
    const there = input.loadMin + input.tarpMin + buyer.roadMin;
    const rounds = input.trucks === 0 ? Infinity : Math.ceil(loads / input.trucks);
    /** Minutes from the start until the last truck is in line. */
    const span = loads === 0 ? 0 : there + (rounds - 1) * round;
    const startByMs = Number.isFinite(span) && loads > 0 ? buyer.closesMs - span * MINUTE : null;
    // Begun now: how many rounds still get in line today.
    const open = Math.max(0, (buyer.closesMs - now) / MINUTE);
    const fit =
      input.trucks === 0 || open < there ? 0 : Math.min(rounds, 1 + Math.floor((open - there) / round + 1e-9));
    const hauled = Math.min(bushels, fit * input.trucks * input.truckBu);
    const share = bushels > 0 ? hauled / bushels : 0;
    const money =
      taken.reduce((sum, { wetKg, moisture }) => sum + wetKg * pays(moisture)!, 0) * share +
      // What stays waits for the dryer like everything else.
      parcels.reduce((sum, parcel) => {
        const part = taken.includes(parcel) ? 1 - share : 1;
        const value = dried(parcel, input.dryingPerPointBushel);
        return sum + part * (spoils(parcel, input.repairedMs) ? SPOILED * value : value);
      }, 0);
    ways.push({
      way: 'haul wet',
      to: buyer.id,
      name: buyer.name,
      bushels: hauled,
      leftBushels: all - hauled,
      loads: Math.max(0, Math.ceil(hauled / input.truckBu - 1e-9)),
      startByMs,
      lastMs:
        hauled > 0
          ? Math.max(now + (there + (fit - 1) * round) * MINUTE, buyer.opensMs) +
            (buyer.lineMin + input.unloadMin) * MINUTE
          : null,
      hours: hauled > 0 ? (there + (fit - 1) * round + buyer.lineMin + input.unloadMin) / 60 : 0,
      money,
    });
  }

  // Dried after the repair, the one with the nearest deadline first.
  const waiting = (
    readyMs: number,
    perHour: number,
    perPoint: number,
  ): { money: number; lost: number; doneMs: number } => {
    let at = readyMs;
    let [money, lost] = [0, 0];
    for (const parcel of [...parcels].sort((a, b) => (a.dueMs ?? 0) - (b.dueMs ?? 0))) {
      const bu = parcel.wetKg / kgPerBu;
      at += perHour > 0 ? (HOUR * bu) / perHour : 0;
      const late = spoils(parcel, at);
      money += (late ? SPOILED : 1) * dried(parcel, perPoint);
      if (late) lost += bu;
    }
    return { money, lost, doneMs: at };
  };
  const own = waiting(input.repairedMs, input.dryerBushelsPerHour, input.dryingPerPointBushel);
  ways.push({
    way: 'wait',
    to: '',
    name: '',
    bushels: all - own.lost,
    leftBushels: own.lost,
    loads: 0,
    startByMs: null,
    lastMs: own.doneMs,
    hours: (own.doneMs - now) / HOUR,
    money: own.money,
  });
  if (input.other) {
    const { bushelsPerHour, perPointBushel, roadMin } = input.other;
    requireInRange('rate of the other dryer', bushelsPerHour, 1, 1e6, 'bu/h');
    requireInRange('charge of the other dryer', perPointBushel, 0, 10, '$/point/bu');
    requireInRange('road to the other dryer', roadMin, 0, 1440, 'min');
    const there = now + (input.loadMin + input.tarpMin + roadMin + input.unloadMin) * MINUTE;
    const away = waiting(there, bushelsPerHour, perPointBushel);
    ways.push({
      way: 'other dryer',
      to: '',
      name: '',
      bushels: all - away.lost,
      leftBushels: away.lost,
      loads: Math.ceil(all / input.truckBu - 1e-9),
      startByMs: null,
      lastMs: away.doneMs,
      hours: (away.doneMs - now) / HOUR,
      money: away.money,
    });
  }
  const best = ways.reduce((most, { money }) => Math.max(most, money), -Infinity);
  const stands = Math.min(input.cuttingHoursLeft, (input.repairedMs - now) / HOUR);
  return [
    ...ways.map((way) => ({ ...way, behind: best - way.money })).sort((a, b) => a.behind - b.behind),
    {
      way: 'stop cutting',
      to: '',
      name: '',
      bushels: 0,
      leftBushels: all,
      loads: 0,
      startByMs: null,
      lastMs: null,
      hours: stands,
      money: -stands * input.combineCostPerHour,
      behind: 0,
    },
  ];
}
