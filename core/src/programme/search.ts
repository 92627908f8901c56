import {
  gapOf,
  relaxed,
  withHeld,
  type LinearModel,
  type Solution,
  type SolveOptions,
  type Solver,
} from '../solver/index.js';
import type { Programme } from './programme.js';

/** Each of its two steps takes no more work, and no more of the work that there is in all. */
const MOST_WORK = 3;
const SHARE_OF_WORK = 0.1;
const GAP = 0.004;
/** What is decided anew afterwards need not be better than this. */
const ROUGH_GAP = 0.05;
/** So many days are decided first, each time with so much work: fewer, with more of it, where there is more to decide on each. */
const FIRST = { small: { days: 3, work: 3 }, large: { days: 2, work: 8 } };
/** So many days, and so many recipes, are decided anew at a time, as long as that gains a share, within so much of the work; larger seasons want more. */
const DAYS_AT_ONCE = 4;
const RECIPES_AT_ONCE = 4;
const WORTH_IT = 0.0002;
const SHARE_TO_IMPROVE = 0.15;
const SHARE_OF_LARGE = 0.8;
const LARGE = 1000;
/** Between large and very large the programme itself finds its first plan no later than days that are decided one after another do. */
const VERY_LARGE = 2500;
const LEAST_WORK = 0.3;

const valueOf = ({ values }: Solution, column: number): number => values[column] ?? 0;
const isSame = (a: number, b: number): boolean => Math.abs(a - b) < 1e-6;

/** The columns that decide what is made: by day, the earliest first, and by recipe. */
function decisionsOf({ batchColumns, makeColumns }: Programme) {
  const byDay = new Map<string, number[]>();
  const byRecipe: number[][] = [];
  for (const [id, onDays] of batchColumns) {
    const makes = makeColumns.get(id);
    const own = [...onDays].map(([day, columns]) => {
      const make = makes?.get(day);
      const all = make === undefined ? columns : [...columns, make];
      byDay.set(day, [...(byDay.get(day) ?? []), ...all]);
      return all;
    });
    byRecipe.push(own.flat());
  }
  const days = [...byDay].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, columns]) => columns);
  return { days, byRecipe };
}

/** All columns that decide what is made. */
export const decisionsIn = (season: Programme): ReadonlySet<number> => new Set(decisionsOf(season).days.flat());

/**
 * A plan that is decided some days at a time, the earliest first: the days before stay as they were decided, and in the days after
 * nothing needs to be whole yet.
 * @returns null where the days that were decided first leave no plan for those behind, or there is no work left to find it with
 */
async function dayByDay(
  season: Programme,
  solver: Solver,
  left: () => number,
  { days: atOnce, work: most }: (typeof FIRST)['small'],
): Promise<Solution | null> {
  const { model } = season;
  const { days } = decisionsOf(season);
  const dayOf = new Map(days.flatMap((columns, day) => columns.map((column) => [column, day] as const)));
  let values: readonly number[] = [];
  for (let from = 0; from < days.length; from += atOnce) {
    const work = Math.max(LEAST_WORK, Math.min(left(), most));
    const isDecided = (column: number) => (dayOf.get(column) ?? Infinity) < from;
    const decided = withHeld(model, values.map(Math.round), isDecided);
    const isNext = (column: number) => (dayOf.get(column) ?? Infinity) < from + atOnce;
    const columns = decided.columns.map((column, index) => (isNext(index) ? column : { ...column, whole: false }));
    const found = await solver({ ...decided, columns }, { work, gap: ROUGH_GAP });
    if (found.values.length === 0) return null;
    ({ values } = found);
  }
  const all = withHeld(model, values.map(Math.round), (column) => dayOf.has(column));
  const found = await solver(all, { work: Math.max(left(), LEAST_WORK), gap: GAP });
  return found.values.length > 0 ? found : null;
}

