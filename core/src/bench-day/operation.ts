import type { Allergen } from '../ingredient/index.js';
import type { Pack } from '../plan/index.js';
import type { Day } from '../quantity/index.js';
import type { Activity } from '../schedule/index.js';

/** What the strips of one activity say. */
export interface OperationWords {
  readonly kind: 'make' | 'finish' | 'pack' | 'clean';
  readonly name: string;
  /** How much, in few words. */
  readonly code: string;
  /** The recipe that is made; null for everything else. */
  readonly recipeId: string | null;
  /** The day on which its batches are begun; null for everything else. */
  readonly begun: Day | null;
  /** The piece that is finished; null for everything else. */
  readonly pieceId: string | null;
  /** Which of its stages that is, from 0; null for everything else. */
  readonly stage: number | null;
  /** Whether its pieces are finished then. */
  readonly isLastStage: boolean;
  /** The boxes that are packed; null for everything else. */
  readonly pack: Pack | null;
  readonly pinned: boolean;
  /** What then rests by itself, and for how long; null minutes for what rests over night. */
  readonly hold: { readonly text: string; readonly minutes: number | null } | null;
}

/** An activity of a bench day with what it says and the allergens in it. */
export interface Operation {
  readonly activity: Activity;
  readonly words: OperationWords;
  readonly contains: readonly Allergen[];
}

export const MAKER = 'maker';
export const HELPER = 'helper';

/** The least that is worth dividing between two pairs of hands, minutes. */
const WORTH_SHARING = 20;

/** Work in two halves when somebody helps and it is long enough, else in one. */
export function shared(count: number, minutes: number, helped: boolean): { count: number; minutes: number }[] {
  const half = Math.ceil(count / 2);
  const parts = helped && minutes >= WORTH_SHARING && count > 1 ? [half, count - half] : [count];
  return parts.map((each) => ({ count: each, minutes: (minutes * each) / count }));
}

/** The words of an operation; what it is not about is null. */
export const plain = (
  kind: OperationWords['kind'],
  name: string,
  code: string,
  more: Partial<OperationWords> = {},
): OperationWords => ({
  kind,
  name,
  code,
  recipeId: null,
  begun: null,
  pieceId: null,
  stage: null,
  isLastStage: false,
  pack: null,
  pinned: false,
  hold: null,
  ...more,
});
