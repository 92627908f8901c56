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

/**
 * How much there is of an ingredient that the name of the food names, in percent of the finished food; as grams in 100 g where so much has
 * been boiled off that it would be more than all of it.
 * Source: Reg. (EU) 1169/2011 art. 22 and annex VIII, 1 and 3; FSANZ Standard 1.2.10 (from memory).
 * @returns '' for one that the name does not name
 */
export function quantityInName(foodName: string, entry: ListEntry): string {
  if (!isInName(foodName, entry)) return '';
  const { per100 } = entry;
  if (per100 > 100) return `(${per100.toFixed(0)} g per 100 g)`;
  return `${per100 < 1 ? per100.toFixed(1) : per100.toFixed(0)}%`;
}
