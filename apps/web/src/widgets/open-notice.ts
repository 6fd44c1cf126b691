import { type LogEntry, living, type RecordsOf } from '@fanega/core';
import type { Farm } from '../data/farm';
import { DAY_MS } from '../quantity/time';

/** What was told to come next, until its first load is in the book or a day has gone by; null where nothing is open. */
export function openNotice(farm: Farm, records: RecordsOf<'nextFieldNotice'>): LogEntry<'nextFieldNotice'> | null {
  const note = living(records.logs.nextFieldNotice)[0];
  if (!note) return null;
  const { lotId, at } = note.body;
  const since = Date.parse(at);
  const begun = farm.data.tape.some(
    ({ entry, voided }) => !voided && entry.type === 'harvest' && entry.lot === lotId && Date.parse(entry.at) > since,
  );
  return begun || farm.data.now - since > DAY_MS || since > farm.data.now + DAY_MS ? null : note;
}
