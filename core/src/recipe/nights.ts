import type { RecipeFiled, RecipeStep } from './schema.js';

/** A rest that is longer runs into the night: nothing of the same evening waits for it, minutes. */
export const NIGHT_MINUTES = 300;
const DAY_MINUTES = 24 * 60;

/** How many nights a step rests: 0 for one that goes on the same day. */
export const nightsOf = ({ rest }: Pick<RecipeStep, 'rest'>): number =>
  rest !== null && rest.safeMinutes > NIGHT_MINUTES ? Math.max(1, Math.round(rest.typicalMinutes / DAY_MINUTES)) : 0;

/** A recipe that rests as long as it says, and no shorter than its steps do. */
export function rested<R extends Pick<RecipeFiled, 'restDays' | 'steps'>>(recipe: R): R {
  const nights = recipe.steps.reduce((sum, step) => sum + nightsOf(step), 0);
  return nights > recipe.restDays ? { ...recipe, restDays: nights } : recipe;
}
