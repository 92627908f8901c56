import { wentInto, type BatchDraft } from '../batch/index.js';
import { drawFrom, isTapWater, partsOfStock, weighedPacks, type IngredientFiled } from '../ingredient/index.js';
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
  batches: readonly (Pick<BatchDraft, 'size' | 'on'> & Partial<Pick<BatchDraft, 'log'>>)[],
  facts: Pick<RecipeFacts, 'recipe' | 'lineGrams'>,
  ingredients: ReadonlyMap<string, IngredientFiled>,
): Lacking[] {
  const wanted = batches.map(({ size, on, log = null }) => ({ on, wentIn: wentInto({ size, log }, facts) }));
  const ids = new Set(wanted.flatMap(({ wentIn }) => wentIn.map(({ ingredientId }) => ingredientId)));
  return [...ids].flatMap((ingredientId): Lacking[] => {
    const ingredient = ingredients.get(ingredientId);
    if (!ingredient || isTapWater(ingredient)) return [];
    const stock = partsOfStock(ingredient);
    const grams = wanted.reduce((missing, { on, wentIn }) => {
      const each = wentIn.reduce((sum, part) => (part.ingredientId === ingredientId ? sum + part.grams : sum), 0);
      return missing + each - drawFrom(stock, each, on).reduce((sum, part) => sum + part.grams, 0);
    }, 0);
    // A gram less is no more than a scale says.
    if (grams < 1) return [];
    return [{ ingredientId, name: ingredient.name, grams, packs: choosePacks(grams, weighedPacks(ingredient)) }];
  });
}
