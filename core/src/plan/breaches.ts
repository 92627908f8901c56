import type { Book } from '../book/index.js';
import { blocks, type Finding } from '../finding/index.js';
import { sayDay, sayMinutes } from '../quantity/index.js';
import type { Plan } from './shape.js';
import { isBenchDay } from './windows.js';

/** Something in a plan that the season's programme forbids. */
export interface Breach {
  /** The rule, and what breaks it: the same breach of two plans has the same key. */
  readonly key: string;
  /** By how much it is broken, in the rule's own unit; 1 where there is no more and no less. */
  readonly amount: number;
  /** From so much more on it is worse. */
  readonly noticed: number;
  readonly message: string;
}

/** What is so much worse is worse, in whatever unit. */
const SAME = 1e-6;

const byFinding = ({ key, amount, message }: Finding): Breach => ({ key, amount, noticed: SAME, message });

/** Minutes that a day ends later without anybody noticing. */
export const NOTICED = 1;

/** Days with more work than their hours and their overtime, and work on a day that is none. */
const hoursBroken = (plan: Plan, book: Book): Breach[] =>
  plan.days.flatMap((entry): Breach[] => {
    const { day, bookedMinutes, benchMinutes } = entry;
    const { kitchen } = book;
    if (kitchen.benchWeek.length === 0 && isBenchDay(day, kitchen)) return [];
    const works = bookedMinutes > 0.5 || entry.runs.length > 0 || entry.packs.length > 0;
    if (!isBenchDay(day, kitchen))
      return works
        ? [
            {
              key: `hours day ${day}`,
              amount: Math.max(1, bookedMinutes),
              noticed: NOTICED,
              message: `${sayMinutes(bookedMinutes)} of work would fall on ${sayDay(day)}, which is no bench day.`,
            },
          ]
        : [];
    const over = bookedMinutes - benchMinutes;
    if (over <= kitchen.overtimeMinutes + NOTICED) return [];
    const allowed = kitchen.overtimeMinutes > 0 ? ` and the ${sayMinutes(kitchen.overtimeMinutes)} of overtime` : '';
    return [
      {
        key: `hours day ${day}`,
        amount: over,
        noticed: NOTICED,
        message: `${sayDay(day)} would be ${sayMinutes(over)} over its ${sayMinutes(benchMinutes)}${allowed}.`,
      },
    ];
  });

/**
 * What of a plan the season's programme forbids: work beyond hours and overtime or on a day that is none, more moulds or pans than there are,
 * what has not rested or does not stand high enough, what the air of its day does not suit, what finds no room in the cold, what is made
 * before its ingredients can be there. What cannot be made in time is left out of a plan, and
 * no breach of it.
 */
export function breachesOf(plan: Plan, book: Book): Breach[] {
  const pinned = new Set(plan.runs.flatMap((each) => (each.pinned ? [each.recipeId] : [])));
  return [
    ...hoursBroken(plan, book),
    // The maker may pin what draws damp to a humid day.
    ...plan.findings
      .filter((each) => blocks(each, 'programme') && !(each.code === 'unfit-air' && pinned.has(each.about.id)))
      .map(byFinding),
  ];
}

/** What a plan breaks that another does not, or breaks more. */
export function newBreaches(before: readonly Breach[], after: readonly Breach[]): Breach[] {
  const known = new Map(before.map(({ key, amount }) => [key, amount]));
  return after.filter(({ key, amount, noticed }) => amount > (known.get(key) ?? -Infinity) + noticed);
}
