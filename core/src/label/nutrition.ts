import type { Book } from '../book/index.js';
import type { BoxFacts } from '../box/index.js';
import { addParts, dissolvedOf, energyOf, noParts, scaleParts, sugarsOf, type Parts } from '../ingredient/index.js';

/** What a nutrition table says of so many grams, as far as a composition tells it. */
export interface Nutrition {
  readonly kcal: number;
  readonly kj: number;
  readonly fat: number;
  readonly carbohydrate: number;
  readonly sugars: number;
  readonly protein: number;
}

/** What the law's table holds beside, and the composition of the pantry does not tell. */
export const NOT_ESTIMATED = [
  'saturated fat',
  'trans fat',
  'cholesterol',
  'sodium or salt',
  'fibre',
  'added sugars',
  'vitamins and minerals',
];

/** Energy of 1 g, kJ. Source: Reg. (EU) 1169/2011 annex XIV (from memory). */
const KJ_PER_GRAM = { carbohydrate: 17, fat: 37, protein: 17, ethanol: 29 } as const;

/** Of so many grams with these parts. Energy by the general factors; see `energyOf`. */
export function nutritionOf(parts: Parts): Nutrition {
  const kcal = energyOf(parts);
  const carbohydrate = dissolvedOf(parts) + parts.otherCarbohydrate;
  return {
    kcal,
    kj:
      KJ_PER_GRAM.carbohydrate * carbohydrate +
      KJ_PER_GRAM.fat * parts.fat +
      KJ_PER_GRAM.protein * parts.protein +
      KJ_PER_GRAM.ethanol * parts.ethanol,
    fat: parts.fat,
    carbohydrate,
    sugars: sugarsOf(parts),
    protein: parts.protein,
  };
}

/** The parts of 100 g of all pieces of a box; or the recipes whose composition is not known. */
export function partsOfBox(
  facts: BoxFacts,
  book: Book,
): { readonly parts: Parts } | { readonly unknown: readonly string[] } {
  let sum = noParts;
  const unknown = new Set<string>();
  for (const { pieceId, count } of facts.pieces)
    for (const { recipeId, grams } of book.pieces.get(pieceId)?.parts ?? []) {
      const recipe = book.recipes.get(recipeId);
      if (recipe?.parts) sum = addParts(sum, recipe.parts, (grams * count) / 100);
      else unknown.add(recipe?.recipe.name ?? recipeId);
    }
  if (unknown.size > 0 || facts.weightGrams <= 0) return { unknown: [...unknown] };
  return { parts: scaleParts(sum, 100 / facts.weightGrams) };
}

const toNearest = (value: number, step: number): number => Math.round(value / step + 1e-9) * step;

/**
 * Rounded as a US table states it.
 * Source: 21 CFR 101.9(c): calories (1), fat (2), carbohydrate (6), sugars (6)(ii), protein (7) (from memory).
 * @example usRounded('kcal', 53) // '50'
 */
export function usRounded(what: 'kcal' | 'fat' | 'carbohydrate' | 'sugars' | 'protein', value: number): string {
  switch (what) {
    case 'kcal':
      return value < 5 ? '0' : String(toNearest(value, value <= 50 ? 5 : 10));
    case 'fat':
      return value < 0.5 ? '0 g' : `${String(toNearest(value, value < 5 ? 0.5 : 1))} g`;
    default:
      return value < 0.5 ? '0 g' : value < 1 ? 'less than 1 g' : `${String(Math.round(value))} g`;
  }
}

/**
 * Rounded as the guidance for the European table has it: energy to 1, grams to 1 from ten up, to a tenth below, "<0.5 g" where it is next to nothing.
 * Source: the Commission's guidance on tolerances of December 2012, table 4 (from memory).
 */
export function euRounded(what: 'energy' | 'grams', value: number): string {
  if (what === 'energy') return String(Math.round(value));
  if (value < 0.5) return '<0.5 g';
  return value >= 10 ? `${String(Math.round(value))} g` : `${value.toFixed(1)} g`;
}

/**
 * The estimate as a paragraph of a label: per 100 g, and in a piece of mean weight.
 * @returns '' as long as a composition is not known
 */
export function sayNutrition(facts: BoxFacts, book: Book): string {
  const known = partsOfBox(facts, book);
  if ('unknown' in known) return '';
  const each = facts.weightGrams / facts.pieceCount;
  const us = book.kitchen.label.school === 'us';
  const say = (grams: number): string => {
    const all = nutritionOf(scaleParts(known.parts, grams / 100));
    const energy = us
      ? `${usRounded('kcal', all.kcal)} calories`
      : `energy ${euRounded('energy', all.kj)} kJ / ${euRounded('energy', all.kcal)} kcal`;
    const mass = (what: 'fat' | 'carbohydrate' | 'sugars' | 'protein') =>
      `${what} ${us ? usRounded(what, all[what]) : euRounded('grams', all[what])}`;
    return [energy, mass('fat'), mass('carbohydrate'), mass('sugars'), mass('protein')].join(', ');
  };
  return `Nutrition, an estimate from composition, not an analysis. Per 100 g: ${say(100)}. Per piece (${each.toFixed(0)} g): ${say(each)}.`;
}
