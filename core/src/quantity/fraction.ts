import { formatQuantity } from 'format-quantity';
import { sayExact } from './format.js';
import { units, type UnitCode } from './units.js';

/** Parts of a cup or a spoon that kitchens have. */
const parts = [0, 1 / 8, 1 / 4, 1 / 3, 3 / 8, 1 / 2, 5 / 8, 2 / 3, 3 / 4, 7 / 8, 1];

/** An amount in kitchen fractions. */
export interface KitchenFraction {
  /** `1 3/4`. */
  readonly text: string;
  /** Rounded less exact, as a share of the exact amount, percent. */
  readonly errorPercent: number;
}

/** Below an eighth only the spoons for pinches are left. */
const SMALL = [1 / 32, 1 / 16, 1 / 8];

/** What is less than this is no spoon's. */
const LEAST = 3 / 128;

const nearest = (amount: number, to: readonly number[]): number =>
  to.reduce((best, part) => (Math.abs(part - amount) < Math.abs(best - amount) ? part : best));

/**
 * An amount as cups and spoons measure it: to eighths and thirds, below an eighth to a sixteenth or half of it. What is less than
 * any spoon stays a decimal figure.
 * @param amount above 0
 * @example kitchenFraction(1.76).text // '1 3/4'
 */
export function kitchenFraction(amount: number): KitchenFraction {
  const whole = Math.floor(amount);
  const rounded =
    amount < LEAST
      ? Number(amount.toPrecision(1))
      : amount < 1 / 8
        ? nearest(amount, SMALL)
        : whole + nearest(amount - whole, parts);
  return {
    text: rounded === 1 / 32 ? '1/32' : rounded < 1 / 32 ? String(rounded) : formatQuantity(rounded) || String(rounded),
    errorPercent: ((rounded - amount) / amount) * 100,
  };
}

const spooned: readonly UnitCode[] = [
  'cup',
  'tbsp',
  'tsp',
  'metric-cup',
  'metric-tbsp',
  'metric-tsp',
  'australian-tbsp',
  'dessertspoon',
  'pint',
  'quart',
  'imperial-pint',
  'imperial-quart',
];

/** An amount with its unit, in kitchen fractions where cups and spoons are meant: `1 3/4 cup`, `450 g`, `2`. */
export function sayMeasure(amount: number, unit: UnitCode): string {
  const text =
    spooned.includes(unit) || unit === 'count'
      ? kitchenFraction(amount).text
      : sayExact(Number(amount.toFixed(2)) || Number(amount.toPrecision(1)));
  return unit === 'count' ? text : `${text} ${units[unit].label}`;
}
