import type { DeviceInfo, Notebook, TapeLine } from '@fanega/contract';
import { type CabAction, type Entry, type FlowMoment, type HolderNow, type LoadBefore, type TankByFlow, tankByFlow } from '@fanega/core';
import type { Farm } from '../../data/farm';
import { scaleSheet } from '../../data/live';
import { formatBushels, formatMoisture } from '../../widgets/quantity';
import { calendarDay } from '../../widgets/time';

/** What is recorded here: the id, the time, the device and the name are put on it when it is. */
export type Unstamped = Record<string, unknown> & { readonly type: Entry['type'] };

/** Vessels as the likely next load is worked out from them. */
export function holdersOf(farm: Farm): HolderNow[] {
  return farm.data.places
    .filter((place) => place.kind !== 'buyer')
    .map((place) => {
      const held = farm.held(place.id);
      const crop = farm.cropOf(held.lots);
      return {
        id: place.id,
        kind: place.kind,
        bushels: farm.bushels(held.wetLots),
        wetKg: held.wetKg,
        moisture: held.moisture,
        unknownDryKg: held.lots.unknown ?? 0,
        ...(place.capacityBu === null ? {} : { capacityBu: place.capacityBu }),
        ...(crop === undefined ? {} : { crop }),
      };
    });
}

/** Where trucks and dryers went last, by crop, and the last load off the field; from the tape. */
export function lately(farm: Farm): { lastTargets: Record<string, string[]>; lastLoad: LoadBefore | null } {
  const lastTargets: Record<string, string[]> = {};
  let lastLoad: LoadBefore | null = null;
  for (const { entry, voided, wetLots } of farm.data.tape) {
    if (voided) continue;
    if (entry.type === 'harvest') lastLoad ??= { lot: entry.lot, wetKg: entry.wetKg, moisture: entry.moisture };
    if (entry.type !== 'move') continue;
    const kind = farm.place(entry.from)?.kind;
    const crop = farm.cropOf(wetLots) ?? '';
    const key = kind === 'truck' ? crop : kind === 'dryer' ? `dryer:${crop}` : null;
    if (key !== null && !lastTargets[key]?.includes(entry.to)) (lastTargets[key] ??= []).push(entry.to);
  }
  return { lastTargets, lastLoad };
}

/** Who cuts past midnight leaves nothing overnight. */
const NIGHT_MS = 4 * 3_600_000;

/** True where grain was not touched since another day, and not only for a few minutes around midnight. */
export const sleptThrough = (touchedMs: number, nowMs: number, timeZone: string): boolean =>
  nowMs - touchedMs >= NIGHT_MS && calendarDay(touchedMs, timeZone) !== calendarDay(nowMs, timeZone);

/** What a tap will record, in one line. */
export function words(farm: Farm, action: CabAction): string {
  const bu = (kg: number, crop: string | undefined): string => formatBushels(kg / farm.kgPerBu(crop));
  switch (action.kind) {
    case 'move': {
      const held = farm.held(action.from);
      const crop = farm.cropOf(held.lots);
      const stays = action.staysKg > 0 ? `; ${bu(action.staysKg, crop)} stay` : '';
      return `${farm.placeName(action.from)} → ${farm.placeName(action.to)}, ${bu(action.wetKg ?? held.wetKg, crop)} bu${stays}`;
    }
    case 'cut':
      return `Cut ${farm.lot(action.lot)?.fieldName ?? ''} into ${farm.placeName(action.to)} …`;
    case 'deliver':
      return `Ticket at ${farm.placeName(action.to)} …`;
    case 'dry':
      return `${farm.placeName(action.place)}: dried to ${formatMoisture(action.to)} %`;
  }
}

/** The device of a kind that belongs to a machine; a revoked one belongs to none. */
export const deviceAt = (devices: readonly DeviceInfo[], notebook: Notebook | undefined, kind: DeviceInfo['kind'], placeId: string): DeviceInfo | undefined =>
  devices.find((device) => device.kind === kind && !device.revoked && scaleSheet(notebook, device).sheet.placeId === placeId);

/** When the combine was last dumped, by the book: from its tank, by its own display's word, or recorded on this very phone. */
export function lastDumpMs(tape: readonly TapeLine[], combine: string, displayName: string, phone: string): number {
  const own = tape.find(
    ({ entry, voided, witnesses }) =>
      !voided &&
      ((entry.type === 'move' && entry.from === combine) ||
        (entry.type === 'harvest' && entry.to !== combine && (entry.device === phone || entry.by === displayName || witnesses.some((witness) => witness.by === displayName)))),
  );
  return own ? Date.parse(own.entry.at) : 0;
}

/** Less than this is dust in the corners. */
const DUST_BU = 5;

/** Grain that the display counted since the last dump; null where it counted none, or nobody knows since when. */
export function byDisplay(flows: readonly FlowMoment[], sinceMs: number, kgPerBu: number): (TankByFlow & { readonly moisture: number }) | null {
  const tank = tankByFlow(flows, sinceMs);
  return tank.kg > DUST_BU * kgPerBu && tank.moisture !== null ? { ...tank, moisture: tank.moisture } : null;
}

const UNDO_MS = 10 * 60_000;

/** What somebody recorded in the last ten minutes and may take back. The stamp is this device's clock's, the instant the farm's. */
export function undoable(farm: Farm, name: string, phone: string): TapeLine[] {
  return farm.data.tape.filter(({ entry, voided }) => {
    if (voided || entry.type === 'void' || entry.by !== name) return false;
    const age = entry.device === phone && entry.recordedAt ? Date.now() - Date.parse(entry.recordedAt) : farm.clock() - Date.parse(entry.at);
    return age < UNDO_MS;
  });
}

/** What the truck weighed empty last: by its last ticket that says so, or by the farm's own bridge; null where nobody weighed it. */
export function usualTare(farm: Farm, notebook: Notebook | undefined, truckId: string): number | null {
  const tickets = farm.data.tape.flatMap(({ entry, voided }) =>
    !voided && entry.type === 'move' && entry.from === truckId && entry.tareKg !== undefined ? [{ atMs: Date.parse(entry.at), kg: entry.tareKg }] : [],
  );
  const own = (notebook?.notes ?? []).flatMap((note) =>
    note.kind === 'tare' && !note.voided && note.body.machineId === truckId ? [{ atMs: Date.parse(note.body.at), kg: note.body.axlesKg.reduce((sum, kg) => sum + kg, 0) }] : [],
  );
  return [...tickets, ...own].sort((a, b) => b.atMs - a.atMs)[0]?.kg ?? null;
}
