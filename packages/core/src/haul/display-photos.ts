import { type DisplayPhoto, living, type LogEntry } from '../records/index.js';

/** Photographed displays that nobody typed yet, the oldest first. */
export function displaysWaiting(
  photos: readonly LogEntry<'displayPhoto'>[],
  typed: readonly LogEntry<'displayTyped'>[],
): DisplayPhoto[] {
  const done = new Set(living<'displayTyped'>(typed).map(({ body }) => body.displayId));
  return living<'displayPhoto'>(photos)
    .map(({ body }) => body)
    .filter(({ id }) => !done.has(id))
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
}
