export { readyBy } from './days.js';
export {
  MACHINE_KINDS,
  standingOf,
  serviceStanding,
  wearStanding,
  machineReadiness,
  type Alternative,
  alternatives,
  type ItemStanding,
  type ItemState,
  type MachineReadiness,
  type PartNeed,
  type ReadyItem,
  type Service,
  type WearPart,
  type WearStanding,
} from './readiness.js';
export { READINESS_TEMPLATES, type TemplateLine } from './templates.js';
export { type FuelAdded, fuelNow, type FuelState, fuelPerAcre, fuelPerBushel, ownBurn, workedHours } from './fuel.js';
export { SAFETY_CARDS, SAFETY_CARDS_ES, CARD_FOOT, CARD_FOOT_ES, type SafetyCard } from './safety.js';
export { changeoverSteps, FIRST_HUNDRED_FEET, type ChangeoverStep } from './changeover.js';
export { CAUSES, breakdownSummary, type Breakdown, type BreakdownSum, type BreakdownSummary } from './breakdowns.js';
export {
  alternativesFor,
  bareMachine,
  itemsOf,
  machinesOf,
  type MachineNext,
  type MachineView,
  templateOf,
} from './view.js';
export { countersNow, type CounterNow } from './parts-counters.js';
export { downPlaces } from './down.js';
export {
  atTheWheel,
  type AtTheWheel,
  byPart,
  type HeatVerdict,
  helpOf,
  isTrainee,
  PART_HEAT_LIMITS,
  partHeat,
  TRAINEE,
  USUAL_HOURS,
} from './crew.js';
export { type SecondLook, secondLooks } from './second-look.js';
export { type CommonCause, commonCause, hangOn, hangsOn } from './hangs-on.js';
