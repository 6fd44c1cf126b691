import { requireFinite } from '../kernel/index.js';
export function fahrenheitToCelsius(fahrenheit: number): number {
  return ((requireFinite('temperature', fahrenheit, '°F') - 32) * 5) / 9;
}

export function celsiusToFahrenheit(celsius: number): number {
  return (requireFinite('temperature', celsius, '°C') * 9) / 5 + 32;
}

/** A difference of temperatures: 3 F of fan heat are 1.667 K. */
export function fahrenheitStepToKelvin(step: number): number {
  return (requireFinite('temperature', step, '°F') * 5) / 9;
}
