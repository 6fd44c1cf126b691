export {
  FUELS,
  DRYER_KINDS,
  ENERGY_FLOOR_BTU_PER_LB,
  HIGH_TEMPERATURE_DRYING,
  waterToRemove,
  energyOfFuelPerPointBushel,
  dryingCost,
  quickDryingCost,
  dryerRate,
  dryTo,
  dryOrDock,
  type DockComparison,
  type DryingCost,
  type DryingJob,
  type DryToAdvice,
  type Fuel,
  type FuelId,
} from './high-temperature.js';
export { THIN_LAYER, thinLayerHours, thinLayerRatio } from './thin-layer.js';
export { DRYER_FEED, fieldsForDryer, type FieldChoice, type FieldForDryer } from './dryer-feed.js';
export { fanRuns, type FanControl, type HourOfAir } from './fan-control.js';
export {
  IN_BIN,
  NON_UNIFORMITY,
  dryInBin,
  steadyWeather,
  dailyWeather,
  aerationFrontHours,
  type InBinResult,
  type InBinSetup,
  type Weather,
} from './in-bin.js';
export { wetView, WET_ABOVE, type WetLayer, type WetPlace } from './view.js';
export { dryerCry, type DryerCry } from './dryer-cry.js';
export { deadlines, keepsFor, type Deadline, type GrainWarmth } from './deadlines.js';
export { bushelPointsAt, dryerOf, type DryerAbility } from './dryer-of.js';
export { DRYER_NOW, dryerNow, type DryerNow, type DryerNowInput } from './dryer-now.js';
export {
  BIN_PLAN,
  DRIES_FROM_CFM,
  binPlan,
  controlOf,
  fallWeather,
  fanOfRows,
  type BinPlan,
  type BinPlanInput,
  type BinWay,
} from './bin-plan.js';
export { runShares, type RunShare } from './run-shares.js';
