import type { Book } from '../book/index.js';
import { sayCount, sayExact, sayGrams, sayList, sayNumber } from '../quantity/index.js';
import { leastSize, sayBatches, type RecipeFacts } from '../recipe/index.js';
import type { ProductionRun } from './run.js';

/** What keeps at least so many days goes back to stock. */
export const KEEPS_AS_STOCK_DAYS = 60;

/** What can become of what is left over of a run. */
export type LeftOverUse =
  | { readonly kind: 'nothing left' }
  /** It keeps for these recipes, which take it as a component. */
  | { readonly kind: 'component'; readonly keepsDays: number; readonly users: readonly string[] }
  /** It keeps so long that it goes back to stock. */
  | { readonly kind: 'stock' }
  /** Whole pieces that can be sold or given away. */
  | { readonly kind: 'pieces'; readonly count: number }
  | { readonly kind: 'lost' };

/**
 * Why something of a run is left over: what its recipe allows. A sentence, empty when nothing is.
 * @example 'It is made in whole batches only: for 1.3 of them, 2 are made.'
 */
export function whyLeftOver(
  { leftOverGrams, yieldGrams, batches, batchCount, poolGrams, sparePieces }: Omit<ProductionRun, 'day' | 'pegs'>,
  { recipe, yieldGrams: baseGrams }: Pick<RecipeFacts, 'recipe' | 'yieldGrams'>,
): string {
  if (leftOverGrams < 1 || baseGrams <= 0) return '';
  const needed = sayNumber((yieldGrams - leftOverGrams) / baseGrams, 2);
  const { batchSizes, anySize } = recipe;
  const least = leastSize(recipe);
  const others = [
    ...(poolGrams >= 1 ? [` ${sayGrams(poolGrams)} of it must stand ready beside what is used.`] : []),
    ...(sparePieces > 0 ? [` ${sayCount(sparePieces, 'piece is', 'pieces are')} to spare.`] : []),
  ];
  const rest = others.join('');
  if (anySize)
    return batches.every(({ size }) => size <= least)
      ? `For ${needed} of a base batch, the least that is made is ${sayExact(least)}.${rest}`
      : `Any size may be made: rounded up to whole pieces and to a hundredth of a base batch.${rest}`;
  if (batchSizes.length === 1 && least === 1)
    return `It is made in whole batches only: for ${needed}, ${sayCount(batchCount, 'is made', 'are made')}.${rest}`;
  return `It is made in sizes of ${sayList(batchSizes.map(sayExact))}: for ${needed}, ${sayBatches(batches)}.${rest}`;
}

/** What can become of the left-over of a run; less than a gram is nothing. */
export function leftOverUse(
  { recipeId, leftOverGrams, leftOverPieces }: Pick<ProductionRun, 'recipeId' | 'leftOverGrams' | 'leftOverPieces'>,
  book: Book,
): LeftOverUse {
  if (leftOverGrams < 1) return { kind: 'nothing left' };
  const keepsDays = book.recipes.get(recipeId)?.recipe.keepsDays ?? 0;
  const users = [...book.recipes.values()]
    .filter(({ recipe }) => recipe.lines.some(({ uses }) => uses.id === recipeId))
    .map(({ recipe }) => recipe.name);
  if (users.length > 0) return { kind: 'component', keepsDays, users };
  if (keepsDays >= KEEPS_AS_STOCK_DAYS) return { kind: 'stock' };
  return leftOverPieces ? { kind: 'pieces', count: leftOverPieces } : { kind: 'lost' };
}
