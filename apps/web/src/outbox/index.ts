import type { AppendAnswer } from '@fanega/contract';
import type { Entry } from '@fanega/core';
import { useSyncExternalStore } from 'react';
import { ApiError, post } from '../data/api';
import { requestFor } from './correction';
import { allWaiting, type Beside, putWaiting, removeWaiting, type Waiting } from './store';

export type { Beside, Waiting } from './store';

export interface Outbox {
  /** In the order in which they go out. */
  readonly waiting: readonly Waiting[];
  /** Answered, but maybe not in what is shown yet: with the sequence number that the book then had. */
  readonly sent: readonly { readonly entries: readonly Entry[]; readonly beside?: Beside; readonly farmId: string; readonly seq: number }[];
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
  show({ waiting: await allWaiting() });
}

async function changed(): Promise<void> {
  await look();
  channel?.postMessage('changed');
}

/** Puts entries in the queue; they are on the disk when this resolves, and go out as soon as somebody answers. */
export async function enqueue(farmId: string, entries: readonly Entry[], what: string): Promise<void> {
  await putWaiting({ id: entries[0]!.id, farmId, entries, what, since: Date.now(), tries: 0 });
  await changed();
  void flush();
}

/** The same for what stands beside the book. It goes out before what is put in after it: a field before its first load. */
export async function enqueueBeside(farmId: string, beside: Beside, what: string): Promise<void> {
  await putWaiting({ id: beside.body.id, farmId, entries: [], beside, what, since: Date.now(), tries: 0 });
  await changed();
  void flush();
}

/**
 * Sends entries at once, so that a refusal is said where they were made; where something waits already, or nobody answers, they go into
 * the queue, behind it.
 * @returns true when they are in the book, false when they wait
 * @throws ApiError where the server refuses them
 */
export async function sendOrQueue(farmId: string, entries: readonly Entry[], what: string): Promise<boolean> {
  if (!waits(farmId)) {
    try {
      await post<Partial<AppendAnswer>>(...requestOf({ farmId, entries }));
      return true;
    } catch (error) {
      // It may have arrived: the same entries once more, by their ids, double nothing.
      if (!(error instanceof ApiError && error.unreachable)) throw error;
    }
  }
  await enqueue(farmId, entries, what);
  return false;
}

/** True while something of this farm waits that nobody refused: what is made now goes out behind it. */
export const waits = (farmId: string): boolean => state.waiting.some((item) => item.farmId === farmId && item.refused === undefined);

function requestOf({ farmId, entries, beside }: Pick<Waiting, 'farmId' | 'entries' | 'beside'>): [path: string, body: object] {
  if (beside) return [`/farms/${farmId}/${beside.path}`, beside.body];
  const { path, body } = requestFor(farmId, entries);
  return [path, body];
}

/**
 * Sends what waits, oldest first, one tab of the device at a time. Each entry has the id that its device made: sent again after an
 * answer that was lost, it is known to the book and nothing is doubled. No answer: the queue waits. A refusal: this one waits for a
 * person, and the next goes out.
 */
export async function flush(): Promise<void> {
  clearTimeout(retry);
  const turn = async (): Promise<void> => {
    for (const item of await allWaiting()) {
      if (item.refused !== undefined) continue;
      try {
        await putWaiting({ ...item, tries: item.tries + 1 });
        const { seq = 0 } = await post<Partial<AppendAnswer>>(...requestOf(item));
        await removeWaiting(item.seq!);
        failures = 0;
        show({ sent: [...state.sent, { entries: item.entries, ...(item.beside ? { beside: item.beside } : {}), farmId: item.farmId, seq }].slice(-SENT_KEPT) });
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

/** Begins to send what an earlier visit left, and whatever comes; once a page. */
export function startOutbox(): void {
  if (typeof BroadcastChannel !== 'undefined') channel = new BroadcastChannel(NAME);
  channel?.addEventListener('message', () => void look());
  window.addEventListener('online', () => void flush());
  document.addEventListener('visibilitychange', () => document.visibilityState === 'visible' && void flush());
  // The browser may throw away what was not asked to be kept.
  void navigator.storage?.persist?.();
  void look().then(() => flush());
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

export const useOutbox = (): Outbox => useSyncExternalStore(subscribe, () => state);
