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
import { planSeason } from './plan.js';

const week = [
  { weekday: 2, hours: 2, begins: null },
  { weekday: 6, hours: 3, begins: null },
];
const square = piece('square', { kind: 'rolled', recipeId: 'fudge', centreGrams: 25 }, { keepsDays: 30 });
const pantry = {
  ingredients: [ingredient('sugar', { packs: [{ name: 'bag', amount: 1, unit: 'kg', priceMinor: 200 }] })],
  recipes: [recipe('fudge', [line('sugar', 100)], { handsMinutes: 40 })],
  pieces: [square],
  boxes: [box('b', ['square'])],
};
const found = (more: Parameters<typeof bookOf>[0], orders = [order('a', { b: 4 }, '2026-12-05')]) =>
  planSeason(bookOf({ ...pantry, ...more }), orders, TODAY).findings;
const codes = (more: Parameters<typeof bookOf>[0], orders?: Parameters<typeof found>[1]) =>
  found(more, orders).map(({ code }) => code);
const bench = { ...kitchen, benchWeek: week };

describe('what stands in the way of a plan', () => {
  it('says that no bench days are set, once and mildly', () => {
    const [first] = found({}).filter(({ code }) => code === 'no-bench-days');
    expect(first).toMatchObject({ severity: 'know', waysOut: [{ label: 'Open the settings' }] });
    expect(codes({ kitchen: bench })).not.toContain('no-bench-days');
  });

  it('says that no bench day is left', () => {
    const lost = different('2026-11-28', { hours: 0 });
    const rest = ['2026-12-01', '2026-12-05'].map((day) => ({ ...lost, day }));
    expect(codes({ kitchen: { ...bench, dayChanges: [lost, ...rest] } })).toEqual(
      expect.arrayContaining(['no-day-left', 'too-late']),
    );
  });

  it('says that the work is more than all bench days, and plans it nevertheless', () => {
    const [beyond] = found({ kitchen: bench }, [order('a', { b: 200 }, '2026-12-05')]).filter(
      ({ code }) => code === 'beyond-capacity',
    );
    expect(beyond?.message).toMatch(/^The orders take 33 h 20 min, and all bench days together have/);
    expect(beyond?.waysOut.map(({ action }) => action.kind)).toEqual(['plan-again', 'open']);
  });

  it('offers a day with room for what is over the hours of its own', () => {
    const late = { ...bench, benchWeek: [...week, { weekday: 4, hours: 0.5, begins: null }], packingLeadDays: 2 };
    const guide = {
      pieces: { 'square 2026-12-05': [{ day: '2026-11-26', amount: 4 }] },
      components: {},
      batches: [{ recipeId: 'fudge', day: '2026-11-26', size: 1, count: 1 }],
      pins: [],
    };
    const plan = planSeason(bookOf({ ...pantry, kitchen: late }), [order('a', { b: 4 }, '2026-12-05')], TODAY, guide);
    const [over] = plan.findings.filter(({ code }) => code === 'day-over');
    expect(over?.message).toBe('Thursday 26 November is 10 min over its 30 min.');
    expect(over?.waysOut[0]).toEqual({
      label: 'Make fudge on Saturday 28 November',
      action: { kind: 'move-run', recipeId: 'fudge', from: '2026-11-26', to: '2026-11-28' },
    });
  });

  it('names a recipe that rests longer than it keeps', () => {
    const recipes = [recipe('fudge', [line('sugar', 100)], { restDays: 3, keepsDays: 2 })];
    const [rests] = found({ recipes }).filter(({ code }) => code === 'rests-too-long');
    expect(rests?.message).toBe('fudge rests 3 days and keeps 2: it is never fit to be used.');
  });

  it('notices a clock that was set back', () => {
    const at = (when: string) => [
      order('a', { b: 4 }, '2026-12-05', { history: [{ state: 'asked', at: `${when}T10:00:00Z` }] }),
    ];
    expect(codes({}, at('2026-11-26'))).not.toContain('clock-set-back');
    expect(found({}, at('2026-12-01')).find(({ code }) => code === 'clock-set-back')?.message).toContain(
      'it is Wednesday 25 November, but something was written down on Tuesday 1 December',
    );
  });

  it('says what had to be ordered before today, and what spoils in the pantry', () => {
    const packs = [{ name: 'bag', amount: 1, unit: 'kg' as const, priceMinor: 200, leadDays: 20 }];
    expect(codes({ ingredients: [ingredient('sugar', { packs })] })).toContain('buy-late');
    const lots = [{ grams: 50, useBy: '2026-11-26' }];
    const spoils = ingredient('sugar', { ...pantry.ingredients[0], lots, onHandGrams: 50 });
    expect(found({ ingredients: [spoils] }).find(({ code }) => code === 'stock-spoils')?.message).toBe(
      '50 g of sugar in the pantry pass their use-by before anything takes them.',
    );
  });

  it('leaves nothing of a plan whose recipes go round in a circle, and says so', () => {
    const recipes = [recipe('fudge', [line(':base', 100)]), recipe('base', [line(':fudge', 100)])];
    expect(codes({ recipes })).toContain('recipe-cycle');
  });
});
