/** The parts that together make up all of a food. */
export const partNames = [
  'water',
  'sucrose',
  'glucose',
  'fructose',
  'lactose',
  'maltose',
  'dextrin',
  'otherCarbohydrate',
  'fat',
  'protein',
  'ethanol',
  'ash',
] as const;
export type PartName = (typeof partNames)[number];

/** Grams of each part, in a known amount of food. */
export type Parts = Readonly<Record<PartName, number>>;

export const noParts: Parts = {
  water: 0,
  sucrose: 0,
  glucose: 0,
  fructose: 0,
  lactose: 0,
  maltose: 0,
  dextrin: 0,
  otherCarbohydrate: 0,
  fat: 0,
  protein: 0,
  ethanol: 0,
  ash: 0,
};

const combine = (of: (name: PartName) => number): Parts => {
  const parts = { ...noParts } as Record<PartName, number>;
  for (const name of partNames) parts[name] = of(name);
  return parts;
};

/** `a + b x times`, in grams. */
export const addParts = (a: Parts, b: Parts, times = 1): Parts => combine((name) => a[name] + b[name] * times);

export const scaleParts = (parts: Parts, times: number): Parts => combine((name) => parts[name] * times);

/** The mass of all parts, g. */
export const massOf = (parts: Parts): number => partNames.reduce((sum, name) => sum + parts[name], 0);

/** Sugars, g. */
export const sugarsOf = (parts: Parts): number =>
  parts.sucrose + parts.glucose + parts.fructose + parts.lactose + parts.maltose;

/** What dissolves in a syrup and holds its water, g: sugars and the dextrins of glucose syrups. */
export const dissolvedOf = (parts: Parts): number => sugarsOf(parts) + parts.dextrin;

/**
 * Energy, kcal: 4 a gram of carbohydrate and protein, 9 of fat, 7 of ethanol.
 * Source: the general Atwater factors (21 CFR 101.9(c)(1)(i)(B), from memory; ethanol by USDA's tables, from memory).
 */
export const energyOf = (parts: Parts): number =>
  4 * (dissolvedOf(parts) + parts.otherCarbohydrate + parts.protein) + 9 * parts.fat + 7 * parts.ethanol;

/**
 * Sweetness as grams of sucrose that would taste as sweet.
 * Relative sweetness: fructose 1.2, glucose 0.7, maltose 0.4, lactose 0.2 (handbooks differ; from memory).
 */
export const sweetnessOf = (parts: Parts): number =>
  parts.sucrose + 1.2 * parts.fructose + 0.7 * parts.glucose + 0.4 * parts.maltose + 0.2 * parts.lactose;
