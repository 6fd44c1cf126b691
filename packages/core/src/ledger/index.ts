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
  type OwnerShare,
  type Revision,
  type RevisionChange,
  type Withdrawal,
  type WitnessEntry,
} from './model.js';
export { instantOf } from './instant.js';
export { BookRefused, wordRefusal, wordRefusalAtField, type Refusal, type RefusalCode } from './refusal.js';
export { isSignedBy, signedBy, signerOf } from './signature.js';
export { bookFromJson, checkChange, checkHeader, ENTRY_TYPES, MAX_MASS_KG, MOST_VOIDS } from './check.js';
export { bookAsOf, readingHeader, revised, undoing, withRevisions } from './revisions.js';
export {
  canonicalJson,
  CHAIN_START,
  type ChainCheck,
  type ChainFault,
  chainOf,
  type ChainRecord,
  ChainWalk,
  checkChain,
  fingerprintOf,
  linkOf,
  recordsInOrder,
  seqOfFingerprint,
} from './chain.js';
export { parseBook, serializeBook } from './file.js';
export {
  Ledger,
  type Account,
  type Checkpoint,
  type Layer,
  type ParcelView,
  type PartTaken,
  type Position,
} from './ledger.js';
export { bookSchema } from './schema.js';
export { balanceOf, type Balance } from './balance.js';
export { findTwins, joinTwins, TWIN_RULES, type TwinPair, type TwinRules } from './twins.js';
export { optimisticBook, type LastKnown } from './optimistic.js';
export { splitByOwner, neighborRows, NOBODY_KNOWS, type NeighborRows, type OwnedGrain, type Share } from './owners.js';
export {
  baseMoistureOf,
  bushelsByCrop,
  bushelsOf,
  currentSeason,
  EMPTY_KG,
  type FarmBook,
  isCrop,
  kgPerBushelOf,
  type LotInfo,
  mainCrop,
  type PlaceInfo,
  placeNames,
  placesInUse,
  usualWithdrawal,
} from './farm.js';
export {
  type BookMoisture,
  byTime,
  type Cut,
  type CutPart,
  cuts,
  type DayFlow,
  dayFlow,
  lastTouch,
  deliveries,
  type Delivery,
  deliveryOf,
  type TicketFigures,
  ticketFigures,
  dryerRuns,
  type HolderNow,
  holders,
  lastDried,
  lastTargets,
  lastTargetsOf,
  type LevelCheck,
  levelChecks,
  lotMoistures,
  placesOf,
  type TapeLine,
  tapeLines,
  tapePage,
} from './queries.js';
export { deviceMayWrite, type DeviceRefusal, WRITING_DEVICES } from './devices.js';
export { type FarmState, farmView, type FarmView } from './farm-view.js';
export { comesOutFirst, type Emptying } from './comes-out.js';
export { likelyMethod, likelyWitness } from './likely-method.js';
