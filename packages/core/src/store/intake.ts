import { type FarmView, UNKNOWN_LOT } from '../ledger/index.js';

/** What speaks against putting grain into a place. It can be recorded all the same, with a reason. Common practice, no source. */
export type IntakeQuestion =
  /** Another crop lies there. */
  | { readonly what: 'other_crop'; readonly there: string; readonly comes: string }
  /** The place is kept for another crop. */
  | { readonly what: 'reserved'; readonly wanted: string; readonly comes: string }
  /** Wetter than what lies there by more than keeps together; wet-basis fractions. */
  | { readonly what: 'wetter'; readonly there: number; readonly comes: number }
  | { readonly what: 'no_room'; readonly roomBu: number; readonly comesBu: number }
  /** Nobody to whom it belongs owns any of what lies there. */
  | { readonly what: 'other_owner'; readonly there: readonly string[]; readonly comes: readonly string[] };

/** Grain that is about to go somewhere. */
export interface Coming {
  readonly to: string;
  /** kg wet by lot */
  readonly wetLots: Readonly<Record<string, number>>;
  /** wet-basis fraction; null where nobody knows */
  readonly moisture: number | null;
}

/** Below this a place is swept, not mixed. */
const EMPTY_BU = 1;
/** A scale and a struck bushel differ by as much. */
const ROOM_TOLERANCE = 0.02;
/** Wetter by more than this than what lies in a bin makes a wet layer. */
const WET_LAYER = 0.015;
/** Where grain stays: what lies there is spoiled by what comes. Wheels, pits and wet bins pass it on. */
const KEEPS = new Set(['bin', 'overhead', 'pile']);

/**
 * What should be asked before a load is recorded into a place: other crop, kept for another, a wet layer, no room, another owner.
 * @returns the most pressing first; empty where nothing speaks against it, and for a buyer
 */
export function intakeQuestions(farm: FarmView, { to, wetLots, moisture }: Coming): IntakeQuestion[] {
  const place = farm.place(to);
  if (!place || place.kind === 'buyer') return [];
  const held = farm.held(to);
  const heldBu = farm.bushels(held.wetLots);
  const comes = farm.cropOf(wetLots);
  const there = heldBu >= EMPTY_BU ? farm.cropOf(held.lots) : undefined;
  const questions: IntakeQuestion[] = [];
  if (comes !== undefined && there !== undefined && comes !== there)
    questions.push({ what: 'other_crop', there, comes });
  else if (comes !== undefined && place.reservedFor && place.reservedFor !== comes)
    questions.push({ what: 'reserved', wanted: place.reservedFor, comes });
  const comesBu = farm.bushels(wetLots);
  if (place.capacityBu !== null && heldBu + comesBu > place.capacityBu * (1 + ROOM_TOLERANCE))
    questions.push({ what: 'no_room', roomBu: Math.max(0, place.capacityBu - heldBu), comesBu });
  if (!KEEPS.has(place.kind) || there === undefined) return questions;
  if (moisture !== null && held.moisture !== null && moisture > held.moisture + WET_LAYER)
    questions.push({ what: 'wetter', there: held.moisture, comes: moisture });
  const ownersOf = (lots: Readonly<Record<string, number>>): string[] =>
    farm
      .owners(Object.fromEntries(Object.entries(lots).filter(([lot]) => lot !== UNKNOWN_LOT)))
      .map(({ owner }) => owner);
  const [own, others] = [ownersOf(wetLots), ownersOf(held.wetLots)];
  if (own.length > 0 && others.length > 0 && !own.some((owner) => others.includes(owner)))
    questions.push({ what: 'other_owner', there: others, comes: own });
  return questions;
}

/** Grain of an entry that is about to be recorded; null where it puts nothing anywhere. */
export function comingOf(
  farm: FarmView,
  entry:
    | {
        readonly type: 'harvest';
        readonly lot: string;
        readonly to: string;
        readonly wetKg: number;
        readonly moisture: number;
      }
    | {
        readonly type: 'move';
        readonly from: string;
        readonly to: string;
        readonly wetKg?: number;
        readonly moisture?: number;
      }
    | { readonly type: 'condition' | 'loss' | 'measure' | 'witness' | 'void' },
): Coming | null {
  if (entry.type === 'harvest')
    return { to: entry.to, wetLots: { [entry.lot]: entry.wetKg }, moisture: entry.moisture };
  if (entry.type !== 'move') return null;
  const { wetKg, wetLots, moisture } = farm.held(entry.from);
  const part = entry.wetKg === undefined || wetKg <= 0 ? 1 : entry.wetKg / wetKg;
  return {
    to: entry.to,
    wetLots: Object.fromEntries(Object.entries(wetLots).map(([lot, kg]) => [lot, kg * part])),
    moisture: entry.moisture ?? moisture,
  };
}
