import type { MeasureHabit } from '../kitchen/index.js';
import type { UnitCode } from '../quantity/index.js';

/** Units of volume that depend on where the recipe comes from. */
export const regional: Readonly<Record<string, Readonly<Record<MeasureHabit, UnitCode>>>> = {
  cup: { US: 'cup', UK: 'metric-cup', Australia: 'metric-cup', metric: 'metric-cup' },
  tablespoon: { US: 'tbsp', UK: 'metric-tbsp', Australia: 'australian-tbsp', metric: 'metric-tbsp' },
  teaspoon: { US: 'tsp', UK: 'metric-tsp', Australia: 'metric-tsp', metric: 'metric-tsp' },
  'fluid ounce': { US: 'floz', UK: 'imperial-floz', Australia: 'imperial-floz', metric: 'floz' },
  pint: { US: 'pint', UK: 'imperial-pint', Australia: 'imperial-pint', metric: 'pint' },
  quart: { US: 'quart', UK: 'imperial-quart', Australia: 'imperial-quart', metric: 'quart' },
  gallon: { US: 'gallon', UK: 'imperial-gallon', Australia: 'imperial-gallon', metric: 'gallon' },
};

/** A region said in the line itself goes before the kitchen's habit. */
export const saidRegion: Readonly<Record<string, MeasureHabit>> = {
  us: 'US',
  american: 'US',
  imperial: 'UK',
  uk: 'UK',
  british: 'UK',
  australian: 'Australia',
  metric: 'metric',
  // Older Canadian pints, quarts and gallons are imperial.
  canadian: 'UK',
};

export const plainUnits: Readonly<Record<string, readonly [unit: UnitCode, times: number]>> = {
  gram: ['g', 1],
  milligram: ['g', 0.001],
  kilogram: ['kg', 1],
  ounce: ['oz', 1],
  pound: ['lb', 1],
  milliliter: ['ml', 1],
  centiliter: ['ml', 10],
  deciliter: ['ml', 100],
  liter: ['l', 1],
  dessertspoon: ['dessertspoon', 1],
};

/** Small measures that are parts of a teaspoon. Common practice, no source. */
export const smallMeasures: Readonly<Record<string, number>> = { dash: 1 / 8, pinch: 1 / 16 };

export const packWords = [
  'can',
  'tin',
  'jar',
  'bar',
  'packet',
  'package',
  'pack',
  'bag',
  'box',
  'carton',
  'tub',
  'block',
  'sachet',
  'envelope',
  'container',
  'bottle',
  'pot',
];
export const vagueWords = [
  'knob',
  'handful',
  'splash',
  'jigger',
  'shot',
  'drizzle',
  'drop',
  'dollop',
  'glug',
  'spoonful',
  'squeeze',
  'scoop',
];
export const countWords = [
  'piece',
  'clove',
  'slice',
  'pod',
  'bean',
  'stalk',
  'sprig',
  'large',
  'medium',
  'small',
  'each',
  'head',
  'square',
  'strip',
  'ear',
  'fillet',
];
