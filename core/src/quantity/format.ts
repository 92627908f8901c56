import { perWriting, written } from './conventions.js';
import { minorPerUnit } from './money.js';
import { GRAMS_PER_OUNCE } from './units.js';

const formats = perWriting(({ locale }) =>
  ([0, 1, 2] as const).map(
    (decimals) => new Intl.NumberFormat(locale, { minimumFractionDigits: decimals, maximumFractionDigits: decimals }),
  ),
);

/** A number with the kitchen's separators and `decimals` (0, 1 or 2) places. */
export const sayNumber = (value: number, decimals: 0 | 1 | 2 = 0): string => formats()[decimals]?.format(value) ?? '';

const shortest = perWriting(
  ({ locale }) => new Intl.NumberFormat(locale, { maximumSignificantDigits: 6, useGrouping: 'min2' }),
);

/** A number with as many places as it has, up to six figures. @example sayExact(1.25) // '1.25' */
export const sayExact = (value: number): string => shortest().format(value);

/** `value` rounded to the nearest multiple of `step` (both in g), halves away from zero. */
export const roundToStep = (value: number, step: number): number =>
  Number((Math.sign(value) * Math.floor(Math.abs(value) / step + 0.5) * step).toFixed(6));

/**
 * Grams as a scale with `step` shows them: `276 g`, `1.2 g`, `4,520 g`.
 * A weight that would round to nothing keeps one significant figure, so that a pinch never reads 0.
 */
export function sayGrams(grams: number, step = 1): string {
  const rounded = roundToStep(grams, step);
  if (rounded === 0 && grams > 0) return `${sayExact(Number(grams.toPrecision(1)))} g`;
  return `${sayNumber(rounded, step < 0.1 ? 2 : step < 1 ? 1 : 0)} g`;
}

/** Grams where they can be read at a glance: `276 g`, from 10 kg on `12.4 kg`. */
export const sayMass = (grams: number): string =>
  grams < 10_000 ? sayGrams(grams) : `${sayNumber(grams / 1000, 1)} kg`;

/** Grams in ounces with one decimal place: `9.7 oz`. */
export const sayOunces = (grams: number): string => `${sayNumber(grams / GRAMS_PER_OUNCE, 1)} oz`;

const moneyFormats = perWriting(() => new Map<string, Intl.NumberFormat>());

/** Minor units as money, with the sign alone: a kitchen has one currency. @example sayMoney(2600, 'USD') // '$26.00' */
export function sayMoney(minor: number, currency: string): string {
  const known = moneyFormats();
  let format = known.get(currency);
  if (!format) {
    format = new Intl.NumberFormat(written().locale, { style: 'currency', currency, currencyDisplay: 'narrowSymbol' });
    known.set(currency, format);
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

const timeFormat = perWriting(
  ({ locale, hours }) =>
    new Intl.DateTimeFormat(locale, {
      timeZone: 'UTC',
      minute: '2-digit',
      ...(hours === '12' ? { hour: 'numeric', hourCycle: 'h12' } : { hour: '2-digit', hourCycle: 'h23' }),
    }),
);

/** A time of day, on the kitchen's clock. @param minutes after midnight @example sayTime(1112) // '18:32' */
export const sayTime = (minutes: number): string => timeFormat().format(Math.round(minutes) * 60_000);

const DAY_MINUTES = 24 * 60;

/** Says minutes as people do: `45 min`, `3 h 10 min`, and from two days on `3 days` or `3 weeks`. */
export function sayMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  const days = whole / DAY_MINUTES;
  if (days >= 14 && days % 7 === 0) return sayCount(days / 7, 'week');
  if (days >= 2 && Number.isInteger(days)) return sayCount(days, 'day');
  const hours = Math.floor(whole / 60);
  const rest = whole % 60;
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}

const MM_PER_INCH = 25.4;
const FEET_PER_METRE = 1 / 0.3048;

/** The sign between whole and parts of a number. */
export const decimalSign = perWriting(
  ({ locale }) => new Intl.NumberFormat(locale).formatToParts(0.5).find(({ type }) => type === 'decimal')?.value ?? '.',
);

/** How many of a stored unit one written unit is: lengths are kept in mm, heights in m. */
export const lengthUnit = (): { readonly unit: 'mm' | 'in'; readonly stored: number } =>
  written().lengths === 'mm' ? { unit: 'mm', stored: 1 } : { unit: 'in', stored: MM_PER_INCH };

export const heightUnit = (
  unit: 'm' | 'ft' = written().heights,
): { readonly unit: 'm' | 'ft'; readonly stored: number } =>
  unit === 'm' ? { unit: 'm', stored: 1 } : { unit: 'ft', stored: 1 / FEET_PER_METRE };

/** Lengths in the kitchen's unit, as one size: `229 × 229 mm`, `9 × 9 in`. @param mm one side or several */
export function sayLength(...mm: readonly number[]): string {
  const { unit, stored } = lengthUnit();
  const say = (each: number) => sayExact(Number((each / stored).toFixed(unit === 'mm' ? 0 : 2)));
  return `${mm.map(say).join(' × ')} ${unit}`;
}

/** A height above the sea: `1,420 m`, `4,659 ft`. */
export function sayHeight(metres: number): string {
  const { unit, stored } = heightUnit();
  return `${sayNumber(metres / stored)} ${unit}`;
}
