import type { AppendAnswer } from '@fanega/contract';
import type { Entry } from '@fanega/core';
import { ulid } from 'ulid';
import { post } from '../data/api';

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

const stamped = (entry: Entry): Entry => ({ recordedAt: new Date().toISOString(), device: deviceName(), ...entry });

export function send(farmId: string, entry: Entry, replaces?: { entry: string; voidId: string }): Promise<AppendAnswer> {
  if (!replaces) return post(`/farms/${farmId}/entries`, { entries: [stamped(entry)] });
  const undone: Entry = { type: 'void', id: replaces.voidId, at: new Date().toISOString(), voids: replaces.entry, note: 'made again' };
  return post(`/farms/${farmId}/corrections`, { void: stamped(undone), entry: stamped(entry) });
}

/** Makes an entry never to have happened. */
export function sendVoid(farmId: string, entryId: string, voidId = ulid()): Promise<AppendAnswer> {
  return post(`/farms/${farmId}/entries`, { entries: [stamped({ type: 'void', id: voidId, at: new Date().toISOString(), voids: entryId })] });
}
