import { GRAMS_PER_OUNCE, sayNumber } from '../quantity/index.js';

const OUNCES_PER_POUND = 16;
/** From here on ounces alone are not said any more: pounds come first. */
const POUNDS_FIRST = 4;

/** Rounded down, so that a box never holds less than it says. */
const floorTo = (value: number, decimals: number): number => Math.floor(value * 10 ** decimals + 1e-9) / 10 ** decimals;

const trimmed = (value: number): string => String(Number(value.toFixed(1)));

/**
 * The net quantity as a US label states it: ounces, from one pound up pounds and ounces beside them, from four pounds up pounds first, and
 * grams. Rounded down to 0.1 oz and 1 g (to 0.1 g under 10 g).
 * Source: 21 CFR 101.7(b), (j) to (m), formerly 101.105 (as restated in the design; from memory).
 * @param grams above zero
 * @example netQuantity(276) // 'Net Wt 9.7 oz (276 g)'
 * @example netQuantity(680.39) // 'Net Wt 24 oz (1 lb 8 oz) 680 g'
 * @example netQuantity(2041.2) // 'Net Wt 4 lb 8 oz (2,041 g)'
 */
export function netQuantity(grams: number): string {
  const metric = grams < 10 ? `${trimmed(floorTo(grams, 1))} g` : `${sayNumber(floorTo(grams, 0))} g`;
  const ounces = floorTo(grams / GRAMS_PER_OUNCE, 1);
  if (ounces < OUNCES_PER_POUND) return `Net Wt ${trimmed(ounces)} oz (${metric})`;
  const pounds = Math.floor(ounces / OUNCES_PER_POUND);
  const rest = floorTo(ounces - pounds * OUNCES_PER_POUND, 1);
  const customary = rest > 0 ? `${pounds} lb ${trimmed(rest)} oz` : `${pounds} lb`;
  if (pounds >= POUNDS_FIRST) return `Net Wt ${customary} (${metric})`;
  return `Net Wt ${trimmed(ounces)} oz (${customary}) ${metric}`;
}

const SQUARE_MM_PER_SQUARE_INCH = 645.16;
const MM_PER_INCH = 25.4;

/** Least letter height of the net quantity by the area of the main panel: [up to square inches, inches]. */
const netHeights: readonly (readonly [number, number])[] = [
  [5, 1 / 16],
  [25, 1 / 8],
  [100, 3 / 16],
  [400, 1 / 4],
  [Infinity, 1 / 2],
];

/**
 * The least letter height of the net quantity, mm.
 * Source: 21 CFR 101.7(i) (as restated in the design; the half inch above 400 sq in from memory).
 */
export function netLetterHeightMm(widthMm: number, heightMm: number): number {
  const area = (widthMm * heightMm) / SQUARE_MM_PER_SQUARE_INCH;
  const row = netHeights.find(([upTo]) => area <= upTo);
  return (row?.[1] ?? 1 / 2) * MM_PER_INCH;
}

/** The least letter height of everything else on the information panel, mm: 1/16 inch (21 CFR 101.2(c), from memory). */
export const TEXT_LETTER_HEIGHT_MM = MM_PER_INCH / 16;
