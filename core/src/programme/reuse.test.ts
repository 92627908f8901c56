import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, box, ingredient, line, order, piece, recipe, TODAY } from '../../testing/kitchen.js';
import { solver } from '../../testing/solver.js';
import { bench } from '../../testing/truffles.js';
import { buildProgramme } from './programme.js';
import { programmeInput } from './question.js';
import { reuse, reuseOf } from './reuse.js';

const pack = (priceMinor: number) => ({ packs: [{ name: 'bag', amount: 1, unit: 'kg' as const, priceMinor }] });
const kitchenOf = (leftOverSoldPercent: number, { priceMinor = 2000, keepsDays = 30 } = {}) =>
  bookOf({
    kitchen: { ...bench, leftOverSoldPercent, promisedDays: 5 },
    ingredients: [ingredient('sugar', pack(4000))],
    recipes: [
      recipe('fudge', [line('sugar', 100)], { batchSizes: [1, 3], handsMinutes: 10 }),
      recipe('paste', [line('sugar', 100)]),
      recipe('filling', [line(':paste', 100)]),
      recipe('brittle', [line('sugar', 100)], { keepsDays: 90 }),
    ],
    pieces: [piece('square', { kind: 'rolled', recipeId: 'fudge', centreGrams: 25 }, { keepsDays })],
    boxes: [box('squares', ['square', 'square'], { priceMinor })],
  });
const reusedOf = (id: string, book: ReturnType<typeof kitchenOf>): number => {
  const facts = book.recipes.get(id);
  if (!facts) throw new Error(`no ${id}`);
  return reuseOf(id, facts, book);
};

describe('what is left over', () => {
  it('counts by what it can still become', () => {
    const book = kitchenOf(0);
    expect(reusedOf('fudge', book)).toBe(reuse.nothing);
    expect(reusedOf('paste', book)).toBe(reuse.component);
    expect(reusedOf('brittle', book)).toBe(reuse.stock);
  });

  it('counts by what is sold of it, where it keeps and its box pays', () => {
    expect(reusedOf('fudge', kitchenOf(40))).toBe(0.4);
    expect(reusedOf('paste', kitchenOf(40))).toBe(reuse.component);
    expect(reusedOf('fudge', kitchenOf(40, { keepsDays: 5 }))).toBe(reuse.nothing);
    expect(reusedOf('fudge', kitchenOf(40, { priceMinor: 100 }))).toBe(reuse.nothing);
  });

  it('never makes it pay to make what nobody has ordered', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 100 }), (percent) => {
        expect(reusedOf('fudge', kitchenOf(percent))).toBeLessThan(1);
      }),
    );
  });

  it('may be more in a plan where it finds a buyer: one large batch instead of two small ones', async () => {
    // Six squares: a batch of three leaves six over and takes 10 minutes less than two of one.
    const madeWith = async (percent: number) => {
      const book = kitchenOf(percent);
      const orders = [order('a', { squares: 3 }, '2026-11-29')];
      const { model, decode } = buildProgramme(programmeInput({ book, orders, today: TODAY }));
      const { values } = await solver(model);
      return decode(values).batches.map(({ size, count }) => [size, count]);
    };
    expect(await madeWith(0)).toEqual([[1, 2]]);
    expect(await madeWith(80)).toEqual([[3, 1]]);
  });
});
