export { ingredientList, ingredientStatement } from './ingredients.js';
export { type Label, usLabel } from './label.js';
export { type LabelFace, type LabelLayout, layOutLabel, leastLabelHeight, type Measure, TEXT_FACE } from './layout.js';
export { netLetterHeightMm, netQuantity, TEXT_LETTER_HEIGHT_MM } from './net.js';
