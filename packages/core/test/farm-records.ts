import {
  type FieldRecords,
  LOG_KINDS,
  type LogEntry,
  SETTING_KINDS,
  type SettingEntry,
  type ShedRecords,
} from '../src/index.js';

/** Records of a farm that has nothing but what is given. */
export function recordsOf(
  logs: Readonly<Record<string, readonly object[]>> = {},
  settings: Readonly<Record<string, Readonly<Record<string, unknown>>>> = {},
): FieldRecords & ShedRecords {
  const none = <T>(kinds: object, empty: T): Record<string, T> =>
    Object.fromEntries(Object.keys(kinds).map((name) => [name, empty]));
  const kept = Object.fromEntries(
    Object.entries(settings).map(([name, bySubject]) => [
      name,
      Object.fromEntries(
        Object.entries(bySubject).map(([subject, value]) => [subject, { revision: 1, value } as SettingEntry]),
      ),
    ]),
  );
  return {
    logs: { ...none(LOG_KINDS, []), ...logs },
    settings: { ...none(SETTING_KINDS, {}), ...kept },
  } as unknown as FieldRecords & ShedRecords;
}

/** A record as it is kept. */
export const kept = (body: object, voided = false, by = 'Bea'): LogEntry =>
  ({ body, by, voided }) as unknown as LogEntry;
