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
  serviceWorker.register('/sw.js').then(watch, () => undefined);
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
