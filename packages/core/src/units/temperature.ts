export function fahrenheitToCelsius(fahrenheit: number): number {
  return ((fahrenheit - 32) * 5) / 9;
}

export function celsiusToFahrenheit(celsius: number): number {
  return (celsius * 9) / 5 + 32;
}

/** A difference of temperatures: 3 F of fan heat are 1.667 K. */
export function fahrenheitStepToKelvin(step: number): number {
  return (step * 5) / 9;
}
