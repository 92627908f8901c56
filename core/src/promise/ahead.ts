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
  /** The most boxes of each kind, each for itself, that could be promised for that day. */
  readonly boxes: readonly {
    readonly boxId: string;
    readonly boxName: string;
    readonly most: number;
    /** Whether a day would then end after its hours and its overtime. */
    readonly isTight: boolean;
  }[];
  /** Whether other plans than the decided one were looked for, too. */
  readonly isFinal: boolean;
}

/** So many boxes of a kind are looked at for a week. */
export const MOST_AHEAD = 60;
/** So many weeks can be looked at: a year. */
export const MOST_WEEKS = 53;

/** A week without what could be promised in it. @param index 0 for the week of today */
export function weekFrom(
  today: Day,
  index: number,
  plan: Plan,
  { kitchen }: Book,
): Omit<WeekAhead, 'boxes' | 'isFinal'> {
  const monday = addDays(today, 7 * index - ((weekday(today) + 6) % 7));
  const from = index === 0 ? today : monday;
  const to = addDays(monday, 6);
  const days: Day[] = [];
  for (let day = from; day <= to; day = addDays(day, 1)) days.push(day);
  const within = ({ day }: { readonly day: Day }) => day >= from && day <= to;
  return {
    from,
    to,
    benchMinutes: days.reduce((sum, day) => sum + benchHours(day, kitchen) * 60, 0),
    bookedMinutes: plan.days.filter(within).reduce((sum, { bookedMinutes }) => sum + bookedMinutes, 0),
    orders: plan.handOvers.filter(within).reduce((sum, { orders }) => sum + orders.length, 0),
    closures: kitchen.closures.filter((each) => each.from <= to && each.to >= from),
    handOver: days.findLast((day) => !closureOn(day, kitchen)) ?? null,
  };
}
