import { drawFrom, isTapWater, partsOfStock, weighedPacks, type IngredientFiled } from '../ingredient/index.js';
import type { Day } from '../quantity/index.js';
import type { RecipeFacts } from '../recipe/index.js';
import { choosePacks, type PackCount } from './packs.js';

/** What went into batches and was not on hand, as far as the pantry knows. */
export interface Lacking {
  readonly ingredientId: string;
  readonly name: string;
  /** What the pantry does not have of it, g. */
  readonly grams: number;
  /** Whole packs that hold it at least cost: what may have been bought and opened; empty when it has none. */
  readonly packs: readonly PackCount[];
}

/**
 * What the pantry does not have of what batches of one recipe took: somebody must say where that came from, so that what is left of an
 * opened pack is there afterwards.
 */
export function lackingFor(
  batches: readonly { readonly size: number; readonly on: Day }[],
  { recipe, lineGrams }: Pick<RecipeFacts, 'recipe' | 'lineGrams'>,
  ingredients: ReadonlyMap<string, IngredientFiled>,
): Lacking[] {
  const perBatch = new Map<string, number>();
  recipe.lines.forEach(({ uses }, index) => {
    if (uses.kind === 'ingredient') perBatch.set(uses.id, (perBatch.get(uses.id) ?? 0) + (lineGrams[index] ?? 0));
  });
  return [...perBatch].flatMap(([ingredientId, each]): Lacking[] => {
    const ingredient = ingredients.get(ingredientId);
    if (!ingredient || isTapWater(ingredient)) return [];
    const stock = partsOfStock(ingredient);
    const grams = batches.reduce((missing, { size, on }) => {
      const wanted = each * size;
      return missing + wanted - drawFrom(stock, wanted, on).reduce((sum, part) => sum + part.grams, 0);
    }, 0);
    // A gram less is no more than a scale says.
    if (grams < 1) return [];
    return [{ ingredientId, name: ingredient.name, grams, packs: choosePacks(grams, weighedPacks(ingredient)) }];
  });
}
