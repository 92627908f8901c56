export { buildProgramme } from './programme.js';
export { besideInput, programmeInput } from './question.js';
export { searchProgramme } from './search.js';
export { inTime, type ProgrammeSolution, wholePieceGuide, solveProgramme, workOf } from './solve.js';
export {
  kitchenIf,
  ordersIf,
  piecesIf,
  type PlanJob,
  type PlanSum,
  seasonIf,
  sumOfPlan,
  type WhatIf,
  type WhatIfAnswer,
  whatIfSchema,
} from './what-if.js';
