import { ulid } from 'ulid';
import type { GetPath } from './api';

/** The server is heard every quarter of a minute at least; after three times that the line is dead, whatever the browser thinks. */
const SILENT_MS = 45_000;
const LOOK_MS = 5000;
const AGAIN_MS = 3000;

/** What goes between the tabs; `to` is there where it is for one of them alone. */
type Told =
  | { readonly kind: 'message'; readonly data: string; readonly to?: string }
  | { readonly kind: 'hello'; readonly from: string }
  | { readonly kind: 'up' | 'down' | 'beat' };

export interface Follower {
  readonly onMessage: (data: string) => void;
  /** True while the line stands. */
  readonly onLine?: (up: boolean) => void;
  /** Asked for where what was told before is wanted too: the line is opened again for a tab that comes later. */
  readonly fromTheStart?: boolean;
}

/**
 * Follows a stream of the server's events. A browser has six connections for one address, and each stream takes one for good: the tabs
 * of a device share it. The one that holds the lock listens and tells the others; where it falls silent (closed, frozen, a dead line),
 * each helps itself.
 * @returns stops following
 */
export function follow(
  route: GetPath,
  farmId: string,
  { onMessage, onLine, fromTheStart = false }: Follower,
): () => void {
  const path = route.replace('{farmId}', encodeURIComponent(farmId));
  const name = `fanega-follow ${path}`;
  const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(name);
  const waiting = new AbortController();
  const me = ulid();
  let source: EventSource | undefined;
  /** The newest event: a tab that comes later may have asked the server before it and begun to listen after it. */
  let newest: string | undefined;
  let release: (() => void) | undefined;
  let again: ReturnType<typeof setTimeout> | undefined;
  let heardAt = Date.now();
  let stopped = false;

  const take = (told: Told): void => {
    if (told.kind === 'hello') {
      if (!source) return;
      if (fromTheStart) return open();
      channel?.postMessage({ kind: source.readyState === EventSource.OPEN ? 'up' : 'down' } satisfies Told);
      if (newest !== undefined) channel?.postMessage({ kind: 'message', data: newest, to: told.from } satisfies Told);
      return;
    }
    if (told.kind !== 'down') heardAt = Date.now();
    if (told.kind === 'message') {
      if (told.to !== undefined && told.to !== me) return;
      newest = told.data;
      onMessage(told.data);
    }
    onLine?.(told.kind !== 'down');
  };
  const tell = (told: Told): void => {
    take(told);
    channel?.postMessage(told);
  };
  function open(): void {
    clearTimeout(again);
    source?.close();
    const own = new EventSource(path);
    source = own;
    own.onopen = () => tell({ kind: 'up' });
    own.onmessage = (message) => tell({ kind: 'message', data: String(message.data) });
    own.addEventListener('beat', () => tell({ kind: 'beat' }));
    own.onerror = () => {
      tell({ kind: 'down' });
      // The browser tries again by itself unless the server refused it.
      if (own.readyState === EventSource.CLOSED) again = setTimeout(open, AGAIN_MS);
    };
  }
  const watch = setInterval(() => {
    if (Date.now() - heardAt <= SILENT_MS) return;
    heardAt = Date.now();
    onLine?.(false);
    open();
  }, LOOK_MS);

  channel?.addEventListener('message', (event: MessageEvent<Told>) => take(event.data));
  channel?.postMessage({ kind: 'hello', from: me } satisfies Told);
  // Only pages over https or of this machine have locks.
  if (channel && 'locks' in navigator) {
    const lead = (): Promise<void> | undefined => {
      if (stopped) return undefined;
      open();
      return new Promise((resolve) => (release = resolve));
    };
    navigator.locks.request(name, { signal: waiting.signal }, lead).catch(() => undefined);
  } else open();

  return () => {
    stopped = true;
    waiting.abort();
    release?.();
    clearInterval(watch);
    clearTimeout(again);
    source?.close();
    channel?.close();
  };
}
