import type { ReadingSource, RecordsOf } from '../records/index.js';

/** A moisture of a field, as it is listed. */
export interface ReadingLine {
  readonly id: string;
  readonly fieldId: string;
  readonly at: string;
  readonly moisture: number | null;
  readonly source: ReadingSource;
  readonly cracked: number | null;
  readonly tester: string;
  readonly spot: string;
  /** of one zone alone; null: of the field */
  readonly zoneId: string | null;
  readonly by: string;
  /** Taken back: it counts no longer, and is still there. */
  readonly voided: boolean;
}

/** Readings of a field, newest first, those that were taken back among them. */
export const readingsOf = (
  records: { readonly logs: Pick<RecordsOf<'reading'>['logs'], 'reading'> },
  fieldId: string,
): ReadingLine[] =>
  records.logs.reading
    .filter(({ body }) => body.fieldId === fieldId)
    .map(({ body, by, voided }) => ({
      id: body.id,
      fieldId,
      at: body.at,
      moisture: body.moisture ?? null,
      source: body.source,
      cracked: body.cracked ?? null,
      tester: body.tester ?? '',
      spot: body.spot ?? '',
      zoneId: body.zoneId ?? null,
      by,
      voided,
    }));
