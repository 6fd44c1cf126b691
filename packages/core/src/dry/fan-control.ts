import { quantity, within } from '../kernel/index.js';
import { MOISTURE } from '../units/index.js';

/**
 * When the fan runs: practitioners differ, so each school is a setting.
 * - `always`: until the bin is done; more hours, the surest front.
 * - `humidity`: only while the outside air's humidity is in a window, and not below a temperature.
 * - `equilibrium`: only while the air (after the fan's heat) would bring grain into a window about the wanted moisture.
 */
export type FanControl =
  | { readonly kind: 'always' }
  | { readonly kind: 'humidity'; readonly least: number; readonly most: number; readonly leastCelsius?: number }
  | { readonly kind: 'equilibrium'; readonly wanted: number; readonly below: number; readonly above: number };

/** The air of one hour: outside, and what it would bring the grain to after the fan. */
export interface HourOfAir {
  readonly temperature: number;
  readonly relativeHumidity: number;
  /** wet-basis fraction */
  readonly equilibrium: number;
}

/** @throws RangeRefusal for a window that is none */
export function checkFanControl(control: FanControl): FanControl {
  if (control.kind === 'humidity') {
    within(quantity('least humidity for the fan', 0, control.most, 'fraction'), control.least);
    within(quantity('most humidity for the fan', 0, 1, 'fraction'), control.most);
    within(quantity('least temperature for the fan', -40, 50, '°C'), control.leastCelsius ?? -40);
  } else if (control.kind === 'equilibrium') {
    within(MOISTURE, control.wanted);
    within(quantity('window below the wanted moisture', 0, 0.3, 'wb fraction'), control.below);
    within(quantity('window above the wanted moisture', 0, 0.3, 'wb fraction'), control.above);
  }
  return control;
}

export function fanRuns(control: FanControl, hour: HourOfAir): boolean {
  switch (control.kind) {
    case 'always':
      return true;
    case 'humidity':
      return (
        hour.relativeHumidity >= control.least &&
        hour.relativeHumidity <= control.most &&
        hour.temperature >= (control.leastCelsius ?? -40)
      );
    case 'equilibrium':
      return hour.equilibrium >= control.wanted - control.below && hour.equilibrium <= control.wanted + control.above;
  }
}
