/** Celsius to Fahrenheit, unrounded (exact by definition). */
export const toFahrenheit = (celsius: number): number => (celsius * 9) / 5 + 32;

/** Fahrenheit to Celsius, unrounded (exact by definition). */
export const toCelsius = (fahrenheit: number): number => ((fahrenheit - 32) * 5) / 9;

/**
 * A temperature in both scales, converted once and exactly: `149 C / 300 F`.
 * @param decimals of each; 0 or 1
 * @param first the scale that the maker reads first
 */
export function sayTemperature(celsius: number, decimals: 0 | 1 = 0, first: 'C' | 'F' = 'C'): string {
  const both = [`${celsius.toFixed(decimals)} C`, `${toFahrenheit(celsius).toFixed(decimals)} F`];
  return (first === 'C' ? both : both.reverse()).join(' / ');
}
