import { living, type LogEntry } from '../records/index.js';
import type { Switched } from './aeration.js';

/** Of the log of all fans what is of one place, as it was switched. */
export const switchesOf = (log: readonly LogEntry<'fanSwitch'>[], placeId: string): Switched[] =>
  living<'fanSwitch'>(log).flatMap(({ body }) =>
    body.placeId === placeId ? [{ atMs: Date.parse(body.at), on: body.on }] : [],
  );
