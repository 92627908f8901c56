export { starterIngredients } from './draft.js';
export { type StarterGroup, starterGroups } from './groups.js';
export { starterPantry } from './pantry.js';
