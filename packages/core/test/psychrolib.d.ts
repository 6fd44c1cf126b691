/** The reference library for moist air ships no types; these are the functions that our checks call (SI units). */
declare module 'psychrolib' {
  export const SI: number;
  export function SetUnitSystem(system: number): void;
  export function GetHumRatioFromRelHum(celsius: number, humidity: number, pressure: number): number;
  export function GetMoistAirEnthalpy(celsius: number, ratio: number): number;
  export function GetMoistAirVolume(celsius: number, ratio: number, pressure: number): number;
  export function GetTWetBulbFromRelHum(celsius: number, humidity: number, pressure: number): number;
  export function GetTDewPointFromRelHum(celsius: number, humidity: number): number;
}
