/** Celsius to Fahrenheit, unrounded (exact by definition). */
export const toFahrenheit = (celsius: number): number => (celsius * 9) / 5 + 32;

/** Fahrenheit to Celsius, unrounded (exact by definition). */
export const toCelsius = (fahrenheit: number): number => ((fahrenheit - 32) * 5) / 9;
