import { describe, expect, it } from '@jest/globals';
import { bookOf, box, ingredient, kitchen, line, order, piece, recipe, TODAY } from '../../testing/kitchen.js';
import { bookPacking } from './packing.js';
import type { KitchenDraft } from '../kitchen/index.js';
import type { Book } from '../book/index.js';
import type { OrderFiled } from '../order/index.js';
import { ordersByDay } from './by-day.js';
import { boxDemand } from './demand.js';

const demandOf = (orders: readonly OrderFiled[], of: Book) => boxDemand(ordersByDay(orders, of), of);

const pantry = {
  ingredients: [ingredient('sugar'), ingredient('nut', { contains: ['peanut'] })],
  recipes: [recipe('fudge', [line('sugar', 100)]), recipe('crisp', [line('nut', 100)])],
  pieces: [
    piece('square', { kind: 'rolled', recipeId: 'fudge', centreGrams: 25 }),
    piece('bar', { kind: 'rolled', recipeId: 'crisp', centreGrams: 25 }),
  ],
  boxes: [box('plain', ['square'], { packMinutes: 3 }), box('mixed', ['square', 'bar'], { packMinutes: 5 })],
};
const packed = (orders: readonly OrderFiled[], benchWeek: KitchenDraft['benchWeek']) => {
  const book = bookOf({ ...pantry, kitchen: { ...kitchen, benchWeek } });
  const boxes = demandOf(orders, book);
  return bookPacking(boxes, [], book, TODAY);
};

describe('packing', () => {
  it('is done on the last bench day before the hand-over, equal boxes together', () => {
    const { minutes, packs } = packed(
      [order('a', { plain: 2 }, '2026-12-07'), order('b', { plain: 1, mixed: 1 }, '2026-12-07')],
      [{ weekday: 6, hours: 5, begins: null }],
    );
    expect([...minutes]).toEqual([['2026-12-05', 3 * 3 + 5]]);
    expect(packs.get('2026-12-05')).toMatchObject([
      { boxName: 'plain', count: 3, minutes: 9, nuts: 'no nuts', ruledOut: [] },
      { boxName: 'mixed', count: 1, minutes: 5, nuts: 'peanut', ruledOut: [] },
    ]);
  });

  it('is done the day before when there is no bench day near, and today when it is due today', () => {
    const sundays = [{ weekday: 0, hours: 5, begins: null }];
    expect([...packed([order('a', { plain: 1 }, '2026-12-05')], sundays).minutes.keys()]).toEqual(['2026-11-29']);
    expect([...packed([order('a', { plain: 1 }, '2026-12-05')], []).minutes.keys()]).toEqual(['2026-12-04']);
  });

  it('is never before what goes into the box is finished', () => {
    const book = bookOf({
      ...pantry,
      kitchen: { ...kitchen, benchWeek: [{ weekday: 6, hours: 5, begins: null }], packingLeadDays: 0 },
    });
    const boxes = demandOf([order('a', { plain: 1 }, '2026-12-05')], book);
    const on = (finished: { pieceId: string; handOver: string; day: string }[]) => [
      ...bookPacking(boxes, finished, book, TODAY).minutes.keys(),
    ];
    // With nothing to keep ahead, boxes are packed on the day on which they are handed over.
    expect(on([])).toEqual(['2026-12-05']);
    expect(on([{ pieceId: 'square', handOver: '2026-12-05', day: '2026-12-06' }])).toEqual(['2026-12-06']);
    expect(on([{ pieceId: 'bar', handOver: '2026-12-05', day: '2026-12-06' }])).toEqual(['2026-12-05']);
  });
});
