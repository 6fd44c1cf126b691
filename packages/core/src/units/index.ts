export { kilograms, poundsToKilograms, kilogramsToPounds, tonnesToKilograms, KG_PER_LB, type Kilograms } from './mass.js';
export { moistureFraction, percentToFraction, fractionToPercent, MAX_MOISTURE, type MoistureFraction } from './moisture.js';
export { wetBushels, dryBushels, kilogramsPerBushel, volumeBushels, CUBIC_METRES_PER_BUSHEL, type WetBushels, type DryBushels, type VolumeBushels } from './bushels.js';
export { acresToHectares, hectaresToAcres, M2_PER_ACRE } from './area.js';
export { feetToMetres, metresToFeet } from './length.js';
