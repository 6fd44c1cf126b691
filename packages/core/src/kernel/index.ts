export { invariant } from './invariant.js';
export type { Brand } from './brand.js';
export { RangeRefusal, requireFinite, requireInRange } from './range.js';
export { quantity, within, UnknownRefusal, type Formula, type Quantity, type Standing } from './formula.js';
export { rootBetween } from './roots.js';
export { seededRandom, exponential, duration, type Random } from './random.js';
export { mean, median, standardDeviation, standardError, tOf95, fitLine, type Line } from './statistics.js';
export { splitWhole } from './split.js';
export { tally } from './tally.js';
export { groupBy } from './group.js';
export { IdIndex } from './id-index.js';
export { isObject } from './object.js';
export { extendCurve } from './curve.js';
export { dayAfter, dayNumber, daysBetween } from './days.js';
export { matchHeads } from './heads.js';
export { inOrder, naturally, plainName } from './names.js';
export { toWallTime, calendarDay, startOfDay, fromWallTime, happensTwice, knowZone, zoneTable, type ZoneTable } from './calendar.js'; // prettier-ignore
export { closedRing, crossesItself, insideRing, metersBetween, type Point, ringArea } from './sphere.js';
export { dayComesFirst, decimalComma, figureIn, momentIn } from './file-words.js';
