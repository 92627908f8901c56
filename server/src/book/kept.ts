import type { StoredKitchen } from '@usual-pantry/core/api';
import type { BatchDraft } from '@usual-pantry/core/batch';
import type { BoxDraft } from '@usual-pantry/core/box';
import type { IngredientDraft } from '@usual-pantry/core/ingredient';
import type { OrderDraft } from '@usual-pantry/core/order';
import type { PieceDraft } from '@usual-pantry/core/piece';
import type { StoredDecision } from '@usual-pantry/core/plan';
import type { RecipeDraft } from '@usual-pantry/core/recipe';
import type { Stored } from '../storage/records.js';

/** The lists of records, by what they are called in the book and in the season file. */
export interface Drafts {
  readonly ingredients: IngredientDraft;
  readonly recipes: RecipeDraft;
  readonly pieces: PieceDraft;
  readonly boxes: BoxDraft;
  readonly orders: OrderDraft;
  readonly batches: BatchDraft;
}

/** All that is kept, by its lists, and what was decided about the days: null when nothing was. */
export type Kept = { readonly [List in keyof Drafts]: readonly Stored<Drafts[List]>[] } & {
  readonly kitchen: StoredKitchen;
  readonly plan: StoredDecision | null;
};

/** The maker's book as it is stored. */
export type StoredBook = Omit<Kept, 'orders' | 'plan'>;
