import type { Book } from '../book/index.js';
import type { WayOut } from '../finding/index.js';
import { sayDay, type Day } from '../quantity/index.js';
import { whyNotTo } from './move.js';
import type { ProductionRun } from './run.js';
import type { Plan } from './shape.js';

/** Has the whole season worked out anew. */
export const PLAN_AGAIN: WayOut = { label: 'Plan the season again', action: { kind: 'plan-again' } };

/** The first day on which a run would do and the day would still end in its hours, as a way out. */
export function moveAway(
  plan: Plan,
  { recipeId, recipeName, day, handsMinutes }: ProductionRun,
  book: Book,
  today: Day,
): WayOut[] {
  const there = plan.days.find(
    (entry) =>
      entry.day !== day &&
      entry.benchMinutes - entry.bookedMinutes >= handsMinutes + book.kitchen.setUpMinutes &&
      whyNotTo(plan, recipeId, day, entry.day, book, today).length === 0,
  );
  if (!there) return [];
  const label = `Make ${recipeName} on ${sayDay(there.day)}`;
  return [{ label, action: { kind: 'move-run', recipeId, from: day, to: there.day } }];
}
