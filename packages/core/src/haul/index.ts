export {
  weighed,
  netWeight,
  emptyWeightFits,
  loadsLeft,
  FIELD_WEIGHTS,
  fieldWeights,
  wholePounds,
  type FieldWeights,
  type NetWeight,
  type Tare,
  type Weighing,
} from './weights.js';
export {
  BRIDGE_FORMULA,
  FEDERAL_RULES,
  bridgePounds,
  axleGroups,
  legalLoad,
  type AxleGroup,
  type LegalLoad,
  type AxleRules,
} from './axle-limits.js';
export { ERLANG_C, TRUCK_CYCLE, waitingLine, truckCycle, type WaitingLine } from './queue.js';
export { LAST_LOAD, lastLoad, type LastLoad, type LastLoadInput } from './last-load.js';
export { HAULING_DAY, type GrainStanding, type HaulingDay, type HaulingResult, type Minutes } from './hauling-day.js';
export { simulateHauling } from './day.js';
export { dayOfChain } from './day-of-chain.js';
export { COMBINE_UNLOADS_PER_HOUR, STANDS_SHARE, USUAL_CART_DRIVE_MIN, USUAL_HOME_PIT } from './usual.js';
export {
  TRUCKS_WORTH,
  trucksWorthHaving,
  USUAL_HARVEST_COSTS,
  type HarvestCosts,
  type TrucksWorth,
} from './trucks-worth.js';
export { AVERAGE_FLOW, averageFlow, type AverageFlow } from './average-flow.js';
export {
  STILL_WEIGHT,
  STILL_TRUCK_SCALE,
  STILL_CART,
  AXLE_BY_AXLE,
  CURVE_LOADS,
  stillWeight,
  axleByAxle,
  curveLoads,
  type AxleRun,
  type CurveLoad,
  type ScaleLight,
  type ScaleReading,
  type StillRule,
} from './scale.js';
export {
  EMPTY_WEIGHT_RULES,
  emptyWeightStanding,
  axleDoubts,
  emptyWeightCorrections,
  type AxleDoubt,
  type LoadWithEmptyWeight,
  type EmptyWeightCorrection,
  type EmptyWeightRules,
  type EmptyWeightStanding,
  type EmptyWeight,
} from './empty-weights.js';
export { SCALE_COMPARISON, compareScales, type GrainWeighed, type ScaleStanding } from './scale-comparison.js';
export {
  CHAIN_AHEAD,
  chainAhead,
  chainStops,
  cuttingHours,
  type ChainAhead,
  type ChainLever,
  LEVERS,
  type ChainNow,
  type ChainStop,
  type ChainStops,
  type Elsewhere,
} from './chain.js';
export {
  walkRounds,
  ownTimes,
  OWN_TRUCK_SCALE,
  SEVERAL_CARTS,
  type OwnTimes,
  type Round,
  type Rounds,
  type RoundsInput,
  type Unticketed,
  type VehicleNow,
  type WeighedGrain,
} from './rounds.js';
export { haulView, type HaulView, type LostTicket, weighedView, type WeighedView } from './view.js';
export {
  type ChainChoice,
  chainNow,
  closesAt,
  hoursOn,
  combineRate,
  loadedIn,
  cropCut,
  cutLast,
  delaysNow,
  elsewhere,
  type HaulRecords,
  type HaulTo,
  HOME,
  type LastDeparture,
  lastDepartures,
  likelyTo,
  loadsGoTo,
  TRUCK_STATES,
  type TruckNow,
  type TruckState,
  trucksNow,
  USUAL_HAUL_TIMES,
  USUAL_LINE_MIN,
} from './chain-view.js';
export {
  deviceAt,
  type DeviceView,
  emptyWeightNow,
  emptyWeightsOf,
  type HaulWithTickets,
  type KeptEmptyWeight,
  type LegalView,
  legalView,
  likelyCrop,
  likelyPrice,
  loadedAxles,
  loadsWithEmptyWeight,
  offeredLoads,
  scaleSetupOf,
  type TicketView,
  USUAL_WEIGHT_RULES,
  usualEmptyWeight,
  weighingEntry,
  weighingOf,
  type WeighingView,
  weighingView,
  weightRulesOf,
  zeroed,
} from './scale-view.js';
export { countedRatesOf, machineRate, type CountedRate, type MachineRate } from './machine-rate.js';
export { whoIsWhere, type PersonSeen, type VehicleSeen, type WhoIsWhere } from './who-where.js';
export {
  DRYER_DOWN,
  dryerDown,
  type DryerDownInput,
  type WayOut,
  type WetBuyer,
  type WetParcel,
} from './dryer-down.js';
export { byRoomFor, dumpOf, EMPTY_BU, receiversOf, roomOf, takesADump } from './receivers.js';
export {
  coveredPlaces,
  coversToClose,
  dewBegins,
  type OpenPlace,
  RAIN_LIKELY,
  rainBegins,
  type ToClose,
} from './covers.js';
export { type HourAtBuyer, LINE_BY_HOUR, lineByHour, type LineThen, lineThen } from './line-by-hour.js';
export { takesTruck } from './takes-truck.js';
export { displaysWaiting } from './display-photos.js';
export {
  type CrewSpot,
  type FieldMove,
  cutForBy,
  movesOfDay,
  type MoveStop,
  type Rig,
  type RigTrip,
  type SunOfDay,
  ROAD_MINUTES,
  roadMinutes,
  USUAL_RIG,
} from './moves.js';
export { type MoveRecords, type MovesView, movesView, sunAt } from './moves-view.js';
export { type FieldStanding, type NextFields, nextFields, USUAL_NEXT_FIELD } from './next-fields.js';
