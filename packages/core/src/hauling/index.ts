export { nextSteps, type HolderNow, type LoadStep, type NextStep, type NextStepInput } from './next-steps.js';
export { weighed, netWeight, tareFits, loadsLeft, FIELD_WEIGHTS, fieldWeights, wholePounds, type FieldWeights, type NetWeight, type Tare, type Weighing } from './weights.js';
export { BRIDGE_FORMULA, FEDERAL_RULES, bridgePounds, axleGroups, legalLoad, type AxleGroup, type LegalLoad, type WeightRules } from './bridge.js';
export { ERLANG_C, TRUCK_CYCLE, waitingLine, truckCycle, type WaitingLine } from './queue.js';
export { LAST_LOAD, lastLoad, type LastLoad, type LastLoadInput } from './last-load.js';
export { HAULING_DAY, simulateHauling, trucksWorthHaving, type GrainStanding, type HaulingDay, type HaulingResult, type Minutes, type TrucksWorth } from './day.js';
export { NEXT_FIELD, CRITERIA, SCHOOLS, rankFields, type Criterion, type FieldToCut, type RankedField, type School, type Weights } from './next-field.js';
export { cabNext, type CabAction, type CabInput, type LoadBefore } from './cab-next.js';
export {
  STILL_WEIGHT,
  STILL_BRIDGE,
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
  TARE_RULES,
  tareStanding,
  axleDoubts,
  tareCorrections,
  type AxleDoubt,
  type LoadWithTare,
  type TareCorrection,
  type TareRules,
  type TareStanding,
  type TareTaken,
} from './tares.js';
export { SCALE_TRUTH, scaleTruth, type GrainWeighed, type ScaleStanding } from './truth.js';
export { CHAIN_AHEAD, chainAhead, LINKS, type ChainAhead, type ChainLink, type ChainLever, type ChainNow, type ChainStop, type Elsewhere } from './chain.js';
