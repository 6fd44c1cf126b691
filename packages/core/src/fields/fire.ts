import { type Formula, quantity, within } from '../kernel/index.js';

const T = quantity('air temperature', -10, 55, '°C');
const RH = quantity('relative humidity', 0.01, 1, 'fraction');
const WIND = quantity('wind', 0, 40, 'm/s');
const CURING = quantity('dry share of the stubble', 0.3, 1, 'fraction');

export const FIRE_DANGER: Formula = {
  id: 'fire-danger',
  title: 'Grassland fire danger',
  equation: '2 exp(-23.6 + 5.01 ln C + 0.0281 T - 0.226 sqrt(H) + 0.633 sqrt(V)), C and H in %, T in °C, V in km/h',
  standing: 'published, from memory',
  source: 'Grassland index Mark 4 as a harvest code uses it (stop at 35); medium confidence',
  inputs: [T, RH, WIND, CURING],
  note: 'Burn bans and the fire department have the last word, whatever the figure says.',
};

export type FireLevel = 'low' | 'watch' | 'high' | 'stop';

/** Level from which harvest stops under the code that the index comes from; a farm's own authority may set a lower one. */
export const FIRE_STOP = 35;

/**
 * Danger that a spark in dry stubble runs away.
 * Range and source: {@link FIRE_DANGER}.
 * @param wind m/s at 10 m
 */
export function fireDanger(
  celsius: number,
  humidity: number,
  wind: number,
  curing = 1,
  stopAt = FIRE_STOP,
): { index: number; level: FireLevel } {
  const c = 100 * within(CURING, curing);
  const index =
    2 *
    Math.exp(
      -23.6 +
        5.01 * Math.log(c) +
        0.0281 * within(T, celsius) -
        0.226 * Math.sqrt(100 * within(RH, humidity)) +
        0.633 * Math.sqrt(3.6 * within(WIND, wind)),
    );
  const stop = within(quantity('index at which harvest stops', 5, 100, ''), stopAt);
  return {
    index,
    level: index >= stop ? 'stop' : index >= 0.7 * stop ? 'high' : index >= 0.35 * stop ? 'watch' : 'low',
  };
}