/** Columns that are decided anew together while the others stay: of some days, or of some recipes. */
export function neighbourhoods(season: Programme): ReadonlySet<number>[] {
  const { days, byRecipe } = decisionsOf(season);
  const windows = (list: readonly number[][], size: number) =>
    Array.from({ length: Math.max(1, Math.ceil((list.length - size) / Math.ceil(size / 2)) + 1) }, (_, index) => {
      const from = index * Math.ceil(size / 2);
      return new Set(list.slice(from, from + size).flat());
    });
  return [...windows(days, DAYS_AT_ONCE), ...windows(byRecipe, RECIPES_AT_ONCE)];
}

/**
 * A plan that is decided anew some days, and some recipes, at a time, as long as that makes it better and there is work left: a plan of the whole
 * season is found that no such change betters.
 */
async function improved(
  season: Programme,
  from: Solution,
  bound: number,
  solver: Solver,
  left: () => number,
): Promise<Solution> {
  const { model } = season;
  const decisions = decisionsIn(season);
  const whole = model.columns.flatMap((column, index) => (column.whole ? [index] : []));
  const hoods = neighbourhoods(season);
  let best = from;
  let since = 0;
  for (let turn = 0; since < hoods.length; turn++, since++) {
    const work = Math.min(left(), MOST_WORK);
    if (work < LEAST_WORK || gapOf(best.objective, bound) < GAP) break;
    const free = hoods[turn % hoods.length];
    const { values, objective } = best;
    const held = withHeld(model, values, (column) => decisions.has(column) && !free?.has(column));
    const start = whole.map((column): [number, number] => [column, values[column] ?? 0]);
    const found = await solver(held, { work, gap: GAP / 2, start });
    if (found.values.length === 0 || found.objective > objective - Math.abs(objective) * WORTH_IT) continue;
    best = found;
    since = 0;
  }
  return best;
}

/**
 * Finds a good plan of a season quickly, without proving how good it is. What was decided before is kept as far as the relaxed model
 * would keep it. If nothing was, or that cannot be, it is decided some days at a time. Then all that this plan does not share with the
 * relaxed model is decided anew, and after that some days, and some recipes, at a time.
 * @returns `good`, with the bound of the relaxed model; null when nothing is found, or where the programme itself is as soon at it
 */
export async function searchProgramme(
  season: Programme,
  solver: Solver,
  { work: most = Infinity, onProgress }: Pick<SolveOptions, 'work' | 'onProgress'> = {},
): Promise<Solution | null> {
  const { model, start } = season;
  const whole = model.columns.flatMap((column, index) => (column.whole ? [index] : []));
  let work = 0;
  const counted: Solver = async (each, options) => {
    const found = await solver(each, options);
    work += found.work;
    return found;
  };
  const root = await counted(relaxed(model));
  if (root.status !== 'best') return null;
  const bound = root.objective;
  const within = (narrowed: LinearModel, from?: SolveOptions['start']) => {
    const since = work;
    return counted(narrowed, {
      work: Math.min(MOST_WORK, most * SHARE_OF_WORK),
      gap: GAP,
      start: from,
      onProgress: (at) => onProgress?.({ work: since + at.work, objective: at.objective, bound }),
    });
  };

  const decided = new Map(start);
  const before = model.columns.map((_column, index) => decided.get(index) ?? NaN);
  const kept = (column: number) => isSame(before[column] ?? NaN, valueOf(root, column));
  let first = decided.size > 0 ? await within(withHeld(model, before, kept)) : null;
  const isLarge = whole.length > LARGE;
  const left = () => most * (isLarge ? SHARE_OF_LARGE : SHARE_TO_IMPROVE) - work;
  if (!first?.values.length && isLarge && whole.length <= VERY_LARGE) return null;
  if (!first?.values.length) first = await dayByDay(season, counted, left, isLarge ? FIRST.large : FIRST.small);
  if (!first?.values.length) return null;

  const shared = new Set(whole.filter((column) => isSame(valueOf(first, column), valueOf(root, column))));
  const second = await within(
    withHeld(model, first.values, (column) => shared.has(column)),
    whole.map((column) => [column, valueOf(first, column)]),
  );
  const found = second.values.length > 0 && second.objective < first.objective ? second : first;
  const best = await improved(season, found, bound, counted, left);
  const { objective, values } = best;
  onProgress?.({ work, objective, bound });
  return { status: 'good', objective, bound, gap: gapOf(objective, bound), values, work };
}
