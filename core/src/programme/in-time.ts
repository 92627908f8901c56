import type { Book } from '../book/index.js';
import { benchDay } from '../bench-day/index.js';
import { type Guide, makerHours, type Plan, planSeason, type ProductionRun } from '../plan/index.js';
import type { Day } from '../quantity/index.js';
import { gapOf, type LinearModel, type Row, type Solver, type Term, withHeld } from '../solver/index.js';
import { weights, type ProgrammeInput } from './builder.js';
import { buildProgramme, type Programme } from './programme.js';
import type { ProgrammeQuestion } from './question.js';
import { decisionsIn, neighbourhoods } from './search.js';

/** Batches as they were found, and each piece belonging to one day as a whole. */
async function inWholePieces(
  input: ProgrammeInput,
  model: LinearModel,
  values: readonly number[],
  solver: Solver,
): Promise<Guide | null> {
  const { model: whole, decode } = buildProgramme({ ...input, wholePieces: true });
  const batches = withHeld(whole, values, (index) => model.columns[index]?.whole === true);
  const found = await solver(batches, { work: 10 });
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
    plan.finishings.flatMap(({ pieceId, count, madeOn, work }) =>
      work.flatMap((each) => (each.day === day ? [[pieceId, each.stage, count, madeOn === day]] : [])),
    ),
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

/** A plan must cost less than this. */
const cheaperThan = (cost: number, { columns, offset }: LinearModel): Row => ({
  name: 'cheaper',
  lower: -Infinity,
  upper: cost - offset,
  terms: columns.flatMap((column, index): Term[] => (column.cost === 0 ? [] : [[index, column.cost]])),
});

/** The columns of how many batches are made on a day. */
const columnsOn = (day: Day, { batchColumns }: Programme): readonly number[] =>
  [...batchColumns.values()].flatMap((onDays) => onDays.get(day) ?? []);

/** Not all that is made on a day is made on it together again. */
function lessThan(runs: readonly ProductionRun[], day: Day, { batchColumns }: Programme): Row {
  const here = runs.filter((run) => run.day === day);
  const columns = here.flatMap(({ recipeId }) => batchColumns.get(recipeId)?.get(day) ?? []);
  return {
    name: `less on ${day}`,
    lower: -Infinity,
    upper: here.reduce((sum, { batchCount }) => sum + batchCount, 0) - 1,
    terms: columns.map((column): Term => [column, 1]),
  };
}

/** Where no day ends late any more, something better is looked for with so much work. */
const BETTER_WORK = 6;
/** Each neighbourhood is decided anew with so much work at most, and so often. */
const TRY_WORK = 1;
/** Work of planning a season from decisions, for each of its orders, and of putting one of its days in order. */
const PLAN_WORK = 0.0008;
const DAY_WORK = 0.04;
const MOST_TRIES = 5;
/** A plan that is better by less than this share is not worth looking for. */
const WORTH_IT = 0.0005;

/** What a solver found, and its decisions. */
export interface Found {
  readonly guide: Guide;
  readonly values: readonly number[];
  readonly objective: number;
  /** Work that it took; see {@link SolveOptions.work}. */
  readonly work: number;
}

/**
 * Brings days that end too late, for the rests in their work, to an end in time: some days, and some recipes, at a time are decided anew, and
 * what costs least is kept, each minute that a day ends too late at its price. What is made on a day that would end too late is ruled out as
 * it is. Pinned runs stay.
 * @param mostWork for all of this
 * @param enough a plan that costs no more than this is good enough
 */
export async function inTime(
  found: Found,
  input: ProgrammeInput,
  question: ProgrammeQuestion,
  solver: Solver,
  mostWork: number,
  enough = 0,
): Promise<Found> {
  const { book, orders, today } = question;
  const perMinute = (book.kitchen.handsRateMinorPerHour / 60) * weights.late;
  const spans = new Map<string, number>();
  const judged = (of: Found) => {
    const plan = planSeason(book, orders, today, of.guide);
    const known = spans.size;
    const late = lateDays(plan, book, spans);
    // To put days in order takes its work too, and more of it than the solver's.
    const work = of.work + orders.length * PLAN_WORK + (spans.size - known) * DAY_WORK;
    const minutes = [...late.values()].reduce((sum, each) => sum + each, 0);
    return { ...of, work, late, runs: plan.runs, cost: of.objective + minutes * perMinute };
  };
  let best = judged(found);
  if (best.late.size === 0) return found;
  const built = buildProgramme(input);
  let { work } = best;
  const isOver = () => work - found.work >= (best.late.size > 0 ? mostWork : Math.min(mostWork, BETTER_WORK));
  const hoods = neighbourhoods(built);
  const decisions = decisionsIn(built);
  const reach = (day: Day) => {
    const own = columnsOn(day, built);
    return hoods.filter((hood) => own.some((column) => hood.has(column)));
  };
  const decidedAnew = async (free: ReadonlySet<number>, rules: readonly Row[]) => {
    const rows = [...built.model.rows, ...rules, cheaperThan(best.cost * (1 - WORTH_IT), built.model)];
    const held = withHeld(
      { ...built.model, rows },
      best.values,
      (column) => decisions.has(column) && !free.has(column),
    );
    const next = await solver(held, { work: TRY_WORK, gap: 0.001 });
    work += next.work;
    if (next.values.length === 0) return null;
    const guide = await wholePieceGuide(input, built, next.values, solver);
    const then = judged({ guide, values: next.values, objective: next.objective, work });
    ({ work } = then);
    return then;
  };
  // Each day that ends late in turn, with all that may help it; where none does, everything.
  const ways = (): { readonly day: Day | null; readonly hood: ReadonlySet<number> }[] =>
    best.late.size > 0
      ? [...best.late.keys()].flatMap((day) => reach(day).map((hood) => ({ day, hood })))
      : hoods.map((hood) => ({ day: null, hood }));
  for (let open = ways(); open.length > 0 && !isOver(); open = open.slice(1)) {
    if (best.cost <= enough || gapOf(best.cost, found.objective) < WORTH_IT) break;
    const [way] = open;
    if (!way) break;
    const { day, hood } = way;
    const rules = day === null ? [] : [lessThan(best.runs, day, built)];
    for (let tries = 0; tries < MOST_TRIES && !isOver(); tries++) {
      const then = await decidedAnew(hood, rules);
      if (!then) break;
      if (then.cost < best.cost) {
        best = then;
        open = [way, ...ways()];
        break;
      }
      // The same once more, without what ends late in it.
      const late = [...then.late.keys()].filter((each) => each === day || !best.late.has(each));
      if (late.length === 0) break;
      rules.push(...late.map((each) => lessThan(then.runs, each, built)));
    }
  }
  return { ...best, work };
}
