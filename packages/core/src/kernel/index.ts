export { invariant } from './invariant.js';
export type { Brand } from './brand.js';
export { RangeRefusal, requireInRange } from './range.js';
