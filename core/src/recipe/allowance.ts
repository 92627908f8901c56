import jStat from 'jstat';
import type { RecipeFacts } from './book.js';

/** What the weighed batches of a recipe gave, as shares of what it should yield. */
export interface YieldRecord {
  /** Batches that were weighed. */
  readonly batches: number;
  readonly mean: number;
  /** Standard deviation of one batch. */
  readonly spread: number;
}

/** From fewer batches nothing is concluded. */
const LEAST_LOGGED = 3;

/** The record of a recipe's weighed batches; null while there are too few, or while it has no yield to compare them with. */
export function yieldRecord({ recipe, yieldGrams }: Pick<RecipeFacts, 'recipe' | 'yieldGrams'>): YieldRecord | null {
  const { weighedYields } = recipe;
  if (weighedYields.length < LEAST_LOGGED || yieldGrams <= 0) return null;
  const shares = weighedYields.map(({ size, grams }) => grams / (size * yieldGrams));
  return { batches: shares.length, mean: jStat.mean(shares), spread: jStat.stdev(shares, true) };
}

/** However badly it went, at least this share is counted on. */
const LEAST_SHARE = 0.25;

/**
 * The share of its yield that so many batches together give at least, with the confidence that is asked for: the one-sided prediction
 * limit for the mean of k further values of a normal distribution, mean - t(n - 1) s sqrt(1/k + 1/n) (a textbook result, from memory).
 * @param confidencePercent such as 95
 */
export function sureShare({ batches, mean, spread }: YieldRecord, further: number, confidencePercent: number): number {
  const t = jStat.studentt.inv(confidencePercent / 100, batches - 1);
  return Math.max(LEAST_SHARE, mean - t * spread * Math.sqrt(1 / further + 1 / batches));
}

/**
 * Pieces to make beyond those that are wanted, so that these are covered with the confidence that is asked for.
 * @param pieces that are wanted
 * @param perBatch pieces of one batch of the largest size; more than zero
 * @returns whole pieces; 0 while nothing is known, and never fewer than 0
 */
export function sparePieces(
  pieces: number,
  perBatch: number,
  record: YieldRecord | null,
  confidencePercent: number,
): number {
  if (!record || pieces <= 0 || perBatch <= 0) return 0;
  let made = pieces;
  // With more batches the share that is sure does not fall, so that this comes to an end.
  for (;;) {
    const share = sureShare(record, Math.ceil(made / perBatch), confidencePercent);
    const needed = Math.max(pieces, Math.ceil(pieces / share - 1e-9));
    if (needed <= made) return made - pieces;
    made = needed;
  }
}
