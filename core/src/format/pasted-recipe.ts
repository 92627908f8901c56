import type { IngredientFiled } from '../ingredient/index.js';
import type { MeasureHabit } from '../kitchen/index.js';
import { readRecipeJsonLd } from './json-ld.js';
import { type PantryItem, readRecipeText, unreadableRecipe, type ReadRecipe } from '../reading/index.js';

/** Whether a text is meant to be JSON-LD. */
const looksLikeJson = (text: string): boolean => /^\s*(?:<script|[{[]\s*["{\]}])/i.test(text);

/** Reads a recipe that was pasted: plain text, or JSON-LD. @param habit what a cup and a spoon are where a line does not say */
export function readRecipe(
  text: string,
  pantry: readonly PantryItem[],
  ingredients: readonly IngredientFiled[],
  habit: MeasureHabit,
): ReadRecipe {
  if (!looksLikeJson(text)) return readRecipeText(text, pantry, ingredients, habit);
  const structured = readRecipeJsonLd(text);
  return 'problem' in structured
    ? unreadableRecipe(structured.problem)
    : readRecipeText(structured, pantry, ingredients, habit);
}
