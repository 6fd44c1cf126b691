import type { Topic } from '@fanega/contract';
import { useSyncExternalStore } from 'react';
import { ApiError, type Command, send, type WritePath, type WrittenOf } from '../api';
import { changedBy } from '../topics';
import { allWaiting, entriesOf, putWaiting, removeWaiting, type Waiting } from './store';

export { entriesOf, type Waiting } from './store';

export interface Outbox {
  /** In the order in which they go out. */
  readonly waiting: readonly Waiting[];
  /** Arrived, but maybe not in what is shown yet: with the sequence number that the book then had, 0 for what is not of the book. */
  readonly sent: readonly { readonly command: Command; readonly farmId: string; readonly seq: number }[];
}

/** Names of the lock and the channel that the tabs of one device share. */
const NAME = 'fanega-outbox';
const RETRY_MS = [1000, 2000, 5000, 10_000, 20_000] as const;
const SENT_KEPT = 20;

let state: Outbox = { waiting: [], sent: [] };
const listeners = new Set<() => void>();
let channel: BroadcastChannel | undefined;
let retry: ReturnType<typeof setTimeout> | undefined;
let failures = 0;

function show(next: Partial<Outbox>): void {
  state = { ...state, ...next };
  for (const listener of listeners) listener();
}

async function look(): Promise<void> {
  const waiting = await allWaiting();
  // Nothing waits, as before: no page is drawn again for that.
  if (waiting.length > 0 || state.waiting.length > 0) show({ waiting });
}

async function changed(): Promise<void> {
  await look();
  channel?.postMessage('changed');
}

/** Puts a command in the queue; it is on the disk when this resolves, and goes out as soon as somebody answers. */
async function enqueue(farmId: string, command: Command, what: string): Promise<void> {
  await putWaiting({ id: idOf(command), farmId, command, what, since: Date.now(), tries: 0 });
  await changed();
  void flush();
}

/** The id that a device gave to what it writes: of the record, of the first entry. */
function idOf({ body, params }: Command): string {
  const {
    id = params.path?.id ?? params.path?.photoId,
    entries,
    void: undone,
    ticket,
  } = (body ?? {}) as {
    id?: string | number;
    entries?: { id: string }[];
    void?: { id: string };
    ticket?: { id: string };
  };
  return String(id ?? entries?.[0]?.id ?? ticket?.id ?? undone?.id ?? '');
}

/** What the server must answer at once: a setting begins from a revision that is known only with a signal; a device, a whole book. */
const atOnce = (command: Command): boolean => command.method === 'PUT' || idOf(command) === '';

/** Topics that this page wrote since it last asked: what depends on them is out of date. */
const written = new Map<string, Set<Topic>>();
export function takeWritten(farmId: string): ReadonlySet<Topic> {
  const taken = written.get(farmId) ?? new Set();
  written.delete(farmId);
  return taken;
}
function wrote(farmId: string, command: Command): void {
  const topics = written.get(farmId) ?? new Set();
  for (const topic of changedBy(command)) topics.add(topic);
  written.set(farmId, topics);
}

/** It may not be in what is shown yet. */
function arrived(farmId: string, command: Command, answer: unknown): void {
  const { seq = 0 } = (answer ?? {}) as { seq?: number };
  show({ sent: [...state.sent, { command, farmId, seq }].slice(-SENT_KEPT) });
}

/** In the book or in the queue. */
export type Written<P extends WritePath = WritePath> =
  { readonly waits: false; readonly answer: WrittenOf<P> } | { readonly waits: true };

/**
 * The one way to write. What has an id of this device goes out at once, so that a refusal is said where it was made; where something
 * waits already, or nobody answers, it goes into the queue behind that, and is safe there. What cannot wait says so at once.
 * @param how `wait`: straight into the queue, for hands that go on to the next load; `keep: false`: the caller keeps what got no answer
 * @throws ApiError where the server refuses it, or where it needs a signal and there is none
 */
export async function write<P extends WritePath>(
  farmId: string,
  command: Command<P>,
  what = '',
  how: { readonly wait?: boolean; readonly keep?: boolean } = {},
): Promise<Written<P>> {
  const waitsBehind = waits(farmId);
  const now = atOnce(command) || how.keep === false;
  if (now || !(how.wait || waitsBehind)) {
    try {
      const answer = await send(command);
      wrote(farmId, command);
      // Shown at once, as what comes out of the queue: the next load is asked about what this one left.
      if (entriesOf(command).length > 0) arrived(farmId, command, answer);
      return { waits: false, answer };
    } catch (error) {
      if (!(error instanceof ApiError && error.away)) throw error;
      if (how.keep === false) throw error;
      if (now) throw error.unreachable ? new ApiError(0, NEEDS_SIGNAL, 'unreachable') : error;
      // It may have arrived: the same once more, by its ids, doubles nothing.
    }
  }
  await enqueue(farmId, command, what);
  return { waits: true };
}
const NEEDS_SIGNAL =
  'No signal. This one cannot wait in the queue: what you typed stays here, send it again when the signal is back.';

/** True while something of this farm waits that nobody refused: what is made now goes out behind it. */
export const waits = (farmId: string): boolean =>
  state.waiting.some((item) => item.farmId === farmId && item.refused === undefined);

/**
 * Sends what waits, oldest first, one tab of the device at a time. Each has an id that its device made: sent again after an
 * answer that was lost, it is known and nothing is doubled. No answer: the queue waits. A refusal: this one waits for a
 * person, and the next goes out.
 */
export async function flush(): Promise<void> {
  clearTimeout(retry);
  const turn = async (): Promise<void> => {
    for (const item of await allWaiting()) {
      if (item.refused !== undefined) continue;
      try {
        await putWaiting({ ...item, tries: item.tries + 1 });
        const answer = await send(item.command);
        await removeWaiting(item.seq!);
        failures = 0;
        wrote(item.farmId, item.command);
        arrived(item.farmId, item.command, answer);
        await changed();
      } catch (error) {
        if (!(error instanceof ApiError)) {
          later();
          throw error;
        }
        if (error.unreachable || error.status >= 500 || error.status === 401 || error.status === 429) {
          later();
          break;
        }
        await putWaiting({ ...item, tries: item.tries + 1, refused: error.message });
        await changed();
      }
    }
  };
  if ('locks' in navigator) await navigator.locks.request(NAME, turn);
  else await turn();
  await look();
}

function later(): void {
  const wait = RETRY_MS[Math.min(failures++, RETRY_MS.length - 1)]!;
  retry = setTimeout(() => void flush(), wait);
}

/** Takes one out for good, by its place: it was refused. What may have arrived is voided, not forgotten. */
export async function dropAt(seq: number): Promise<void> {
  await removeWaiting(seq);
  await changed();
}

/** Once more as it is: what stood against it may be mended by now. */
export async function tryAgain({ refused: _, ...item }: Waiting): Promise<void> {
  await putWaiting(item);
  await changed();
  await flush();
}

/** Begins to send what an earlier visit left, and whatever comes; once a page. @returns once it is known what waits */
export function startOutbox(): Promise<void> {
  if (typeof BroadcastChannel !== 'undefined') channel = new BroadcastChannel(NAME);
  channel?.addEventListener('message', () => void look());
  window.addEventListener('online', () => void flush());
  document.addEventListener('visibilitychange', () => document.visibilityState === 'visible' && void flush());
  // The browser may throw away what was not asked to be kept.
  void navigator.storage?.persist?.();
  const looked = look();
  void looked.then(() => flush());
  return looked;
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

export const useOutbox = (): Outbox => useSyncExternalStore(subscribe, () => state);
