import type { LogName, LogRecords, SettingName, SettingRecords } from '@fanega/core';

/** A record of the made-up farm. */
export type DemoLog = {
  [K in LogName]: { readonly kind: K; readonly body: LogRecords[K]; readonly by: string; readonly voided: boolean };
}[LogName];
/** Something that the made-up farm set for itself. */
export type DemoSetting = {
  [K in SettingName]: { readonly kind: K; readonly subject: string; readonly body: SettingRecords[K] };
}[SettingName];
