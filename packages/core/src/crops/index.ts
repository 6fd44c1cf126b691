export {
  CROPS,
  CROP_IDS,
  cropOf,
  requireCrop,
  defineCrop,
  safeMoisture,
  specificHeat,
  bulkDensity,
  kernelGramsOfRule,
  kernelsPerSquareMetreOfKgPerHa,
  VOID_FRACTION,
  SAFE_MOISTURE,
  SPECIFIC_HEAT,
  BULK_DENSITY,
  type Crop,
  type CropId,
  type SafeMoisture,
} from './crops.js';
export { GRADES, usGrade, US_GRADE, type Grade, type GradeFactor } from './grades.js';
export {
  cropOfOwn,
  farmCrops,
  isOwnCropId,
  knowCrops,
  OWN_CROP_ID,
  ownCropId,
  ownCropsKnown,
  type OwnCrop,
} from './own-crops.js';
export { cropIn } from './crop-words.js';
