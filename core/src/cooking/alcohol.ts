/**
 * Share of the alcohol that is kept, by what is done with it.
 * Source: USDA Table of Nutrient Retention Factors, release 6 (from memory).
 */
export const alcoholKept = {
  'never heated': 1,
  'no heat, overnight': 0.7,
  'into boiling liquid, off the heat': 0.85,
  flamed: 0.75,
  'simmered or baked 15 min': 0.4,
  'simmered or baked 30 min': 0.35,
  'simmered or baked 1 h': 0.25,
  'simmered or baked 1.5 h': 0.2,
  'simmered or baked 2 h': 0.1,
  'simmered or baked 2.5 h': 0.05,
} as const;

/** What is done with the spirit of a recipe. */
export type AlcoholUse = keyof typeof alcoholKept;
export const alcoholUses = Object.keys(alcoholKept) as [AlcoholUse, ...AlcoholUse[]];

/** What may be said of a recipe: one of these uses, or that it follows from the steps. */
export const alcoholRules = ['by the steps', ...alcoholUses] as const;

/** Minutes of heating and the share that is kept after them: the table above, from what goes into boiling liquid on. */
const keptAfter: readonly (readonly [minutes: number, share: number])[] = [
  [0, alcoholKept['into boiling liquid, off the heat']],
  [15, alcoholKept['simmered or baked 15 min']],
  [30, alcoholKept['simmered or baked 30 min']],
  [60, alcoholKept['simmered or baked 1 h']],
  [90, alcoholKept['simmered or baked 1.5 h']],
  [120, alcoholKept['simmered or baked 2 h']],
  [150, alcoholKept['simmered or baked 2.5 h']],
];

/**
 * The share of the alcohol that is kept after so long on the heat, straight lines between the points of the table.
 * @param minutes not negative; beyond the table its last point
 */
export function keptAfterHeat(minutes: number): number {
  const after = keptAfter.findIndex(([point]) => point >= minutes);
  const [x1, y1] = keptAfter[after] ?? keptAfter.at(-1) ?? [0, 1];
  const [x0, y0] = keptAfter[after - 1] ?? [x1, y1];
  return x1 === x0 || after < 0 ? y1 : y0 + ((y1 - y0) * (minutes - x0)) / (x1 - x0);
}

const ETHANOL_GRAMS_PER_ML = 0.789;
/** A confection without much air, g/mL. Common practice, no source. */
const CONFECTION_GRAMS_PER_ML = 1.25;

/** Confections above this are restricted in many places. Source: US FD&C Act s. 402(d)(1)(B) (from memory). */
export const RESTRICTED_ABV = 0.5;

/**
 * Alcohol by volume of a confection, %.
 * @param ethanolPercent ethanol by mass, 0 to 100
 */
export const abvOf = (ethanolPercent: number): number =>
  (ethanolPercent / ETHANOL_GRAMS_PER_ML) * CONFECTION_GRAMS_PER_ML;
