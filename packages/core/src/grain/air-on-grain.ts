import { quantity, within } from '../kernel/index.js';
import { type Crop } from '../crops/index.js';
import { MOISTURE } from '../units/index.js';
import { equilibriumMoisture, type Equilibrium } from './equilibrium.js';
import { type AirState, heatAir } from './psychrometrics.js';

export interface AirOnGrain {
  /** What blowing this air does to the grain it meets first. */
  readonly moisture: 'dries' | 'wets' | 'holds';
  readonly temperature: 'cools' | 'warms' | 'holds';
  /** Where the grain would end, if blown for ever. */
  readonly equilibrium: Equilibrium;
  /** The air after the fan's (and a burner's) heat. */
  readonly air: AirState;
  /** Wet-basis points from the grain to where it would end; negative dries. */
  readonly points: number;
}

/**
 * When a given air dries, wets or leaves a given grain.
 * @param grain moisture (wet-basis fraction) and temperature (°C) of the grain that the air meets first
 * @param heatKelvin what fan and burner add; about 0.4 K for each inch of static pressure at 50 % efficiency
 * @param margin points within which the air holds the grain; 0.2 by default (a meter cannot tell less)
 */
export function airOnGrain(
  crop: Crop,
  grain: { readonly moisture: number; readonly temperature: number },
  outside: AirState,
  heatKelvin = 0,
  margin = 0.2,
): AirOnGrain {
  within(MOISTURE, grain.moisture);
  within(quantity('grain temperature', -40, 60, '°C'), grain.temperature);
  within(quantity('margin', 0, 5, 'points'), margin);
  const air = heatAir(outside, heatKelvin);
  const humidity = Math.min(0.999, Math.max(0.001, air.relativeHumidity));
  const equilibrium = equilibriumMoisture(crop, air.temperature, humidity);
  const points = 100 * (equilibrium.moisture - grain.moisture);
  const warmer = air.temperature - grain.temperature;
  return {
    moisture: Math.abs(points) <= margin ? 'holds' : points < 0 ? 'dries' : 'wets',
    temperature: Math.abs(warmer) < 1 ? 'holds' : warmer < 0 ? 'cools' : 'warms',
    equilibrium,
    air,
    points,
  };
}
