import { type Formula, quantity, rootBetween, within } from '../kernel/index.js';

/** Sea-level pressure, Pa. */
export const STANDARD_PRESSURE = 101_325;
const AIR_TEMPERATURE = quantity('air temperature', -60, 150, '°C');
const PRESSURE = quantity('air pressure', 50_000, 110_000, 'Pa');
const HUMIDITY = quantity('relative humidity', 0, 1, 'fraction');
const RATIO = quantity('humidity ratio', 0, 1, 'kg/kg dry air');

export const PSYCHROMETRICS: Formula = {
  id: 'psychrometrics',
  title: 'Moist air',
  standing: 'published, from memory',
  source: 'ASHRAE Handbook, Fundamentals, chapter 1 (Hyland & Wexler 1983 saturation over ice and water)',
  equation:
    'W = 0.621945 pw/(P - pw); h = 1.006 T + W (2501 + 1.86 T) kJ/kg; v = 287.042 (T + 273.15)(1 + 1.607858 W)/P',
  inputs: [AIR_TEMPERATURE, HUMIDITY, PRESSURE],
};

/** Saturation pressure of water vapor, Pa, over ice below 0.01 °C. Unchecked: for inner loops. */
export function saturationPressureUnchecked(celsius: number): number {
  const t = celsius + 273.15;
  return celsius <= 0.01
    ? Math.exp(
        -5.6745359e3 / t +
          6.3925247 +
          t * (-9.677843e-3 + t * (6.2215701e-7 + t * (2.0747825e-9 - 9.484024e-13 * t))) +
          4.1635019 * Math.log(t),
      )
    : Math.exp(
        -5.8002206e3 / t +
          1.3914993 +
          t * (-4.8640239e-2 + t * (4.1764768e-5 - 1.4452093e-8 * t)) +
          6.5459673 * Math.log(t),
      );
}

/**
 * Saturation pressure of water vapor, Pa.
 * Range and source: {@link PSYCHROMETRICS}.
 * @param celsius air temperature, °C
 */
export function saturationPressure(celsius: number): number {
  return saturationPressureUnchecked(within(AIR_TEMPERATURE, celsius));
}

/**
 * kg of vapor in a kg of dry air.
 * Range and source: {@link PSYCHROMETRICS}.
 * @param relativeHumidity fraction
 * @param pressure Pa
 */
export function humidityRatio(celsius: number, relativeHumidity: number, pressure = STANDARD_PRESSURE): number {
  const vapor = within(HUMIDITY, relativeHumidity) * saturationPressure(celsius);
  within(PRESSURE, pressure);
  within(quantity('vapor pressure', 0, pressure * 0.99, 'Pa'), vapor);
  return (0.621945 * vapor) / (pressure - vapor);
}

/**
 * Relative humidity (fraction, above 1 where the air is supersaturated) from humidity ratio.
 * Range and source: {@link PSYCHROMETRICS}.
 */
export function relativeHumidity(celsius: number, ratio: number, pressure = STANDARD_PRESSURE): number {
  within(RATIO, ratio);
  within(PRESSURE, pressure);
  return (pressure * ratio) / (0.621945 + ratio) / saturationPressure(celsius);
}

/**
 * Enthalpy above dry air at 0 °C and liquid water at 0 °C, J for each kg of dry air.
 * Range and source: {@link PSYCHROMETRICS}.
 */
export function enthalpy(celsius: number, ratio: number): number {
  within(AIR_TEMPERATURE, celsius);
  return 1000 * (1.006 * celsius + within(RATIO, ratio) * (2501 + 1.86 * celsius));
}

/**
 * m3 that a kg of dry air with its vapor fills.
 * Range and source: {@link PSYCHROMETRICS}.
 */
export function specificVolume(celsius: number, ratio: number, pressure = STANDARD_PRESSURE): number {
  within(AIR_TEMPERATURE, celsius);
  return (287.042 * (celsius + 273.15) * (1 + 1.607858 * within(RATIO, ratio))) / within(PRESSURE, pressure);
}

/**
 * Temperature at which this air would start to wet things, °C.
 * Range and source: {@link PSYCHROMETRICS}.
 * @throws RangeRefusal for air drier than saturation at -60 °C
 */
export function dewPoint(celsius: number, humidity: number): number {
  const vapor = within(HUMIDITY, humidity) * saturationPressure(celsius);
  within(quantity('vapor pressure', saturationPressure(-60), saturationPressure(150), 'Pa'), vapor);
  if (humidity === 1) return celsius;
  return rootBetween((t) => Math.log(saturationPressureUnchecked(t) / vapor), -60, celsius, 1e-9);
}

/**
 * Wet-bulb temperature, °C.
 * Range and source: {@link PSYCHROMETRICS}.
 * @param humidity relative humidity, fraction
 * @param pressure Pa
 */
export function wetBulb(celsius: number, humidity: number, pressure = STANDARD_PRESSURE): number {
  const ratio = humidityRatio(celsius, humidity, pressure);
  if (humidity === 1) return celsius;
  const excess = (bulb: number): number => {
    const vapor = saturationPressureUnchecked(bulb);
    const saturated = (0.621945 * vapor) / (pressure - vapor);
    const at =
      bulb >= 0
        ? ((2501 - 2.326 * bulb) * saturated - 1.006 * (celsius - bulb)) / (2501 + 1.86 * celsius - 4.186 * bulb)
        : ((2830 - 0.24 * bulb) * saturated - 1.006 * (celsius - bulb)) / (2830 + 1.86 * celsius - 2.1 * bulb);
    return at - ratio;
  };
  return rootBetween(excess, Math.max(-60, celsius - 100), celsius, 1e-9);
}

export interface AirState {
  /** °C */
  readonly temperature: number;
  /** fraction */
  readonly relativeHumidity: number;
}

/**
 * The same air after a fan or burner warmed it: its water stays, its relative humidity falls.
 * Range and source: {@link PSYCHROMETRICS}.
 * @param kelvin rise, 0 to 100 K
 */
export function heatAir(air: AirState, kelvin: number, pressure = STANDARD_PRESSURE): AirState {
  within(quantity('temperature rise', 0, 100, 'K'), kelvin);
  const ratio = humidityRatio(air.temperature, air.relativeHumidity, pressure);
  return {
    temperature: air.temperature + kelvin,
    relativeHumidity: relativeHumidity(air.temperature + kelvin, ratio, pressure),
  };
}
