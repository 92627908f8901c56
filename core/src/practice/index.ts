export type { Debrief } from './debrief.js';
export { questionsOf } from './drills.js';
export { lookOf, type PotAct, type PotFault, potFaults, type PotSetup, type PracticePot } from './pot.js';
export { actInRun, practiceRun, type PracticeRun, runOn } from './run.js';
export { type DrillKind, drillKinds, type Practice, practiceSchema } from './schema.js';
export { coldButter, type Cookable, cookables, type PotChoice, potSetupOf } from './setup.js';
