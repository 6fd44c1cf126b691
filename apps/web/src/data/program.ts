import { useSyncExternalStore } from 'react';

/** Looked for a newer program this often, and whenever the page is taken up again. */
const LOOK_MS = 3_600_000;

export type Newer = 'none' | 'ready' | 'in another tab';

let waiting: ServiceWorker | undefined;
let newer: Newer = 'none';
let takenHere = false;
const listeners = new Set<() => void>();
const say = (what: Newer): void => {
  newer = what;
  for (const listener of listeners) listener();
};

/** Whoever wishes to know when the worker of a first visit has this page. */
const firsts = new Set<() => void>();
let isFirst = false;

/** Acts once the worker of a first visit has this page; what was asked before that went past it. Not at all on later visits. */
export function onFirstWorker(act: () => void): () => void {
  if (isFirst) act();
  firsts.add(act);
  return () => firsts.delete(act);
}

/** Keeps the program's files for places without a signal, and looks for newer ones; nothing is replaced under anybody's hands. */
export function startProgram(): void {
  if (!('serviceWorker' in navigator)) return;
  const { serviceWorker } = navigator;
  let hadOne = serviceWorker.controller !== null;
  serviceWorker.addEventListener('controllerchange', () => {
    if (takenHere) location.reload();
    // The files of the program that this tab still shows are gone.
    else if (hadOne) say('in another tab');
    else {
      [hadOne, isFirst] = [true, true];
      for (const act of firsts) act();
    }
  });
  const watch = (registration: ServiceWorkerRegistration): void => {
    const look = (): void => {
      if (!registration.waiting || !serviceWorker.controller) return;
      waiting = registration.waiting;
      say('ready');
    };
    look();
    registration.addEventListener('updatefound', () => registration.installing?.addEventListener('statechange', look));
    const ask = (): void => void registration.update().catch(() => undefined);
    setInterval(ask, LOOK_MS);
    document.addEventListener('visibilitychange', () => document.visibilityState === 'visible' && ask());
  };
  const register = (): void => void serviceWorker.register('/sw.js').then(watch, () => undefined);
  // A first visit brings the whole program and the farm's answers over the same line: the page that somebody waits for comes first.
  if (serviceWorker.controller) register();
  else afterFirstPicture(register);
}

/** A phone may be carried out of the signal soon. */
const AT_LATEST_MS = 3000;

/** Does it when the page is there and has nothing to do for a moment, or after some seconds whatever it does. */
export function afterFirstPicture(act: () => void): void {
  const idly = (): void => {
    if ('requestIdleCallback' in window) requestIdleCallback(act, { timeout: AT_LATEST_MS });
    else setTimeout(act, AT_LATEST_MS);
  };
  if (document.readyState === 'complete') idly();
  else window.addEventListener('load', idly, { once: true });
}

/** The page starts over with the newer program; what waits in the queue is not its files' and stays. */
export function takeNewer(): void {
  if (newer === 'in another tab') return location.reload();
  takenHere = true;
  waiting?.postMessage('take over');
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

export const useNewer = (): Newer => useSyncExternalStore(subscribe, () => newer);
