/** International foot, exact. */
export const M_PER_FT = 0.3048;

export function feetToMetres(feet: number): number {
  return feet * M_PER_FT;
}

export function metresToFeet(metres: number): number {
  return metres / M_PER_FT;
}

export function inchesToMetres(inches: number): number {
  return inches * 0.0254;
}

export function milesToMetres(miles: number): number {
  return miles * 5280 * M_PER_FT;
}
