import type { Book } from '../book/index.js';
import { closureOn, type Closure } from '../kitchen/index.js';
import { benchHours, type Plan } from '../plan/index.js';
import { addDays, weekday, type Day } from '../quantity/index.js';

/** What a week could still take, before anybody has ordered it. */
export interface WeekAhead {
  /** Its Monday, or today where that is later. */
  readonly from: Day;
  /** Its Sunday. */
  readonly to: Day;
  readonly benchMinutes: number;
  readonly bookedMinutes: number;
  readonly orders: number;
  /** When the kitchen is closed in it. */
  readonly closures: readonly Closure[];
  /** The day for which boxes are asked: the last one of the week on which the kitchen is not closed; null when it is closed all week. */
  readonly handOver: Day | null;
  /** The most boxes of each kind, each for itself, that could be promised for that day as the plan stands. */
  readonly boxes: readonly { readonly boxId: string; readonly boxName: string; readonly most: number }[];
}

/** So many boxes of a kind are looked at for a week. */
export const MOST_AHEAD = 60;
/** So many weeks are looked at. */
export const MOST_WEEKS = 26;

/** Weeks from today on without what could be promised in them. */
export function weeksFrom(today: Day, count: number, plan: Plan, { kitchen }: Book): Omit<WeekAhead, 'boxes'>[] {
  const booked = new Map(plan.days.map(({ day, bookedMinutes }) => [day, bookedMinutes]));
  const handed = new Map(plan.handOvers.map(({ day, orders }) => [day, orders.length]));
  const monday = addDays(today, -((weekday(today) + 6) % 7));
  return Array.from({ length: count }, (_, index) => {
    const from = index === 0 ? today : addDays(monday, 7 * index);
    const to = addDays(monday, 7 * index + 6);
    const days: Day[] = [];
    for (let day = from; day <= to; day = addDays(day, 1)) days.push(day);
    const sum = (of: (day: Day) => number) => days.reduce((all, day) => all + of(day), 0);
    return {
      from,
      to,
      benchMinutes: sum((day) => benchHours(day, kitchen) * 60),
      bookedMinutes: sum((day) => booked.get(day) ?? 0),
      orders: sum((day) => handed.get(day) ?? 0),
      closures: kitchen.closures.filter((each) => each.from <= to && each.to >= from),
      handOver: days.findLast((day) => !closureOn(day, kitchen)) ?? null,
    };
  });
}
