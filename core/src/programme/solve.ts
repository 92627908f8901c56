import type { Book } from '../book/index.js';
import type { WayOut } from '../finding/index.js';
import type { Day } from '../quantity/index.js';
import { leastMinutesOf } from '../recipe/index.js';
import {
  gapOf,
  withHeld,
  type LinearModel,
  type Solution,
  type SolveOptions,
  type Solver,
  type Term,
} from '../solver/index.js';
import { benchDay } from '../bench-day/index.js';
import { type Guide, type ProductionRun, guideOf, planSeason, type Plan, makerHours } from '../plan/index.js';
import { explain } from './clash.js';
import { weights, type ProgrammeInput } from './builder.js';
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

/** Batches as they were found, and each piece belonging to one day as a whole. */
async function inWholePieces(
  input: ProgrammeInput,
  model: LinearModel,
  values: readonly number[],
  solver: Solver,
): Promise<Guide | null> {
  const { model: whole, decode } = buildProgramme({ ...input, wholePieces: true });
  const batches = withHeld(whole, values, (index) => model.columns[index]?.whole === true);
  const found = await solver(batches, { seconds: 10 });
  return found.values.length > 0 ? decode(found.values) : null;
}

/** The decisions of what a solver found, each piece belonging to one day as a whole. */
export const wholePieceGuide = async (
  input: ProgrammeInput,
  { model, decode }: Programme,
  values: readonly number[],
  solver: Solver,
): Promise<Guide> => (await inWholePieces(input, model, values, solver)) ?? decode(values);

/** How late a day may end: its hours and the overtime; never, when no bench days are set. */
const endOf = (day: Day, { kitchen }: Book): number =>
  kitchen.benchWeek.length > 0 ? makerHours(day, kitchen) * 60 + kitchen.overtimeMinutes : Infinity;

/** All that the length of a day's work depends on. */
export const workOf = (plan: Plan, day: Day): string =>
  JSON.stringify([
    day,
    plan.days.find((each) => each.day === day)?.bookedMinutes,
    plan.runs.filter((each) => each.day === day).map(({ recipeId, batches }) => [recipeId, batches]),
    plan.finishings
      .filter((each) => each.day === day)
      .map(({ pieceId, count, madeOn }) => [pieceId, count, madeOn === day]),
  ]);

/**
 * Days whose work, with the waits in it, ends too late, and by how much.
 * @param spans what is known of days with the same work already; more is added
 */
function lateDays(plan: Plan, book: Book, spans: Map<string, number>): ReadonlyMap<Day, number> {
  const late = new Map<Day, number>();
  for (const { day, bookedMinutes } of plan.days) {
    const end = endOf(day, book);
    if (bookedMinutes === 0 || end === Infinity) continue;
    const work = workOf(plan, day);
    const span = spans.get(work) ?? benchDay(plan, day, book, end).spanMinutes;
    spans.set(work, span);
    if (span > end + 1) late.set(day, span - end);
  }
  return late;
}

/** Minutes that a run waits by itself before the hands are done with it. */
const waitsOf = ({ recipeId, handsMinutes, batchCount }: ProductionRun, book: Book): number => {
  const facts = book.recipes.get(recipeId);
  return facts ? leastMinutesOf(facts) - handsMinutes / Math.max(1, batchCount) : 0;
};

/** A recipe with all that it takes, through all components: when it moves, they may have to. */
function withComponents(id: string, book: Book, found = new Set<string>()): Set<string> {
  if (found.has(id)) return found;
  found.add(id);
  for (const { uses } of book.recipes.get(id)?.recipe.lines ?? [])
    if (uses.kind === 'recipe') withComponents(uses.id, book, found);
  return found;
}

/** What is tried to shorten a day: fewer batches of a recipe on it, or none, at less than what is there costs. */
interface Fewer {
  readonly recipeId: string;
  readonly day: Day;
  readonly most: number;
  readonly cheaperThan: number;
}

