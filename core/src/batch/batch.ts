import { drawFrom, partsOfStock, type IngredientFiled } from '../ingredient/index.js';
import { sayDay, type Day } from '../quantity/index.js';
import { unknownReferences, type Known, type WrongValue } from '../record/index.js';
import type { RecipeFacts, RecipeFiled } from '../recipe/index.js';
import type { BatchDraft, BatchFiled } from './schema.js';

/** The recipe of a batch, when it is not there. */
export const wrongInBatch = ({ recipeId }: BatchDraft, known: Known): WrongValue[] =>
  unknownReferences([{ noun: 'recipe', id: recipeId, path: ['recipeId'] }], known);

/** What keeps a batch from being written down although each value is well formed: nobody has made what is still to come. */
export const wrongInBatchEdit = ({ on, finishedOn, stageDays }: BatchDraft, today: Day): WrongValue[] =>
  Object.entries({ on, finishedOn, stageDays: stageDays.at(-1) ?? null }).flatMap(([name, day]) =>
    day !== null && day > today ? [{ path: [name], message: `must not be after today, ${sayDay(today)}` }] : [],
  );

/**
 * A batch whose pieces went through a stage of their finishing. A stage without a word about those before it had them all on that day.
 * @param stage from 0; null for the last one, after which they are finished
 * @param on null takes it back, with all that came after it
 */
export function afterStage<Draft extends Pick<BatchDraft, 'finishedOn' | 'stageDays'>>(
  batch: Draft,
  stage: number | null,
  on: Day | null,
): Draft {
  if (stage === null) return { ...batch, finishedOn: on };
  const before = batch.stageDays.slice(0, stage);
  if (on === null) return { ...batch, finishedOn: null, stageDays: before };
  return { ...batch, stageDays: [...before, ...Array.from({ length: stage + 1 - before.length }, () => on)] };
}

/** What a batch gave, g: nothing when it failed, what its recipe says when it was not weighed. */
export function gramsOf({ state, grams, size }: BatchDraft, { yieldGrams }: Pick<RecipeFacts, 'yieldGrams'>): number {
  return state === 'failed' ? 0 : (grams ?? size * yieldGrams);
}

/** Each batch's part of what several weighed together, by size, g; null for each when nobody weighed them. */
export const sharesOfWeight = (sizes: readonly number[], grams: number | null): (number | null)[] => {
  const all = sizes.reduce((sum, size) => sum + size, 0);
  return sizes.map((size) => (grams === null ? null : (grams * size) / all));
};

/** An ingredient that went into a batch, g, and of which lot where that was said. */
interface WentIn {
  readonly ingredientId: string;
  readonly grams: number;
  readonly useBy: Day | null;
}

/** What went into a batch of each ingredient: what was weighed at the bench, else what its recipe says for its size. */
export function wentInto(
  { size, log }: Pick<BatchDraft, 'size' | 'log'>,
  { recipe, lineGrams }: Pick<RecipeFacts, 'recipe' | 'lineGrams'>,
): readonly WentIn[] {
  if (log) return log.weights;
  const wanted = new Map<string, number>();
  recipe.lines.forEach(({ uses }, index) => {
    if (uses.kind === 'ingredient') wanted.set(uses.id, (wanted.get(uses.id) ?? 0) + (lineGrams[index] ?? 0) * size);
  });
  return [...wanted].map(([ingredientId, grams]) => ({ ingredientId, grams, useBy: null }));
}

/** The parts of what is on hand, those of a lot that was picked before all others. */
const pickedFirst = (parts: ReturnType<typeof partsOfStock>, useBy: Day | null) =>
  useBy === null
    ? parts
    : [...parts.filter((part) => part.useBy === useBy), ...parts.filter((part) => part.useBy !== useBy)];

/**
 * What the pantry gives for a batch: of a lot that was picked, else what must be used first; and no more than there is.
 * @param ingredients by id, as they are before
 */
export function takenFor(
  draft: Pick<BatchDraft, 'size' | 'on' | 'log'>,
  facts: Pick<RecipeFacts, 'recipe' | 'lineGrams'>,
  ingredients: ReadonlyMap<string, IngredientFiled>,
): BatchDraft['taken'] {
  const stock = new Map<string, ReturnType<typeof partsOfStock>>();
  return wentInto(draft, facts).flatMap(({ ingredientId, grams, useBy }) => {
    const ingredient = ingredients.get(ingredientId);
    if (!ingredient) return [];
    // Several lines of one ingredient draw from the same parts.
    const parts = stock.get(ingredientId) ?? partsOfStock(ingredient);
    stock.set(ingredientId, parts);
    return drawFrom(pickedFirst(parts, useBy), grams, draft.on).map((part) => ({ ingredientId, ...part }));
  });
}

/**
 * What of a batch can be used, g: what was weighed, less the share of the pieces that were rejected.
 * @param pieces good ones; null where nobody counted
 */
export function usableGrams(
  grams: number | null,
  pieces: number | null,
  rejects: readonly { readonly count: number }[],
): number | null {
  const rejected = rejects.reduce((sum, { count }) => sum + count, 0);
  if (grams === null || pieces === null || pieces + rejected === 0) return grams;
  return (grams * pieces) / (pieces + rejected);
}

/** Recipes with what their batches really gave added to what was weighed before. */
export function withYieldsOf(recipes: readonly RecipeFiled[], batches: readonly BatchFiled[]): readonly RecipeFiled[] {
  const weighed = batches.filter(({ state, grams }) => state === 'done' && grams !== null && grams > 0);
  if (weighed.length === 0) return recipes;
  return recipes.map((recipe) => {
    const own = weighed.filter(({ recipeId }) => recipeId === recipe.id);
    if (own.length === 0) return recipe;
    const more = own.map(({ on, size, grams }) => ({ on, size, grams: grams ?? 0 }));
    return { ...recipe, weighedYields: [...recipe.weighedYields, ...more] };
  });
}
