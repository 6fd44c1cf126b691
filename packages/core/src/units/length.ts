export function feetToMetres(feet: number): number {
  return feet * 0.3048;
}

export function metresToFeet(metres: number): number {
  return metres / 0.3048;
}
