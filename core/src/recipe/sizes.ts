import { chooseBatches, SIZE_STEP, type BatchCount } from './batches.js';
import { bakesIn, boilsIn } from './heat.js';
import type { RecipeFiled, RecipeStep } from './schema.js';

/** What says which sizes one batch of a recipe may have. */
export type Sized = Pick<RecipeFiled, 'batchSizes' | 'anySize'>;

/** A size between the listed ones is made in steps of so much of the base batch: finer than any scale and any eye. */
export const FREE_STEP = 0.01;

export const leastSize = ({ batchSizes }: Pick<Sized, 'batchSizes'>): number => Math.min(...batchSizes);
export const mostSize = ({ batchSizes }: Pick<Sized, 'batchSizes'>): number => Math.max(...batchSizes);

/** Half a percent of a base batch is no other size. */
const NEAR = 0.005;

/**
 * The size that one batch of about that size is made in.
 * @param size multiple of the base batch
 * @returns the listed size that it is, the size itself between the least and the largest of a recipe of any size, or null where no
 * such batch is allowed
 * @example allowedSize({ batchSizes: [0.5, 2], anySize: true }, 1.3) // 1.3
 */
export function allowedSize({ batchSizes, anySize }: Sized, size: number): number | null {
  const listed = batchSizes.find((each) => Math.abs(each - size) < NEAR);
  if (listed !== undefined) return listed;
  return anySize && size >= leastSize({ batchSizes }) && size <= mostSize({ batchSizes }) ? size : null;
}

/** The next step that is no smaller, within what the recipe allows. */
export function roundedUp(size: number, sized: Sized): number {
  const stepped = Math.ceil(size / FREE_STEP - 1e-6) / Math.round(1 / FREE_STEP);
  return Math.min(mostSize(sized), Math.max(leastSize(sized), stepped));
}

/** Base batches of any size in the fewest batches, all of one size. @param multiple of the base batch, above 0 */
function evenBatches(multiple: number, sized: Sized): BatchCount[] {
  const count = Math.ceil(multiple / mostSize(sized) - 1e-9);
  return [{ size: roundedUp(multiple / count, sized), count }];
}

/**
 * Batches of the allowed sizes that come to a multiple of the base batch: as few as can be, and of those the ones that leave least.
 * @param multiple of the base batch
 * @returns the largest first; nothing for a multiple of 0
 * @example batchesFor(2.6, { batchSizes: [0.5, 2], anySize: true }) // two of 1.3
 */
export function batchesFor(multiple: number, sized: Sized): BatchCount[] {
  if (multiple * SIZE_STEP <= 1e-9) return [];
  if (sized.anySize) return evenBatches(multiple, sized);
  return chooseBatches(
    multiple * SIZE_STEP,
    sized.batchSizes.map((size) => ({ size, covers: Math.round(size * SIZE_STEP) })),
  );
}

/**
 * Batches of the allowed sizes that give so many whole things: as few as can be, and of those the ones that leave least.
 * @param wanted whole things
 * @param givesOf whole things that one batch of a size gives; no fewer for a larger one
 * @param perBase how many a base batch gives before they are whole
 * @returns nothing when no allowed batch gives one
 */
export function batchesGiving(
  wanted: number,
  givesOf: (size: number) => number,
  perBase: number,
  sized: Sized,
): BatchCount[] {
  if (!sized.anySize)
    return chooseBatches(
      wanted,
      sized.batchSizes.map((size) => ({ size, covers: givesOf(size) })),
    );
  const most = mostSize(sized);
  const atMost = givesOf(most);
  const whole = Math.ceil(wanted - 1e-9);
  if (atMost <= 0 || whole <= 0) return [];
  const count = Math.ceil(whole / atMost);
  const each = Math.ceil(whole / count);
  const size = roundedUp(each / perBase, sized);
  return [{ size: givesOf(size) >= each ? size : roundedUp(size + FREE_STEP, sized), count }];
}

/** Words for what sugar comes to when it is cooked. */
const SUGAR_STAGE = /\b(?:caramel\w*|amber|(?:soft|firm|hard)[- ]?(?:ball|crack)|thread stage)\b/i;

/** The least and the largest of any size, where nothing else is known. A guess. */
export const usualEnds = [0.25, 2] as const;

/** A size as it is proposed, and why. */
export interface ProposedSizes {
  readonly sizes: Sized;
  readonly why: string;
}

/**
 * The sizes of a recipe that does not say them. Cooked sugar is not doubled, what bakes fills whole pans, and what is only weighed and
 * stirred may have any size. Common practice, no source: for the maker to nod at.
 * @param hasSugar whether plain sugar is among its lines
 */
export function proposedSizes(
  steps: readonly Pick<RecipeStep, 'text' | 'effect' | 'target' | 'equipment'>[],
  hasSugar: boolean,
): ProposedSizes {
  const cooks = steps.some(
    (step) => step.effect.kind === 'cook' || (hasSugar && (boilsIn(step) || SUGAR_STAGE.test(step.text))),
  );
  if (cooks)
    return { sizes: { batchSizes: [1], anySize: false }, why: 'whole batches only: cooked sugar is not doubled' };
  if (steps.some(bakesIn))
    return { sizes: { batchSizes: [1, 2], anySize: false }, why: 'one or two batches at once: it fills whole pans' };
  return {
    sizes: { batchSizes: [...usualEnds], anySize: true },
    why: 'any size from a quarter of it to twice as much: no sugar is cooked in it',
  };
}
