import { written } from './conventions.js';
import { sayNumber } from './format.js';

/** Celsius to Fahrenheit, unrounded (exact by definition). */
export const toFahrenheit = (celsius: number): number => (celsius * 9) / 5 + 32;

/** Fahrenheit to Celsius, unrounded (exact by definition). */
export const toCelsius = (fahrenheit: number): number => ((fahrenheit - 32) * 5) / 9;

/**
 * A temperature, or a range of them, in both scales, converted once and exactly: `149 C / 300 F`, `31 to 32 C / 88 to 90 F`.
 * @param celsius one temperature, or both ends of a range
 * @param decimals of each; 0 or 1
 * @param first the scale that stands first; the maker's, where nothing else is said
 */
export function sayTemperature(
  celsius: number | readonly [number, number],
  decimals: 0 | 1 = 0,
  first: 'C' | 'F' = written().temperature,
): string {
  const ends = typeof celsius === 'number' ? [celsius] : celsius;
  const say = (values: readonly number[]) =>
    [...new Set(values.map((value) => sayNumber(value, decimals).replace(/^-(?=0(?:[.,]0)?$)/, '')))].join(' to ');
  const both = [`${say(ends)} C`, `${say(ends.map(toFahrenheit))} F`];
  return (first === 'C' ? both : both.reverse()).join(' / ');
}
