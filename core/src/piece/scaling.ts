import { sayCount, sayNumber } from '../quantity/index.js';
import { batchesGiving, multipleOf, sayBatches, type BatchCount, type RecipeFacts } from '../recipe/index.js';
import type { BodyForm } from './forms/index.js';
import { piecesPerBase, piecesPerBatch } from './makeup.js';

/** Whole pieces that batches give. */
export const piecesOfBatches = (
  form: BodyForm,
  { yieldGrams }: Pick<RecipeFacts, 'yieldGrams'>,
  batches: readonly BatchCount[],
): number => batches.reduce((sum, { size, count }) => sum + count * piecesPerBatch(form, size, yieldGrams), 0);

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
 * Batches of the allowed sizes that give so many whole pieces.
 * @returns nothing when no allowed batch gives a piece, or none is wanted
 */
export const batchesOfPieces = (
  form: BodyForm,
  { recipe, yieldGrams }: Pick<RecipeFacts, 'recipe' | 'yieldGrams'>,
  wanted: number,
): BatchCount[] =>
  batchesGiving(wanted, (size) => piecesPerBatch(form, size, yieldGrams), piecesPerBase(form, yieldGrams), recipe);

/**
 * Batches for a number of pieces, in words.
 * @param wanted above 0
 * @returns null when no allowed batch gives a piece
 */
export function batchesForPieces(
  form: BodyForm,
  facts: Pick<RecipeFacts, 'recipe' | 'yieldGrams'>,
  wanted: number,
): PiecesAdvice | null {
  const batches = batchesOfPieces(form, facts, wanted);
  if (batches.length === 0) return null;
  const pieces = piecesOfBatches(form, facts, batches);
  return {
    batches,
    multiple: multipleOf(batches),
    pieces,
    over: pieces - wanted,
    advice: `Make ${sayBatches(batches, 'single ')}: ${sayCount(pieces, 'piece')}, ${sayNumber(pieces - wanted)} over.`,
  };
}
