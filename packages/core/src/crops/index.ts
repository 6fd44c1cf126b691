export { CROPS, cropOf, type Crop, type CropId } from './crops.js';
