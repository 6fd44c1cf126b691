export { invariant } from './invariant.js';
export type { Brand } from './brand.js';
export { RangeRefusal, requireInRange } from './range.js';
export { quantity, within, UnknownRefusal, type Formula, type Quantity, type Standing } from './formula.js';
export { rootBetween } from './roots.js';
export { seededRandom, exponential, duration, type Random } from './random.js';
export { mean, standardDeviation, standardError, tOf95, fitLine, type Line } from './statistics.js';
export { splitWhole } from './split.js';
export { extendCurve } from './curve.js';
