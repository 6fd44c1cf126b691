export {
  checkField,
  checkFields,
  type Field,
  type FieldRefusal,
  type Fields,
  type FieldSpec,
  hasHalfLetter,
  isDay,
  type PointsTo,
  type RecordOf,
  ULID_FORM,
} from './field.js';
export {
  checkRecord,
  logKind,
  type LogKind,
  type LogOf,
  LOGGED,
  RECORD_STATIONS,
  type RecordStation,
  type Rule,
  settingKind,
  type SettingKind,
  type SettingOf,
} from './kind.js';
export { DEVICE_NAMES, FIELD_NAMES, PASSWORD_LETTERS, PEOPLE_NAMES, PLACE_NAMES, REVISION_REASON } from './names.js';
export {
  SETTING_NAMES,
  SETTINGS,
  SYMPTOM_NAMES,
  SYMPTOMS,
  type Setting,
  type Settings,
  type Symptom,
} from './settings.js';
export * from './shed-names.js';
export * from './fields.js';
export { takesCrop, windowAt, windowFor } from './windows.js';
export { roadKm, timesFrom } from './roads.js';
export * from './cut.js';
export * from './haul.js';
export * from './dry.js';
export * from './store.js';
export * from './sell.js';
export * from './trace.js';
export * from './shed.js';
export {
  LOG_KINDS,
  type LogName,
  type LogNameOf,
  type LogRecords,
  SETTING_KINDS,
  type SettingName,
  type SettingNameOf,
  type SettingRecords,
} from './all.js';
export {
  type DryRecords,
  type FieldRecords,
  living,
  type LogEntry,
  type LogsOf,
  type RecordsOf,
  type SettingEntry,
  type SettingsOf,
  type ShedRecords,
  type SellRecords,
  type StoreRecords,
  type TraceRecords,
} from './farm-records.js';
export { withoutMoney } from './without-money.js';
