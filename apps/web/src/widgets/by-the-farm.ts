import type { Farm } from '../data/farm';

/** An instant of this device's clock, by the farm's. */
export const byTheFarm = (farm: Farm, ms: number): number => ms + farm.clock() - Date.now();
