export { SAMPLING, readingsNeeded, sampleMean } from './sampling.js';
export {
  CORN_DRYDOWN,
  cornPointsPerDay,
  growingDegreeDays,
  cornAfterHeat,
  cornDrydown,
  type Drydown,
} from './drydown.js';
export {
  BEAN_DAY,
  beanDay,
  type BeanDay,
  type MoistureBand,
  type FieldReading,
  type MomentRange,
  type WeatherHour,
} from './bean-day.js';
export { fitToCut, type FitReason, type FitVerdict, type FitWindow } from './fitness.js';
export { WAITING, waitingCosts, type StartCost, type ValueOfMoisture, type WaitingInput } from './waiting.js';
export { FIRE_DANGER, FIRE_STOP, fireDanger, type FireLevel } from './fire.js';
export { gatherReadings, type ReadingMark } from './readings.js';
export {
  fieldForecast,
  type FieldForecast,
  type FieldForecastInput,
  type ForecastMoment,
  type ForecastPoint,
  type NoForecast,
} from './field-forecast.js';
export {
  NEXT_FIELD,
  CRITERIA,
  SCHOOLS,
  rankFields,
  type Criterion,
  type FieldToCut,
  type RankedField,
  type School,
  type Weights,
  type Why,
  type WhyCode,
} from './next-field.js';
export { type DisplayArea, type FieldRow, fieldRows, type NewestReading, type ZoneCut } from './view.js';
export { type FieldPart, partsOf, type PartYield, type VarietyYield, yieldByPart, yieldByVariety } from './by-part.js';
export {
  asBuyer,
  buyerOffset,
  type FieldFacts,
  cuttableAcres,
  fieldFacts,
  type StandingRecords,
  type Tester,
  buyerSaid,
  testersFor,
  testersOf,
} from './standing.js';
export { type ReadingLine, readingsOf } from './reading-line.js';
export { fieldNow, type FieldNow } from './field-now.js';
export { fieldVerdict, type FieldVerdict, type FieldVerdictInput, type VerdictReason } from './field-verdict.js';
export { type NextLot, nextSeason } from './next-season.js';
export {
  ACRES_DIFFER,
  acresOfRing,
  acresToCut,
  type PinNear,
  pinsNear,
  POOR_METERS,
  type FarmZones,
  type PhonePosition,
  ringOf,
  zoneAt,
  zoneOfLoad,
  type ZoneNow,
  zoneProblem,
  type ZoneProblem,
  zonesOf,
  zonesStanding,
} from './zones.js';
export {
  type YearCell,
  type YearLot,
  yearLots,
  YEARS_BY,
  yearsBy,
  type YearsBy,
  type YearSheet,
  type YearsRow,
} from './years.js';
