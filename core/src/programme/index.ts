export { buildProgramme } from './programme.js';
export { inTime, wholePieceGuide, workOf } from './in-time.js';
export { besideInput, programmeInput } from './question.js';
export { searchProgramme } from './search.js';
export { type ProgrammeSolution, solveProgramme } from './solve.js';
export {
  kitchenIf,
  ordersIf,
  type PlanJob,
  type PlanSum,
  seasonIf,
  sumOfPlan,
  type WhatIf,
  type WhatIfAnswer,
  whatIfSchema,
  withMoulds,
} from './what-if.js';
