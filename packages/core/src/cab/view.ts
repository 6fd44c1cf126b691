import { calendarDay } from '../kernel/index.js';
import { type FlowMoment, type TankByFlow, tankByFlow } from '../cut/index.js';
import {
  type Entry,
  type FarmView,
  type HolderNow,
  holders,
  instantOf,
  isSignedBy,
  lastTargets,
  type TapeLine,
} from '../ledger/index.js';
import type { LoadBefore } from './cab-next.js';
import { SEEN_SIGN } from './seen-loads.js';

/** Vessels as the likely next load is worked out from them. */
export const holdersOf = (farm: FarmView): HolderNow[] => holders(farm.data.places, { get: farm.lot }, farm.held);

/** Where trucks and dryers went last, by crop, and the last load off the field; from the tape. */
export function lately(farm: FarmView): {
  readonly lastTargets: Record<string, string[]>;
  readonly lastLoad: LoadBefore | null;
} {
  const lines = farm.data.tape.filter((line) => !line.voided);
  const used = new Map(farm.data.places.map(({ id, kind }) => [id, kind]));
  const first = lines.find(({ entry }) => entry.type === 'harvest')?.entry;
  return {
    lastTargets: lastTargets(
      lines.map(({ entry, wetLots }) => ({ entry, crop: farm.cropOf(wetLots) })),
      (place) => used.get(place),
    ),
    lastLoad:
      first?.type === 'harvest'
        ? {
            lot: first.lot,
            wetKg: first.wetKg,
            moisture: first.moisture,
            ...(first.zone === undefined ? {} : { zone: first.zone }),
          }
        : null,
  };
}

/** Who cuts past midnight leaves nothing overnight. */
const NIGHT_MS = 4 * 3_600_000;

/** True where grain was not touched since another day, and not only for a few minutes around midnight. */
export const sleptThrough = (touchedMs: number, nowMs: number, timeZone: string): boolean =>
  nowMs - touchedMs >= NIGHT_MS && calendarDay(touchedMs, timeZone) !== calendarDay(nowMs, timeZone);

/** When the combine was last dumped, by the book: from its tank, by its own display's word, or recorded on this very phone. */
export function lastDumpMs(tape: readonly TapeLine[], combine: string, displayName: string, phone: string): number {
  const own = tape.find(
    ({ entry, voided, witnesses }) =>
      !voided &&
      ((entry.type === 'move' && entry.from === combine) ||
        (entry.type === 'harvest' &&
          entry.to !== combine &&
          (entry.device === phone ||
            isSignedBy(entry.by, displayName) ||
            witnesses.some((witness) => isSignedBy(witness.by, displayName))))),
  );
  return own ? instantOf(own.entry.at) : 0;
}

/** Less than this is dust in the corners. */
const DUST_BU = 5;

/** Grain that the display counted since the last dump; null where it counted none, or nobody knows since when. */
export function byDisplay(
  flows: readonly FlowMoment[],
  sinceMs: number,
  kgPerBu: number,
): (TankByFlow & { readonly moisture: number }) | null {
  const tank = tankByFlow(flows, sinceMs);
  return tank.kg > DUST_BU * kgPerBu && tank.moisture !== null ? { ...tank, moisture: tank.moisture } : null;
}

const UNDO_MS = 10 * 60_000;

/**
 * What somebody recorded in the last ten minutes and may take back, and what recorded itself at his machine.
 * @param deviceMs now by this device's clock, which stamped its own entries @param farmMs now by the farm's
 */
export function undoable(
  tape: readonly TapeLine[],
  { by: name, device: phone, place }: { readonly by: string; readonly device: string; readonly place: string },
  deviceMs: number,
  farmMs: number,
): TapeLine[] {
  const itself = (entry: Entry): boolean =>
    (entry.device?.startsWith(SEEN_SIGN) ?? false) &&
    ((entry.type === 'harvest' && entry.to === place) ||
      (entry.type === 'move' && (entry.from === place || entry.to === place)));
  return tape.filter(({ entry, voided }) => {
    if (voided || entry.type === 'void' || !(isSignedBy(entry.by, name) || itself(entry))) return false;
    const age =
      entry.device === phone && entry.recordedAt
        ? deviceMs - instantOf(entry.recordedAt)
        : farmMs - instantOf(entry.at);
    return age < UNDO_MS;
  });
}
