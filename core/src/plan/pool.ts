import { addDays, type Day } from '../quantity/index.js';
import { mostSize, multipleOf, roundedUp, type RecipeFacts } from '../recipe/index.js';
import type { ProductionRun } from './run.js';

type Standing = Pick<ProductionRun, 'day' | 'pegs' | 'yieldGrams'>;

/** A day on which a coating does not stand high enough, and how much of it is missing, g. */
export interface PoolShort {
  readonly day: Day;
  readonly grams: number;
}

/**
 * The first day on which a recipe does not stand high enough to dip and fill: what is made and fresh, less what is used, must hold the pool.
 * @param made all runs of the recipe, what is made already among them
 */
export function poolShort(made: readonly Standing[], keepsDays: number): PoolShort | null {
  const uses = made.flatMap((each) => each.pegs.map((peg) => ({ ...peg, madeOn: each.day })));
  const days = [...new Set(uses.filter(({ poolGrams }) => poolGrams > 0).map(({ on }) => on))].sort();
  for (const day of days) {
    const fresh = made.filter((each) => each.day <= day && addDays(each.day, keepsDays) >= day);
    const stands = fresh.reduce((sum, { yieldGrams }) => sum + yieldGrams, 0);
    const used = uses
      .filter(({ on, madeOn }) => on <= day && fresh.some((each) => each.day === madeOn))
      .reduce((sum, { grams }) => sum + grams, 0);
    const pool = uses.filter(({ on }) => on === day).reduce((sum, { poolGrams }) => sum + poolGrams, 0);
    if (stands - used + 1e-6 < pool) return { day, grams: pool - (stands - used) };
  }
  return null;
}

/** So many days are looked at; a recipe is dipped into on fewer. */
const MOST_RAISED = 100;

/**
 * Runs of a recipe of any size, so large that it stands high enough on each day: the last one before a day on which it would not is made
 * larger, as far as its batches may be.
 * @param made what is made already
 */
export function raisedForPool(
  runs: readonly ProductionRun[],
  made: readonly Standing[],
  { recipe, yieldGrams: baseGrams }: RecipeFacts,
): ProductionRun[] {
  const raised = [...runs];
  for (let turn = 0; turn < MOST_RAISED; turn++) {
    const short = poolShort([...made, ...raised], recipe.keepsDays);
    if (!short) break;
    const at = raised.findLastIndex(
      ({ day, pinned, batchCount, batches }) =>
        day <= short.day &&
        addDays(day, recipe.keepsDays) >= short.day &&
        !pinned &&
        multipleOf(batches) < batchCount * mostSize(recipe) - 1e-9,
    );
    const run = raised[at];
    if (!run) break;
    const wanted = (run.yieldGrams + short.grams) / baseGrams / run.batchCount;
    const batches = [{ size: roundedUp(wanted, recipe), count: run.batchCount }];
    const yieldGrams = multipleOf(batches) * baseGrams;
    raised[at] = { ...run, batches, yieldGrams, leftOverGrams: Math.max(0, yieldGrams - run.usedGrams) };
  }
  return raised;
}
