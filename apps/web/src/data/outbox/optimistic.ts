import type { LogEntry, LogName, LotInfo, TapeLine } from '@fanega/core';
import { type Entry, type FarmState, neighborRows, type NextStep, optimisticBook, type Withdrawal } from '@fanega/core';
import { entriesOf, type Outbox } from '.';
import { LOG_ROUTES, VOID_ROUTES } from '../api-routes';
import { isCorrection } from './book-command';

/** Entries that the shown state does not have yet, oldest first. */
export function pendingEntries(outbox: Outbox, farmId: string, seq: number): Entry[] {
  return [
    ...outbox.sent.filter((one) => one.farmId === farmId && one.seq > seq).flatMap((one) => entriesOf(one.command)),
    ...outbox.waiting
      .filter((one) => one.farmId === farmId && one.refused === undefined)
      .flatMap((one) => entriesOf(one.command)),
  ];
}

/** The lots with the fields that this device made and the farm does not tell of yet. */
export function pendingFields(known: readonly LotInfo[], outbox: Outbox, farmId: string): readonly LotInfo[] {
  const made = [...outbox.sent, ...outbox.waiting.filter((item) => item.refused === undefined)].flatMap(
    ({ command, farmId: of }) =>
      of === farmId && command.path === '/api/farms/{farmId}/neighbor-rows'
        ? [command.body as { id: string; owner: string; crop: string; season: number }]
        : [],
  );
  let lots = known;
  for (const { id, owner, crop, season } of made) {
    if (lots.some((lot) => lot.id === id)) continue;
    const { fieldName, tag } = neighborRows(owner, {
      fieldNames: lots.map((lot) => lot.fieldName),
      tags: lots.filter((lot) => lot.season === season).map((lot) => lot.tag),
    });
    lots = [
      ...lots,
      { id, fieldId: id, fieldName, acres: 0, crop, season, variety: '', tag, shares: [{ owner, part: 1 }] },
    ];
  }
  return lots;
}

/** The farm as it will be when what waits has arrived: by the book's own replay, on what was last known. */
export function optimisticFarm<S extends FarmState & { readonly steps: readonly NextStep[] }>(
  data: S,
  waiting: readonly Entry[],
): S {
  const fresh = waiting.filter((entry) => !data.tape.some((line) => line.entry.id === entry.id));
  if (fresh.length === 0) return data;
  const places = data.places.map(({ id, kind, withdrawal }) => ({ id, kind, withdrawal: withdrawal as Withdrawal }));
  // What the old entry did is in the known state and cannot be taken out of it here: until the correction has arrived, the place shows
  // what it showed, and the new entry is listed.
  const own = new Set(fresh.map((entry) => entry.id));
  const later = new Set(
    fresh.flatMap((entry, i) =>
      entry.type === 'void' && isCorrection(fresh.slice(i, i + 2)) && !own.has(entry.voids) ? [fresh[i + 1]!.id] : [],
    ),
  );
  const { ledger } = optimisticBook(
    { defaults: data.farm.defaults, lots: data.lots, places, layers: data.layers },
    fresh.filter((entry) => !later.has(entry.id)),
  );
  const parcels = new Map(ledger.parcels().map((parcel) => [parcel.entry.id, parcel]));
  const voids = new Set(fresh.flatMap((entry) => (entry.type === 'void' ? [entry.voids] : [])));
  const lines = fresh.map((entry): TapeLine => {
    const parcel = parcels.get(entry.id);
    return {
      seq: 0,
      entry,
      voided: voids.has(entry.id),
      wetKg: parcel?.wetKg ?? null,
      dryKg: parcel?.dryKg ?? null,
      wetLots: parcel?.wetLots ?? {},
      witnesses: [],
    };
  });
  const positions = ledger.positions();
  return {
    ...data,
    positions,
    layers: Object.fromEntries(
      data.places.filter((place) => place.kind !== 'buyer').map((place) => [place.id, ledger.layers(place.id)]),
    ),
    tape: [
      ...lines.reverse(),
      ...data.tape.map((line) => (voids.has(line.entry.id) ? { ...line, voided: true } : line)),
    ],
    // What is likely next was worked out without them: what they did already is not offered again.
    steps: data.steps.filter(
      (step) =>
        !('load' in step && step.load) ||
        (positions[step.load.from]?.wetKg ?? 0) > 0.9 * (data.positions[step.load.from]?.wetKg ?? 0),
    ),
  };
}

const NAME_OF = new Map<string, LogName>(
  (Object.entries(LOG_ROUTES) as [LogName, string][]).map(([name, path]) => [path, name]),
);
const VOID_OF = new Map<string, LogName>(
  (Object.entries(VOID_ROUTES) as [LogName, string][]).map(([name, path]) => [path, name]),
);

/**
 * Logs with the records that wait on this device: a route that was set, a fan that was switched without a signal shows at once. Those that
 * were taken back meanwhile count no longer.
 */
export function withPendingLogs<L extends object>(logs: L, outbox: Outbox, farmId: string): L {
  let all = logs as Partial<Record<LogName, readonly LogEntry[]>>;
  for (const { command, farmId: of, refused } of outbox.waiting) {
    if (of !== farmId || refused !== undefined) continue;
    const name = NAME_OF.get(command.path);
    if (name !== undefined && name in all) {
      const body = command.body as LogEntry['body'];
      const known = all[name]!;
      if (known.some((one) => one.body.id === body.id)) continue;
      const later = known.filter((one) => one.body.at > body.at);
      all = { ...all, [name]: [...later, { body, by: '', voided: false }, ...known.slice(later.length)] };
    }
    const back = VOID_OF.get(command.path);
    if (back !== undefined && back in all)
      all = {
        ...all,
        [back]: all[back]!.map((one) => (one.body.id === command.params.path?.id ? { ...one, voided: true } : one)),
      };
  }
  return all as L;
}
