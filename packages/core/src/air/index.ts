export {
  PSYCHROMETRICS,
  STANDARD_PRESSURE,
  saturationPressure,
  saturationPressureUnchecked,
  humidityRatio,
  relativeHumidity,
  enthalpy,
  specificVolume,
  dewPoint,
  wetBulb,
  heatAir,
  type AirState,
} from './psychrometrics.js';
export {
  ISOTHERMS,
  DEFAULT_ISOTHERM,
  EQUILIBRIUM,
  isotherm,
  isothermOf,
  equilibriumMoisture,
  equilibriumHumidity,
  type Equilibrium,
  type Isotherm,
  type IsothermForm,
  type IsothermSet,
} from './equilibrium.js';
export { LATENT_HEAT, BINDING_HEAT, bindingHeatOf, latentHeatOfWater, latentHeatOfGrain, latentRatioOfIsotherm, type BindingHeat } from './latent-heat.js';
export { airOnGrain, type AirOnGrain } from './air-on-grain.js';
