import type { Book } from '../book/index.js';
import type { BoxFacts } from '../box/index.js';
import type { Finding } from '../finding/index.js';
import type { Allergen, IngredientFiled } from '../ingredient/index.js';
import type { Day } from '../quantity/index.js';
import type { ListEntry } from './ingredients.js';

/** The dates that a label carries. */
export interface LabelDates {
  readonly madeOn: Day;
  readonly bestBefore: Day;
}

/** How the allergens of a box are declared. */
export interface DeclaredAllergens {
  /** What the law lists, under the heading of that list. */
  readonly listed: string;
  /** What else somebody must know. */
  readonly also: string;
}

/** All that varies between the places where a label must hold: one file a school under schools/. */
export interface LabelSchool {
  /** What stands before each list. */
  readonly headings: {
    readonly ingredients: string;
    readonly listed: string;
    readonly also: string;
    readonly may: string;
  };
  /** The list of ingredients without its heading, from one that is ordered by weight. @param group whether the least go together, where that is allowed */
  readonly list: (list: readonly ListEntry[], group: boolean) => string;
  readonly allergens: (codes: readonly Allergen[]) => DeclaredAllergens;
  readonly dates: (dates: LabelDates) => string;
  /** @param grams above zero */
  readonly netQuantity: (grams: number) => string;
  /** Least height of the letters of the net quantity, by the front of the package, mm. */
  readonly netLetterMm: (widthMm: number, heightMm: number) => number;
  /** Least height of all other letters, mm. */
  readonly textLetterMm: number;
  /** What follows from what is in it, such as a word about infants; empty when nothing does. */
  readonly warning: (contains: readonly Allergen[]) => string;
  /** Required fields that are missing, and what must be checked. */
  readonly findings: (facts: BoxFacts, ingredients: readonly IngredientFiled[], book: Book) => readonly Finding[];
}
