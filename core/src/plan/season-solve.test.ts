import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, box, ingredient, kitchen, line, order, piece, recipe, TODAY } from '../../testing/kitchen.js';
import { solver } from '../../testing/solver.js';
import { verifyPlan } from '../../testing/verify-plan.js';
import { planSeason, solveSeason, weights, type Guide } from './index.js';

const week = [
  { weekday: 2, hours: 2 },
  { weekday: 4, hours: 2 },
  { weekday: 6, hours: 3 },
];
const bench = { ...kitchen, benchWeek: week, overtimeMinutes: 60, setUpMinutes: 5, cleanMinutes: 10 };
const priced = (id: string, more = {}) =>
  ingredient(id, { packs: [{ name: 'bag', amount: 1, unit: 'kg', priceMinor: 900 }], ...more });

const pantry = {
  ingredients: [priced('sugar'), priced('dark'), priced('nut', { contains: ['pecan'] })],
  recipes: [
    recipe('base', [line('dark', 600), line('sugar', 400)], { batchSizes: [0.5, 1], keepsDays: 4, handsMinutes: 15 }),
    recipe('ganache', [line(':base', 400), line('sugar', 20)], { batchSizes: [0.5, 1], restDays: 1, handsMinutes: 15 }),
    recipe('coating', [line('dark', 500)], { keepsDays: 90, handsMinutes: 10 }),
    recipe('toffee', [line('sugar', 300), line('nut', 100)], { handsMinutes: 35, hygroscopic: true }),
  ],
  pieces: [
    piece(
      'truffle',
      {
        kind: 'dipped',
        centre: { kind: 'rolled', recipeId: 'ganache', centreGrams: 12 },
        coatingRecipeId: 'coating',
        coatingPercent: 25,
      },
      { keepsDays: 14, handSeconds: 30 },
    ),
    piece(
      'shard',
      { kind: 'broken', recipeId: 'toffee', crumbsPercent: 5, servingGrams: 15 },
      { keepsDays: 30, handSeconds: 5 },
    ),
  ],
  boxes: [
    box('mixed', ['truffle', 'shard', 'truffle'], { packMinutes: 3 }),
    box('bag', ['shard', 'shard'], { packMinutes: 1 }),
  ],
};

