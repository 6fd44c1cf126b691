import type { LogName, LogRecords, RevisionChange, SettingName, SettingRecords } from '@fanega/core';
import { ulid } from 'ulid';
import { type Command, post, put } from './api';
import { LOG_ROUTES, SETTING_ROUTES, VOID_ROUTES } from './api-routes';

/** A record of a log, to be written. */
export const logged = <N extends LogName>(farmId: string, name: N, body: LogRecords[N]): Command =>
  post(LOG_ROUTES[name as 'reading'], { path: { farmId } }, body as never) as Command;
/** The same taken back. */
export const takenBack = (farmId: string, name: LogName, id: string): Command =>
  post(VOID_ROUTES[name], { path: { farmId, id } });
/** Something that the farm sets for itself, changed from the revision that is shown. */
export const setting = <N extends SettingName>(
  farmId: string,
  name: N,
  subject: string,
  change: { readonly revision: number; readonly value: SettingRecords[N] },
): Command => put(SETTING_ROUTES[name as 'machine'], { path: { farmId, subject } }, change as never) as Command;
/** A dated change of what the book is read with; why stands in the book for good. */
export const revision = (farmId: string, reason: string, change: RevisionChange, id = ulid()): Command =>
  post('/api/farms/{farmId}/revisions', { path: { farmId } }, { id, reason, change } as never) as Command;
