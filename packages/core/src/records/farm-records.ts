import type { LogName, LogNameOf, LogRecords, SettingName, SettingNameOf, SettingRecords } from './all.js';

/** A record of a log as it is kept. */
export interface LogEntry<N extends LogName = LogName> {
  readonly body: LogRecords[N];
  readonly by: string;
  /** Taken back: it counts no longer, and is still there. */
  readonly voided: boolean;
}

/** What a farm set for one subject, and the revision that a change of it begins from. */
export interface SettingEntry<N extends SettingName = SettingName> {
  readonly revision: number;
  readonly value: SettingRecords[N];
}

export type LogsOf<N extends LogName> = { readonly [K in N]: readonly LogEntry<K>[] };
export type SettingsOf<N extends SettingName> = { readonly [K in N]: Readonly<Record<string, SettingEntry<K>>> };

/** Records that a view reads: logs newest first, settings by subject. A view names the kinds that it needs. */
export interface RecordsOf<L extends LogName = never, S extends SettingName = never> {
  readonly logs: LogsOf<L>;
  readonly settings: SettingsOf<S>;
}

/** What people saw and did beside the grain book in field, cab, truck and at the dryer, and what the farm set for itself there. */
export type FieldRecords = RecordsOf<
  LogNameOf<'fields' | 'cut' | 'haul' | 'dry'>,
  SettingNameOf<'fields' | 'cut' | 'haul' | 'dry'>
>;

/** What was read at the dryer and in the grain. */
export type DryRecords = RecordsOf<LogNameOf<'dry'>, SettingNameOf<'dry'>>;
export type StoreRecords = RecordsOf<LogNameOf<'store'>, SettingNameOf<'store'>>;

export type SellRecords = RecordsOf<LogNameOf<'sell'>, SettingNameOf<'sell'>>;
export type TraceRecords = RecordsOf<LogNameOf<'trace'>, SettingNameOf<'trace'>>;
export type ShedRecords = RecordsOf<LogNameOf<'shed'>, SettingNameOf<'shed'>>;

/** Those that count: what was taken back is left out. */
export const living = <N extends LogName>(entries: readonly LogEntry<N>[]): readonly LogEntry<N>[] =>
  entries.filter((entry) => !entry.voided);
