import type { IngredientFiled } from '../ingredient/index.js';
import { roundToStep } from '../quantity/index.js';
import { entersAt, type RecipeFacts } from '../recipe/index.js';
import type { LineSwap, MakingState, WeighedLine } from './state.js';

/** A line as it is weighed out. */
export interface WeighLine {
  readonly line: number;
  readonly name: string;
  /** What goes in: an ingredient by its id, or null for a component. */
  readonly ingredientId: string | null;
  readonly swap: LineSwap | null;
  /** What the scale should show, g: to its step, and exactly. */
  readonly wanted: number;
  readonly exact: number;
  readonly weighed: WeighedLine | null;
  /** Weighed less wanted, g and percent; null until it is weighed. */
  readonly error: { readonly grams: number; readonly percent: number } | null;
  /** The stage in which it goes in. */
  readonly stage: number;
  readonly note: string;
}

/** All lines of a batch with what they should weigh here. */
export interface WeighOut {
  readonly lines: readonly WeighLine[];
  /** Weighed less wanted of all that is weighed, g and percent of it. */
  readonly running: { readonly grams: number; readonly percent: number };
  readonly left: number;
}

/**
 * What is to be weighed for a batch.
 * @param size multiple of the base batch
 * @param step of the scale, g
 */
export function weighOut(
  { recipe, lineGrams }: Pick<RecipeFacts, 'recipe' | 'lineGrams'>,
  size: number,
  { weighed, swapped, factor }: Pick<MakingState, 'weighed' | 'swapped' | 'factor'>,
  names: {
    readonly ingredients: ReadonlyMap<string, Pick<IngredientFiled, 'name'>>;
    readonly recipes: ReadonlyMap<string, Pick<RecipeFacts, 'recipe'>>;
  },
  step: number,
): WeighOut {
  const lines = recipe.lines.map((line, index): WeighLine => {
    const swap = swapped.get(index) ?? null;
    const { kind, id } = line.uses;
    const ingredientId = kind === 'ingredient' ? (swap?.withId ?? id) : null;
    const name = ingredientId === null ? names.recipes.get(id)?.recipe.name : names.ingredients.get(ingredientId)?.name;
    const exact = (lineGrams[index] ?? 0) * size * factor * (swap?.ratio ?? 1);
    const wanted = exact > 0 ? Math.max(step, roundToStep(exact, step)) : 0;
    const has = weighed.get(index) ?? null;
    return {
      line: index,
      name: name ?? id,
      ingredientId,
      swap,
      wanted,
      exact,
      weighed: has,
      error: has && { grams: has.grams - exact, percent: exact > 0 ? ((has.grams - exact) / exact) * 100 : 0 },
      stage: Math.min(entersAt(line, recipe.steps), Math.max(0, recipe.steps.length - 1)) + 1,
      note: line.note,
    };
  });
  const done = lines.filter(({ error }) => error !== null);
  const grams = done.reduce((sum, { error }) => sum + (error?.grams ?? 0), 0);
  const exact = done.reduce((sum, line) => sum + line.exact, 0);
  return {
    lines,
    running: { grams, percent: exact > 0 ? (grams / exact) * 100 : 0 },
    left: lines.filter((line) => line.weighed === null && line.wanted > 0).length,
  };
}

/**
 * The factor with which everything else keeps the recipe's shares to what was poured of a line.
 * @param poured g, more than 0
 * @returns null where the line weighs nothing, so that nothing can follow it
 */
export function factorFor(
  { lineGrams }: Pick<RecipeFacts, 'lineGrams'>,
  size: number,
  { swapped }: Pick<MakingState, 'swapped'>,
  { line, poured }: { line: number; poured: number },
): number | null {
  const base = (lineGrams[line] ?? 0) * size * (swapped.get(line)?.ratio ?? 1);
  return base > 0 && poured > 0 ? poured / base : null;
}
