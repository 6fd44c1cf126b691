export {
  GROUND_SPEED,
  widthOfRows,
  rateAt,
  areaRate,
  fieldEfficiency,
  speedForRate,
  tankFill,
  type SpeedAdvice,
  type SpeedLimit,
} from './speed.js';
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
  type LossWarning,
  type LossPart,
} from './losses.js';
export { LOSS_BY_RATE, lossAtRate, lossByRate, type CountedAtRate, type LossByRate } from './loss-by-rate.js';
export { STRIPS, compareStrips, type StripResult } from './strips.js';
export {
  type AdviceAct,
  type AdviceWhy,
  SETTINGS_LADDER,
  USUAL_SETTINGS,
  advise,
  type Advice,
  type Change,
  type Tried,
} from './adviser.js';
export {
  YIELD_MONITOR,
  CALIBRATION_LOADS,
  CALIBRATION_FLOW_SPREAD,
  calibrateMonitor,
  factorAt,
  yieldFromFlow,
  type Calibration,
  type CalibrationLoad,
} from './yield-monitor.js';
export { TANK_BY_FLOW, LONGEST_GAP_MS, tankByFlow, type FlowMoment, type TankByFlow } from './tank-by-flow.js';
export { bestSettings, type RankedSettings, type SettingsRecord } from './settings-record.js';
export {
  monitorLoads,
  monitorDrift,
  RESTATED,
  type HarvestedLoad,
  type MonitorOnly,
  type MonitorPair,
} from './monitor-book.js';
export {
  changedSettings,
  settingsTrail,
  triedOf,
  type LoggedCheck,
  type LoggedSettings,
  type SettingChange,
  type TrailStep,
} from './trail.js';
export { monitorsView, type MonitorView } from './view.js';
export {
  checkOf,
  checksOf,
  type CheckedLoss,
  type CutRecords,
  likelyLot,
  rangesOf,
  settingsEntriesOf,
  acceptedLoss,
  displayPairs,
  USUAL_PROFILE,
  valuesOf,
} from './records-view.js';
export {
  areaOfRows,
  type FillLimit,
  fillsFirst,
  HEAPED,
  heapedKg,
  LEFT_TO_CUT,
  type LeftInput,
  type LeftToCut,
  leftToCut,
  tankOverWay,
} from './left-to-cut.js';
export { WEAR_PART, wearPart, type WearPartInput, type WearPartResult } from './wear-part.js';
export {
  CHANGE_PLAN,
  changePlan,
  type ChangePlanInput,
  type ChangePlanResult,
  type SwitchOutcome,
  type SwitchSide,
} from './change-plan.js';
export {
  ledBack,
  type LedBack,
  qualityBySettings,
  SAMPLE_DIFFERS,
  SAMPLE_FACTORS,
  type SampleFactor,
  sampleOfPaper,
  sheetAt,
  type SampleQuality,
  type SheetQuality,
  type TicketWay,
} from './sample-quality.js';
export {
  type GivenSheet,
  planSheets,
  sameSheets,
  SHEET_COLUMNS,
  SHEET_HEADS,
  type SheetColumn,
  type SheetProblem,
  sheetRows,
  valuesOfSheet,
} from './neighbor-file.js';
export {
  BORROWED_HEAD,
  borrowedHead,
  type BorrowedHeadInput,
  type BorrowedHeadResult,
  DEW_OR_DRY,
  dewOrDry,
  type DewOrDry,
  type HeadSide,
} from './heads.js';
