import type { Allergen } from '../ingredient/index.js';
import type { LabelDates } from './dates.js';
import type { ListEntry } from './ingredients.js';
import type { RequiredField, RequiredFacts } from './required.js';
import type { Span } from './span.js';

/** The side of a package that is shown and read first. */
export interface DisplayPanel {
  readonly widthMm: number;
  readonly heightMm: number;
}

/** What is declared together: a whole box, or one of its pieces. */
export interface ToDeclare {
  /** What the food is called, by which the emphasised ingredients go. */
  readonly foodName: string;
  /** The heaviest first. */
  readonly list: readonly ListEntry[];
  readonly contains: readonly Allergen[];
  /** Traces: what suppliers say, and what the kitchen itself can bring. */
  readonly mayContain: readonly Allergen[];
  /** Whether the least go together, where that is allowed. */
  readonly group: boolean;
}

/** A paragraph of a declaration. */
export interface DeclaredText {
  readonly kind: 'ingredients' | 'contains' | 'also' | 'may';
  readonly heading: string;
  readonly spans: readonly Span[];
}

/** All that varies between the places where a label must hold: one file a school under schools/. */
export interface LabelSchool {
  readonly name: string;
  /** In which languages its labels are written. */
  readonly languages: readonly ('English' | 'French')[];
  /** What the law lists and asks to be named. */
  readonly listed: (code: Allergen) => boolean;
  /** Ingredients, allergens and traces, in this order. What nobody has to name is named all the same. */
  readonly declare: (food: ToDeclare) => readonly DeclaredText[];
  readonly dates: (dates: LabelDates) => string;
  /** @param grams above zero */
  readonly netQuantity: (grams: number) => string;
  /** Least height of the letters of the net quantity, mm. */
  readonly netLetterMm: (panel: DisplayPanel, grams: number) => number;
  /** Least height of all other letters, mm. */
  readonly textLetterMm: (panel: DisplayPanel) => number;
  /** What follows from what is in it, such as a word about infants; empty when nothing does. */
  readonly warnings: (contains: readonly Allergen[]) => readonly string[];
  /** What a label must say beside, and whether it is known. */
  readonly required: (facts: RequiredFacts) => readonly RequiredField[];
}
