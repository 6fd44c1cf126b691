export {
  kilograms,
  poundsToKilograms,
  kilogramsToPounds,
  tonnesToKilograms,
  KG_PER_LB,
  type Kilograms,
} from './mass.js';
export {
  moistureFraction,
  percentToFraction,
  fractionToPercent,
  wetToDryBasis,
  dryToWetBasis,
  MAX_MOISTURE,
  type MoistureFraction,
} from './moisture.js';
export {
  wetBushels,
  dryBushels,
  kilogramsPerBushel,
  volumeBushels,
  CUBIC_METRES_PER_BUSHEL,
  type WetBushels,
  type DryBushels,
  type VolumeBushels,
} from './bushels.js';
export { acresToHectares, hectaresToAcres, M2_PER_ACRE } from './area.js';
export { feetToMetres, metresToFeet, inchesToMetres, milesToMetres, M_PER_FT } from './length.js';
export { mphToMetresPerSecond, metresPerSecondToMph, metresPerSecondToKmh } from './speed.js';
export { fahrenheitToCelsius, celsiusToFahrenheit, fahrenheitStepToKelvin } from './temperature.js';
export { bushelsPerAcreToKgPerHa, kgPerHaToBushelsPerAcre } from './yield.js';
export {
  PA_PER_INCH_WATER,
  M3_PER_S_OF_CFM,
  J_PER_BTU,
  W_PER_HP,
  inchesOfWaterToPascals,
  pascalsToInchesOfWater,
  cfmToCubicMetresPerSecond,
  cubicMetresPerSecondToCfm,
  cfmPerSquareFootToMetresPerSecond,
  cfmPerBushelToPerCubicMetre,
  perCubicMetreToCfmPerBushel,
  btuPerPoundToJoulesPerKg,
  joulesPerKgToBtuPerPound,
} from './air-and-energy.js';
export { testWeightToKgPerM3, kgPerM3ToTestWeight, wheatCertificateKgPerHl } from './density.js';
export { roundDecimal, roundToStep, cents, sumOfMoney, type Rounding } from './rounding.js';
export { MOISTURE, TEMPERATURE, RELATIVE_HUMIDITY, MASS, PRICE, SHARE, MONTHS, BUSHELS } from './quantities.js';