/** The model with fewer batches of one recipe on a day, in which only what it is made of may move with it. */
function withFewer(
  { recipeId, day, most, cheaperThan }: Fewer,
  { model, batchColumns }: Programme,
  values: readonly number[],
  book: Book,
): LinearModel {
  const moving = withComponents(recipeId, book);
  const fixed = new Set(
    [...batchColumns].flatMap(([id, onDays]) => (moving.has(id) ? [] : [...onDays.values()].flat())),
  );
  // So many batches would be too many on any other day that is no longer, too.
  const days = [...(batchColumns.get(recipeId) ?? [])].filter(
    ([on]) => on === day || (most > 0 && endOf(on, book) <= endOf(day, book)),
  );
  return {
    ...withHeld(model, values, (index) => fixed.has(index)),
    rows: [
      ...model.rows,
      {
        name: 'cheaper',
        lower: -Infinity,
        upper: cheaperThan - model.offset,
        terms: model.columns.flatMap(({ cost }, index): Term[] => (cost === 0 ? [] : [[index, cost]])),
      },
      ...days.map(([on, columns]) => ({
        name: `fewer on ${on}`,
        lower: -Infinity,
        upper: most,
        terms: columns.map((column): Term => [column, 1]),
      })),
    ],
  };
}

/** So many ways to shorten a day are tried, each for so long at most, and all together no longer than this when time is up. */
const MOST_TRIES = 40;
const TRY_SECONDS = 1;
const LAST_SECONDS = 8;

/** What a solver found, and its decisions. */
export interface Found {
  readonly guide: Guide;
  readonly values: readonly number[];
  readonly objective: number;
  readonly seconds: number;
}

/**
 * Brings days that end too late, for the rests in their work, to an end in time: fewer batches of one recipe after another are made
 * on such a day, and what costs least is kept, each minute that a day ends too late at its price. Pinned runs stay.
 */
export async function inTime(
  found: Found,
  input: ProgrammeInput,
  question: ProgrammeQuestion,
  solver: Solver,
  mostSeconds: number,
): Promise<Found> {
  const { book, orders, today } = question;
  const perMinute = (book.kitchen.handsRateMinorPerHour / 60) * weights.late;
  const spans = new Map<string, number>();
  const judged = (of: Found) => {
    const plan = planSeason(book, orders, today, of.guide);
    const late = lateDays(plan, book, spans);
    const minutes = [...late.values()].reduce((sum, each) => sum + each, 0);
    return { ...of, late, runs: plan.runs, cost: of.objective + minutes * perMinute };
  };
  let best = judged(found);
  const built = buildProgramme(input);
  let { seconds } = found;
  // To put days in order takes its time too, and more of it than the solver's.
  const began = Date.now();
  const isOver = () => seconds >= mostSeconds || (Date.now() - began) / 1000 >= mostSeconds - found.seconds;
  let tries = 0;
  for (let before = Infinity; best.cost < before - 1e-6 && best.late.size > 0 && tries < MOST_TRIES;) {
    before = best.cost;
    const from = best;
    // What rests longest beside its hands holds a day up most.
    const able = from.runs
      .filter(({ day, pinned }) => from.late.has(day) && !pinned)
      .sort((a, b) => waitsOf(b, book) - waitsOf(a, book));
    const fewer = able.flatMap(({ recipeId, day, batchCount }) => [
      ...(batchCount > 1 ? [{ recipeId, day, most: batchCount - 1 }] : []),
      { recipeId, day, most: 0 },
    ]);
    for (const each of fewer.slice(0, MOST_TRIES - tries)) {
      if (isOver()) break;
      tries++;
      const tried = withFewer({ ...each, cheaperThan: best.cost }, built, from.values, book);
      const next = await solver(tried, { seconds: TRY_SECONDS, gap: 0.001 });
      seconds += next.seconds;
      if (next.values.length === 0) continue;
      const guide = await wholePieceGuide(input, built, next.values, solver);
      const then = judged({ guide, values: next.values, objective: next.objective, seconds });
      if (then.cost < best.cost - 1e-6) best = then;
    }
  }
  return { ...best, seconds };
}

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
  const mostSeconds = Math.max(seconds + LAST_SECONDS, options.seconds ?? Infinity);
  const last = await inTime({ guide, values, objective, seconds }, input, question, solver, mostSeconds);
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
