export { ingredientList } from './ingredients.js';
export { type Label, labelOf } from './label.js';
export { type LabelFace, type LabelLayout, layOutLabel, leastLabelHeight, type Measure, TEXT_FACE } from './layout.js';
export type { LabelSchool } from './school.js';
export { schools } from './schools/index.js';
export {
  beyondUsMajors,
  ingredientStatement,
  netLetterHeightMm,
  netQuantity,
  TEXT_LETTER_HEIGHT_MM,
  usContains,
} from './schools/us.js';
