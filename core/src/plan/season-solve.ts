import type { Book } from '../box/index.js';
import { openWayOut, type Subject, type WayOut } from '../finding/index.js';
import { sayDay, sayList, sayMinutes, sayMoney, type Day } from '../quantity/index.js';
import { smallestClash, type LinearModel, type SolveOptions, type Solver, type Term } from '../solver/index.js';
import { leastMinutesOf } from '../recipe/index.js';
import type { OrderFiled } from '../order/index.js';
import { isOpen } from '../order/index.js';
import { withoutMade, type Guide } from './guide.js';
import { benchDay } from './bench-day.js';
import { madeOf, triedOf } from './made.js';
import type { Making } from './making.js';
import { guideOf } from './move.js';
import { bookPacking } from './packing.js';
import { planSeason, seasonNeeds } from './plan.js';
import type { Plan } from './shape.js';
import { weights, type SeasonInput } from './season-draft.js';
import { buildSeason, type SeasonModel } from './season-model.js';
import { makerHours } from './windows.js';

/** What the solver says of a season. */
export interface SeasonSolution {
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

interface SeasonQuestion {
  readonly book: Book;
  readonly orders: readonly OrderFiled[];
  readonly today: Day;
  /** What was decided before; pins hold, and days that need not move are kept. */
  readonly before?: Guide | null;
}

/** What the open orders want beyond what is made already, what was decided of that, and the minutes that packing takes by day. */
export function seasonInput({ book, orders, today, before = null }: SeasonQuestion): SeasonInput {
  const { toPack, settled } = seasonNeeds(orders, book, today, before);
  return {
    demand: settled.demand,
    settled,
    book,
    today,
    packing: bookPacking(toPack, settled.outside, book, today),
    before: before && withoutMade(before, triedOf(madeOf(settled))),
  };
}

const boxesOf = ({ lines }: OrderFiled): number => lines.reduce((sum, { count }) => sum + count, 0);

/** A day cannot be set to run over by more. */
const MOST_OVERTIME = 240;

/** What clashes when a season is impossible, and what more overtime would cost. */
async function explain(question: SeasonQuestion, solver: Solver, options: SolveOptions) {
  const { model, claims } = buildSeason({ ...seasonInput(question), bare: true });
  const rows = claims.map(({ row }) => row);
  const { status } = await solver(relaxed(model));
  const clash = status === 'impossible' ? await smallestClash(relaxed(model), rows, solver) : [];
  const inClash = claims.filter(({ row }) => clash.includes(row));
  const days = inClash.filter(({ kind }) => kind === 'day').map(({ day, text }) => `${sayDay(day)} has ${text}`);
  const wanted = new Map<Day, string[]>();
  for (const { kind, day, text } of inClash)
    if (kind === 'hand-over') wanted.set(day, [...(wanted.get(day) ?? []), text]);
  const { kitchen } = question.book;
  const longer: Book = { ...question.book, kitchen: { ...kitchen, overtimeMinutes: MOST_OVERTIME } };
  const more = buildSeason(seasonInput({ ...question, book: longer }));
  const { values } = await solver(more.model, { ...options, gap: 0.05, seconds: 10 });
  const over = more.model.columns.flatMap(({ name }, index) =>
    name.startsWith('overtime ') ? [values[index] ?? 0] : [],
  );
  const minutes = Math.ceil(over.reduce((sum, each) => sum + each, 0));
  const price = Math.round((minutes / 60) * kitchen.handsRateMinorPerHour * weights.overtime);
  const most = Math.ceil(Math.max(0, ...over) / 5) * 5;
  const clashing = new Set(wanted.keys());
  // The largest orders of those days: moving one of them helps most.
  const moves = question.orders
    .filter((order) => isOpen(order) && clashing.has(order.handOver.on))
    .sort((a, b) => boxesOf(b) - boxesOf(a))
    .slice(0, 2)
    .map(({ id, customer }): WayOut => {
      const subject: Subject = { noun: 'order', id, name: customer.name };
      return openWayOut(subject, `Move ${customer.name}’s order to a later day`);
    });
  return {
    clash:
      clash.length === 0
        ? ['Whole batches, with their rests and the equipment that there is, do not fit into the days.']
        : [...days, ...[...wanted].map(([day, list]) => `${sayDay(day)} wants ${sayList(list)}`)],
    waysOut: [
      ...(values.length > 0
        ? [
            {
              label: `Work ${sayMinutes(minutes)} more, up to ${sayMinutes(most)} a day: about ${sayMoney(price, kitchen.currency)}`,
              action: { kind: 'overtime' as const, minutes: most },
            },
          ]
        : []),
      ...moves,
      openWayOut({ noun: 'kitchen', id: 'kitchen', name: 'the kitchen' }, 'Set more bench days'),
    ],
  };
}

/** The model without whole numbers: when even that is impossible, the reason is not the size of batches. */
const relaxed = (model: LinearModel): LinearModel => ({
  ...model,
  columns: model.columns.map((column) => ({ ...column, whole: false })),
});

/** Batches as they were found, and each piece belonging to one day as a whole. */
async function settled(
  input: SeasonInput,
  model: LinearModel,
  values: readonly number[],
  solver: Solver,
): Promise<Guide | null> {
  const { model: whole, decode } = buildSeason({ ...input, wholePieces: true });
  const columns = whole.columns.map((column, index) => {
    const value = values[index] ?? 0;
    return model.columns[index]?.whole === true ? { ...column, lower: value, upper: value } : column;
  });
  const found = await solver({ ...whole, columns }, { seconds: 10 });
  return found.values.length > 0 ? decode(found.values) : null;
}

/** How late a day may end: its hours and the overtime; never, when no bench days are set. */
const endOf = (day: Day, { kitchen }: Book): number =>
  kitchen.benchWeek.length > 0 ? makerHours(day, kitchen) * 60 + kitchen.overtimeMinutes : Infinity;

/** All that the length of a day's work depends on. */
const workOf = (plan: Plan, day: Day): string =>
  JSON.stringify([
    day,
    plan.makings.filter((each) => each.day === day).map(({ recipeId, batches }) => [recipeId, batches]),
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
    const span = spans.get(work) ?? benchDay(plan, day, book).spanMinutes;
    spans.set(work, span);
    if (span > end + 1) late.set(day, span - end);
  }
  return late;
}

/** Minutes that a making waits by itself before the hands are done with it. */
const waitsOf = ({ recipeId, handsMinutes, batchCount }: Making, book: Book): number => {
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

/** What is tried to shorten a day: fewer batches of a recipe on it, or none. */
interface Fewer {
  readonly recipeId: string;
  readonly day: Day;
  readonly most: number;
}

/** The model with fewer batches of one recipe on a day, in which only what it is made of may move with it. */
function withFewer(
  { recipeId, day, most }: Fewer,
  { model, batchColumns }: SeasonModel,
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
    ...model,
    columns: model.columns.map((column, index) => {
      const value = values[index] ?? 0;
      return fixed.has(index) ? { ...column, lower: value, upper: value } : column;
    }),
    rows: [
      ...model.rows,
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

interface Found {
  readonly guide: Guide;
  readonly values: readonly number[];
  readonly objective: number;
  readonly seconds: number;
}

/**
 * Brings days that end too late, for the rests in their work, to an end in time: fewer batches of one recipe after another are made
 * on such a day, and what costs least is kept, each minute that a day ends too late at its price. Pinned makings stay.
 */
async function inTime(
  found: Found,
  input: SeasonInput,
  question: SeasonQuestion,
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
    return { ...of, late, makings: plan.makings, cost: of.objective + minutes * perMinute };
  };
  let best = judged(found);
  const built = buildSeason(input);
  let { seconds } = found;
  let tries = 0;
  for (let before = Infinity; best.cost < before - 1e-6 && best.late.size > 0 && tries < MOST_TRIES;) {
    before = best.cost;
    const from = best;
    // What rests longest beside its hands holds a day up most.
    const able = from.makings
      .filter(({ day, pinned }) => from.late.has(day) && !pinned)
      .sort((a, b) => waitsOf(b, book) - waitsOf(a, book));
    const fewer = able.flatMap(({ recipeId, day, batchCount }): Fewer[] => [
      ...(batchCount > 1 ? [{ recipeId, day, most: batchCount - 1 }] : []),
      { recipeId, day, most: 0 },
    ]);
    for (const each of fewer.slice(0, MOST_TRIES - tries)) {
      if (seconds >= mostSeconds) break;
      tries++;
      const next = await solver(withFewer(each, built, from.values, book), { seconds: TRY_SECONDS, gap: 0.001 });
      seconds += next.seconds;
      if (next.values.length === 0 || next.objective >= best.cost) continue;
      const guide = (await settled(input, built.model, next.values, solver)) ?? built.decode(next.values);
      const then = judged({ guide, values: next.values, objective: next.objective, seconds });
      if (then.cost < best.cost - 1e-6) best = then;
    }
  }
  return { ...best, seconds };
}

/**
 * Finds the batches and days of a season with the solver that is handed in, and counts its pieces whole. Whether a day's work, with
 * the rests in it, comes to its end in time is looked at afterwards; on a day that ends too late fewer batches are made. The bound
 * holds for every plan, those whose days end too late among them. When no plan ends its days in time, one that does not is found.
 * @param options gap, seconds and progress; the guide holds for just these orders
 */
export async function solveSeason(
  question: SeasonQuestion,
  solver: Solver,
  options: SolveOptions = {},
): Promise<SeasonSolution> {
  let input = seasonInput(question);
  let built = buildSeason(input);
  let found = await solver(built.model, { ...options, start: built.start });
  if (found.status === 'impossible') {
    input = { ...input, loose: true };
    built = buildSeason(input);
    found = await solver(built.model, { ...options, start: built.start });
  }
  const { status, objective, bound, gap, seconds, values } = found;
  const said = { status, objective, bound, gap, seconds, clash: [], waysOut: [] };
  if (status === 'impossible') return { ...said, guide: null, ...(await explain(question, solver, options)) };
  if (status === 'none') return { ...said, guide: null };
  const guide = (await settled(input, built.model, values, solver)) ?? built.decode(values);
  const mostSeconds = Math.max(seconds + LAST_SECONDS, options.seconds ?? Infinity);
  const last = await inTime({ guide, values, objective, seconds }, input, question, solver, mostSeconds);
  const { book, orders, today } = question;
  return {
    ...said,
    // As it is really made: what a search that was cut short makes too much of is left out.
    guide: guideOf(planSeason(book, orders, today, last.guide), last.guide.pins),
    objective: last.objective,
    seconds: last.seconds,
    gap: Math.max(0, last.objective - bound) / Math.max(Math.abs(last.objective), 1e-9),
  };
}
