import type { Book } from '../box/index.js';
import { sayDay, sayList, sayMoney, type Day } from '../quantity/index.js';
import { smallestClash, type LinearModel, type SolveOptions, type Solver } from '../solver/index.js';
import type { OrderFiled } from '../order/index.js';
import { isOpen } from '../order/index.js';
import { boxDemand, pieceDemand } from './demand.js';
import type { Guide } from './guide.js';
import { packingMinutes } from './plan.js';
import { buildSeason } from './season-model.js';

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
  readonly waysOut: readonly string[];
}

interface SeasonQuestion {
  readonly book: Book;
  readonly orders: readonly OrderFiled[];
  readonly today: Day;
  /** What was decided before; pins hold, and days that need not move are kept. */
  readonly before?: Guide | null;
}

/** The demand of the open orders, and the minutes that packing them takes by day. */
export function seasonInput({ book, orders, today }: SeasonQuestion) {
  const boxes = boxDemand(orders.filter(isOpen), book);
  return { demand: pieceDemand(boxes), book, today, packing: packingMinutes(boxes, book, today) };
}

/** What clashes when a season is impossible, and what overtime without an end would cost. */
async function explain(question: SeasonQuestion, solver: Solver, options: SolveOptions) {
  const { model, claims } = buildSeason({ ...seasonInput(question), before: question.before ?? null, bare: true });
  const clash = await smallestClash(
    relaxed(model),
    claims.map(({ row }) => row),
    solver,
  );
  const inClash = claims.filter(({ row }) => clash.includes(row));
  const days = inClash.filter(({ kind }) => kind === 'day').map(({ day, text }) => `${sayDay(day)} has ${text}`);
  const wanted = new Map<Day, string[]>();
  for (const { kind, day, text } of inClash)
    if (kind === 'hand-over') wanted.set(day, [...(wanted.get(day) ?? []), text]);
  const { kitchen } = question.book;
  const longer: Book = { ...question.book, kitchen: { ...kitchen, overtimeMinutes: 24 * 60 } };
  const more = buildSeason({ ...seasonInput({ ...question, book: longer }), before: question.before ?? null });
  const { values } = await solver(more.model, { ...options, gap: 0.05, seconds: 10 });
  const minutes = more.model.columns.reduce(
    (sum, { name }, index) => sum + (name.startsWith('overtime ') ? (values[index] ?? 0) : 0),
    0,
  );
  const price = (minutes / 60) * kitchen.handsRateMinorPerHour * 1.5;
  return {
    clash: [...days, ...[...wanted].map(([day, list]) => `${sayDay(day)} wants ${sayList(list)}`)],
    waysOut:
      values.length > 0
        ? [
            `Work or hire ${String(Math.ceil(minutes))} minutes more: about ${sayMoney(Math.round(price), kitchen.currency)}`,
            'Move an order of those days to a later one',
          ]
        : ['Move an order of those days to a later one', 'Set more bench days'],
  };
}

/** The model without whole numbers: when even that is impossible, the reason is not the size of batches. */
const relaxed = (model: LinearModel): LinearModel => ({
  ...model,
  columns: model.columns.map((column) => ({ ...column, whole: false })),
});

/**
 * Finds the batches and days of a season with the solver that is handed in, and counts its pieces whole.
 * @param options gap, seconds and progress; the guide holds for just these orders
 */
export async function solveSeason(
  question: SeasonQuestion,
  solver: Solver,
  options: SolveOptions = {},
): Promise<SeasonSolution> {
  const before = question.before ?? null;
  const input = seasonInput(question);
  const { model, decode, start } = buildSeason({ ...input, before });
  const found = await solver(model, { ...options, start });
  const { status, objective, bound, gap, seconds } = found;
  const said = { status, objective, bound, gap, seconds, clash: [], waysOut: [] };
  if (status === 'impossible') return { ...said, guide: null, ...(await explain(question, solver, options)) };
  if (status === 'none') return { ...said, guide: null };
  // Batches stay as they were found; now each piece belongs to one day as a whole.
  const { model: whole, decode: decodeWhole } = buildSeason({ ...input, before, wholePieces: true });
  const settled = await solver(
    {
      ...whole,
      columns: whole.columns.map((column, index) => {
        const value = found.values[index] ?? 0;
        return model.columns[index]?.whole === true ? { ...column, lower: value, upper: value } : column;
      }),
    },
    { seconds: 10 },
  );
  return { ...said, guide: settled.values.length > 0 ? decodeWhole(settled.values) : decode(found.values) };
}
