import { ownCropsKnown } from '@fanega/core';
import { useState } from 'react';
import useSWR from 'swr';
import type { Task, TaskAnswer, TaskInput } from './tasks';

interface Waiting {
  readonly resolve: (answer: never) => void;
  readonly reject: (error: Error) => void;
  readonly tell: (done: number) => void;
}

let worker: Worker | undefined;
let last = 0;
const waiting = new Map<number, Waiting>();

/** One answer from the worker, for what is asked by a button and not by what stands on the page. @param tell hears how much is done, 0 to 1 */
export function ask<T extends Task>(
  task: T,
  input: TaskInput<T>,
  tell: (done: number) => void = () => undefined,
): Promise<TaskAnswer<T>> {
  if (!worker) {
    worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<{ id: number; answer?: never; error?: string; done?: number }>) => {
      const asked = waiting.get(data.id);
      if (data.done !== undefined) return asked?.tell(data.done);
      waiting.delete(data.id);
      if (data.error === undefined) asked?.resolve(data.answer as never);
      else asked?.reject(new Error(data.error));
    };
    worker.onerror = () => {
      // The next question starts a new one.
      worker = undefined;
      for (const { reject } of waiting.values()) reject(new Error('The calculation stopped. Reload the page.'));
      waiting.clear();
    };
  }
  const id = ++last;
  return new Promise((resolve, reject) => {
    waiting.set(id, { resolve: resolve as Waiting['resolve'], reject, tell });
    // The farm's own crops: the worker has heard of none.
    worker!.postMessage({ id, task, input, crops: ownCropsKnown() });
  });
}

/** Works something out beside the page; the answer before stays until the new one is there, and `done` says how far that is. Null: nothing to ask yet. */
export function useWorker<T extends Task>(task: T, input: TaskInput<T> | null) {
  const key = input === null ? null : `science:${task}:${JSON.stringify(input)}`;
  const [done, setDone] = useState(0);
  const answer = useSWR<TaskAnswer<T>, Error>(
    key,
    () => {
      setDone(0);
      return ask(task, input!, setDone);
    },
    { keepPreviousData: true, revalidateOnFocus: false, revalidateOnReconnect: false, shouldRetryOnError: false },
  );
  return { ...answer, done };
}
