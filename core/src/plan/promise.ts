import type { Book } from '../box/index.js';
import { findingsOfOrder, type OrderFiled } from '../order/index.js';
import { addDays, sayDay, sayMinutes, type Day } from '../quantity/index.js';
import type { Guide } from './guide.js';
import { planSeason } from './plan.js';
import type { Plan } from './shape.js';

/** Whether an order can be promised for its day. */
export interface PromiseCheck {
  readonly verdict: 'feasible' | 'tight' | 'not feasible';
  /** What stands against it, or what makes it tight; each a sentence. */
  readonly why: readonly string[];
  /** What must be settled about it whatever the day: an exclusion that a box breaks, a box that is empty; each a sentence. */
  readonly toSettle: readonly string[];
  /** The earliest day from the asked one on that is feasible; null when none is within the search. */
  readonly earliest: Day | null;
}

/** How many days after the asked one are looked at. */
const SEARCH_DAYS = 35;
/** From this share of its hours on a day is tight. */
const TIGHT = 0.9;
/** A day gives this many minutes more without anybody noticing. */
const GIVE_MINUTES = 10;
/** Findings that say that something cannot be made in time. */
const cannot = new Set(['too-late', 'window-empty', 'order-box-empty']);

/** Findings of an order that stand in the way of a promise whatever its day is. */
const unsettled = new Set(['exclusion-broken', 'order-box-empty']);

const overtime = (plan: Plan): Map<Day, number> =>
  new Map(plan.days.map((day) => [day.day, Math.max(0, day.bookedMinutes - day.benchMinutes)]));

interface Judged {
  readonly stops: readonly string[];
  readonly tight: readonly string[];
}

/** What an order adds to a plan that stands against it, and what is merely tight. */
function judge(before: Plan, after: Plan, giveMinutes: number): Judged {
  const known = new Set(before.findings.map(({ message }) => message));
  const stops = after.findings
    .filter(({ code, message }) => cannot.has(code) && !known.has(message))
    .map(({ message, about }) => (about.noun === 'order' ? message.replace(about.name, 'It') : message));
  const was = overtime(before);
  const booked = new Map(before.days.map((day) => [day.day, day.bookedMinutes]));
  const tight: string[] = [];
  for (const { day, bookedMinutes, benchMinutes } of after.days) {
    if (bookedMinutes <= (booked.get(day) ?? 0) + 0.5) continue;
    const over = bookedMinutes - benchMinutes;
    if (over <= 0) {
      if (bookedMinutes >= benchMinutes * TIGHT)
        tight.push(
          `${sayDay(day)} would be booked for ${sayMinutes(bookedMinutes)} of its ${sayMinutes(benchMinutes)}.`,
        );
      continue;
    }
    const sentence =
      benchMinutes === 0
        ? `${sayMinutes(bookedMinutes)} of work would fall on ${sayDay(day)}, which is no bench day.`
        : `${sayDay(day)} would be ${sayMinutes(over)} over its ${sayMinutes(benchMinutes)}.`;
    (over > (was.get(day) ?? 0) + giveMinutes ? stops : tight).push(sentence);
  }
  return { stops, tight };
}

/**
 * Checks an order against everything that is promised already: the season planned with it and without it.
 *
 * @param guide what was decided about the days: they are kept
 * @param orders all others; an order with the id of `asked` is left out
 * @returns feasible, tight or not, why, and the earliest feasible day within five weeks. An estimate of the planner as it
 * stands: it places makings greedily, so that a cleverer plan may still find room.
 */
export function promiseCheck(
  book: Book,
  orders: readonly OrderFiled[],
  asked: OrderFiled,
  today: Day,
  guide?: Guide,
): PromiseCheck {
  const others = orders.filter(({ id }) => id !== asked.id);
  const before = planSeason(book, others, today, guide);
  // What overtime the maker allows is tight, and no more.
  const giveMinutes = Math.max(GIVE_MINUTES, book.kitchen.overtimeMinutes);
  const on = (day: Day): Judged =>
    judge(
      before,
      planSeason(book, [...others, { ...asked, handOver: { ...asked.handOver, on: day } }], today, guide),
      giveMinutes,
    );
  const toSettle = findingsOfOrder(asked, book, today)
    .filter(({ code }) => unsettled.has(code))
    .map(({ message }) => message.replace(asked.customer.name, 'The customer'));
  const { stops, tight } = on(asked.handOver.on);
  const passed = asked.handOver.on < today ? [`${sayDay(asked.handOver.on)} has passed.`] : [];
  const why = [...passed, ...stops];
  if (why.length === 0)
    return { verdict: tight.length > 0 ? 'tight' : 'feasible', why: tight, toSettle, earliest: asked.handOver.on };
  const from = asked.handOver.on < today ? today : addDays(asked.handOver.on, 1);
  for (let later = 0; later < SEARCH_DAYS; later++) {
    const day = addDays(from, later);
    if (on(day).stops.length === 0) return { verdict: 'not feasible', why, toSettle, earliest: day };
  }
  return { verdict: 'not feasible', why, toSettle, earliest: null };
}
