import { requireFinite } from '../kernel/index.js';
import { CUBIC_METRES_PER_BUSHEL } from './bushels.js';
import { M_PER_FT } from './length.js';
import { KG_PER_LB } from './mass.js';

/** Inch of water, conventional (60 F would be 248.84). Published, from memory: 249.089 Pa. */
export const PA_PER_INCH_WATER = 249.08891;
/** m3/s in one cubic foot a minute, exact. */
export const M3_PER_S_OF_CFM = M_PER_FT ** 3 / 60;
/** International-table British thermal unit, J. */
export const J_PER_BTU = 1055.05585262;
/** Mechanical horsepower, W. */
export const W_PER_HP = 745.6998715822702;

export function inchesOfWaterToPascals(inches: number): number {
  return requireFinite('pressure', inches, 'in') * PA_PER_INCH_WATER;
}

export function pascalsToInchesOfWater(pascals: number): number {
  return requireFinite('pressure', pascals, 'Pa') / PA_PER_INCH_WATER;
}

export function cfmToCubicMetresPerSecond(cfm: number): number {
  return requireFinite('airflow', cfm, 'cfm') * M3_PER_S_OF_CFM;
}

export function cubicMetresPerSecondToCfm(cubicMetresPerSecond: number): number {
  return requireFinite('airflow', cubicMetresPerSecond, 'm³/s') / M3_PER_S_OF_CFM;
}

/** m/s through a bed (m3/s on each m2) from cfm on each square foot: 0.00508 exactly. */
export function cfmPerSquareFootToMetresPerSecond(cfmPerSquareFoot: number): number {
  return (requireFinite('airflow', cfmPerSquareFoot, 'cfm/ft²') * M_PER_FT) / 60;
}

/** m3/s for each m3 of grain from cfm for each (volume) bushel. */
export function cfmPerBushelToPerCubicMetre(cfmPerBushel: number): number {
  return (requireFinite('airflow', cfmPerBushel, 'cfm/bu') * M3_PER_S_OF_CFM) / CUBIC_METRES_PER_BUSHEL;
}

export function perCubicMetreToCfmPerBushel(perSecond: number): number {
  return (requireFinite('airflow', perSecond, '1/s') * CUBIC_METRES_PER_BUSHEL) / M3_PER_S_OF_CFM;
}

export function btuPerPoundToJoulesPerKg(btuPerPound: number): number {
  return (requireFinite('heat', btuPerPound, 'BTU/lb') * J_PER_BTU) / KG_PER_LB;
}

export function joulesPerKgToBtuPerPound(joulesPerKg: number): number {
  return (requireFinite('heat', joulesPerKg, 'J/kg') * KG_PER_LB) / J_PER_BTU;
}
