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
export { binCapacity, roundBinOf } from './bin-capacity.js';
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
