import type { Entry } from '@fanega/core';
import { ulid } from 'ulid';
import { ApiError, type Command, get } from '../../data/api';
import { entriesOf, write } from '../../data/outbox';
import { bookCommand, MADE_AGAIN } from '../../data/outbox/book-command';
import type { Draft } from './draft';

const DEVICE = 'fanega.device';

/** What this browser calls itself in the book, so that two records of one load can be told apart. */
export function deviceName(): string {
  let name = localStorage.getItem(DEVICE);
  if (!name) {
    name = `browser-${ulid().slice(-6).toLowerCase()}`;
    localStorage.setItem(DEVICE, name);
  }
  return name;
}

/** An entry as this device sends it: stamped once, the same however often it is tried. */
export const stamped = (entry: Entry): Entry => ({
  recordedAt: new Date().toISOString(),
  device: deviceName(),
  ...entry,
});

const appending = (farmId: string, entry: Entry): Command => bookCommand(farmId, [stamped(entry)]);

function correcting(farmId: string, entry: Entry, replaces: string, voidId: string, now: number): Command {
  const undone: Entry = {
    type: 'void',
    id: voidId,
    at: new Date(now).toISOString(),
    voids: replaces,
    note: MADE_AGAIN,
  };
  return bookCommand(farmId, [stamped(undone), stamped(entry)]);
}

const first = (farmId: string, draft: Draft, entry: Entry, now: number): Command =>
  draft.replaces ? correcting(farmId, entry, draft.replaces, draft.voidId, now) : appending(farmId, entry);

const plain = (draft: Draft): string => JSON.stringify({ ...draft, tried: '', triedAs: '' });

async function arrived(farmId: string, entryId: string): Promise<boolean> {
  try {
    await get('/api/farms/{farmId}/entries/{entryId}', { path: { farmId, entryId } });
    return true;
  } catch (error) {
    if (error instanceof ApiError && error.status === 404) return false;
    throw error;
  }
}

/**
 * Sends a draft exactly once, however often it is tried. The same draft again is the same request, to the letter, so the
 * server takes it for what it is. A draft that was changed after a try without an answer first asks whether that try
 * arrived, and then corrects it instead of adding a second entry.
 * @param keep called with the draft as it must be kept until an answer is there
 * @param now the farm's time, ms
 * @returns the id of the entry in the book
 */
export async function sendDraft(
  farmId: string,
  draft: Draft,
  entry: Entry,
  keep: (draft: Draft) => void,
  now: number,
): Promise<string> {
  let request: Command;
  let sent = draft;
  let id = entry.id;
  if (draft.tried !== '' && draft.triedAs === plain(draft)) {
    request = JSON.parse(draft.tried) as Command;
  } else if (draft.tried !== '' && (await arrived(farmId, draft.id))) {
    id = ulid();
    sent = { ...draft, id, replaces: draft.id, voidId: ulid() };
    request = correcting(farmId, { ...entry, id }, sent.replaces, sent.voidId, now);
  } else {
    request = first(farmId, draft, entry, now);
  }
  keep({ ...sent, tried: JSON.stringify(request), triedAs: plain(sent) });
  await write(farmId, request, '', { keep: false });
  return id;
}

/** The entries of a draft that was tried and got no answer, to the letter, for the queue. */
export const triedEntries = (draft: Draft): readonly Entry[] => entriesOf(JSON.parse(draft.tried) as Command);

/** The entries of a draft that was never tried, for the queue. */
export const firstEntries = (farmId: string, draft: Draft, entry: Entry, now: number): readonly Entry[] =>
  entriesOf(first(farmId, draft, entry, now));
