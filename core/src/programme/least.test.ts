import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, ingredient, line, piece, recipe } from '../../testing/kitchen.js';
import { addDays } from '../quantity/index.js';
import { leastMade, type SpannedDemand } from './least.js';
import { byLowLevelCode } from '../plan/index.js';

const book = bookOf({
  ingredients: [ingredient('sugar'), ingredient('dark')],
  recipes: [
    recipe('base', [line('dark', 1000)], { batchSizes: [0.5, 1, 2], keepsDays: 4 }),
    recipe('ganache', [line(':base', 480), line('sugar', 20)], { batchSizes: [1], restDays: 1 }),
    recipe('coating', [line('dark', 500)], { keepsDays: 90 }),
  ],
  pieces: [
    piece('truffle', {
      kind: 'dipped',
      centre: { kind: 'rolled', recipeId: 'ganache', centreGrams: 10 },
      coatingRecipeId: 'coating',
      coatingPercent: 25,
    }),
  ],
});
const truffle = book.pieces.get('truffle');
if (!truffle) throw new Error('no truffle');

const need = (count: number, from: string, days: number): SpannedDemand => ({
  facts: truffle,
  count,
  from,
  to: addDays(from, days),
  finishFrom: addDays(from, 1),
  finishTo: addDays(from, days + 1),
});

describe('what must at least be made', () => {
  it('is whole batches within each span, and what those take of their components before', () => {
    const least = leastMade([need(60, '2026-12-01', 2), need(30, '2026-12-10', 2)], book);
    // 50 truffles of 10 g to the batch of 500 g: two for the first span, one for the second, and no fewer for both
    expect(least.get('ganache')?.map(({ from, to, batches }) => [from, to, batches])).toEqual(
      expect.arrayContaining([
        ['2026-12-01', '2026-12-03', 2],
        ['2026-12-10', '2026-12-12', 1],
      ]),
    );
    // Two batches take 960 g of base, made from four days before the first day until the last
    expect(least.get('base')).toContainEqual({ from: '2026-11-27', to: '2026-12-03', multiple: 1, batches: 1 });
    // 60 truffles of 10 g carry 200 g of coating, of 500 g the batch
    expect(least.get('coating')?.[0]).toMatchObject({ multiple: 1, batches: 1 });
  });

  it('never asks for more than a plan that makes everything on one day of each span', () => {
    const spans = fc.array(
      fc.record({
        count: fc.integer({ min: 1, max: 200 }),
        on: fc.integer({ min: 0, max: 20 }),
        days: fc.integer({ min: 0, max: 6 }),
      }),
      { minLength: 1, maxLength: 6 },
    );
    fc.assert(
      fc.property(spans, fc.nat(6), (list, place) => {
        const demand = list.map(({ count, on, days }) => need(count, addDays('2026-12-01', on), days));
        const made = new Map<string, number>();
        demand.forEach(({ from, to, count }, index) => {
          const day = addDays(from, Math.min(place, list[index]?.days ?? 0));
          expect(day <= to).toBe(true);
          made.set(day, (made.get(day) ?? 0) + count);
        });
        for (const { from, to, batches } of leastMade(demand, book).get('ganache') ?? []) {
          const within = [...made].filter(([day]) => day >= from && day <= to);
          expect(within.reduce((sum, [, count]) => sum + Math.ceil(count / 50), 0)).toBeGreaterThanOrEqual(batches);
        }
      }),
    );
  });

  it('goes through the recipes so that each comes after all that needs it', () => {
    const order = byLowLevelCode(book);
    expect(order.indexOf('ganache')).toBeLessThan(order.indexOf('base'));
    expect(order.indexOf('ganache')).toBeLessThan(order.indexOf('coating'));
  });
});
