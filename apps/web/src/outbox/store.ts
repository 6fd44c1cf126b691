import type { Entry } from '@fanega/core';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

/** Something beside the book that was made without a signal: a reading, a delay, a neighbor's rows. Its body has an id of this device's. */
export interface Beside {
  /** Behind /farms/:id/ */
  readonly path: string;
  readonly body: { readonly id: string };
}

/** One request that waits to be sent, with everything that it needs to be sent to the letter. */
export interface Waiting {
  /** Place in the queue; given when it is put in. */
  readonly seq?: number;
  /** ULID of its first entry, or of what stands beside the book. */
  readonly id: string;
  readonly farmId: string;
  /** Of the book; none where it is something beside it. */
  readonly entries: readonly Entry[];
  readonly beside?: Beside;
  /** "Cart 2 → Truck 3, 412 bu", for people. */
  readonly what: string;
  /** When it was recorded, ms. */
  readonly since: number;
  readonly tries: number;
  /** What the server said against it; it waits for a person then. */
  readonly refused?: string;
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

export const allWaiting = async (): Promise<Waiting[]> => (await database()).getAll('queue');

/** Resolves when it is on the disk: what a person was told is kept, is kept over a flat battery. */
export async function putWaiting(item: Waiting): Promise<void> {
  const tx = (await database()).transaction('queue', 'readwrite', { durability: 'strict' });
  await tx.store.put(item);
  await tx.done;
}

export async function removeWaiting(seq: number): Promise<void> {
  await (await database()).delete('queue', seq);
}
