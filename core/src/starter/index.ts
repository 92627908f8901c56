export { starterIngredients } from './draft.js';
export { starterPantry } from './pantry.js';
