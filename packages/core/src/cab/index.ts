export { cabNext, type CabAction, type CabInput, type LoadBefore } from './cab-next.js';
export { byDisplay, holdersOf, lastDumpMs, lately, sleptThrough, undoable } from './view.js';
export { isByJob, type Job, JOB_KINDS, JOB_MACHINES, type JobKind, jobSignature, mayLog, mayRecord } from './job.js';
export {
  isEntryOf,
  sameSeenLoad,
  SEEN_LOADS,
  SEEN_SIGN,
  type SeenInput,
  type SeenLoad,
  seenLoads,
  seenOf,
  type SeenMachine,
  type SeenWhy,
  type SeenYard,
  SETTLES_MS,
  tappedToo,
  type TrackPoint,
} from './seen-loads.js';
export { fieldLeft, type FieldLeft } from './left-view.js';
