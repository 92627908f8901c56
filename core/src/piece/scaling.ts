import { sayCount, sayNumber } from '../quantity/index.js';
import { chooseBatches, multipleOf, sayBatches, type BatchCount, type RecipeFacts } from '../recipe/index.js';
import { piecesPerBatch } from './makeup.js';
import type { BodyForm } from './forms/index.js';

/** What it takes to make a number of pieces. */
export interface PiecesAdvice {
  readonly batches: readonly BatchCount[];
  /** All batches together, in base batches. */
  readonly multiple: number;
  /** Whole pieces that they give, and how many of them are beyond what is wanted. */
  readonly pieces: number;
  readonly over: number;
  readonly advice: string;
}

/**
 * Whole batches of the allowed sizes for a number of pieces.
 * @param wanted above 0
 * @returns null when no allowed batch gives a piece
 */
export function batchesForPieces(
  form: BodyForm,
  { recipe, yieldGrams }: Pick<RecipeFacts, 'recipe' | 'yieldGrams'>,
  wanted: number,
): PiecesAdvice | null {
  const sizes = recipe.batchSizes.map((size) => ({ size, covers: piecesPerBatch(form, size, yieldGrams) }));
  const batches = chooseBatches(wanted, sizes);
  if (batches.length === 0) return null;
  const covers = new Map(sizes.map((each) => [each.size, each.covers]));
  const pieces = batches.reduce((sum, { size, count }) => sum + (covers.get(size) ?? 0) * count, 0);
  return {
    batches,
    multiple: multipleOf(batches),
    pieces,
    over: pieces - wanted,
    advice: `Make ${sayBatches(batches, 'single ')}: ${sayCount(pieces, 'piece')}, ${sayNumber(pieces - wanted)} over.`,
  };
}
