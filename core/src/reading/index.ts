export {
  lineKeys,
  noAnswers,
  noStepAnswers,
  openQuestions,
  type RecipeAnswers,
  recipesOf,
  type StepAnswers,
  stepKeys,
} from './drafts.js';

export { type PantryItem, pantryItems, readIngredientLines, type ReadLine } from './line.js';
export { indexNames, matchName, nameWords, singular, synonymWords } from './names.js';
export { readHolds } from './pack.js';
export { type OwnRecipe, ownRecipeSchema, type RecipeText, type TextStep } from './recipe-text.js';
export { numberWords, readNumber, typedNumber } from './number.js';
export { closest } from './spelling.js';
export { type FoundStarters, searchStarters, type Starter, starterCalled, startersNamed } from './starters.js';
export { type ReadStep, readSteps, stepOf } from './steps.js';
export { type ReadRecipe, readRecipeText, unreadableRecipe } from './whole.js';
export { type PriceHabit, type ReadPrice, readPrice } from './price.js';
export { type Priceable, readReceipt, type ReceiptLine } from './receipt.js';
