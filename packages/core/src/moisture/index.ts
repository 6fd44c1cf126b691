export { waterShrink, shrinkFactorPerPoint, weightAtMoisture } from './shrink.js';
export { mixParcels, type Parcel } from './mix.js';
export {
  shrinkBy,
  compareShrink,
  overDryLoss,
  USUAL_HANDLING_LOSS,
  OVER_DRY,
  WATER_SHRINK,
  PENCIL_SHRINK,
  type ShrinkRule,
  type ShrinkComparison,
  type OverDryLoss,
} from './elevator-shrink.js';
export { BLEND, blend, blendTwoBins, type BlendPart, type BlendBin, type TwoBinBlend } from './blend.js';
export { TESTER, correctMeter, likelyBuyerReading, LEAST_PAIRS, type MeterOffset, type TesterRecord } from './meter.js';
