/** One way of measuring: what it measures and how much of the base unit (g, mL or one) it is. */
interface Unit {
  readonly measures: 'mass' | 'volume' | 'count';
  readonly base: number;
  readonly label: string;
}

const US_GALLON_ML = 3785.411784;
const IMPERIAL_GALLON_ML = 4546.09;

/**
 * Every unit of a recipe line, with its exact size in grams or millilitres.
 *
 * Source: NIST Handbook 44 Appendix C and NIST SP 811 (the avoirdupois pound is 0.45359237 kg, the US gallon
 * 231 cubic inches); UK Weights and Measures Act 1985 (the imperial gallon is 4.54609 L). A cup is 1/16 gallon,
 * a tablespoon 1/16 cup, a teaspoon 1/3 tablespoon. "Can" and "bar" are packs, never units.
 */
export const units = {
  g: { measures: 'mass', base: 1, label: 'g' },
  kg: { measures: 'mass', base: 1000, label: 'kg' },
  oz: { measures: 'mass', base: 28.349523125, label: 'oz' },
  lb: { measures: 'mass', base: 453.59237, label: 'lb' },
  ml: { measures: 'volume', base: 1, label: 'mL' },
  l: { measures: 'volume', base: 1000, label: 'L' },
  tsp: { measures: 'volume', base: US_GALLON_ML / 768, label: 'tsp' },
  tbsp: { measures: 'volume', base: US_GALLON_ML / 256, label: 'tbsp' },
  floz: { measures: 'volume', base: US_GALLON_ML / 128, label: 'fl oz' },
  cup: { measures: 'volume', base: US_GALLON_ML / 16, label: 'cup' },
  pint: { measures: 'volume', base: US_GALLON_ML / 8, label: 'US pint' },
  quart: { measures: 'volume', base: US_GALLON_ML / 4, label: 'US quart' },
  gallon: { measures: 'volume', base: US_GALLON_ML, label: 'US gallon' },
  'imperial-floz': { measures: 'volume', base: IMPERIAL_GALLON_ML / 160, label: 'imperial fl oz' },
  'imperial-pint': { measures: 'volume', base: IMPERIAL_GALLON_ML / 8, label: 'imperial pint' },
  'imperial-quart': { measures: 'volume', base: IMPERIAL_GALLON_ML / 4, label: 'imperial quart' },
  'imperial-gallon': { measures: 'volume', base: IMPERIAL_GALLON_ML, label: 'imperial gallon' },
  'metric-tsp': { measures: 'volume', base: 5, label: 'metric tsp' },
  dessertspoon: { measures: 'volume', base: 10, label: 'dessertspoon' },
  'metric-tbsp': { measures: 'volume', base: 15, label: 'metric tbsp' },
  'australian-tbsp': { measures: 'volume', base: 20, label: 'Australian tbsp' },
  'metric-cup': { measures: 'volume', base: 250, label: 'metric cup' },
  count: { measures: 'count', base: 1, label: 'count' },
} as const satisfies Record<string, Unit>;

/** The code of a unit, as stored. */
export type UnitCode = keyof typeof units;

/** All unit codes, in the order in which a list offers them. */
export const unitCodes = Object.keys(units) as [UnitCode, ...UnitCode[]];

/** Density of a substance in one state, in g/mL. */
export interface Density {
  readonly state: string;
  readonly gramsPerMl: number;
}

/** What must be known of a substance to weigh a volume or a count of it. */
export interface Substance {
  readonly densities: readonly Density[];
  /** Weight of one, in g; null when it is not counted. */
  readonly pieceGrams: number | null;
}

/** A weight in grams, or why it cannot be known. */
export type Weighing =
  { readonly grams: number } | { readonly problem: 'no-density' | 'no-density-in-state' | 'no-piece-weight' };

/**
 * The weight of an amount of a substance.
 *
 * @param amount in `unit`; a finite number, not negative
 * @param state which density to use (packed, sifted, chopped ...); null takes the only or the first one
 * @returns grams, or the problem: a volume without a density and a count without a piece weight are never guessed
 * @example weigh(1, 'cup', { densities: [{ state: 'packed', gramsPerMl: 0.93 }], pieceGrams: null }, 'packed') // { grams: 220.03 }
 */
export function weigh(amount: number, unit: UnitCode, substance: Substance, state: string | null): Weighing {
  const { measures, base } = units[unit];
  if (measures === 'mass') return { grams: amount * base };
  if (measures === 'count') {
    return substance.pieceGrams === null ? { problem: 'no-piece-weight' } : { grams: amount * substance.pieceGrams };
  }
  const first = substance.densities[0];
  if (!first) return { problem: 'no-density' };
  const density = state === null ? first : substance.densities.find((each) => each.state === state);
  return density ? { grams: amount * base * density.gramsPerMl } : { problem: 'no-density-in-state' };
}

/** Grams in one avoirdupois ounce (exact; NIST Handbook 44 Appendix C). */
export const GRAMS_PER_OUNCE = units.oz.base;
