import { quantity } from '../kernel/index.js';

/** What questions of what pays are asked in. */
export const ACRES = quantity('acres', 0, 1_000_000, 'ac');
export const COST = quantity('cost', 0, 10_000_000, '$');
export const HOURS = quantity('hours', 0, 10_000, 'h');
