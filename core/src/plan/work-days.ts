import type { KitchenDraft } from '../kitchen/index.js';
import { addDays, type Day } from '../quantity/index.js';
import { daysOfWork, nightsAfterWork, type RecipeFacts, type Stretch } from '../recipe/index.js';
import { isBenchDay } from './windows.js';

/** What is done of each batch on one day. */
export interface WorkDay {
  readonly day: Day;
  readonly stretches: readonly Stretch[];
  /** Minutes of hands of one batch. */
  readonly handsMinutes: number;
}

/** How far ahead a bench day is looked for on which work goes on. */
const MOST_WAIT = 21;

/** The first bench day from a day on; the day itself when there is none. */
function benchDayFrom(day: Day, kitchen: KitchenDraft): Day {
  for (let later = 0; later < MOST_WAIT; later++)
    if (isBenchDay(addDays(day, later), kitchen)) return addDays(day, later);
  return day;
}

/** The days on which a batch that is begun on a day is worked on: after a night in its steps it goes on at the next bench day. */
export function workDays(facts: RecipeFacts, begun: Day, kitchen: KitchenDraft): WorkDay[] {
  let day = begun;
  return daysOfWork(facts).map(({ nightsBefore, stretches, handsMinutes }, index) => {
    if (index > 0) day = benchDayFrom(addDays(day, nightsBefore), kitchen);
    return { day, stretches, handsMinutes };
  });
}

/** The first day on which what is begun on a day has rested, over all nights of its steps. */
export function readyOn(facts: RecipeFacts, begun: Day, kitchen: KitchenDraft): Day {
  const rested = addDays(begun, facts.recipe.restDays);
  if (daysOfWork(facts).length === 1) return rested;
  const last = workDays(facts, begun, kitchen).at(-1)?.day ?? begun;
  const worked = addDays(last, nightsAfterWork(facts));
  return worked > rested ? worked : rested;
}

/** The last day on which something may be begun to be ready on a day. */
export function latestBegin(facts: RecipeFacts, usedOn: Day, kitchen: KitchenDraft): Day {
  const latest = addDays(usedOn, -facts.recipe.restDays);
  if (daysOfWork(facts).length === 1) return latest;
  for (let back = 0; back < MOST_WAIT; back++)
    if (readyOn(facts, addDays(latest, -back), kitchen) <= usedOn) return addDays(latest, -back);
  return latest;
}

/** Batches of one recipe that are begun on one day. */
interface Begun {
  readonly recipeId: string;
  readonly day: Day;
  readonly batchCount: number;
}

/** Whether a recipe is begun or goes on, with all its batches, on each day. */
export interface WorkOf<M extends Begun> {
  readonly run: M;
  readonly facts: RecipeFacts;
  readonly work: WorkDay;
}

/** What is done of runs, day by day, the later days of those that rest in between among it. */
export function workByDay<M extends Begun>(
  runs: readonly M[],
  recipes: ReadonlyMap<string, RecipeFacts>,
  kitchen: KitchenDraft,
): Map<Day, WorkOf<M>[]> {
  const days = new Map<Day, WorkOf<M>[]>();
  for (const run of runs) {
    const facts = recipes.get(run.recipeId);
    if (!facts) continue;
    for (const work of workDays(facts, run.day, kitchen)) {
      const list = days.get(work.day);
      const entry = { run, facts, work };
      if (list) list.push(entry);
      else days.set(work.day, [entry]);
    }
  }
  return days;
}
