import type { Command } from '../api';

/** One request that waits to be sent, with everything that it needs to be sent to the letter. */
export interface Waiting {
  /** Place in the queue; given when it is put in. */
  readonly seq?: number;
  /** ULID of its first entry, or of the record. */
  readonly id: string;
  readonly farmId: string;
  readonly command: Command;
  /** "Cart 2 → Truck 3, 412 bu", for people. */
  readonly what: string;
  /** When it was recorded, ms. */
  readonly since: number;
  readonly tries: number;
  /** What the server said against it; it waits for a person then. */
  readonly refused?: string;
}
