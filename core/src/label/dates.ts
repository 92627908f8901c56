import type { Day } from '../quantity/index.js';

/** The dates that a label carries. */
export interface LabelDates {
  readonly madeOn: Day;
  readonly bestBefore: Day;
}
