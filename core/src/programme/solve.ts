import type { WayOut } from '../finding/index.js';
import { type Guide, guideOf, planSeason } from '../plan/index.js';
import { gapOf, withHeld, type Solution, type SolveOptions, type Solver } from '../solver/index.js';
import { explain } from './clash.js';
import { inTime, wholePieceGuide } from './in-time.js';
import { buildProgramme, type Programme } from './programme.js';
import { programmeInput, type ProgrammeQuestion } from './question.js';
import { searchProgramme } from './search.js';

/** What the solver says of a season. */
export interface ProgrammeSolution {
  /** `best` within the gap asked for, `good` when the work was done, `none` when nothing was found with it, `impossible` when proven. */
  readonly status: 'best' | 'good' | 'none' | 'impossible';
  /** Null when no plan was found. */
  readonly guide: Guide | null;
  /** Hands, left-over, overtime and making early in minor units of money. */
  readonly objective: number;
  /** No plan can cost less. */
  readonly bound: number;
  readonly gap: number;
  /** Work that it took; see {@link SolveOptions.work}. */
  readonly work: number;
  /** What cannot hold together, in words, and what would make it possible, each with its price; empty when there is a plan. */
  readonly clash: readonly string[];
  readonly waysOut: readonly WayOut[];
}

/** So much work may go into bringing the ends of days in time. */
const LAST_WORK = 8;

/** Solves from what was decided before, when that is still possible, else from what a quick search finds. */
async function solvedFrom(built: Programme, solver: Solver, options: SolveOptions): Promise<Solution> {
  const { model, start } = built;
  const decided = new Map(start);
  const values = model.columns.map((_column, index) => decided.get(index) ?? 0);
  const stands = async () => {
    const held = withHeld(model, values, (column) => decided.has(column));
    return (await solver(held, { work: 5 })).values.length > 0;
  };
  if (start.length > 0 && (await stands())) return solver(model, { ...options, start });
  const quick = await searchProgramme(built, solver, options);
  if (!quick) return solver(model, { ...options, start });
  const { work: most, onProgress } = options;
  const found = await solver(model, {
    ...options,
    ...(most === undefined ? {} : { work: Math.max(1, most - quick.work) }),
    start: model.columns.flatMap(({ whole }, index): [number, number][] =>
      whole ? [[index, quick.values[index] ?? 0]] : [],
    ),
    onProgress: ({ work, objective, bound }) =>
      onProgress?.({
        work: quick.work + work,
        objective: objective ?? quick.objective,
        bound: Math.max(bound, quick.bound),
      }),
  });
  return { ...found, work: quick.work + found.work };
}

/**
 * Finds the batches and days of a season with the solver that is handed in, and counts its pieces whole. Whether a day's work, with
 * the rests in it, comes to its end in time is looked at afterwards; on a day that ends too late fewer batches are made. The bound
 * holds for every plan, those whose days end too late among them. When no plan ends its days in time, one that does not is found.
 * @param options gap, work and progress; the guide holds for just these orders
 */
export async function solveProgramme(
  question: ProgrammeQuestion,
  solver: Solver,
  options: SolveOptions = {},
): Promise<ProgrammeSolution> {
  let input = programmeInput(question);
  let built = buildProgramme(input);
  let found = await solvedFrom(built, solver, options);
  if (found.status === 'impossible') {
    input = { ...input, loose: true };
    built = buildProgramme(input);
    found = await solvedFrom(built, solver, options);
  }
  const { status, objective, bound, gap, work, values } = found;
  const said = { status, objective, bound, gap, work, clash: [], waysOut: [] };
  if (status === 'impossible') return { ...said, guide: null, ...(await explain(question, solver, options)) };
  if (status === 'none') return { ...said, guide: null };
  const guide = await wholePieceGuide(input, built, values, solver);
  const last = await inTime(
    { guide, values, objective, work },
    input,
    question,
    solver,
    Math.max(LAST_WORK, (options.work ?? Infinity) - work),
    bound / (1 - (options.gap ?? 0)),
  );
  const { book, orders, today } = question;
  return {
    ...said,
    // As it is really made: what a search that was cut short makes too much of is left out.
    guide: guideOf(planSeason(book, orders, today, last.guide), last.guide.pins),
    objective: last.objective,
    work: last.work,
    gap: gapOf(last.objective, bound),
  };
}
