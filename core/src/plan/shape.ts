import type { Finding } from '../finding/index.js';
import type { OrderFiled, PackedAs } from '../order/index.js';
import type { PieceFacts } from '../piece/index.js';
import type { Day } from '../quantity/index.js';
import type { Minded } from './clean-downs.js';
import type { MadeRun } from './run.js';
import type { ProductionRun } from './run.js';
import type { Finishing } from './needs.js';
import type { HandOverDay } from './hand-over.js';
import type { SeasonDay } from './season-days.js';
import type { ShoppingLine } from '../shopping/index.js';

/** One lot of equal labels: a box for one hand-over day, with the same stand-ins. */
export interface LabelRun extends PackedAs {
  readonly boxId: string;
  readonly boxName: string;
  readonly handOver: Day;
  readonly count: number;
  /** The day on which its oldest piece is made. */
  readonly madeOn: Day;
  readonly bestBefore: Day;
  /** Whether something of it is still to be made, as far as is noted. */
  readonly planned: boolean;
}

/** An order that cannot be made in time, and the pieces for which no bench day is left. */
export interface LateOrder {
  readonly order: OrderFiled;
  readonly missing: readonly PieceFacts[];
}

/** The part of a plan that says what is done on which day. */
export type PlanWork = Pick<Plan, 'runs' | 'made' | 'finishings' | 'days' | 'minded'>;

/** The season worked out from the orders. */
export interface Plan {
  /** Open orders, and what is ordered by them: those that are left out among it. */
  readonly orders: number;
  /** Ids of open orders that cannot be made in time: nothing of the plan is for them. */
  readonly leftOut: readonly string[];
  readonly boxes: number;
  readonly pieces: number;
  /** Batches that are still to be made. */
  readonly batches: number;
  /** What is made already. */
  readonly made: readonly MadeRun[];
  /** What is still to be made. */
  readonly runs: readonly ProductionRun[];
  readonly finishings: readonly Finishing[];
  readonly shopping: readonly ShoppingLine[];
  readonly shoppingCostMinor: number;
  readonly days: readonly SeasonDay[];
  /** What is handed over, by day, the earliest first; those that are left out among it. */
  readonly handOvers: readonly HandOverDay[];
  readonly labels: readonly LabelRun[];
  readonly leftOverGrams: number;
  /** What must not get into what, since orders rule it out; see {@link mindedOf}. */
  readonly minded: readonly Minded[];
  readonly findings: readonly Finding[];
}
