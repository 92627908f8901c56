import type { RecipeDraft, RecipeStep } from '@usual-pantry/core/recipe';
import { ANY_AIR } from '@usual-pantry/core/room';

/** A recipe as it starts. */
export const freshRecipe: RecipeDraft = {
  name: '',
  lines: [],
  yield: { by: 'loss', lossPercent: 5 },
  batchSizes: [1],
  anySize: false,
  handsMinutes: 30,
  keepsDays: 14,
  restDays: 0,
  method: '',
  steps: [],
  foaming: 'does not boil',
  grains: false,
  hygroscopic: false,
  air: ANY_AIR,
  stands: null,
  alcohol: 'by the steps',
  variantOf: null,
  weighedYields: [],
};

/** A step as it starts. */
export const freshStep: RecipeStep = {
  text: '',
  handsMinutes: 0,
  rest: null,
  growsWithBatch: false,
  target: null,
  equipment: [],
  doneWhen: '',
  caution: '',
  ifWrong: '',
  effect: { kind: 'none' },
};
