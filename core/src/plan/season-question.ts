import type { Book } from '../box/index.js';
import type { OrderFiled } from '../order/index.js';
import type { Day } from '../quantity/index.js';
import { withoutMade, type Guide } from './guide.js';
import { madeOf, triedOf } from './made.js';
import { bookPacking } from './packing.js';
import { seasonNeeds } from './plan.js';
import type { SeasonInput } from './season-draft.js';
import type { Plan } from './shape.js';
import type { Bookings } from './windows.js';

/** A season whose batches and days are to be found. */
export interface SeasonQuestion {
  readonly book: Book;
  readonly orders: readonly OrderFiled[];
  readonly today: Day;
  /** What was decided before; pins hold, and days that need not move are kept. */
  readonly before?: Guide | null;
}

/** What the open orders want beyond what is made already, what was decided of that, and the minutes that packing takes by day. */
export function seasonInput({ book: whole, orders, today, before = null }: SeasonQuestion): SeasonInput {
  const { toPack, settled, book } = seasonNeeds(orders, whole, today, before);
  return {
    demand: settled.demand,
    settled,
    book,
    today,
    packing: bookPacking(toPack, settled.finishings, book, today),
    before: before && withoutMade(before, triedOf(madeOf(settled))),
  };
}

/** The same for orders that come to a plan that stays as it is: they have what is left of its days, its moulds and its pans. */
export function besideInput({ book: whole, orders, today }: SeasonQuestion, beside: Plan): SeasonInput {
  const packed: Bookings = new Map(
    beside.days.map(({ day, packs }) => [day, packs.reduce((sum, { minutes }) => sum + minutes, 0)]),
  );
  const { toPack, settled, book } = seasonNeeds(orders, { ...whole, batches: [] }, today, null, packed);
  const packing = bookPacking(toPack, [], book, today, packed);
  return { demand: settled.demand, settled, book, today, packing, before: null, beside, loose: true };
}
