import type { Entry } from '@fanega/core';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { Command } from '../api';
import { fromFirstQueue, type OldWaiting } from './first-queue';
import type { Waiting } from './waiting';

export type { Waiting } from './waiting';

/** The entries of the book in a command; none where it writes something else. */
export function entriesOf({ body }: Command): readonly Entry[] {
  const {
    entries,
    void: undone,
    entry,
    ticket,
  } = (body ?? {}) as { entries?: Entry[]; void?: Entry; entry?: Entry; ticket?: { entry?: Entry } };
  return [...(entries ?? []), ...[undone, entry, ticket?.entry].filter((one) => one !== undefined)];
}

interface Schema extends DBSchema {
  queue: { key: number; value: Waiting };
}

let opened: Promise<IDBPDatabase<Schema>> | undefined;

/** The database of this device. An update of the program never touches it. */
const database = (): Promise<IDBPDatabase<Schema>> =>
  (opened ??= openDB<Schema>('fanega', 1, {
    upgrade: (db) => void db.createObjectStore('queue', { keyPath: 'seq', autoIncrement: true }),
    terminated: () => (opened = undefined),
  }));

/** What an older program queued is read as what this one sends; a new version of the database would wait for every older tab to close. */
export const allWaiting = async (): Promise<Waiting[]> =>
  ((await (await database()).getAll('queue')) as (Waiting | OldWaiting)[]).map(fromFirstQueue);

/** Resolves when it is on the disk: what a person was told is kept, is kept over a flat battery. */
export async function putWaiting(item: Waiting): Promise<void> {
  const tx = (await database()).transaction('queue', 'readwrite', { durability: 'strict' });
  await tx.store.put(item);
  await tx.done;
}

export async function removeWaiting(seq: number): Promise<void> {
  await (await database()).delete('queue', seq);
}
