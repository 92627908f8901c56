import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, box, ingredient, line, order, piece, recipe } from '../../testing/kitchen.js';
import { dueOf, moneyOf, payDue, sayOwed, withPayment } from './payments.js';
import { orderStates } from './schema.js';

const book = bookOf({
  ingredients: [ingredient('sugar')],
  recipes: [recipe('fudge', [line('sugar', 100)])],
  pieces: [piece('square', { kind: 'rolled', recipeId: 'fudge', centreGrams: 10 })],
  boxes: [box('tin', ['square'], { priceMinor: 3000 })],
});
const ON = '2026-12-05';
const tin = order('a', { tin: 1 }, ON);

describe('what is paid', () => {
  it('has nothing to do with the state: what is packed or handed over may still be owed', () => {
    for (const state of orderStates.filter((each) => each !== 'cancelled'))
      expect(dueOf({ ...tin, state }, book)).toBe(3000);
  });

  it('is the deposit and every payment, less what was given back', () => {
    const paid = [1000, -400].reduce((each, minor) => withPayment(each, { on: ON, minor, way: 'cash', note: '' }), {
      ...tin,
      depositMinor: 500,
    });
    expect(moneyOf(paid, book)).toEqual({ price: 3000, paid: 1100, due: 1900, over: 0 });
  });

  it('is all of it where only that is known, whatever the price is then', () => {
    const settled = withPayment(tin, { on: ON, minor: null, way: 'other', note: '' });
    expect(moneyOf(settled, book)).toMatchObject({ paid: 3000, due: 0, over: 0 });
    // What is given back then counts, and what was paid is said of what is cancelled.
    const back = withPayment(settled, { on: ON, minor: -500, way: 'cash', note: '' });
    expect(moneyOf(back, book)).toMatchObject({ paid: 2500, due: 500 });
    expect(moneyOf({ ...settled, state: 'cancelled' }, book)).toMatchObject({ due: 0, over: 3000 });
  });

  it('is said of what was cancelled, since it may have to be given back', () => {
    const cancelled = { ...tin, depositMinor: 1200, state: 'cancelled' as const };
    expect(moneyOf(cancelled, book)).toMatchObject({ due: 0, over: 1200 });
    expect(sayOwed(moneyOf(cancelled, book), true, 'USD')).toBe('$12.00 was paid');
  });

  it('is never due any more after one press, and the press adds exactly what was due', () => {
    fc.assert(
      fc.property(
        fc.nat({ max: 5000 }),
        fc.array(fc.integer({ min: -2000, max: 4000 }).filter(Boolean)),
        (depositMinor, list) => {
          const before = list.reduce((each, minor) => withPayment(each, { on: ON, minor, way: 'card', note: '' }), {
            ...tin,
            depositMinor,
          });
          const { due } = moneyOf(before, book);
          const after = payDue(before, book, ON, 'cash');
          expect(dueOf(after, book)).toBe(0);
          expect(moneyOf(after, book).paid - moneyOf(before, book).paid).toBe(due);
          // A second press takes no money twice.
          expect(payDue(after, book, ON, 'cash')).toEqual(after);
        },
      ),
    );
  });
});
