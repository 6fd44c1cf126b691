export { waterShrink, shrinkFactorPerPoint, weightAtMoisture } from './shrink.js';
export { mixParcels, type Parcel } from './mix.js';
