export { sparePieces, sureShare, yieldRecord } from './allowance.js';
export { type BatchCount, type BatchSize, chooseBatches, multipleOf, sayBatches, SIZE_STEP } from './batches.js';
export { openRecipeBook, type RecipeBook, type RecipeFacts } from './book.js';
export { wrongCycle, wrongInRecipe } from './check.js';
export { contentsAt } from './contents.js';
export { checkPots, estimateOf, worstBoiling } from './estimate.js';
export { bakesIn, boilsIn, boilWord } from './heat.js';
export { stepCautions, stepTarget } from './method.js';
export { nightsOf } from './nights.js';
export { entersAt } from './pot.js';
export { adviceFor, multipleFor, stepMinutes, weighSheet } from './scale.js';
export {
  allowedSize,
  batchesFor,
  batchesGiving,
  FREE_STEP,
  leastSize,
  mostSize,
  proposedSizes,
  roundedUp,
  usualEnds,
  type Sized,
} from './sizes.js';
export {
  batchSizeSchema,
  fromStart,
  lineSchema,
  mostStepCharacters,
  type NumberKind,
  numberKinds,
  type Recipe,
  type RecipeDraft,
  recipeDraftSchema,
  type RecipeFiled,
  recipeFiledSchema,
  type RecipeLine,
  recipeSchema,
  type RecipeStep,
  stepSchema,
  type Swap,
} from './schema.js';

export { daysOfWork, leastMinutesOf, nightsAfterWork, type Stretch, workingMinutesOf } from './stretches.js';
export { sayWaterActivity, sideEffects, trySwaps } from './substitution.js';
export { swapIngredients } from './variant.js';
export type { Boiling, StepMass } from './pot.js';
export type { RecipeEstimate } from './estimate.js';
export type { StepTarget } from './method.js';
