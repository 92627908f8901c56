import { minorPerUnit } from './money.js';
import { GRAMS_PER_OUNCE } from './units.js';

const plain = (decimals: number) =>
  new Intl.NumberFormat('en-US', {
    minimumFractionDigits: decimals,
    maximumFractionDigits: decimals,
  });
const formats = [plain(0), plain(1), plain(2)] as const;

/** A number with thousands separators and `decimals` (0, 1 or 2) places. */
export const sayNumber = (value: number, decimals: 0 | 1 | 2 = 0): string => formats[decimals].format(value);

/** `value` rounded to the nearest multiple of `step` (both in g), halves away from zero. */
export const roundToStep = (value: number, step: number): number =>
  Number((Math.sign(value) * Math.floor(Math.abs(value) / step + 0.5) * step).toFixed(6));

/**
 * Grams as a scale with `step` shows them: `276 g`, `1.2 g`, `4,520 g`.
 * A weight that would round to nothing keeps one significant figure, so that a pinch never reads 0.
 */
export function sayGrams(grams: number, step = 1): string {
  const rounded = roundToStep(grams, step);
  if (rounded === 0 && grams > 0) return `${Number(grams.toPrecision(1))} g`;
  return `${sayNumber(rounded, step < 0.1 ? 2 : step < 1 ? 1 : 0)} g`;
}

/** Grams where they can be read at a glance: `276 g`, from 10 kg on `12.4 kg`. */
export const sayMass = (grams: number): string =>
  grams < 10_000 ? sayGrams(grams) : `${sayNumber(grams / 1000, 1)} kg`;

/** Grams in ounces with one decimal place: `9.7 oz`. */
export const sayOunces = (grams: number): string => `${sayNumber(grams / GRAMS_PER_OUNCE, 1)} oz`;

const moneyFormats = new Map<string, Intl.NumberFormat>();

/** Minor units as money: `sayMoney(2600, 'USD')` is `$26.00`. */
export function sayMoney(minor: number, currency: string): string {
  let format = moneyFormats.get(currency);
  if (!format) {
    format = new Intl.NumberFormat('en-US', { style: 'currency', currency });
    moneyFormats.set(currency, format);
  }
  return format.format(minor / minorPerUnit(currency));
}

/** `1 batch`, `3 batches`. */
export const sayCount = (count: number, one: string, many = `${one}s`): string =>
  `${sayNumber(count)} ${count === 1 ? one : many}`;

/** `a, b and c`. */
export const sayList = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`;

/** Minutes as hours and minutes of a clock. @example sayClock(80) // '1:20' */
export function sayClock(minutes: number): string {
  const whole = Math.round(minutes);
  return `${String(Math.floor(whole / 60))}:${String(whole % 60).padStart(2, '0')}`;
}

/** Minutes as `3 h 10 min`, `45 min` or `2 h`. */
export function sayMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  const hours = Math.floor(whole / 60);
  const rest = whole % 60;
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}
