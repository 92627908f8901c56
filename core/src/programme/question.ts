import type { Book } from '../book/index.js';
import type { OrderFiled } from '../order/index.js';
import type { Day } from '../quantity/index.js';
import {
  kindsOf,
  mindedByEither,
  withoutMade,
  type Guide,
  madeRunsOf,
  triedOf,
  bookPacking,
  seasonNeeds,
  type Plan,
  type Bookings,
} from '../plan/index.js';
import type { ProgrammeInput } from './builder.js';

/** A season whose batches and days are to be found. */
export interface ProgrammeQuestion {
  readonly book: Book;
  readonly orders: readonly OrderFiled[];
  readonly today: Day;
  /** What was decided before; pins hold, and days that need not move are kept. */
  readonly before?: Guide | null;
}

/** What the open orders want beyond what is made already, what was decided of that, and the minutes that packing takes by day. */
export function programmeInput({ book: whole, orders, today, before = null }: ProgrammeQuestion): ProgrammeInput {
  const { toPack, netted, book, minded } = seasonNeeds(orders, whole, today, before);
  return {
    demand: netted.demand,
    netted,
    book,
    today,
    packing: bookPacking(toPack, netted.finishings, book, today),
    kinds: kindsOf(minded, whole),
    before: before && withoutMade(before, triedOf(madeRunsOf(netted)), book),
  };
}

/** The same for orders that come to a plan that stays as it is: they have what is left of its days, its moulds and its pans. */
export function besideInput({ book: whole, orders, today }: ProgrammeQuestion, beside: Plan): ProgrammeInput {
  const packed: Bookings = new Map(
    beside.days.map(({ day, packs }) => [day, packs.reduce((sum, { minutes }) => sum + minutes, 0)]),
  );
  const { toPack, netted, book, minded } = seasonNeeds(orders, { ...whole, batches: [] }, today, null, packed);
  const packing = bookPacking(toPack, [], book, today, packed);
  const kinds = kindsOf(mindedByEither(minded, beside.minded), whole);
  return { demand: netted.demand, netted, book, today, packing, kinds, before: null, beside, loose: true };
}
