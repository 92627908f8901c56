import type { Day } from '../quantity/index.js';
import type { IngredientDraft } from './schema.js';

/** A part of what is on hand; null for what keeps. */
export interface StockPart {
  readonly grams: number;
  readonly useBy: Day | null;
}

type Stock = Pick<IngredientDraft, 'onHandGrams' | 'lots'>;
type OpenPart = { -readonly [Key in keyof StockPart]: StockPart[Key] };

/** What is on hand in parts that can be drawn from: what must be used first is first, what keeps is last. */
export function partsOfStock({ onHandGrams, lots }: Stock): OpenPart[] {
  const dated = lots.map((lot): OpenPart => ({ ...lot })).sort((a, b) => ((a.useBy ?? '') < (b.useBy ?? '') ? -1 : 1));
  const inLots = lots.reduce((sum, { grams }) => sum + grams, 0);
  return [...dated, { grams: Math.max(0, onHandGrams - inLots), useBy: null }];
}

/**
 * Takes grams out of the parts that are still good on a day, as far as they go.
 * @returns what was taken of each part; it may be less than what was asked for
 */
export function drawFrom(parts: readonly OpenPart[], grams: number, day: Day): StockPart[] {
  let wanted = grams;
  return parts.flatMap((part) => {
    if (part.useBy !== null && part.useBy < day) return [];
    const taken = Math.min(wanted, part.grams);
    if (taken <= 0) return [];
    part.grams -= taken;
    wanted -= taken;
    return [{ grams: taken, useBy: part.useBy }];
  });
}

/** Without the dust of binary fractions, so that what is put back is what it was. */
const tidy = (grams: number): number => Number(grams.toFixed(6));

/** The ingredient without what was taken of it. What is not there cannot be taken: nothing falls below zero. */
export function withoutTaken<Ingredient extends Stock>(
  ingredient: Ingredient,
  taken: readonly StockPart[],
): Ingredient {
  const lots = ingredient.lots.map((lot) => ({ ...lot }));
  for (const { grams, useBy } of taken) {
    let wanted = useBy === null ? 0 : grams;
    for (const lot of lots.filter((each) => each.useBy === useBy)) {
      const less = Math.min(wanted, lot.grams);
      lot.grams -= less;
      wanted -= less;
    }
  }
  const left = lots.map((lot) => ({ ...lot, grams: tidy(lot.grams) })).filter(({ grams }) => grams > 0);
  const inLots = left.reduce((sum, { grams }) => sum + grams, 0);
  const onHand = ingredient.onHandGrams - taken.reduce((sum, { grams }) => sum + grams, 0);
  return { ...ingredient, lots: left, onHandGrams: Math.max(inLots, tidy(onHand), 0) };
}

/** The ingredient with what was taken of it put back. */
export function withPutBack<Ingredient extends Stock>(ingredient: Ingredient, taken: readonly StockPart[]): Ingredient {
  const lots = ingredient.lots.map((lot) => ({ ...lot }));
  for (const { grams, useBy } of taken) {
    if (useBy === null) continue;
    const same = lots.find((lot) => lot.useBy === useBy);
    if (same) same.grams = tidy(same.grams + grams);
    else lots.push({ grams, useBy });
  }
  const back = taken.reduce((sum, { grams }) => sum + grams, 0);
  return { ...ingredient, lots, onHandGrams: tidy(ingredient.onHandGrams + back) };
}
