import type { Entry } from '@fanega/core';
import { LOG_ROUTES } from '../api-routes';
import { type Command, post } from '../api';
import { bookCommand } from './book-command';
import type { Waiting } from './waiting';

/** What waited in the queue of the first program: entries, or a path and a body beside the book. */
export interface OldWaiting extends Omit<Waiting, 'command'> {
  readonly entries: readonly Entry[];
  readonly beside?: { readonly path: string; readonly body: { readonly id: string } };
}

/** Where the first program's records are written now, and by which names. */
const NOW: Readonly<Record<string, Command['path']>> = {
  readings: LOG_ROUTES.reading,
  'notes/delay': LOG_ROUTES.delay,
  'notes/emptied': LOG_ROUTES.fieldChange,
  'neighbor-rows': '/api/farms/{farmId}/neighbor-rows',
};

/** What a device queued under the first program and could not send before it was updated, as it is sent now: nothing that was recorded is lost. */
export function fromFirstQueue(old: OldWaiting | Waiting): Waiting {
  if ('command' in old) return old;
  const { entries, beside, ...rest } = old;
  if (!beside) return { ...rest, command: bookCommand(rest.farmId, entries) };
  const path = NOW[beside.path];
  if (!path)
    return {
      ...rest,
      command: post(LOG_ROUTES.delay, { path: { farmId: rest.farmId } }, beside.body as never),
      refused: `This program does not know ${beside.path}.`,
    };
  return { ...rest, command: { method: 'POST', path, params: { path: { farmId: rest.farmId } }, body: beside.body } };
}
