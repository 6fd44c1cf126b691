import { quantity } from '../kernel/index.js';
import { MAX_MOISTURE } from './moisture.js';

/** The inputs that many formulas share, each with the widest range that any of them accepts. */
export const MOISTURE = quantity('moisture', 0, MAX_MOISTURE, 'wb fraction');
export const TEMPERATURE = quantity('temperature', -40, 60, '°C');
export const RELATIVE_HUMIDITY = quantity('relative humidity', 0, 1, 'fraction');
export const MASS = quantity('mass', 0, 1e10, 'kg');
export const PRICE = quantity('price', 0, 1000, '$/bu');
export const SHARE = quantity('share', 0, 1, 'fraction');
export const MONTHS = quantity('months', 0, 120, 'months');
export const BUSHELS = quantity('bushels', 0, 1e9, 'bu');
