import type { Day } from '../quantity/index.js';

/** A part of a need that one day's making serves: pieces, or grams. */
export interface DayShare {
  readonly day: Day;
  readonly amount: number;
}

/** Batches that a plan makes. */
export interface GuidedBatch {
  readonly recipeId: string;
  readonly day: Day;
  readonly size: number;
  readonly count: number;
}

/** A recipe that the maker wants to be made on a day, just as it is. */
export interface Pin {
  readonly recipeId: string;
  readonly day: Day;
}

/** What was decided about a season: which day serves which need, and in which batches. It holds for the orders that it was made for. */
export interface Guide {
  /** By {@link pieceKey}: which making days serve the pieces of a hand-over. */
  readonly pieces: Readonly<Record<string, readonly DayShare[]>>;
  /** By {@link componentKey}: which making days serve what is used on a day. */
  readonly components: Readonly<Record<string, readonly DayShare[]>>;
  readonly batches: readonly GuidedBatch[];
  readonly pins: readonly Pin[];
}

export const pieceKey = (pieceId: string, handOver: Day): string => `${pieceId} ${handOver}`;
export const componentKey = (recipeId: string, usedOn: Day): string => `${recipeId} ${usedOn}`;
