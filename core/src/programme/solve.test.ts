import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, box, ingredient, line, order, piece, recipe, TODAY, different } from '../../testing/kitchen.js';
import { solver } from '../../testing/solver.js';
import { verifyPlan } from '../../testing/verify-plan.js';
import { verifyBench } from '../../testing/verify-bench.js';
import { anyTruffleOrders, bench, trufflePantry } from '../../testing/truffles.js';
import { benchDay } from '../bench-day/index.js';
import { planSeason, type Guide } from '../plan/index.js';
import { solveProgramme } from './solve.js';
import { weights } from './builder.js';

describe('the season solved', () => {
  it('keeps every rule, whatever the orders, and is never dearer than what was proven', async () => {
    const humid = [different('2026-12-05', { humid: true })];
    const book = bookOf({ ...trufflePantry, kitchen: { ...bench, dayChanges: humid } });
    await fc.assert(
      fc.asyncProperty(anyTruffleOrders(), async (orders) => {
        const { guide, objective, bound, status, clash } = await solveProgramme(
          { book, orders, today: TODAY },
          solver,
          {
            gap: 0.01,
            work: 10,
          },
        );
        if (status === 'impossible') {
          expect(clash.length).toBeGreaterThan(0);
          return;
        }
        expect(bound).toBeLessThanOrEqual(objective + 1e-6);
        const plan = planSeason(book, orders, TODAY, guide ?? undefined);
        expect(verifyPlan(plan, book, orders, TODAY)).toEqual([]);
        for (const { day } of plan.days) expect(verifyBench(benchDay(plan, day, book), plan, day, book)).toEqual([]);
        // The plan on the screen is the one that was found.
        expect(plan.runs.reduce((sum, { batchCount }) => sum + batchCount, 0)).toBeLessThanOrEqual(
          guide?.batches.reduce((sum, { count }) => sum + count, 0) ?? 0,
        );
      }),
      { numRuns: 12 },
    );
  });

  it('is the best there is, as trying every number of batches on every day shows', async () => {
    // One recipe of four pieces a batch: only hands count, since its sugar has no price.
    const one = {
      ingredients: [ingredient('sugar')],
      recipes: [recipe('fudge', [line('sugar', 100)], { handsMinutes: 40 })],
      pieces: [
        piece('square', { kind: 'rolled', recipeId: 'fudge', centreGrams: 25 }, { keepsDays: 12, handSeconds: 0 }),
      ],
      boxes: [box('b', ['square'])],
    };
    const book = bookOf({ ...one, kitchen: bench });
    const days = ['2026-11-26', '2026-11-28', '2026-12-01', '2026-12-03'];
    const minutes = [120, 180, 120, 120];
    const rate = bench.handsRateMinorPerHour / 60;
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.integer({ min: 1, max: 14 }), { minLength: 2, maxLength: 2 }),
        async ([first = 1, second = 1]) => {
          const orders = [order('a', { b: first }, '2026-11-30'), order('z', { b: second }, '2026-12-04')];
          const { objective, status } = await solveProgramme({ book, orders, today: TODAY }, solver);
          let best = Infinity;
          for (let code = 0; code < 5 ** 4; code++) {
            const made = days.map((_day, index) => Math.floor(code / 5 ** index) % 5);
            const early = ((made[0] ?? 0) + (made[1] ?? 0)) * 4;
            const all = made.reduce((sum, count) => sum + count * 4, 0);
            if (early < first || all < first + second) continue;
            const cost = made.map((count, index) => {
              const hands = count * 40 + (count > 0 ? 5 : 0);
              const over = Math.max(0, hands - (minutes[index] ?? 0));
              return over > 60 ? Infinity : rate * (hands + over * weights.overtime);
            });
            best = Math.min(
              best,
              cost.reduce((sum, each) => sum + each, 0),
            );
          }
          if (best === Infinity) expect(status).toBe('impossible');
          else expect(objective).toBeCloseTo(best, 4);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('never costs less, nor takes less of anything, with one order more', async () => {
    const book = bookOf({ ...trufflePantry, kitchen: { ...bench, overtimeMinutes: 240 } });
    await fc.assert(
      fc.asyncProperty(anyTruffleOrders(3), async (orders) => {
        const best = async (of: typeof orders) => {
          const found = await solveProgramme({ book, orders: of, today: TODAY }, solver, { work: 10 });
          return found.status === 'best' && found.gap < 1e-6 ? found : null;
        };
        const [less, more] = [await best(orders.slice(1)), await best(orders)];
        if (orders.length < 2 || !less?.guide || !more?.guide) return;
        expect(more.objective).toBeGreaterThanOrEqual(less.objective - 1e-3);
        const used = (of: typeof orders, guide: Guide, recipeId: string) =>
          planSeason(book, of, TODAY, guide)
            .runs.filter((each) => each.recipeId === recipeId)
            .flatMap(({ pegs }) => pegs)
            .reduce((sum, { role, grams }) => sum + (role === 'component' ? 0 : grams), 0);
        for (const id of ['ganache', 'coating', 'toffee'])
          expect(used(orders, more.guide, id)).toBeGreaterThanOrEqual(used(orders.slice(1), less.guide, id) - 1e-6);
      }),
      { numRuns: 6 },
    );
  });

  it('stays where it was when nothing changes', async () => {
    const book = bookOf({ ...trufflePantry, kitchen: bench });
    const orders = [order('a', { mixed: 4 }, '2026-12-05'), order('b', { mixed: 3, bag: 4 }, '2026-12-12')];
    const found = await solveProgramme({ book, orders, today: TODAY }, solver);
    const again = await solveProgramme({ book, orders, today: TODAY, before: found.guide }, solver);
    expect(again.guide?.batches).toEqual(found.guide?.batches);
  });

  it('ends its days in time, the rests in their work among them', async () => {
    // On one sheet only one toffee can rest and be broken on a Saturday, though its hands would do for four.
    const sheets = { name: 'sheet', lengthMm: 400, widthMm: 300, depthMm: 20, count: 1 };
    const slow = trufflePantry.recipes.map((each) => ({
      ...each,
      steps: each.steps.map((step) => ({
        ...step,
        rest: step.rest && { typicalMinutes: 60, safeMinutes: 90, kind: 'guess' as const },
      })),
    }));
    const book = bookOf({ ...trufflePantry, recipes: slow, kitchen: { ...bench, pans: [sheets], overtimeMinutes: 0 } });
    const orders = [order('a', { bag: 24 }, '2026-12-12')];
    const { guide } = await solveProgramme({ book, orders, today: TODAY }, solver, { work: 20 });
    const plan = planSeason(book, orders, TODAY, guide ?? undefined);
    expect(plan.runs.length).toBeGreaterThan(0);
    for (const { day, makerMinutes, bookedMinutes } of plan.days)
      if (bookedMinutes > 0) expect(benchDay(plan, day, book).spanMinutes).toBeLessThanOrEqual(makerMinutes + 1);
    expect(verifyPlan(plan, book, orders, TODAY)).toEqual([]);
  });

  it('plans a day that ends too late where nothing else is possible, rather than nothing', async () => {
    // Two hours an evening, and a toffee that rests for three before it is broken.
    const slow = trufflePantry.recipes.map((each) => ({
      ...each,
      steps: each.steps.map((step) => ({
        ...step,
        rest: step.rest && { typicalMinutes: 180, safeMinutes: 180, kind: 'guess' as const },
      })),
    }));
    const book = bookOf({
      ...trufflePantry,
      recipes: slow,
      kitchen: { ...bench, benchWeek: [{ weekday: 4, hours: 2, begins: null }], overtimeMinutes: 0 },
    });
    const orders = [order('a', { bag: 5 }, '2026-12-12')];
    const { status, guide } = await solveProgramme({ book, orders, today: TODAY }, solver, { work: 20 });
    expect(status).toBe('best');
    const plan = planSeason(book, orders, TODAY, guide ?? undefined);
    expect(verifyPlan(plan, book, orders, TODAY)).toEqual([]);
    const day = plan.runs[0]?.day ?? '';
    expect(benchDay(plan, day, book).spanMinutes).toBeGreaterThan(120);
  });

  it('gives to a helper only what a helper can do', async () => {
    const hired = different('2026-12-05', { hours: 0.5, helperHours: 3 });
    const book = bookOf({
      ...trufflePantry,
      kitchen: {
        ...bench,
        benchWeek: [{ weekday: 4, hours: 2, begins: null }],
        overtimeMinutes: 0,
        dayChanges: [hired],
      },
    });
    const orders = [order('a', { bag: 40 }, '2026-12-06')];
    const { guide } = await solveProgramme({ book, orders, today: TODAY }, solver, { work: 20 });
    const plan = planSeason(book, orders, TODAY, guide ?? undefined);
    expect(verifyPlan(plan, book, orders, TODAY)).toEqual([]);
    const saturday = plan.days.find(({ day }) => day === hired.day);
    // Forty minutes of packing: ten of them are more than the maker's half hour would allow.
    expect(saturday).toMatchObject({ makerMinutes: 30, runs: [] });
    expect(verifyBench(benchDay(plan, hired.day, book), plan, hired.day, book)).toEqual([]);
  });

  it('makes pieces to spare where the yield varies, and says how many', async () => {
    const weighed = [390, 400, 350, 410, 380].map((grams) => ({ on: '2025-12-01', size: 1, grams }));
    const varies = trufflePantry.recipes.map((each) =>
      each.id === 'toffee' ? { ...each, weighedYields: weighed } : each,
    );
    const [sure, unsure] = [varies, trufflePantry.recipes].map((recipes) =>
      bookOf({ ...trufflePantry, recipes, kitchen: bench }),
    );
    if (!sure || !unsure) throw new Error('two books');
    const orders = [order('a', { bag: 12 }, '2026-12-12')];
    const planOf = async (book: typeof sure) => {
      const { guide } = await solveProgramme({ book, orders, today: TODAY }, solver, { work: 20 });
      const plan = planSeason(book, orders, TODAY, guide ?? undefined);
      expect(verifyPlan(plan, book, orders, TODAY)).toEqual([]);
      return plan;
    };
    // 24 shards are one batch of 25 exactly; with two to spare they are two.
    expect((await planOf(unsure)).runs).toMatchObject([{ batchCount: 1, sparePieces: 0, leftOverPieces: 1 }]);
    const [made] = (await planOf(sure)).runs;
    expect(made?.batchCount).toBe(2);
    expect(made?.sparePieces).toBeGreaterThan(1);
    expect((made?.leftOverPieces ?? 0) + (made?.sparePieces ?? 0)).toBe(50 - 24);
  });

  it('leaves a pinned making where the maker wants it', async () => {
    const book = bookOf({ ...trufflePantry, kitchen: bench });
    const orders = [order('a', { bag: 6 }, '2026-12-12')];
    const { guide } = await solveProgramme({ book, orders, today: TODAY }, solver);
    const [toffee] = guide?.batches ?? [];
    if (!guide || !toffee) throw new Error('nothing to pin');
    const other = ['2026-12-01', '2026-12-03'].find((day) => day !== toffee.day) ?? '';
    const pinned: Guide = {
      ...guide,
      batches: [{ ...toffee, day: other }],
      pins: [{ recipeId: 'toffee', day: other }],
    };
    const again = await solveProgramme({ book, orders, today: TODAY, before: pinned }, solver);
    const plan = planSeason(book, orders, TODAY, again.guide ?? undefined);
    expect(plan.runs).toMatchObject([{ recipeId: 'toffee', day: other, pinned: true }]);
  });

  it('says what clashes when a season is impossible, and what would make it possible, with a price', async () => {
    const book = bookOf({ ...trufflePantry, kitchen: { ...bench, overtimeMinutes: 0 } });
    const orders = [order('a', { bag: 400 }, '2026-12-04')];
    const { status, guide, clash, waysOut } = await solveProgramme({ book, orders, today: TODAY }, solver);
    expect([status, guide]).toEqual(['impossible', null]);
    expect(clash.at(-1)).toBe('Friday 4 December wants 800 × shard');
    expect(clash.some((each) => each.includes('minutes of hands'))).toBe(true);
    expect(waysOut.map(({ action }) => action.kind)).toEqual(['open', 'open']);
    const few = [order('a', { bag: 160 }, '2026-12-04')];
    const short = bookOf({ ...trufflePantry, kitchen: { ...bench, overtimeMinutes: 0 } });
    const out = (await solveProgramme({ book: short, orders: few, today: TODAY }, solver)).waysOut;
    expect(out[0]?.label).toMatch(/^Work .* more, up to .* a day: about \$/);
    expect(out[0]?.action).toMatchObject({ kind: 'overtime' });
    expect(out[1]?.label).toBe('Move a’s order to a later day: $3,200.00 at stake, enough by itself');
    expect(out.at(-1)?.label).toMatch(/^Set more bench days: about \$/);
  });
});

describe('a plan that follows a guide', () => {
  const book = bookOf({ ...trufflePantry, kitchen: bench });
  const orders = [order('a', { mixed: 4 }, '2026-12-05'), order('b', { mixed: 3, bag: 4 }, '2026-12-12')];

  it('keeps its days when an order is added, and serves it too', async () => {
    const { guide } = await solveProgramme({ book, orders, today: TODAY }, solver);
    const more = [...orders, order('c', { mixed: 1 }, '2026-12-12'), order('d', { bag: 2 }, '2026-12-19')];
    const plan = planSeason(book, more, TODAY, guide ?? undefined);
    const before = new Set(
      planSeason(book, orders, TODAY, guide ?? undefined).runs.map(({ recipeId, day }) => `${recipeId} ${day}`),
    );
    const after = new Set(plan.runs.map(({ recipeId, day }) => `${recipeId} ${day}`));
    expect([...before].filter((each) => !after.has(each))).toEqual([]);
    expect(verifyPlan(plan, book, more, TODAY)).toEqual([]);
  });

  it('is caught by the verifier when it is wrong', () => {
    const plan = planSeason(book, orders, TODAY);
    const broken = {
      ...plan,
      finishings: plan.finishings.map((each) => ({ ...each, count: each.count - 1, madeOn: '2026-11-01' })),
      runs: plan.runs.map((each) => ({ ...each, yieldGrams: 0, batches: [{ size: 3, count: 0.5 }] })),
      days: plan.days.map((each) => ({ ...each, bookedMinutes: 999 })),
    };
    const said = verifyPlan(broken, book, orders, TODAY).join('\n');
    for (const words of [
      'pieces are made',
      'has passed',
      'no allowed size',
      'no number of batches',
      'come out',
      'minutes',
    ])
      expect(said).toContain(words);
  });
});
