import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, order, TODAY } from '../../testing/kitchen.js';
import { solver } from '../../testing/solver.js';
import { anyTruffleOrders, bench, trufflePantry } from '../../testing/truffles.js';
import type { LinearModel, SolverProgress } from '../solver/index.js';
import { buildProgramme } from './programme.js';
import { programmeInput } from './question.js';
import { solveProgramme } from './solve.js';
import { searchProgramme } from './search.js';

const book = bookOf({ ...trufflePantry, kitchen: bench });
type Orders = Parameters<typeof programmeInput>[0]['orders'];
const built = (orders: Orders) => buildProgramme({ ...programmeInput({ book, orders, today: TODAY }), before: null });

/** Names of the columns and rows of a model that values break. */
function broken({ columns, rows }: LinearModel, values: readonly number[]): string[] {
  const outside = (value: number, lower: number, upper: number) => value < lower - 1e-5 || value > upper + 1e-5;
  return [
    ...columns.filter(({ lower, upper, whole }, index) => {
      const value = values[index] ?? NaN;
      return !(value >= -Infinity) || outside(value, lower, upper) || (whole && value !== Math.round(value));
    }),
    ...rows.filter(({ lower, upper, terms }) =>
      outside(
        terms.reduce((sum, [column, factor]) => sum + factor * (values[column] ?? 0), 0),
        lower,
        upper,
      ),
    ),
  ].map(({ name }) => name);
}

describe('a quick search for a season', () => {
  it('finds only what keeps every rule, no better than the best and no worse than it says', async () => {
    let found = 0;
    await fc.assert(
      fc.asyncProperty(anyTruffleOrders(), async (orders) => {
        const season = built(orders);
        const seen: SolverProgress[] = [];
        const quick = await searchProgramme(season, solver, { onProgress: (progress) => seen.push(progress) });
        if (!quick) return;
        found += 1;
        const { objective, bound } = await solver(season.model, { work: 10 });
        expect(broken(season.model, quick.values)).toEqual([]);
        expect(quick.objective).toBeGreaterThanOrEqual(bound - 1e-3);
        expect(quick.bound).toBeLessThanOrEqual(objective + 1e-3);
        expect(seen.at(-1)).toMatchObject({ objective: quick.objective, bound: quick.bound });
      }),
      { numRuns: 15 },
    );
    expect(found).toBeGreaterThan(0);
  });

  it('finds nothing where nothing is possible', async () => {
    expect(await searchProgramme(built([order('a', { bag: 400 }, '2026-12-04')]), solver)).toBeNull();
  });

  it('comes before the long one, and what was decided before comes before it', async () => {
    const orders = [order('a', { mixed: 4 }, '2026-12-05'), order('b', { mixed: 3, bag: 4 }, '2026-12-12')];
    const starts: number[] = [];
    const counting: typeof solver = (model, options) => {
      if (options?.gap === 0.0015) starts.push(options.start?.length ?? 0);
      return solver(model, options);
    };
    const options = { gap: 0.0015 };
    const { guide } = await solveProgramme({ book, orders, today: TODAY }, counting, options);
    expect(starts[0]).toBe(built(orders).model.columns.filter(({ whole }) => whole).length);
    starts.length = 0;
    // What served these orders does not serve ten times as many.
    const more = [...orders, order('c', { mixed: 40 }, '2026-12-12')];
    await solveProgramme({ book, orders, today: TODAY, before: guide }, counting, options);
    await solveProgramme({ book, orders: more, today: TODAY, before: guide }, counting, options);
    const decided = buildProgramme({ ...programmeInput({ book, orders, today: TODAY, before: guide }) }).start.length;
    expect(starts[0]).toBe(decided);
    expect(starts[1]).toBeGreaterThan(decided);
  });
});
