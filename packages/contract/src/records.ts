import type { LogNameOf, LogsOf, SettingName, SettingNameOf, SettingRecords, SettingsOf } from '@fanega/core';

/** A setting is changed as a whole; the revision that the change began from tells whether somebody else was faster. */
export interface SettingChange<N extends SettingName = SettingName> {
  readonly revision: number;
  readonly value: SettingRecords[N];
}

/** A record that cannot be read as one of its kind: nothing is worked out with it, and it is shown for what it is. */
export interface BrokenRecord {
  /** As the core calls it: `reading`, `truckSetup`. */
  readonly kind: string;
  /** Of a log: it is taken out by voiding it. What a farm set is set again. */
  readonly isLog: boolean;
  /** The record's id, or what it is set for. */
  readonly id: string;
  readonly at: string | null;
  readonly by: string | null;
  readonly message: string;
}

interface RecordsPage {
  /** The seasons that these records are of; every season that has any is in `seasons`. */
  readonly of: readonly number[];
  readonly seasons: readonly number[];
  readonly page: number;
  readonly pages: number;
  readonly broken: readonly BrokenRecord[];
}

/** Records of one station of some seasons, newest first, and all of its settings. Nothing is left out: what is not on this page is on another. */
export interface FieldsRecords extends RecordsPage {
  readonly logs: LogsOf<LogNameOf<'fields'>>;
  readonly settings: SettingsOf<SettingNameOf<'fields'>>;
}
export interface CutRecords extends RecordsPage {
  readonly logs: LogsOf<LogNameOf<'cut'>>;
  readonly settings: SettingsOf<SettingNameOf<'cut'>>;
}
export interface HaulRecords extends RecordsPage {
  readonly logs: LogsOf<LogNameOf<'haul'>>;
  readonly settings: SettingsOf<SettingNameOf<'haul'>>;
}
export interface DryRecords extends RecordsPage {
  readonly logs: LogsOf<LogNameOf<'dry'>>;
  readonly settings: SettingsOf<SettingNameOf<'dry'>>;
}
export interface StoreRecords extends RecordsPage {
  readonly logs: LogsOf<LogNameOf<'store'>>;
  readonly settings: SettingsOf<SettingNameOf<'store'>>;
}
export interface SellRecords extends RecordsPage {
  readonly logs: LogsOf<LogNameOf<'sell'>>;
  readonly settings: SettingsOf<SettingNameOf<'sell'>>;
}
export interface TraceRecords extends RecordsPage {
  readonly logs: LogsOf<LogNameOf<'trace'>>;
  readonly settings: SettingsOf<SettingNameOf<'trace'>>;
}
export interface ShedRecordsAnswer extends RecordsPage {
  readonly logs: LogsOf<LogNameOf<'shed'>>;
  readonly settings: SettingsOf<SettingNameOf<'shed'>>;
}

export interface LogAnswer {
  readonly id: string;
}
export interface SettingAnswer {
  readonly revision: number;
}
