import { unknownReferences, type Known, type WrongValue } from '../record/index.js';
import { orderRecipes, sayCycle } from './cycle.js';
import type { RecipeFiled } from './schema.js';

/** Lines that name something that is not there. */
export const wrongInRecipe = (recipe: Pick<RecipeFiled, 'lines'>, known: Known): WrongValue[] =>
  unknownReferences(
    recipe.lines.map(({ uses }, index) => ({
      noun: uses.kind,
      id: uses.id,
      path: ['lines', index, 'uses', 'id'],
    })),
    known,
  );

/** The first cycle among recipes, named, at the line of its first recipe that leads into it. */
export function wrongCycle(
  recipes: readonly Pick<RecipeFiled, 'id' | 'name' | 'lines'>[],
): { readonly recipeId: string; readonly wrong: WrongValue } | null {
  const { cycle } = orderRecipes(recipes);
  const [first, second] = cycle;
  if (!first || !second) return null;
  const line = first.lines.findIndex(({ uses }) => uses.kind === 'recipe' && uses.id === second.id);
  return {
    recipeId: first.id,
    wrong: {
      path: ['lines', line, 'uses', 'id'],
      message: `a recipe cannot be made of itself: ${sayCycle(cycle)}`,
    },
  };
}
