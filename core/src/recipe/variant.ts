import type { IngredientFiled } from '../ingredient/index.js';
import { weigh } from '../quantity/index.js';
import type { RecipeFiled, RecipeLine, Swap } from './schema.js';

/**
 * A line with its ingredient, or a share of it, swapped: weighed, since the other's cups weigh differently. What cannot be weighed keeps
 * its measure.
 * @returns one line, or two where a part of it stays
 */
function swapLine(
  line: RecipeLine,
  swaps: readonly Swap[],
  ingredients: ReadonlyMap<string, IngredientFiled>,
): RecipeLine[] {
  const swap = line.uses.kind === 'ingredient' && swaps.find(({ ingredientId }) => ingredientId === line.uses.id);
  if (!swap) return [line];
  const stays = swap.share < 1 ? [{ ...line, amount: line.amount * (1 - swap.share) }] : [];
  return [...stays, swapAll({ ...line, amount: line.amount * swap.share }, swap, ingredients)];
}

function swapAll(line: RecipeLine, swap: Swap, ingredients: ReadonlyMap<string, IngredientFiled>): RecipeLine {
  const uses = { kind: 'ingredient' as const, id: swap.withId };
  const from = ingredients.get(swap.ingredientId);
  const weight = from && weigh(line.amount, line.unit, from, line.state);
  return weight && 'grams' in weight
    ? { ...line, uses, amount: weight.grams * swap.ratio, unit: 'g', state: null }
    : { ...line, uses, amount: line.amount * swap.ratio, state: null };
}

/** The recipe with ingredients swapped in its own lines. */
export const swapIngredients = <T extends Pick<RecipeFiled, 'lines'>>(
  recipe: T,
  swaps: readonly Swap[],
  ingredients: ReadonlyMap<string, IngredientFiled>,
): T => ({ ...recipe, lines: recipe.lines.flatMap((line) => swapLine(line, swaps, ingredients)) });

/**
 * Every variant as a whole recipe: its own name and keeping time, everything else from the recipe that it varies.
 * A variant of something that is not there, or of itself, has no lines.
 */
export function resolveVariants<T extends Pick<RecipeFiled, 'id' | 'name' | 'lines' | 'variantOf' | 'keepsDays'>>(
  recipes: readonly T[],
  ingredients: ReadonlyMap<string, IngredientFiled>,
): T[] {
  const byId = new Map(recipes.map((recipe) => [recipe.id, recipe]));
  const resolve = (recipe: T, below: readonly string[]): T => {
    const { id, name, variantOf, keepsDays } = recipe;
    if (!variantOf) return recipe;
    const base = byId.get(variantOf.recipeId);
    if (!base || below.includes(base.id) || base.id === id) return { ...recipe, lines: [] };
    const whole = resolve(base, [...below, id]);
    return { ...swapIngredients(whole, variantOf.swaps, ingredients), id, name, variantOf, keepsDays };
  };
  return recipes.map((recipe) => resolve(recipe, []));
}
