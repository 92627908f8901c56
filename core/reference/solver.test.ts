import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import loadGlpk, { type GLPK, type LP } from 'glpk.js/node';
import { buildProgramme, programmeInput } from '../src/programme/index.js';
import type { LinearModel } from '../src/solver/index.js';
import { bookOf, TODAY } from '../testing/kitchen.js';
import { solver } from '../testing/solver.js';
import { anyTruffleOrders, bench, trufflePantry } from '../testing/truffles.js';

/** The same model as GLPK reads it: the GNU Linear Programming Kit, a solver that has nothing to do with HiGHS. */
function glpkOf(glpk: GLPK, { columns, rows, offset }: LinearModel): LP {
  const bound = (lower: number, upper: number) => ({
    type:
      lower === upper
        ? glpk.GLP_FX
        : Number.isFinite(lower)
          ? Number.isFinite(upper)
            ? glpk.GLP_DB
            : glpk.GLP_LO
          : glpk.GLP_UP,
    lb: Number.isFinite(lower) ? lower : 0,
    ub: Number.isFinite(upper) ? upper : 0,
  });
  const name = (column: number) => `c${String(column)}`;
  // A cost that is always there is a column that stands at 1.
  const always = { name: 'always', coef: offset };
  return {
    name: 'season',
    objective: {
      direction: glpk.GLP_MIN,
      name: 'cost',
      vars: [...columns.map(({ cost }, index) => ({ name: name(index), coef: cost })), always],
    },
    subjectTo: rows.map(({ lower, upper, terms }, row) => {
      const sums = new Map<number, number>();
      for (const [column, factor] of terms) sums.set(column, (sums.get(column) ?? 0) + factor);
      return {
        name: `r${String(row)}`,
        vars: [...sums].map(([column, coef]) => ({ name: name(column), coef })),
        bnds: bound(lower, upper),
      };
    }),
    bounds: [
      ...columns.map(({ lower, upper }, index) => ({ name: name(index), ...bound(lower, upper) })),
      { name: 'always', ...bound(1, 1) },
    ],
    generals: columns.flatMap(({ whole }, index) => (whole ? [name(index)] : [])),
  };
}

describe('the season’s model beside GLPK', () => {
  const book = bookOf({ ...trufflePantry, kitchen: bench });

  it('has the same optimum, and the bound that is reported lies below it', async () => {
    const glpk = await loadGlpk();
    await fc.assert(
      fc.asyncProperty(anyTruffleOrders(3), async (orders) => {
        const { model } = buildProgramme({ ...programmeInput({ book, orders, today: TODAY }), before: null });
        const found = await solver(model, { gap: 0.02, work: 20 });
        const { result } = glpk.solve(glpkOf(glpk, model), { msglev: glpk.GLP_MSG_OFF, tmlim: 20, presol: true });
        if (found.status === 'impossible') {
          expect(result.status).not.toBe(glpk.GLP_OPT);
          return;
        }
        if (result.status !== glpk.GLP_OPT) return;
        expect(found.bound).toBeLessThanOrEqual(result.z + 1e-3);
        expect(found.objective).toBeGreaterThanOrEqual(result.z - 1e-3);
        // The gap is a share of what was found: the true optimum may lie below that by no more.
        expect((found.objective - result.z) / found.objective).toBeLessThanOrEqual(found.gap + 1e-6);
      }),
      { numRuns: 8 },
    );
  }, 240_000);
});
