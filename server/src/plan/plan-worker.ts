import loadHighs from 'highs';
import { openBook, type BookData } from '@usual-pantry/core/book';
import type { OrderFiled } from '@usual-pantry/core/order';
import { planSeason, type Guide } from '@usual-pantry/core/plan';
import { solveProgramme, sumOfPlan, type PlanSum, type ProgrammeSolution } from '@usual-pantry/core/programme';
import type { Day } from '@usual-pantry/core/quantity';
import { solveWithHighs, type HighsRuntime, type SolverProgress } from '@usual-pantry/core/solver';
import { answerJobs } from '../thread/answer.js';
import { calendarOf } from './calendar.js';

/** The records of a season, and what was decided about its days. */
export interface SeasonSent {
  readonly data: BookData;
  readonly orders: readonly OrderFiled[];
  readonly today: Day;
  readonly guide: Guide | null;
}

/** Asks for a plan within a share of the best one, found with so much work; or for the season laid out as a calendar. */
export type PlanJobSent =
  | (SeasonSent & { readonly kind: 'plan'; readonly gap: number; readonly work: number })
  | (SeasonSent & { readonly kind: 'calendar' });

/** A plan that was found, and what it comes to. */
export interface Planned {
  readonly solution: ProgrammeSolution;
  readonly sum: PlanSum | null;
}

const load = loadHighs as unknown as () => Promise<HighsRuntime>;
let runtime: Promise<HighsRuntime> | undefined;

answerJobs<PlanJobSent, Planned | string, SolverProgress>(async (job, tell) => {
  const { data, orders, today, guide } = job;
  const book = openBook(data);
  if (job.kind === 'calendar') return calendarOf(planSeason(book, orders, today, guide ?? undefined), book);
  const highs = await (runtime ??= load());
  const solution = await solveProgramme(
    { book, orders, today, before: guide },
    (model, options) => Promise.resolve(solveWithHighs(highs, model, options)),
    { gap: job.gap, work: job.work, onProgress: tell },
  );
  return {
    solution,
    sum: solution.guide ? sumOfPlan(planSeason(book, orders, today, solution.guide)) : null,
  };
});
