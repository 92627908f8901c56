import { describe, expect, it } from '@jest/globals';
import { bookOf, ingredient, line, recipe } from '../../testing/kitchen.js';
import { lackingFor } from './lacking.js';

const pack = { name: 'carton', amount: 500, unit: 'g' as const, priceMinor: 300 };
const lacking = (
  onHandGrams: number,
  batches: { size: number; on: string }[],
  lots: { grams: number; useBy: string }[] = [],
) => {
  const book = bookOf({
    ingredients: [
      ingredient('cream', { packs: [pack], onHandGrams, lots, keepsDays: 10 }),
      ingredient('water', { name: 'Water' }),
    ],
    recipes: [recipe('caramel', [line('cream', 200), line('water', 100)])],
  });
  const facts = book.recipes.get('caramel');
  return facts ? lackingFor(batches, facts, book.ingredients) : [];
};
const on = '2026-12-01';

describe('what was never on hand', () => {
  it('is asked for, with the packs that may have been opened; water from the tap is not', () => {
    expect(lacking(0, [{ size: 1, on }])).toMatchObject([
      { ingredientId: 'cream', grams: 200, packs: [{ name: 'carton', count: 1 }] },
    ]);
    expect(
      lacking(250, [
        { size: 1, on },
        { size: 2, on },
      ]),
    ).toMatchObject([{ grams: 350 }]);
    expect(lacking(200, [{ size: 1, on }])).toEqual([]);
  });

  it('counts what is past its day as not there', () => {
    expect(lacking(200, [{ size: 1, on }], [{ grams: 150, useBy: '2026-11-30' }])).toMatchObject([{ grams: 150 }]);
  });
});
