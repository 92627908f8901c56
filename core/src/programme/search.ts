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

/** Rounding finds nothing good in larger seasons. */
const MOST_WHOLE = 1000;
/** So much of what is fractional is rounded up at a time, until so much of it is left. */
const ROUNDED_AT_ONCE = 0.1;
const LEFT_FRACTIONAL = 0.5;
/** Each of its two steps takes no longer, and no more of the time that there is in all. */
const MOST_SECONDS = 3;
const SHARE_OF_TIME = 0.1;
const GAP = 0.004;

const valueOf = ({ values }: Solution, column: number): number => values[column] ?? 0;
const isSame = (a: number, b: number): boolean => Math.abs(a - b) < 1e-6;

/**
 * The model in which recipes are made on the days on which the relaxed one nearly makes them, and on no others.
 * @param left seconds that are left to find it
 */
async function rounded(
  { model, makeColumns }: Programme,
  root: Solution,
  whole: readonly number[],
  solver: Solver,
  left: () => number,
): Promise<LinearModel> {
  const makes = new Set([...makeColumns.values()].flatMap((onDays) => [...onDays.values()]));
  const fractionalOf = (of: Solution) =>
    whole.filter((column) => !isSame(valueOf(of, column), Math.round(valueOf(of, column))));
  const enough = fractionalOf(root).length * LEFT_FRACTIONAL;
  let narrowed = model;
  let at = root;
  for (let loose = fractionalOf(at); loose.length > enough; loose = fractionalOf(at)) {
    const { values } = at;
    // Whether a recipe is made at all is decided before how many batches of it.
    const rank = (column: number) => (makes.has(column) ? 1 : 0) + ((values[column] ?? 0) % 1);
    const ranked = [...loose].sort((a, b) => rank(b) - rank(a));
    const up = new Set(ranked.slice(0, Math.ceil(loose.length * ROUNDED_AT_ONCE)));
    const tried = withHeld(narrowed, values.map(Math.ceil), (column) => up.has(column));
    const found = await solver(relaxed(tried), { seconds: left() });
    if (found.status !== 'best') break;
    [narrowed, at] = [tried, found];
  }
  const last = at;
  return withHeld(narrowed, [], (column) => makes.has(column) && isSame(valueOf(last, column), 0));
}

/**
 * Finds a good plan of a season quickly, without proving how good it is. What was decided before is kept as far as the relaxed model
 * would keep it. If nothing was, or that cannot be, the relaxed model says on which days it nearly makes a recipe, and a plan is found
 * that keeps to these days. Then all that this plan does not share with the relaxed model is decided anew.
 * @returns `good`, with the bound of the relaxed model; null when nothing is found
 */
export async function searchProgramme(
  season: Programme,
  solver: Solver,
  { seconds: most = Infinity, onProgress }: Pick<SolveOptions, 'seconds' | 'onProgress'> = {},
): Promise<Solution | null> {
  const { model, start } = season;
  const whole = model.columns.flatMap((column, index) => (column.whole ? [index] : []));
  let seconds = 0;
  const timed: Solver = async (each, options) => {
    const found = await solver(each, options);
    seconds += found.seconds;
    return found;
  };
  const root = await timed(relaxed(model));
  if (root.status !== 'best') return null;
  const bound = root.objective;
  const within = (narrowed: LinearModel, from?: SolveOptions['start']) => {
    const since = seconds;
    return timed(narrowed, {
      seconds: Math.min(MOST_SECONDS, most * SHARE_OF_TIME),
      gap: GAP,
      start: from,
      onProgress: (at) => onProgress?.({ seconds: since + at.seconds, objective: at.objective, bound }),
    });
  };

  const decided = new Map(start);
  const before = model.columns.map((_column, index) => decided.get(index) ?? NaN);
  const kept = (column: number) => isSame(before[column] ?? NaN, valueOf(root, column));
  let first = decided.size > 0 ? await within(withHeld(model, before, kept)) : null;
  if (!first?.values.length && whole.length <= MOST_WHOLE)
    first = await within(await rounded(season, root, whole, timed, () => most - seconds));
  if (!first?.values.length) return null;

  const shared = new Set(whole.filter((column) => isSame(valueOf(first, column), valueOf(root, column))));
  const second = await within(
    withHeld(model, first.values, (column) => shared.has(column)),
    whole.map((column) => [column, valueOf(first, column)]),
  );
  const best = second.values.length > 0 && second.objective < first.objective ? second : first;
  const { objective, values } = best;
  onProgress?.({ seconds, objective, bound });
  return { status: 'good', objective, bound, gap: gapOf(objective, bound), values, seconds };
}
