import type { Book } from '../book/index.js';
import { sayCount, sayExact, sayGrams, sayList, sayNumber } from '../quantity/index.js';
import { batchesFor, leastSize, multipleOf, sayBatches, type RecipeFacts } from '../recipe/index.js';
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

/** Parts of the least listed size that are proposed beside the listed ones, the handiest first. */
const smallerParts = [0.5, 0.75, 0.25];
/** To save less is no reason for another size, g. */
const WORTH_A_SIZE_GRAMS = 20;

type LeftOf = Pick<ProductionRun, 'leftOverGrams' | 'yieldGrams' | 'batches' | 'batchCount'>;
type SizedFacts = Pick<RecipeFacts, 'recipe' | 'yieldGrams'>;

/**
 * A size beside the listed ones with which as many batches would leave least over.
 * @returns null where none would, and for what is cooked: what boils down in half the time is another recipe (common practice, no source)
 */
export function sizeThatLeavesLess(
  { leftOverGrams, yieldGrams, batches, batchCount }: LeftOf,
  { recipe, yieldGrams: baseGrams }: SizedFacts,
): { readonly size: number; readonly savedGrams: number } | null {
  if (recipe.anySize || baseGrams <= 0 || recipe.steps.some(({ effect }) => effect.kind === 'cook')) return null;
  const needed = (yieldGrams - leftOverGrams) / baseGrams;
  const tried = smallerParts.flatMap((part) => {
    const size = leastSize(recipe) * part;
    const made = batchesFor(needed, { batchSizes: [...recipe.batchSizes, size], anySize: false });
    const savedGrams = (multipleOf(batches) - multipleOf(made)) * baseGrams;
    const isAsMany = made.reduce((sum, { count }) => sum + count, 0) <= batchCount;
    return isAsMany && savedGrams >= WORTH_A_SIZE_GRAMS ? [{ size, savedGrams }] : [];
  });
  return tried.reduce<(typeof tried)[number] | null>(
    (best, each) => (best && best.savedGrams >= each.savedGrams ? best : each),
    null,
  );
}

/**
 * Why something of a run is left over: what its recipe allows, and the size with which less would be. Sentences, empty when nothing is left.
 * @example 'It is made in whole batches only: for 1.3 of them, 2 are made.'
 */
export function whyLeftOver(run: LeftOf & Pick<ProductionRun, 'poolGrams' | 'sparePieces'>, facts: SizedFacts): string {
  const { leftOverGrams, yieldGrams, batches, batchCount, poolGrams, sparePieces } = run;
  const { recipe, yieldGrams: baseGrams } = facts;
  if (leftOverGrams < 1 || baseGrams <= 0) return '';
  const needed = sayNumber((yieldGrams - leftOverGrams) / baseGrams, 2);
  const { batchSizes, anySize } = recipe;
  const least = leastSize(recipe);
  const others = [
    ...(poolGrams >= 1 ? [` ${sayGrams(poolGrams)} of it must stand ready beside what is used.`] : []),
    ...(sparePieces > 0 ? [` ${sayCount(sparePieces, 'piece is', 'pieces are')} to spare.`] : []),
  ];
  const less = sizeThatLeavesLess(run, facts);
  const proposal = less
    ? ` With a batch of ${sayExact(less.size)} allowed as well, ${sayGrams(less.savedGrams)} less would be left.`
    : '';
  const rest = others.join('') + proposal;
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
