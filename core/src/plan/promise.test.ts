import { describe, expect, it } from '@jest/globals';
import { bookOf, box, ingredient, kitchen, line, order, piece, recipe, TODAY } from '../../testing/kitchen.js';
import { promiseCheck } from './index.js';

const book = bookOf({
  kitchen: {
    ...kitchen,
    benchWeek: [
      { weekday: 2, hours: 3.5 },
      { weekday: 6, hours: 7 },
    ],
  },
  ingredients: [ingredient('sugar')],
  recipes: [recipe('fudge', [line('sugar', 1000)], { handsMinutes: 50 })],
  pieces: [piece('square', { kind: 'rolled', recipeId: 'fudge', centreGrams: 20 }, { keepsDays: 21 })],
  boxes: [box('box', ['square'])],
});
const asked = (count: number, on: string) => order('asked', { box: count }, on);

describe('a promise', () => {
  it('is feasible where there is room, and says so for that very day', () => {
    expect(promiseCheck(book, [], asked(100, '2026-12-05'), TODAY)).toEqual({
      verdict: 'feasible',
      why: [],
      toSettle: [],
      earliest: '2026-12-05',
    });
  });

  it('is tight when a day is nearly full with it', () => {
    // Eight batches of 50 are 400 of the 420 minutes of Saturday
    const check = promiseCheck(book, [], asked(400, '2026-12-01'), TODAY);
    expect(check).toMatchObject({ verdict: 'tight', earliest: '2026-12-01' });
    expect(check.why).toEqual(['Saturday 28 November would be booked for 6 h 40 min of its 7 h.']);
  });

  it('is not feasible when it takes a day over its hours; the earliest day that is holds', () => {
    const others = [order('first', { box: 350 }, '2026-12-01')];
    const check = promiseCheck(book, others, asked(200, '2026-12-01'), TODAY);
    expect(check.verdict).toBe('not feasible');
    expect(check.why[0]).toMatch(/^Saturday 28 November would be .* over its 7 h\.$/);
    if (check.earliest === null) throw new Error('no day was found');
    expect(check.earliest > '2026-12-01').toBe(true);
    expect(promiseCheck(book, others, asked(200, check.earliest), TODAY).verdict).not.toBe('not feasible');
  });

  it('cannot be given for a day that has passed, nor for more than any day holds', () => {
    expect(promiseCheck(book, [], asked(10, '2026-11-20'), TODAY).why[0]).toBe('Friday 20 November has passed.');
    expect(promiseCheck(book, [], asked(500, '2026-11-25'), TODAY).verdict).toBe('not feasible');
    const never = order('asked', { box: 500 }, '2026-12-05', { lines: [{ boxId: 'lost', count: 1 }] });
    expect(promiseCheck(book, [], never, TODAY)).toMatchObject({ verdict: 'not feasible', earliest: null });
  });

  it('is never given without a word above an exclusion that a box breaks', () => {
    const nutty = bookOf({
      ingredients: [ingredient('nut', { contains: ['pecan'] })],
      recipes: [recipe('bark', [line('nut', 1000)])],
      pieces: [piece('shard', { kind: 'rolled', recipeId: 'bark', centreGrams: 20 })],
      boxes: [box('box', ['shard'])],
    });
    const check = (more: Parameters<typeof order>[3]) =>
      promiseCheck(nutty, [], order('asked', { box: 1 }, '2026-12-05', more), TODAY);
    expect(check({})).toMatchObject({ verdict: 'feasible', toSettle: [] });
    expect(check({ exclusions: ['nuts'] })).toMatchObject({
      verdict: 'feasible',
      toSettle: ['The customer wants no nuts (tree nuts and peanuts), but box contains pecans (shard).'],
    });
    expect(check({ exclusions: ['nuts'], agreed: [{ boxId: 'box', exclusion: 'nuts' }] }).toSettle).toEqual([]);
  });

  it('does not count an order twice that is stored already', () => {
    const stored = asked(400, '2026-12-01');
    expect(promiseCheck(book, [stored], stored, TODAY).verdict).toBe('tight');
  });
});