describe('the season solved', () => {
  const anyOrders = fc.array(
    fc.record({
      mixed: fc.integer({ min: 1, max: 8 }),
      bag: fc.integer({ min: 0, max: 6 }),
      in: fc.integer({ min: 8, max: 26 }),
    }),
    { minLength: 1, maxLength: 4 },
  );
  const ordersOf = (list: readonly { mixed: number; bag: number; in: number }[]) =>
    list.map((each, index) => {
      const day = new Date(Date.parse(TODAY) + each.in * 86_400_000).toISOString().slice(0, 10);
      return order(`o${String(index)}`, { mixed: each.mixed, ...(each.bag > 0 ? { bag: each.bag } : {}) }, day);
    });

  it('keeps every rule, whatever the orders, and is never dearer than what was proven', async () => {
    const humid = [{ day: '2026-12-05', hours: null, helperHours: 0, humid: true }];
    const book = bookOf({ ...pantry, kitchen: { ...bench, dayChanges: humid } });
    await fc.assert(
      fc.asyncProperty(anyOrders, async (list) => {
        const orders = ordersOf(list);
        const { guide, objective, bound, status, clash } = await solveSeason({ book, orders, today: TODAY }, solver, {
          gap: 0.01,
          seconds: 10,
        });
        if (status === 'impossible') {
          expect(clash.length).toBeGreaterThan(0);
          return;
        }
        expect(bound).toBeLessThanOrEqual(objective + 1e-6);
        const plan = planSeason(book, orders, TODAY, guide ?? undefined);
        expect(verifyPlan(plan, book, orders, TODAY)).toEqual([]);
        // The plan on the screen is the one that was found.
        expect(plan.makings.reduce((sum, { batchCount }) => sum + batchCount, 0)).toBeLessThanOrEqual(
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
          const { objective, status } = await solveSeason({ book, orders, today: TODAY }, solver);
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

  it('never costs less with one order more, and stays where it was when nothing changes', async () => {
    const book = bookOf({ ...pantry, kitchen: bench });
    const orders = [order('a', { mixed: 4 }, '2026-12-05'), order('b', { mixed: 3, bag: 4 }, '2026-12-12')];
    const less = await solveSeason({ book, orders: orders.slice(0, 1), today: TODAY }, solver);
    const more = await solveSeason({ book, orders, today: TODAY }, solver);
    expect(more.objective).toBeGreaterThanOrEqual(less.objective - 1e-6);
    const again = await solveSeason({ book, orders, today: TODAY, before: more.guide }, solver);
    expect(again.guide?.batches).toEqual(more.guide?.batches);
  });

  it('leaves a pinned making where the maker wants it', async () => {
    const book = bookOf({ ...pantry, kitchen: bench });
    const orders = [order('a', { bag: 6 }, '2026-12-12')];
    const { guide } = await solveSeason({ book, orders, today: TODAY }, solver);
    const [toffee] = guide?.batches ?? [];
    if (!guide || !toffee) throw new Error('nothing to pin');
    const other = ['2026-12-01', '2026-12-03'].find((day) => day !== toffee.day) ?? '';
    const pinned: Guide = {
      ...guide,
      batches: [{ ...toffee, day: other }],
      pins: [{ recipeId: 'toffee', day: other }],
    };
    const again = await solveSeason({ book, orders, today: TODAY, before: pinned }, solver);
    const plan = planSeason(book, orders, TODAY, again.guide ?? undefined);
    expect(plan.makings).toMatchObject([{ recipeId: 'toffee', day: other, pinned: true }]);
  });

  it('says what clashes when a season is impossible, and what would make it possible, with a price', async () => {
    const book = bookOf({ ...pantry, kitchen: { ...bench, overtimeMinutes: 0 } });
    const orders = [order('a', { bag: 400 }, '2026-12-04')];
    const { status, guide, clash, waysOut } = await solveSeason({ book, orders, today: TODAY }, solver);
    expect([status, guide]).toEqual(['impossible', null]);
    expect(clash.at(-1)).toBe('Friday 4 December wants 800 × shard');
    expect(clash.some((each) => each.includes('minutes of hands'))).toBe(true);
    expect(waysOut[0]).toMatch(/^Work or hire \d+ minutes more: about \$/);
  });
});

describe('a plan that follows a guide', () => {
  const book = bookOf({ ...pantry, kitchen: bench });
  const orders = [order('a', { mixed: 4 }, '2026-12-05'), order('b', { mixed: 3, bag: 4 }, '2026-12-12')];

  it('keeps its days when an order is added, and serves it too', async () => {
    const { guide } = await solveSeason({ book, orders, today: TODAY }, solver);
    const more = [...orders, order('c', { mixed: 1 }, '2026-12-12'), order('d', { bag: 2 }, '2026-12-19')];
    const plan = planSeason(book, more, TODAY, guide ?? undefined);
    const before = new Set(
      planSeason(book, orders, TODAY, guide ?? undefined).makings.map(({ recipeId, day }) => `${recipeId} ${day}`),
    );
    const after = new Set(plan.makings.map(({ recipeId, day }) => `${recipeId} ${day}`));
    expect([...before].filter((each) => !after.has(each))).toEqual([]);
    expect(verifyPlan(plan, book, more, TODAY)).toEqual([]);
  });

  it('is caught by the verifier when it is wrong', () => {
    const plan = planSeason(book, orders, TODAY);
    const broken = {
      ...plan,
      finishings: plan.finishings.map((each) => ({ ...each, count: each.count - 1, madeOn: '2026-11-01' })),
      makings: plan.makings.map((each) => ({ ...each, yieldGrams: 0, batches: [{ size: 3, count: 0.5 }] })),
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
