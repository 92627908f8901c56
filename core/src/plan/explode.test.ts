import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, box, ingredient, kitchen, line, order, piece, recipe, TODAY } from '../../testing/kitchen.js';
import { anyTruffleOrders, bench, trufflePantry } from '../../testing/truffles.js';
import { verifyPlan } from '../../testing/verify-plan.js';
import { guideOf } from './move.js';
import { planSeason } from './plan.js';
import type { Guide } from './guide.js';

const pantry = {
  ingredients: [ingredient('sugar')],
  recipes: [
    recipe('base', [line('sugar', 100)], { keepsDays: 6, batchSizes: [0.5, 1] }),
    recipe('fudge', [line(':base', 60), line('sugar', 40)], { handsMinutes: 30 }),
  ],
  pieces: [piece('square', { kind: 'rolled', recipeId: 'fudge', centreGrams: 25 }, { keepsDays: 20 })],
  boxes: [box('b', ['square'])],
};
const week = [2, 4, 6].map((weekday) => ({ weekday, hours: 4, begins: null }));
const book = bookOf({ ...pantry, kitchen: { ...kitchen, benchWeek: week } });
const orders = [order('a', { b: 6 }, '2026-12-05'), order('z', { b: 6 }, '2026-12-12')];
const NOTHING: Guide = { pieces: {}, components: {}, batches: [], pins: [] };
const made = (guide: Guide, of = orders) =>
  planSeason(book, of, TODAY, guide).runs.map(
    ({ recipeId, day, batches, pinned }) =>
      `${recipeId} ${day} ${batches.map(({ size, count }) => `${String(count)}x${String(size)}`).join(' ')}${pinned ? ' pinned' : ''}`,
  );
const on = (day: string, count: number) => ({ recipeId: 'fudge', day, size: 1, count });

describe('a plan that follows decisions', () => {
  it('makes on the fewest days, as late as it can, when nothing was decided', () => {
    expect(made(NOTHING)).toEqual(['fudge 2026-12-03 3x1', 'base 2026-12-03 2x1']);
  });

  it('divides a need over the days that were decided for it', () => {
    const guide: Guide = {
      ...NOTHING,
      pieces: {
        'square 2026-12-05': [
          { day: '2026-11-28', amount: 4 },
          { day: '2026-12-01', amount: 2 },
        ],
        'square 2026-12-12': [{ day: '2026-12-01', amount: 6 }],
      },
      batches: [on('2026-11-28', 1), on('2026-12-01', 2)],
    };
    expect(made(guide).filter((each) => each.startsWith('fudge'))).toEqual([
      'fudge 2026-11-28 1x1',
      'fudge 2026-12-01 2x1',
    ]);
  });

  it('gives what it does not know of to the latest of its days that will do, and makes no more than it must', () => {
    const guide: Guide = {
      ...NOTHING,
      pieces: { 'square 2026-12-05': [{ day: '2026-12-01', amount: 6 }] },
      batches: [on('2026-11-28', 5), on('2026-12-01', 2)],
    };
    // Six squares of the second order go to 1 December, too: twelve are three batches; nothing is left for 28 November to do.
    expect(made(guide).filter((each) => each.startsWith('fudge'))).toEqual(['fudge 2026-12-01 3x1']);
  });

  it('makes a pinned number of batches even where fewer would do, and nothing on a day that has passed', () => {
    const pinned: Guide = {
      ...NOTHING,
      pieces: { 'square 2026-12-05': [{ day: '2026-12-01', amount: 6 }] },
      batches: [on('2026-12-01', 4), on('2026-11-20', 9)],
      pins: [
        { recipeId: 'fudge', day: '2026-12-01' },
        { recipeId: 'fudge', day: '2026-11-20' },
      ],
    };
    expect(made(pinned, orders.slice(0, 1)).filter((each) => each.startsWith('fudge'))).toEqual([
      'fudge 2026-12-01 4x1 pinned',
    ]);
  });

  it('takes components from the batches that are really made, not from what is eaten', () => {
    const plan = planSeason(book, orders, TODAY);
    const batches = plan.runs
      .filter(({ recipeId }) => recipeId === 'fudge')
      .reduce((sum, each) => sum + each.batchCount, 0);
    const taken = plan.runs
      .filter(({ recipeId }) => recipeId === 'base')
      .flatMap(({ pegs }) => pegs)
      .reduce((sum, { grams }) => sum + grams, 0);
    expect(taken).toBeCloseTo(batches * 60, 6);
  });

  it('leaves the pieces of an order that no day can serve, and serves the others', () => {
    const late = [...orders, order('late', { b: 1 }, '2026-11-26')];
    const plan = planSeason(book, late, TODAY);
    expect(plan.findings.filter(({ code }) => code === 'too-late').map(({ about }) => about.id)).toEqual(['late']);
    expect(plan.finishings.reduce((sum, { count }) => sum + count, 0)).toBe(12);
  });

  it('keeps every rule but the hours, whatever was decided about other orders', () => {
    const truffles = bookOf({ ...trufflePantry, kitchen: { ...bench, overtimeMinutes: 240 } });
    fc.assert(
      fc.property(anyTruffleOrders(), anyTruffleOrders(), (before, now) => {
        const guide = guideOf(planSeason(truffles, before, TODAY), []);
        const plan = planSeason(truffles, now, TODAY, guide);
        const wrong = verifyPlan(plan, truffles, now, TODAY).filter((each) => !/ minutes$/.test(each));
        expect(wrong).toEqual([]);
        // The same decisions give the same plan.
        expect(planSeason(truffles, now, TODAY, guide)).toEqual(plan);
      }),
      { numRuns: 60 },
    );
  });
});
