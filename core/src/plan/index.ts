export { type Breach, breachesOf, newBreaches, NOTICED } from './breaches.js';
export {
  cleanOff,
  type Minded,
  mindedByEither,
  mindedOf,
  kindOf,
  kindsOf,
  type Kinds,
  trueAllergens,
  nutClass,
  type NutClass,
  nutClasses,
  turnRules,
  turnsOf,
} from './clean-downs.js';
export {
  type ColdSpace,
  coldSpaces,
  coldTaken,
  coldStays,
  finishedLitres,
  finishingLitres,
  litresPerBody,
  litresPerGram,
  standsOver,
  thawsFrom,
} from './cold.js';
export { type Decision, decisionSchema, type StoredDecision } from './decision.js';
export type { PieceDemand } from './demand.js';
export {
  canBeFinished,
  type FinishDay,
  finishDays,
  lastOf,
  partShares,
  partUses,
  type ToFinish,
} from './finish-days.js';
export {
  componentKey,
  type DayShare,
  type Guide,
  guideSchema,
  moveGuide,
  pieceKey,
  type StagePin,
  withoutMade,
} from './guide.js';
export { KEEPS_AS_STOCK_DAYS, leftOverUse, whyLeftOver } from './left-over.js';
export { byLowLevelCode } from './low-level-code.js';
export { doneOn, finishedWith, madeRunsOf, triedOf } from './made-runs.js';
export { followsGuide, guideOf, moveRun, whyNotTo, whyThen } from './move.js';
export { bodyWindow, type FinishWork, toFinishOf, usableWindow } from './needs.js';
export type { Netted } from './netting.js';
export { bookPacking, inPack, type Pack, type Packing } from './packing.js';
export { planSeason, seasonNeeds } from './plan.js';
export { type MadeRun, type ProductionRun, sharedGrams } from './run.js';
export type { HandOver, HandOverDay } from './hand-over.js';
export type { SeasonDay } from './season-days.js';
export type { LabelRun, Plan, PlanWork } from './shape.js';
export { countsOf, leftGramsOf } from './supplies.js';
export { type StageMove, tryMove, tryMoveStage, whyNotStageTo } from './try-move.js';
export { suitsMaking, toFridge } from './suits.js';
export {
  hasMoulds,
  isInPan,
  isSameMould,
  mouldsHeld,
  mouldsListed,
  mouldShareOf,
  mouldsOf,
  panKinds,
  panShareOf,
  pansTaken,
} from './vessels.js';
export {
  airOn,
  benchHours,
  type Bookings,
  beginsAt,
  helperHours,
  isBenchDay,
  isHumid,
  makerHours,
  type Window,
} from './windows.js';

export { latestBegin, readyOn, workByDay, type WorkDay, workDays, type WorkOf } from './work-days.js';
