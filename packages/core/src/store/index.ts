export {
  BIN_VOLUME,
  fillOf,
  heightOf,
  eaveHeight,
  capacityOf,
  levelFor,
  type DepthReading,
  type Fill,
  type FlatStorage,
  type LevelForQuantity,
  type RoundBin,
  type Storage,
  type Surface,
} from './bins.js';
export {
  PACKING,
  WALL_FRICTION,
  LATERAL_RATIO,
  columnOf,
  packFactor,
  packFromScale,
  massOfFill,
  spaceOfMass,
  type Pack,
} from './pack.js';
export { pileSize, coneDiameterFor, windrowLengthFor, type Pile, type PileSize } from './piles.js';
export { grainOfOwner, landOwners, type OwnersGrain, type OwnersPart } from './owners-grain.js';
export { fanInBin, wireKilowatts } from './fan-in-bin.js';
export { aboveSideDraw, binCapacity, bookLevel, roundBinOf } from './bin-capacity.js';
export { type Coming, comingOf, intakeQuestions, type IntakeQuestion } from './intake.js';
export {
  TAPE_CHECK,
  tapeCheck,
  loadsThatFit,
  PACK_ERROR,
  TAPE_ERROR,
  type BookedLoad,
  type TapeCheck,
  type TapeCheckInput,
  type SeenSurface,
} from './tape-check.js';
export { placeNow, type PlaceNow } from './place-state.js';
export {
  restQuestion,
  restAnswer,
  type PartLoad,
  type LeftOutWhy,
  type RestAnswer,
  type RestBy,
  type RestCrop,
  type RestFarm,
  type RestPlace,
  type RestQuestion,
  type RestSource,
} from './rest-fits.js';
export {
  CABLES,
  cablesNow,
  sensorHeights,
  type Cable,
  type CableReading,
  type CablesNow,
  type SensorNow,
  type SensorState,
} from './cables.js';
export { modelCables, type HeatingSpot } from './cable-model.js';
export {
  COOLING_CYCLE,
  USUAL_AERATION,
  aerationPlan,
  cycleBegan,
  fanHours,
  type AerationInput,
  type AerationNow,
  type AerationPlan,
  type AirHour,
  type FanWindow,
  type HourOnGrain,
  type Switched,
} from './aeration.js';
export { switchesOf } from './fan-log.js';
export {
  ROUTES,
  HIGH_LOAD,
  bestRoutesFrom,
  columnsOf,
  feedersOf,
  fillingOf,
  gatesNow,
  motorAlarms,
  routeOf,
  routesFrom,
  routesNow,
  sharedMachines,
  startOrder,
  stopOrder,
  type Filling,
  type Gates,
  type MotorAlarm,
  type MotorNow,
  type Route,
  type RunningRoute,
  type SetRoute,
  type SiteMachine,
} from './routes.js';
export { CLIMB_MS, climbingNow, type Climbing, type ClimbNote } from './climbs.js';
export { placeHistory, type PlaceHistory } from './place-history.js';
export { layerRuns, type LayerRun, type LayerSaid } from './layer-runs.js';
export { LEVEL_WATCH, levelWatch, type LevelReading, type LevelWatch } from './level-watch.js';
