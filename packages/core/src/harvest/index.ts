export { GROUND_SPEED, widthOfRows, rateAt, areaRate, fieldEfficiency, speedForRate, tankFill, type SpeedAdvice, type SpeedLimit } from './speed.js';
export {
  LOSS_COUNT,
  kernelsPerSquareMetre,
  countError,
  lossCheck,
  compareLoss,
  kernelsOnEars,
  brokenShare,
  type ChangeResult,
  type FrameCount,
  type Loss,
  type LossCheck,
  type LossCheckInput,
  type LossPart,
} from './losses.js';
export { STRIPS, compareStrips, type StripResult } from './strips.js';
export { SETTINGS, SYMPTOMS, SETTINGS_LADDER, USUAL_SETTINGS, advise, type Advice, type Change, type Setting, type Settings, type Symptom, type Tried } from './adviser.js';
export { YIELD_MONITOR, CALIBRATION_LOADS, CALIBRATION_FLOW_SPREAD, calibrateMonitor, yieldFromFlow, type Calibration, type CalibrationLoad } from './yield-monitor.js';
export { TANK_BY_FLOW, LONGEST_GAP_MS, tankByFlow, type FlowMoment, type TankByFlow } from './tank-by-flow.js';
export { SAMPLING, readingsNeeded, sampleMean } from './sampling.js';
export { CORN_DRYDOWN, cornPointsPerDay, growingDegreeDays, cornAfterHeat, cornDrydown, type Drydown } from './drydown.js';
export { BEAN_DAY, beanDay, type BeanDay, type CuttingWindow, type FieldReading, type MomentRange, type WeatherHour } from './bean-day.js';
export { fitToCut, type FitReason, type FitVerdict, type FitWindow } from './fitness.js';
export { WAITING, waitingCosts, type StartCost, type ValueOfMoisture, type WaitingInput } from './waiting.js';
export { FIRE_DANGER, FIRE_CARE, FIRE_STOP, fireDanger, type FireLevel } from './fire.js';
export { bestSettings, type RankedSettings, type SettingsRecord } from './settings-record.js';
export { gatherReadings, type ReadingMark } from './readings.js';
export { fieldForecast, type FieldForecast, type FieldForecastInput, type ForecastMoment, type ForecastPoint, type NoForecast } from './field-forecast.js';
export { monitorLoads, monitorDrift, RESTATED, type HarvestedLoad, type MonitorOnly, type MonitorPair } from './monitor-book.js';
export { changedSettings, settingsTrail, triedOf, type LoggedCheck, type LoggedSheet, type SettingChange, type TrailStep } from './trail.js';
