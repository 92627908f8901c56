import { nutClass } from '../plan/index.js';
import type { ListEntry } from './ingredients.js';

/** Words of a food's name that name no ingredient of it. */
const NO_INGREDIENT = new Set(
  'a and assorted assortment bag bar bark bite box brittle caramel centre coated confection crisp dipped domes drop fine flavour fudge gift handmade hand home in kitchen large made mini mixed of on piece praline sampler selection small sweet table the toffee truffle with'.split(
    ' ',
  ),
);

/** A word without the ending of its plural. */
const stem = (word: string): string =>
  word.length > 4 && word.endsWith('ies')
    ? `${word.slice(0, -3)}y`
    : word.length > 3 && word.endsWith('s') && !word.endsWith('ss')
      ? word.slice(0, -1)
      : word;

const stemsOf = (text: string): string[] => (text.toLowerCase().match(/\p{L}+/gu) ?? []).map(stem);

/** Whether the name of the food names this ingredient. */
export function isInName(foodName: string, { labelName }: Pick<ListEntry, 'labelName'>): boolean {
  const words = new Set(stemsOf(foodName).filter((word) => !NO_INGREDIENT.has(word)));
  return stemsOf(labelName).some((word) => words.has(word));
}

/** Names that say a kind of ingredient without naming one: a brittle is known for its nuts. */
const NUTTY = new Set(['nut', 'brittle', 'nougat', 'praline']);
const FRUITY = new Set(['fruit', 'jelly', 'jam', 'cordial']);

/** Tells whether the name of the food speaks of nuts, so that each of them is stated. */
const speaksOfNuts = (foodName: string, { contains }: Pick<ListEntry, 'contains'>): boolean =>
  stemsOf(foodName).some((word) => NUTTY.has(word)) && contains.some((code) => nutClass([code]) !== 'no nuts');

/** Tells whether the name of the food speaks of fruit, of which nobody here knows which entries are. */
export const speaksOfFruit = (foodName: string): boolean => stemsOf(foodName).some((word) => FRUITY.has(word));

/** Says a percentage to the nearest whole, to the tenth below one; in the other way to the nearest half below five. */
function sayShare(per100: number, rounding: 'whole' | 'halves below five'): string {
  if (rounding === 'halves below five' && per100 < 5) return String(Math.max(0.5, Math.round(per100 * 2) / 2));
  return per100 < 1 ? per100.toFixed(1) : per100.toFixed(0);
}

/**
 * How much there is of an ingredient that the name of the food names, in percent of the finished food; as grams in 100 g where so much has
 * been boiled off that it would be more than all of it.
 * Source: Reg. (EU) 1169/2011 art. 22 and annex VIII, 1 and 3; FSANZ Standard 1.2.10, which has percentages below five to the nearest half
 * (from memory).
 * @returns '' for one that the name does not name
 */
export function quantityInName(
  foodName: string,
  entry: ListEntry,
  rounding: 'whole' | 'halves below five' = 'whole',
): string {
  if (!isInName(foodName, entry) && !speaksOfNuts(foodName, entry)) return '';
  const { per100 } = entry;
  if (per100 > 100) return `(${per100.toFixed(0)} g per 100 g)`;
  return `${sayShare(per100, rounding)}%`;
}
