import { describe, expect, it } from '@jest/globals';
import {
  bookOf,
  box,
  ingredient,
  kitchen,
  line,
  order,
  piece,
  recipe,
  TODAY,
  different,
} from '../../testing/kitchen.js';
import { followsGuide, guideOf, moveRun, whyNotTo, whyThen } from './move.js';
import { planSeason } from './plan.js';
import type { Guide } from './guide.js';

const book = bookOf({
  ingredients: [ingredient('sugar')],
  recipes: [recipe('toffee', [line('sugar', 100)], { handsMinutes: 60, hygroscopic: true })],
  pieces: [piece('shard', { kind: 'rolled', recipeId: 'toffee', centreGrams: 25 }, { keepsDays: 12 })],
  boxes: [box('bag', ['shard'])],
  kitchen: {
    ...kitchen,
    benchWeek: [2, 4, 6].map((weekday) => ({ weekday, hours: 2, begins: null })),
    dayChanges: [different('2026-12-03', { humid: true })],
  },
});
const orders = [order('a', { bag: 4 }, '2026-12-05'), order('z', { bag: 8 }, '2026-12-12')];
const guide: Guide = {
  pieces: {
    'shard 2026-12-05': [{ day: '2026-12-01', amount: 4 }],
    'shard 2026-12-12': [{ day: '2026-12-08', amount: 8 }],
  },
  components: {},
  batches: [
    { recipeId: 'toffee', day: '2026-12-01', size: 1, count: 1 },
    { recipeId: 'toffee', day: '2026-12-08', size: 1, count: 2 },
  ],
  pins: [],
};
const plan = planSeason(book, orders, TODAY, guide);
const why = (from: string, to: string) => whyNotTo(plan, 'toffee', from, to, book, TODAY);

describe('a run that is moved', () => {
  it('goes where all of its uses can be served, and says each reason why it cannot', () => {
    expect(why('2026-12-01', '2026-11-28')).toEqual([]);
    expect(why('2026-12-01', '2026-11-24')).toContain('Tuesday 24 November has passed.');
    expect(why('2026-12-01', '2026-12-02')).toEqual(['Wednesday 2 December is no bench day.']);
    expect(why('2026-12-01', '2026-12-03')).toEqual(['toffee draws damp, and Thursday 3 December is humid.']);
    expect(why('2026-12-01', '2026-12-05')).toEqual([
      'That is too late for shard for Saturday 5 December: toffee must be made by Thursday 3 December.',
    ]);
    // Twelve days of life, five of them promised: seven before the hand-over at most.
    expect(why('2026-12-08', '2026-12-01')).toEqual([
      'That is too early for shard for Saturday 12 December: what is made before Saturday 5 December does not keep.',
    ]);
    expect(whyNotTo(plan, 'toffee', '2026-12-02', '2026-12-01', book, TODAY)).toEqual([
      'That making is not in the plan any more.',
    ]);
  });

  it('takes its uses with it and is pinned there', () => {
    const moved = moveRun(guide, 'toffee', '2026-12-01', '2026-11-28', plan);
    expect(moved.pieces['shard 2026-12-05']).toEqual([{ day: '2026-11-28', amount: 4 }]);
    expect(moved.pieces['shard 2026-12-12']).toEqual(guide.pieces['shard 2026-12-12']);
    expect(moved.pins).toEqual([{ recipeId: 'toffee', day: '2026-11-28' }]);
    const after = planSeason(book, orders, TODAY, moved);
    expect(followsGuide(after, moved, book)).toBe(true);
    expect(after.runs.map(({ day, pinned }) => [day, pinned])).toEqual([
      ['2026-11-28', true],
      ['2026-12-08', false],
    ]);
    // And back again, its pin with it.
    const back = moveRun(guideOf(after, moved.pins), 'toffee', '2026-11-28', '2026-12-01', after);
    expect(back.pins).toEqual([{ recipeId: 'toffee', day: '2026-12-01' }]);
    expect(planSeason(book, orders, TODAY, back).runs.map(({ day }) => day)).toEqual(['2026-12-01', '2026-12-08']);
  });

  it('adds up with what is made on the other day already', () => {
    const near = [order('a', { bag: 4 }, '2026-12-05'), order('b', { bag: 4 }, '2026-12-05')];
    const two: Guide = {
      ...guide,
      pieces: {
        'shard 2026-12-05': [
          { day: '2026-11-28', amount: 4 },
          { day: '2026-12-01', amount: 4 },
        ],
      },
      batches: ['2026-11-28', '2026-12-01'].map((day) => ({ recipeId: 'toffee', day, size: 1, count: 1 })),
    };
    const before = planSeason(book, near, TODAY, two);
    const moved = moveRun(two, 'toffee', '2026-11-28', '2026-12-01', before);
    expect(moved.batches).toEqual([{ recipeId: 'toffee', day: '2026-12-01', size: 1, count: 2 }]);
    expect(moved.pieces['shard 2026-12-05']).toEqual([{ day: '2026-12-01', amount: 8 }]);
  });
});

describe('why a run is where it is', () => {
  it('names what it is needed for, what does not keep, and what is wrong with the other days', () => {
    expect(whyThen(plan, 'toffee', '2026-12-01', book, TODAY)).toBe(
      'It is needed for shard by Thu 3 Dec; what is made before Sat 28 Nov does not keep for shard; Thu 3 Dec is humid; Sat 28 Nov would also work.',
    );
    expect(whyThen(plan, 'toffee', '2026-12-08', book, TODAY)).toContain('Sat 5 Dec and Thu 10 Dec');
    expect(whyThen(plan, 'toffee', '2026-12-02', book, TODAY)).toBe('');
  });

  it('says that it is pinned, and that there is no other day', () => {
    const one = bookOf({
      ingredients: [ingredient('sugar')],
      recipes: [recipe('toffee', [line('sugar', 100)])],
      pieces: [piece('shard', { kind: 'rolled', recipeId: 'toffee', centreGrams: 25 }, { keepsDays: 12 })],
      boxes: [box('bag', ['shard'])],
      kitchen: { ...kitchen, benchWeek: [{ weekday: 6, hours: 2, begins: null }] },
    });
    const pinned: Guide = {
      pieces: { 'shard 2026-12-05': [{ day: '2026-11-28', amount: 4 }] },
      components: {},
      batches: [{ recipeId: 'toffee', day: '2026-11-28', size: 1, count: 1 }],
      pins: [{ recipeId: 'toffee', day: '2026-11-28' }],
    };
    const alone = planSeason(one, orders.slice(0, 1), TODAY, pinned);
    expect(whyThen(alone, 'toffee', '2026-11-28', one, TODAY)).toMatch(
      /^You pinned it here\. It is needed for shard by .*; no other bench day lies between\.$/,
    );
  });
});
