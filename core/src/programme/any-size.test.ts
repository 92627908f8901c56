import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, order, TODAY } from '../../testing/kitchen.js';
import { solver } from '../../testing/solver.js';
import { anyTruffleOrders, bench, trufflePantry } from '../../testing/truffles.js';
import { verifyPlan } from '../../testing/verify-plan.js';
import { potCheck } from '../cooking/index.js';
import { guideOf, planSeason } from '../plan/index.js';
import { solveProgramme } from './solve.js';

const free = (...ids: string[]) =>
  bookOf({
    ...trufflePantry,
    kitchen: bench,
    recipes: trufflePantry.recipes.map((each) =>
      ids.includes(each.id) ? { ...each, batchSizes: [0.25, Math.max(...each.batchSizes)], anySize: true } : each,
    ),
  });
const fixed = (...ids: string[]) =>
  bookOf({
    ...trufflePantry,
    kitchen: bench,
    recipes: trufflePantry.recipes.map((each) =>
      ids.includes(each.id) ? { ...each, batchSizes: [0.25, Math.max(...each.batchSizes)] } : each,
    ),
  });

describe('batches of any size', () => {
  it('keep every rule, whatever the orders', async () => {
    const book = free('base', 'ganache', 'coating');
    let found = 0;
    await fc.assert(
      fc.asyncProperty(anyTruffleOrders(), async (orders) => {
        const { guide } = await solveProgramme({ book, orders, today: TODAY }, solver, { gap: 0.01, work: 10 });
        for (const decided of [guide ?? undefined, undefined]) {
          const plan = planSeason(book, orders, TODAY, decided);
          const wrong = verifyPlan(plan, book, orders, TODAY);
          // What is planned day by day may be too much for a day, and says so; a size that is not allowed is always wrong.
          expect(decided ? wrong : wrong.filter((each) => each.includes('no allowed size'))).toEqual([]);
        }
        if (guide) found += 1;
      }),
      { numRuns: 10 },
    );
    expect(found).toBeGreaterThan(0);
  });

  it('that are smaller, larger or finer than is allowed are found in a plan', () => {
    const book = free('ganache');
    const orders = [order('a', { mixed: 6 }, '2026-12-05')];
    const plan = planSeason(book, orders, TODAY);
    const sized = (size: number) => ({
      ...plan,
      runs: plan.runs.map((run) => (run.recipeId === 'ganache' ? { ...run, batches: [{ size, count: 1 }] } : run)),
    });
    const isRefused = (size: number) =>
      verifyPlan(sized(size), book, orders, TODAY).some((each) => each.includes('no allowed size'));
    expect([0.25, 0.37, 1].map(isRefused)).toEqual([false, false, false]);
    expect([0.2, 0.375, 1.01, 3].map(isRefused)).toEqual([true, true, true, true]);
  });

  it('that were decided larger than a new pot takes become more batches, and nothing is missing', () => {
    const boils = (litres: number) => {
      const { recipes } = free('ganache');
      return bookOf({
        ...trufflePantry,
        kitchen: { ...bench, pots: [{ name: 'pot', litres }] },
        recipes: [...recipes.values()].map(({ recipe }) =>
          recipe.id === 'ganache' ? { ...recipe, foaming: 'boils clear' as const } : recipe,
        ),
      });
    };
    const sizesIn = (plan: ReturnType<typeof planSeason>) =>
      plan.runs.flatMap(({ recipeId, batches }) => (recipeId === 'ganache' ? batches.map(({ size }) => size) : []));
    fc.assert(
      fc.property(anyTruffleOrders(), fc.double({ min: 0.3, max: 0.9, noNaN: true }), (orders, share) => {
        const before = planSeason(boils(100), orders, TODAY);
        const needs = potCheck(free('ganache').recipes.get('ganache')?.rawGrams ?? 0, 'boils clear', []).needsLitres;
        const book = boils(needs * share);
        const after = planSeason(book, orders, TODAY, guideOf(before, []));
        for (const size of sizesIn(after)) expect(size).toBeLessThanOrEqual(share + 1e-9);
        const wrong = verifyPlan(after, book, orders, TODAY);
        expect(
          wrong.filter((each) => /no allowed size|pieces are made|are accounted for|are given/.test(each)),
        ).toEqual([]);
      }),
      { numRuns: 30 },
    );
  });

  it('never cost more than the sizes at their ends alone', async () => {
    const ids = ['coating', 'base'];
    await fc.assert(
      fc.asyncProperty(anyTruffleOrders(3), async (orders) => {
        const [some, any] = await Promise.all(
          [fixed(...ids), free(...ids)].map((book) =>
            solveProgramme({ book, orders, today: TODAY }, solver, { gap: 0, work: 20 }),
          ),
        );
        if (!some || !any || some.status !== 'best' || any.status !== 'best') return;
        expect(any.bound).toBeLessThanOrEqual(some.objective + 1e-3);
      }),
      { numRuns: 8 },
    );
  });

  it('leave less over than whole ones', async () => {
    const orders = [order('a', { mixed: 6 }, '2026-12-05'), order('b', { mixed: 3 }, '2026-12-12')];
    const leftOf = async (book: ReturnType<typeof free>) => {
      const { guide } = await solveProgramme({ book, orders, today: TODAY }, solver, { gap: 0.001, work: 20 });
      return planSeason(book, orders, TODAY, guide ?? undefined).leftOverGrams;
    };
    const whole = await leftOf(bookOf({ ...trufflePantry, kitchen: bench }));
    expect(await leftOf(free('base', 'ganache', 'coating'))).toBeLessThan(whole - 500);
  });
});
