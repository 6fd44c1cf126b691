export { RESISTANCE, AIRFLOW_RESISTANCE, FLOOR_LOSS, airflowResistance, usualPacking, floorLoss, ductLoss, type Resistance, type ResistanceSet } from './resistance.js';
export { FAN, fanFromTable, fanFromModel, fanAtSpeed, staticPressure, operatingPoint, fanHeat, fanPowerNeeded, type AiredBin, type FanCurve, type OperatingPoint } from './fan.js';
