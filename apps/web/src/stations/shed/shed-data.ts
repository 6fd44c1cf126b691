import type { AssetBody, ItemBody, Shed, SheetOf } from '@fanega/contract';
import { alternatives, CROPS, cropOf, dayAfter, machineReadiness, type MachineKind, type MachineReadiness, READINESS_TEMPLATES, readyBy, type TemplateLine } from '@fanega/core';
import { ApiError, get, put } from '../../data/api';
import { type Farm, useFarm, useRefreshFarm } from '../../data/farm';
import { type Sending, useSend } from '../../data/use-send';
import { calendarDay } from '../../widgets/time';

export const farmDay = (farm: Farm): string => calendarDay(farm.data.now, farm.data.farm.timeZone);

const DATE = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });
/** "20 Sept" of a calendar day. */
export const dayWords = (day: string): string => DATE.format(new Date(`${day}T00:00:00Z`));
export const days = (n: number): string => `${n} day${Math.abs(n) === 1 ? '' : 's'}`;

export interface Asset {
  readonly id: string;
  readonly revision: number;
  readonly sheet: AssetBody;
  /** When it must be ready, and for which crop; null while harvest runs and none is ahead. */
  readonly by: { readonly day: string; readonly crop: string | null };
  readonly readiness: MachineReadiness;
  /** What broke and is not mended; null when it runs. */
  readonly down: string | null;
}

const badness = ({ readiness, down }: Asset): number => (readiness.daysShort > 0 ? 0 : down !== null ? 0.5 : !readiness.ready ? 1 : readiness.open > 0 ? 2 : 3);

/** Machines with where they stand, worst first. */
export function assetsOf(shed: Shed, today: string): Asset[] {
  const firstDays = shed.season?.sheet.firstDays ?? {};
  return Object.entries(shed.assets)
    .filter(([, { sheet }]) => !sheet.retired)
    .map(([id, { revision, sheet }]): Asset => {
      const by = readyBy(firstDays, today, sheet.crops);
      const down = shed.notes.find((note) => note.kind === 'breakdown' && !note.voided && !note.body.mended && note.body.assetId === id);
      return { id, revision, sheet, by, readiness: machineReadiness(sheet.items, today, by.day), down: down?.kind === 'breakdown' ? down.body.what : null };
    })
    .sort((a, b) => badness(a) - badness(b) || b.readiness.daysShort - a.readiness.daysShort || (a.sheet.name < b.sheet.name ? -1 : 1));
}

/** What can be done about an item whose part comes too late. */
export function alternativesFor(asset: Asset, all: readonly Asset[], item: MachineReadiness['items'][number], firstDays: Readonly<Record<string, string>>): string[] {
  const others = all
    .filter(
      (other) => other.id !== asset.id && other.sheet.kind === asset.sheet.kind && other.readiness.daysShort === 0 && other.down === null && sharesCrop(other.sheet, asset.sheet),
    )
    .map((other) => ({ name: other.sheet.name, open: other.readiness.items.filter(({ item, state }) => item.needed && state !== 'done' && state !== 'skipped').length }));
  const later = Object.entries(firstDays).find(([crop, day]) => crop !== asset.by.crop && day > asset.by.day)?.[0];
  return alternatives(item, others, later ? (cropOf(later)?.short ?? later) : null);
}

const sharesCrop = (a: AssetBody, b: AssetBody): boolean => !a.crops || !b.crops || a.crops.some((crop) => b.crops!.includes(crop));

export const cropWords = (crop: string | null): string => (crop === null ? 'harvest' : (cropOf(crop)?.short ?? CROPS.corn.short));

/** The farm's own list for a kind of machine, or the usual one. */
export function templateOf(shed: Shed, kind: string): readonly TemplateLine[] {
  return (shed.templates[kind]?.sheet.lines as readonly TemplateLine[] | undefined) ?? READINESS_TEMPLATES[kind as MachineKind] ?? [];
}

/** A template's lines as items of a machine that must be ready by a day. */
export function itemsOf(lines: readonly TemplateLine[], firstDay: string, owner: string, newId: () => string): ItemBody[] {
  return lines.map((line) => ({
    id: newId().toLowerCase(),
    what: line.what,
    owner,
    due: dayAfter(firstDay, -Math.round(line.daysBefore)),
    doneOn: null,
    skipped: null,
    needed: line.needed,
    part: null,
    ...(line.card ? { card: line.card } : {}),
  }));
}

/**
 * Changes a sheet of the shed. Somebody may have ticked another line meanwhile: then the change is made once more on the sheet as it
 * is now, which loses neither.
 */
export function useSheetChange<T>(
  kind: 'asset' | 'changeover',
  id: string,
  pick: (shed: Shed) => SheetOf<T> | undefined,
): Sending & { change: (make: (sheet: T) => T, from: SheetOf<T>) => Promise<boolean> } {
  const farm = useFarm();
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const path = `/farms/${farm.id}/sheets/${kind}/${id}`;
  return {
    ...sending,
    change: async (make, from) => {
      const done = await sending.send(async () => {
        try {
          await put(path, { revision: from.revision, sheet: make(from.sheet) });
        } catch (error) {
          if (!(error instanceof ApiError && error.code === 'sheet_changed')) throw error;
          const now = pick(await get<Shed>(`/farms/${farm.id}/shed`));
          if (!now) throw error;
          await put(path, { revision: now.revision, sheet: make(now.sheet) });
        }
        return true;
      });
      await refresh();
      return done ?? false;
    },
  };
}
