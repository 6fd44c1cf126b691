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
export { cropOfOwn, farmCrops, isOwnCropId, knowCrops, ownCropId, ownCropsKnown, type OwnCrop } from './own-crops.js';
