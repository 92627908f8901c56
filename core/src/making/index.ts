export { type BenchForecast, cookSetup, type CookState, cookStateOf } from './cook.js';
export {
  type EventOf,
  type Happening,
  type Making,
  type MakingEnd,
  makingEndSchema,
  type MakingEvent,
  makingEventSchema,
  type MakingFiled,
  makingFiledSchema,
  makingSchema,
  makingStates,
  type NoteKind,
  noteKinds,
} from './schema.js';
export { type FillingGate, fillingGate } from './filling.js';
export { draftOfMaking } from './log.js';
export { lotOfCode } from './lot.js';
export { type Stage, stagesOf } from './stages.js';
export { isBelieved, type MakingState, stateOf, type Timer, timerAt, type TracePoint, traceOf } from './state.js';
export { startTogether } from './together.js';
export { factorFor, type WeighLine, weighOut, type WeighOut } from './weigh-out.js';
export { turnOf } from './turn.js';
