import type { Book } from '../box/index.js';
import type { OrderFiled } from '../order/index.js';
import type { Day } from '../quantity/index.js';
import { withoutMade, type Guide } from './guide.js';
import { madeOf, triedOf } from './made.js';
import { bookPacking } from './packing.js';
import { seasonNeeds } from './plan.js';
import type { SeasonInput } from './season-draft.js';

/** A season whose batches and days are to be found. */
export interface SeasonQuestion {
  readonly book: Book;
  readonly orders: readonly OrderFiled[];
  readonly today: Day;
  /** What was decided before; pins hold, and days that need not move are kept. */
  readonly before?: Guide | null;
}

/** What the open orders want beyond what is made already, what was decided of that, and the minutes that packing takes by day. */
export function seasonInput({ book, orders, today, before = null }: SeasonQuestion): SeasonInput {
  const { toPack, settled } = seasonNeeds(orders, book, today, before);
  return {
    demand: settled.demand,
    settled,
    book,
    today,
    packing: bookPacking(toPack, settled.finishings, book, today),
    before: before && withoutMade(before, triedOf(madeOf(settled))),
  };
}
