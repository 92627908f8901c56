import {
  gapOf,
  relaxed,
  withHeld,
  type LinearModel,
  type Solution,
  type Solver,
  type SolverProgress,
} from '../solver/index.js';
import type { SeasonModel } from './season-model.js';

/** Larger seasons are left to the solver alone: rounding finds nothing good in them. */
const MOST_WHOLE = 1000;
/** So much of what is fractional is rounded up at a time, until so much of it is left. */
const ROUNDED_AT_ONCE = 0.1;
const LEFT_FRACTIONAL = 0.5;
const LIMITS = { seconds: 1.5, gap: 0.004 };

const isFractional = (value: number): boolean => Math.abs(value - Math.round(value)) > 1e-6;

/** The relaxed solution, and the model in which recipes are made on the days on which that nearly makes them, and on no others. */
async function rounded(
  { model, makeColumns }: SeasonModel,
  whole: readonly number[],
  solver: Solver,
): Promise<{ root: Solution; narrowed: LinearModel } | null> {
  const makes = new Set([...makeColumns.values()].flatMap((onDays) => [...onDays.values()]));
  const fractionalOf = ({ values }: Solution) => whole.filter((index) => isFractional(values[index] ?? 0));
  const root = await solver(relaxed(model));
  if (root.status !== 'best') return null;
  const enough = fractionalOf(root).length * LEFT_FRACTIONAL;
  let narrowed = model;
  let at = root;
  for (let loose = fractionalOf(at); loose.length > enough; loose = fractionalOf(at)) {
    const { values } = at;
    // Whether a recipe is made at all is settled before how many batches of it.
    const rank = (index: number) => (makes.has(index) ? 1 : 0) + ((values[index] ?? 0) % 1);
    const ranked = [...loose].sort((a, b) => rank(b) - rank(a));
    const up = new Set(ranked.slice(0, Math.ceil(loose.length * ROUNDED_AT_ONCE)));
    const tried = withHeld(narrowed, values.map(Math.ceil), (index) => up.has(index));
    const found = await solver(relaxed(tried));
    if (found.status !== 'best') break;
    [narrowed, at] = [tried, found];
  }
  const { values } = at;
  return { root, narrowed: withHeld(narrowed, [], (index) => makes.has(index) && (values[index] ?? 0) < 1e-6) };
}

/**
 * Finds a good plan of a season quickly, without proving how good it is. The relaxed model says on which days it nearly makes a recipe:
 * of plans that keep to these days one is found; then all that it does not share with the relaxed model is decided anew.
 * @returns `good`, with the bound of the relaxed model; null when nothing is found, or the season is too large for it
 */
export async function searchSeason(
  season: SeasonModel,
  solver: Solver,
  onProgress?: (progress: SolverProgress) => void,
): Promise<Solution | null> {
  const { model } = season;
  const whole = model.columns.flatMap((column, index) => (column.whole ? [index] : []));
  if (whole.length > MOST_WHOLE) return null;
  let seconds = 0;
  const timed: Solver = async (each, options) => {
    const found = await solver(each, options);
    seconds += found.seconds;
    return found;
  };
  const start = await rounded(season, whole, timed);
  if (!start) return null;
  const bound = start.root.objective;
  const before = seconds;
  const first = await timed(start.narrowed, {
    ...LIMITS,
    onProgress: (progress) =>
      onProgress?.({ seconds: before + progress.seconds, objective: progress.objective, bound }),
  });
  if (first.values.length === 0) return null;
  onProgress?.({ seconds, objective: first.objective, bound });

  const valueOf = ({ values }: Solution, column: number) => values[column] ?? 0;
  const shared = new Set(
    whole.filter((column) => Math.abs(valueOf(first, column) - valueOf(start.root, column)) < 1e-6),
  );
  const second = await timed(
    withHeld(model, first.values, (column) => shared.has(column)),
    { ...LIMITS, start: whole.map((column) => [column, valueOf(first, column)]) },
  );
  const best = second.values.length > 0 && second.objective < first.objective ? second : first;
  const { objective, values } = best;
  onProgress?.({ seconds, objective, bound });
  return { status: 'good', objective, bound, gap: gapOf(objective, bound), values, seconds };
}
