export { ingredientGrams, ingredientList, type ListEntry } from './ingredients.js';
export { type Label, type LabelBlock, labelOf, type LabelOf, panelOf } from './label.js';
export {
  type LabelFace,
  type LabelLayout,
  type LabelPage,
  layOutLabel,
  leastLabelHeight,
  sidesOf,
  type Measure,
  TEXT_FACE,
} from './layout.js';
export { fieldStates, type RequiredField } from './required.js';
export type { LabelDates } from './dates.js';
export type { LabelSchool } from './school.js';
export { schools } from './schools/index.js';
export { frenchFor } from './french.js';
export { type Span, textOf } from './span.js';
export {
  beyondUsMajors,
  ingredientStatement,
  netLetterHeightMm,
  netQuantity,
  TEXT_LETTER_HEIGHT_MM,
  usContains,
} from './schools/us.js';
export { crossContact, type CrossContact } from './cross-contact.js';
export { lotOf } from './lot.js';
export { euRounded, NOT_ESTIMATED, type Nutrition, nutritionOf, partsOfBox, usRounded } from './nutrition.js';
export {
  cellsOf,
  cornerOf,
  fitsPaper,
  gridNamed,
  nextFreeCell,
  ownGrid,
  type Placed,
  placeOnSheets,
  type PrinterOffset,
  type SheetGrid,
  sheetGrids,
} from './sheet.js';
export { carriersOf, whyInBox, whyNotInBox, type WhyStep } from './why.js';
export { ENOUGH_BOXES, declaredGrams, judgeWeights, tolerableError, type WeighingVerdict } from './weighing.js';
export { isReprint, type Printed, printedOf, printsOf, wordsOnLabel } from './prints.js';
export { type LabelPrint, labelPrintSchema, type Weighing, weighingSchema } from './schema.js';
export { type Ticket, type TicketKind, ticketKinds, ticketsOf } from './tickets.js';
export { contrastOnWhite } from './contrast.js';
