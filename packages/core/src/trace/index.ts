export {
  planRows,
  type PlannedRow,
  ROW_COLUMNS,
  ROW_FILES,
  type RowColumn,
  type RowFile,
  type RowPlan,
  type RowProblem,
  type RowUnits,
  sensorHeads,
} from './row-file.js';
export { traceDelivery, tracePlace, type Contributions, type DeliveryTrace } from './sweep.js';
export { searchBook, type TraceFound } from './search.js';
export { deliveryPath, gathered, lotPath, type TracePath, type TraceLink, type TraceStop } from './trace-path.js';
export {
  deliveryTraceView,
  type DeliveryTraceView,
  lotTraceView,
  type LotTraceView,
  type TraceLoad,
  type WeighedBefore,
} from './view.js';
export {
  DIVISIONS,
  type Division,
  divisionsOf,
  type DivisionWay,
  type Origin,
  ORIGIN_SURE,
  type OriginField,
  type OriginLoad,
  originOf,
  type OriginSubject,
  type OriginSure,
} from './origin.js';
export {
  type ChainedRecord,
  checkOrigin,
  checkOriginAgainst,
  type OriginFault,
  type OriginFile,
  OriginRefused,
  parseOrigin,
} from './origin-file.js';
export { type EpcisDocument, type EpcisEvent, epcisOf } from './epcis.js';
export { ENTRY_COLUMNS, entryRows } from './entry-rows.js';
export { yearOf, type YearCrop, type YearDifference, type YearField } from './year.js';
export {
  BeyondTable,
  type Insurance,
  indemnityOf,
  insuranceOf,
  type MeasuredBin,
  measuredBushels,
  MOISTURE_OF_POLICY,
  moistureFactor,
  type NoticeDue,
  PRODUCTION_TO_COUNT,
  testWeightFactor,
  type UnitField,
  type UnitProduction,
  USUAL_PER_TENTH,
} from './insurance.js';
export { movedToField, wrongFieldLoads, type WrongFieldLoad, type WrongFieldReason } from './wrong-field.js';
export {
  acresInside,
  boundaryProblem,
  type BoundaryProblem,
  pointsOf,
  type Rings,
  ringsOf,
  tidied,
} from './boundary.js';
export {
  FIELD_HEADS,
  type FieldFileProblem,
  type FieldFileRow,
  type FieldPlan,
  planFields,
  type PlannedField,
  tagFor,
} from './field-file.js';
export {
  LOAD_HEADS,
  type LoadFileProblem,
  type LoadPlan,
  planLoads,
  type MissingLot,
  type PlannedLoad,
  weightUnitOf,
} from './load-file.js';
export { aboutInBushels, bookTables, type CalendarEvent, calendarOf, fieldsGeoJson, type OutTable } from './out.js';
export { type ClosedSeason, withoutReason } from './closing.js';
export { type DayLine, type DayReport, dayReport } from './day.js';
export { type LotLine, type LotSetting, type LotStatement, lotStatement } from './lot-statement.js';
export { type CropCosts, storagePaid, type Storing, type StoringFan, YEAR_COSTS, yearCosts } from './year-costs.js';
