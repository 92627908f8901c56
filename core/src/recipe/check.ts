import { unknownReferences, type Known, type WrongValue } from '../record/index.js';
import { orderRecipes, sayCycle } from './cycle.js';
import type { RecipeFiled } from './schema.js';
import { resolveVariants } from './variant.js';

/** A recipe of any size says two: the least and the largest. */
function wrongSizes({ batchSizes, anySize }: Pick<RecipeFiled, 'batchSizes' | 'anySize'>): WrongValue[] {
  if (!anySize) return [];
  const [least, most] = batchSizes;
  if (least === undefined || most === undefined || batchSizes.length > 2)
    return [{ path: ['batchSizes'], message: 'of any size: name just the least and the largest' }];
  return most > least ? [] : [{ path: ['batchSizes', 1], message: 'must be larger than the least' }];
}

/** Lines and swaps that name something that is not there, and sizes that cannot be. */
export const wrongInRecipe = (
  recipe: Pick<RecipeFiled, 'lines' | 'variantOf' | 'batchSizes' | 'anySize'>,
  known: Known,
): WrongValue[] => {
  const { variantOf } = recipe;
  const unknown = unknownReferences(
    [
      ...recipe.lines.map(({ uses }, index) => ({
        noun: uses.kind,
        id: uses.id,
        path: ['lines', index, 'uses', 'id'],
      })),
      ...(variantOf ? [{ noun: 'recipe' as const, id: variantOf.recipeId, path: ['variantOf', 'recipeId'] }] : []),
      ...(variantOf?.swaps ?? []).flatMap(({ ingredientId, withId }, index) => [
        { noun: 'ingredient' as const, id: ingredientId, path: ['variantOf', 'swaps', index, 'ingredientId'] },
        { noun: 'ingredient' as const, id: withId, path: ['variantOf', 'swaps', index, 'withId'] },
      ]),
    ],
    known,
  );
  return [...wrongSizes(recipe), ...unknown];
};

/** The first cycle among recipes, named, at the line of its first recipe that leads into it. */
export function wrongCycle(
  recipes: readonly Pick<RecipeFiled, 'id' | 'name' | 'lines' | 'variantOf' | 'keepsDays'>[],
): { readonly recipeId: string; readonly wrong: WrongValue } | null {
  const { cycle } = orderRecipes(resolveVariants(recipes, new Map()));
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
