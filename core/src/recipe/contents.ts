import type { PotContents } from '../cooking/index.js';
import { addParts, dissolvedOf, massOf, noParts, partsOf, scaleParts, type Parts } from '../ingredient/index.js';
import type { RecipeBook, RecipeFacts } from './book.js';
import { entersAt } from './pot.js';

/**
 * What is in the pot when a step begins, as far as its heat goes: what has gone in by then, less what has boiled off.
 * @param size multiple of the base batch
 * @returns null as long as the composition of anything in it is not known
 */
export function contentsAt(
  { recipe, lineGrams, stepMasses }: Pick<RecipeFacts, 'recipe' | 'lineGrams' | 'stepMasses'>,
  step: number,
  size: number,
  { ingredients, recipes }: Pick<RecipeBook, 'ingredients' | 'recipes'>,
): PotContents | null {
  let inside: Parts = noParts;
  for (const [index, line] of recipe.lines.entries()) {
    if (entersAt(line, recipe.steps) > step) continue;
    const { kind, id } = line.uses;
    const composition = kind === 'ingredient' ? (ingredients.get(id)?.composition ?? null) : null;
    const parts = kind === 'recipe' ? (recipes.get(id)?.parts ?? null) : composition && partsOf(composition);
    if (!parts) return null;
    inside = addParts(inside, scaleParts(parts, ((lineGrams[index] ?? 0) * size) / 100));
  }
  const boiledOff = stepMasses.slice(0, step).reduce((sum, mass) => sum + mass.boiledOff, 0) * size;
  const water = Math.max(0, inside.water + inside.ethanol - boiledOff);
  const sugars = dissolvedOf(inside);
  const { fat } = inside;
  return { water, sugars, fat, others: Math.max(0, massOf(inside) - inside.water - inside.ethanol - sugars - fat) };
}
