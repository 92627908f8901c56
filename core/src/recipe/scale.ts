import { roundToStep, sayExact, sayNumber } from '../quantity/index.js';
import { multipleOf, sayBatches, type BatchCount } from './batches.js';
import type { RecipeFacts } from './book.js';
import type { RecipeFiled, RecipeStep } from './schema.js';
import { allowedSize, batchesFor, leastSize, mostSize, type Sized } from './sizes.js';

/** The recipe with every line, and a weighed yield, `multiple` times as large. Losses in percent stay. */
export const scaleRecipe = <T extends Pick<RecipeFiled, 'lines' | 'yield' | 'steps'>>(
  recipe: T,
  multiple: number,
): T => ({
  ...recipe,
  lines: recipe.lines.map((line) => ({ ...line, amount: line.amount * multiple })),
  yield: recipe.yield.by === 'weighed' ? { ...recipe.yield, grams: recipe.yield.grams * multiple } : recipe.yield,
  steps: recipe.steps.map((step) =>
    step.effect.kind === 'reduce'
      ? { ...step, effect: { ...step.effect, toGrams: step.effect.toGrams * multiple } }
      : step,
  ),
});

/** What a batch is wanted for: so many base batches, a finished mass, the area of other pans, or what is in hand of one line. */
export type ScaleGoal =
  | { readonly by: 'multiple'; readonly multiple: number }
  | { readonly by: 'mass'; readonly grams: number }
  | { readonly by: 'area'; readonly fromMm2: number; readonly toMm2: number }
  | { readonly by: 'in hand'; readonly line: number; readonly grams: number };

/**
 * The multiple of the base batch that meets a goal.
 * @returns above 0, or null when it cannot be known: nothing comes out, or the line weighs nothing
 */
export function multipleFor(goal: ScaleGoal, { yieldGrams, lineGrams }: RecipeFacts): number | null {
  const ratio = (wanted: number, of: number) => (of > 0 && wanted > 0 ? wanted / of : null);
  switch (goal.by) {
    case 'multiple':
      return ratio(goal.multiple, 1);
    case 'mass':
      return ratio(goal.grams, yieldGrams);
    case 'area':
      return ratio(goal.toMm2, goal.fromMm2);
    case 'in hand':
      return ratio(goal.grams, lineGrams[goal.line] ?? 0);
  }
}

/** Less over than this share of a base batch is not worth a word. */
const WORTH_A_WORD = 0.005;

/** What a recipe says to a multiple: whole batches of its allowed sizes, and the advice in words. */
export interface BatchAdvice {
  readonly batches: readonly BatchCount[];
  /** Base batches beyond the multiple. */
  readonly over: number;
  /** Whether one batch of exactly that size is allowed. */
  readonly allowed: boolean;
  readonly advice: string;
}

/**
 * Advice on a multiple by the recipe's allowed sizes: one that is not allowed is never made in one pot.
 * @example adviceFor({ batchSizes: [1], anySize: false }, 3).advice // 'Do not make it 3-fold in one pot: make 3 single batches.'
 */
export function adviceFor(sized: Sized, multiple: number): BatchAdvice {
  const exact = allowedSize(sized, multiple);
  if (exact !== null)
    return {
      batches: [{ size: exact, count: 1 }],
      over: 0,
      allowed: true,
      advice: 'One batch of that size is allowed.',
    };
  const batches = batchesFor(multiple, sized);
  const over = multipleOf(batches) - multiple;
  const rest = over > WORTH_A_WORD ? ` ${sayNumber(over, 2)} of a base batch is left over.` : '';
  const most = mostSize(sized);
  const refusal =
    multiple > most
      ? multiple <= 2
        ? 'Do not double'
        : `Do not make it ${sayExact(multiple)}-fold in one pot`
      : sized.anySize
        ? `${sayNumber(leastSize(sized), 2)} of a base batch is the least`
        : 'That size is not allowed';
  return { batches, over, allowed: false, advice: `${refusal}: make ${sayBatches(batches, 'single ')}.${rest}` };
}

/** One line on the scale's step. */
export interface SheetLine {
  readonly exactGrams: number;
  readonly grams: number;
  /** Rounding as a share of the line, percent. */
  readonly errorPercent: number;
}

/** A weighing sheet. */
export interface WeighSheet {
  readonly lines: readonly SheetLine[];
  /** Rounded less exact, all lines together, g. */
  readonly errorGrams: number;
  /** The line that rounding changes most. */
  readonly worst: number | null;
}

/**
 * The lines of a batch as a scale with `step` (g) can weigh them, with what the rounding costs.
 * A line that would round to nothing takes one step.
 */
export function weighSheet(lineGrams: readonly number[], multiple: number, step: number): WeighSheet {
  const lines = lineGrams.map((base) => {
    const exactGrams = base * multiple;
    const grams = exactGrams > 0 ? Math.max(step, roundToStep(exactGrams, step)) : 0;
    return { exactGrams, grams, errorPercent: exactGrams > 0 ? ((grams - exactGrams) / exactGrams) * 100 : 0 };
  });
  const errors = lines.map(({ errorPercent }) => Math.abs(errorPercent));
  const most = Math.max(0, ...errors);
  return {
    lines,
    errorGrams: lines.reduce((sum, { grams, exactGrams }) => sum + grams - exactGrams, 0),
    worst: most > 0 ? errors.indexOf(most) : null,
  };
}

/**
 * Minutes of a step at a multiple of the base batch. Those that grow with the batch grow in proportion to its mass:
 * the same burner puts the same heat into twice as much in twice the time. The others stay.
 */
export const stepMinutes = (
  { handsMinutes, rest, growsWithBatch }: RecipeStep,
  multiple: number,
): { hands: number; typicalRest: number; safeRest: number } => {
  const times = growsWithBatch ? multiple : 1;
  return {
    hands: handsMinutes * times,
    typicalRest: (rest?.typicalMinutes ?? 0) * times,
    safeRest: (rest?.safeMinutes ?? 0) * times,
  };
};
