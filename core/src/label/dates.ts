import type { Day } from '../quantity/index.js';

/** The dates that a label carries. */
export interface LabelDates {
  readonly madeOn: Day;
  readonly bestBefore: Day;
  /** Whether something of it is still to be made; a day that has come says nothing of that. */
  readonly planned?: boolean;
}
