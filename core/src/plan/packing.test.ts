import { describe, expect, it } from '@jest/globals';
import { bookOf, box, ingredient, kitchen, line, order, piece, recipe, TODAY } from '../../testing/kitchen.js';
import { bookPacking, boxDemand, pieceDemand, settle } from './index.js';

const pantry = {
  ingredients: [ingredient('sugar'), ingredient('nut', { contains: ['peanut'] })],
  recipes: [recipe('fudge', [line('sugar', 100)]), recipe('crisp', [line('nut', 100)])],
  pieces: [
    piece('square', { kind: 'rolled', recipeId: 'fudge', centreGrams: 25 }),
    piece('bar', { kind: 'rolled', recipeId: 'crisp', centreGrams: 25 }),
  ],
  boxes: [box('plain', ['square'], { packMinutes: 3 }), box('mixed', ['square', 'bar'], { packMinutes: 5 })],
};
const packed = (orders: Parameters<typeof boxDemand>[0], benchWeek: { weekday: number; hours: number }[]) => {
  const book = bookOf({ ...pantry, kitchen: { ...kitchen, benchWeek } });
  const boxes = boxDemand(orders, book);
  return bookPacking(boxes, settle(pieceDemand(boxes, book), [], book, TODAY).outside, book, TODAY);
};

describe('packing', () => {
  it('is done on the last bench day before the hand-over, equal boxes together', () => {
    const { minutes, packs } = packed(
      [order('a', { plain: 2 }, '2026-12-07'), order('b', { plain: 1, mixed: 1 }, '2026-12-07')],
      [{ weekday: 6, hours: 5 }],
    );
    expect([...minutes]).toEqual([['2026-12-05', 3 * 3 + 5]]);
    expect(packs.get('2026-12-05')).toMatchObject([
      { boxName: 'plain', count: 3, minutes: 9, nuts: 'no nuts' },
      { boxName: 'mixed', count: 1, minutes: 5, nuts: 'peanut' },
    ]);
  });

  it('is done the day before when there is no bench day near, and today when it is due today', () => {
    const sundays = [{ weekday: 0, hours: 5 }];
    expect([...packed([order('a', { plain: 1 }, '2026-12-05')], sundays).minutes.keys()]).toEqual(['2026-11-29']);
    expect([...packed([order('a', { plain: 1 }, '2026-12-05')], []).minutes.keys()]).toEqual(['2026-12-04']);
  });

  it('leaves out what cannot be made any more', () => {
    const { minutes } = packed([order('a', { plain: 1 }, '2026-11-26')], [{ weekday: 6, hours: 5 }]);
    expect([...minutes]).toEqual([]);
  });
});
