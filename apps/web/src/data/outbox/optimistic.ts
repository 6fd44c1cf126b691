import { type Entry, type LogEntry, type LogName, type LotInfo, neighborRows } from '@fanega/core';
import { entriesOf, type Outbox } from '.';
import { LOG_ROUTES, VOID_ROUTES } from '../api-routes';

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
