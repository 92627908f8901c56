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
  /** `best` within the gap asked for, `good` when time was up, `none` when nothing was found in time, `impossible` when proven. */
  readonly status: 'best' | 'good' | 'none' | 'impossible';
  /** Null when no plan was found. */
  readonly guide: Guide | null;
  /** Hands, left-over, overtime and making early in minor units of money. */
  readonly objective: number;
  /** No plan can cost less. */
  readonly bound: number;
  readonly gap: number;
  readonly seconds: number;
  /** What cannot hold together, in words, and what would make it possible, each with its price; empty when there is a plan. */
  readonly clash: readonly string[];
  readonly waysOut: readonly WayOut[];
}

/** So long may take what brings the ends of days in time. */
const LAST_SECONDS = 8;

/** Solves from what was decided before, when that is still possible, else from what a quick search finds. */
async function solvedFrom(built: Programme, solver: Solver, options: SolveOptions): Promise<Solution> {
  const { model, start } = built;
  const decided = new Map(start);
  const values = model.columns.map((_column, index) => decided.get(index) ?? 0);
  const stands = async () => {
    const held = withHeld(model, values, (column) => decided.has(column));
    return (await solver(held, { seconds: 5 })).values.length > 0;
  };
  if (start.length > 0 && (await stands())) return solver(model, { ...options, start });
  const quick = await searchProgramme(built, solver, options);
  if (!quick) return solver(model, { ...options, start });
  const { seconds: most, onProgress } = options;
  const found = await solver(model, {
    ...options,
    ...(most === undefined ? {} : { seconds: Math.max(1, most - quick.seconds) }),
    start: model.columns.flatMap(({ whole }, index): [number, number][] =>
      whole ? [[index, quick.values[index] ?? 0]] : [],
    ),
    onProgress: ({ seconds, objective, bound }) =>
      onProgress?.({
        seconds: quick.seconds + seconds,
        objective: objective ?? quick.objective,
        bound: Math.max(bound, quick.bound),
      }),
  });
  return { ...found, seconds: quick.seconds + found.seconds };
}

/**
 * Finds the batches and days of a season with the solver that is handed in, and counts its pieces whole. Whether a day's work, with
 * the rests in it, comes to its end in time is looked at afterwards; on a day that ends too late fewer batches are made. The bound
 * holds for every plan, those whose days end too late among them. When no plan ends its days in time, one that does not is found.
 * @param options gap, seconds and progress; the guide holds for just these orders
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
  const { status, objective, bound, gap, seconds, values } = found;
  const said = { status, objective, bound, gap, seconds, clash: [], waysOut: [] };
  if (status === 'impossible') return { ...said, guide: null, ...(await explain(question, solver, options)) };
  if (status === 'none') return { ...said, guide: null };
  const guide = await wholePieceGuide(input, built, values, solver);
  const last = await inTime(
    { guide, values, objective, seconds },
    input,
    question,
    solver,
    Math.max(LAST_SECONDS, (options.seconds ?? Infinity) - seconds),
    bound / (1 - (options.gap ?? 0)),
  );
  const { book, orders, today } = question;
  return {
    ...said,
    // As it is really made: what a search that was cut short makes too much of is left out.
    guide: guideOf(planSeason(book, orders, today, last.guide), last.guide.pins),
    objective: last.objective,
    seconds: last.seconds,
    gap: gapOf(last.objective, bound),
  };
}
