import { expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, ingredient, line, recipe, TODAY } from '../../testing/kitchen.js';
import { addDays } from '../quantity/index.js';
import { poolShort, raisedForPool } from './pool.js';
import type { ProductionRun } from './run.js';

const book = bookOf({
  ingredients: [ingredient('dark')],
  recipes: [recipe('coating', [line('dark', 1000)], { batchSizes: [0.25, 2], anySize: true, keepsDays: 6 })],
});
const facts = book.recipes.get('coating');
if (!facts) throw new Error('no coating');

const run = (on: number, used: number, pool: number): ProductionRun => {
  const day = addDays(TODAY, on);
  const batches = [{ size: Math.max(0.25, Math.ceil(used / 10) / 100), count: 1 }];
  const yieldGrams = (batches[0]?.size ?? 0) * 1000;
  return {
    ...{ recipeId: 'coating', recipeName: 'coating', day, batches, batchCount: 1, yieldGrams, usedGrams: used },
    ...{ poolGrams: pool, leftOverGrams: yieldGrams - used, sparePieces: 0, leftOverPieces: null, handsMinutes: 20 },
    pegs: [
      {
        ...{ kind: 'piece', id: 'truffle', name: 'truffle', role: 'coating', pieces: 9, grams: used, poolGrams: pool },
        ...{ on: day, handOver: day, window: { from: day, to: day } },
      },
    ],
    pinned: false,
  };
};

const anyRuns = fc
  .uniqueArray(fc.integer({ min: 0, max: 20 }), { minLength: 1, maxLength: 5 })
  .chain((days) =>
    fc.tuple(
      ...days
        .sort((a, b) => a - b)
        .map((on) =>
          fc
            .tuple(fc.integer({ min: 10, max: 900 }), fc.integer({ min: 0, max: 900 }))
            .map((grams) => run(on, ...grams)),
        ),
    ),
  );

it('raises what is made to where it can be dipped into, and nothing that stands high enough', () => {
  fc.assert(
    fc.property(anyRuns, (runs) => {
      const raised = raisedForPool(runs, [], facts);
      // Two batches of the least size hold every pool here: nothing is short.
      expect(poolShort(raised, 6)).toBeNull();
      raised.forEach(({ yieldGrams, batches, leftOverGrams, usedGrams }, index) => {
        expect(yieldGrams).toBeGreaterThanOrEqual((runs[index]?.yieldGrams ?? 0) - 1e-9);
        expect(batches[0]?.size).toBeLessThanOrEqual(2);
        expect(leftOverGrams).toBeCloseTo(yieldGrams - usedGrams, 6);
      });
      if (!poolShort(runs, 6)) expect(raised).toEqual(runs);
    }),
  );
});

it('leaves a pinned run as it is, and says so by what stays short', () => {
  const pinned = { ...run(0, 100, 800), pinned: true };
  expect(raisedForPool([pinned], [], facts)).toEqual([pinned]);
  expect(poolShort([pinned], 6)).toEqual({ day: TODAY, grams: 650 });
});
