import { waterLeft } from '../cooking/index.js';
import { addParts, massOf, noParts, scaleParts, sugarsOf, type Parts } from '../ingredient/index.js';
import type { RecipeFiled, RecipeStep } from './schema.js';

/** What is in the pot: grams of each part, all at the start or after the cooking. */
export interface PotContents {
  readonly start: Parts;
  readonly afterCook: Parts;
}

/** One step's effect on what is in the pot, g. */
export interface StepMass {
  readonly grams: number;
  /** Water that boils off in this step, g. */
  readonly boiledOff: number;
  /** What is strained, trimmed or stuck in this step, g. */
  readonly lost: number;
}

const boils = ({ effect }: RecipeStep): boolean => effect.kind === 'cook' || effect.kind === 'reduce';

/** Whether any step drives water off. */
export const isCooked = ({ steps }: Pick<RecipeFiled, 'steps'>): boolean => steps.some(boils);

const withoutWater = (parts: Parts, grams: number): Parts => ({
  ...parts,
  water: parts.water - Math.min(parts.water, Math.max(0, grams)),
});

function afterStep(parts: Parts, { effect, target }: RecipeStep): Parts {
  switch (effect.kind) {
    case 'none':
      return parts;
    case 'cook':
      return withoutWater(parts, parts.water - waterLeft(sugarsOf(parts), target?.celsius ?? 100));
    case 'reduce':
      return withoutWater(parts, massOf(parts) - effect.toGrams);
    case 'strain':
    case 'trim':
    case 'stick':
      return scaleParts(parts, 1 - effect.lossPercent / 100);
  }
}

/**
 * Runs the steps of a base batch over what is in the pot.
 *
 * Cooking leaves the water of a syrup that boils at the target (see {@link waterLeft}); reducing takes water off down to a mass;
 * straining, trimming and sticking take a share of everything.
 * @returns what is left, and the mass after each step
 */
export function runSteps(
  { steps }: Pick<RecipeFiled, 'steps'>,
  contents: PotContents,
): { readonly left: Parts; readonly masses: readonly StepMass[] } {
  const lastCook = steps.findLastIndex(boils);
  let parts = lastCook < 0 ? addParts(contents.start, contents.afterCook) : contents.start;
  const masses = steps.map((step, index) => {
    const before = massOf(parts);
    parts = afterStep(parts, step);
    const change = before - massOf(parts);
    if (index === lastCook) parts = addParts(parts, contents.afterCook);
    return { grams: massOf(parts), boiledOff: boils(step) ? change : 0, lost: boils(step) ? 0 : change };
  });
  return { left: parts, masses };
}

/**
 * What is left of a batch whose finished mass was weighed or is known by its loss.
 * Where it is cooked, water goes first; what is lost beyond it, and every loss of an uncooked one, takes a share of everything.
 */
export function finishAt(contents: PotContents, yieldGrams: number, cooked: boolean): Parts {
  const all = addParts(contents.start, contents.afterCook);
  const dried = cooked ? withoutWater(all, massOf(all) - yieldGrams) : all;
  const mass = massOf(dried);
  return mass > 0 ? scaleParts(dried, yieldGrams / mass) : noParts;
}
