export {
  METHODS,
  PLACE_KINDS,
  type PlaceKind,
  WITHDRAWALS,
  DEFAULT_MOISTURE,
  DEFAULT_TRUST,
  UNKNOWN_LOT,
  NO_GRAIN_KG,
  isBuyer,
  type Book,
  type BookDefaults,
  type BookHeader,
  type ConditionEntry,
  type Entry,
  type EntryType,
  type HarvestEntry,
  type Lot,
  type LossEntry,
  type MeasureEntry,
  type Method,
  type MoveEntry,
  type Place,
  type VoidEntry,
  type Withdrawal,
  type WitnessEntry,
} from './model.js';
export { instantOf } from './instant.js';
export { BookRefused, wordRefusal, wordRefusalAtField, type Refusal, type RefusalCode } from './refusal.js';
export { bookFromJson, checkHeader, ENTRY_TYPES } from './check.js';
export { parseBook, serializeBook } from './file.js';
export { Ledger, type Account, type Checkpoint, type Layer, type ParcelView, type Position } from './ledger.js';
export { FLAG_DEAD, Kind } from './records.js';
export { bookSchema } from './schema.js';
export { balanceOf, type Balance } from './balance.js';
export { findTwins, joinTwins, TWIN_RULES, type TwinPair, type TwinRules } from './twins.js';
export { bookAhead, type LastKnown } from './ahead.js';
