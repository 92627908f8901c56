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
import { benchHours, moveGuide, planSeason } from '../plan/index.js';
import { kitchenIf, ordersIf, sumOfPlan, whatIfSchema, withMoulds } from './what-if.js';
import { shoppingCsv, shoppingText } from '../format/index.js';

const change = whatIfSchema.parse({
  loseDays: ['2026-12-05'],
  helpers: [
    { day: '2026-12-08', hours: 2 },
    { day: '2026-12-12', hours: 1.5 },
  ],
  boxes: [{ boxId: 'b', count: 20, on: '2026-12-19' }],
  moulds: [{ pieceId: 'dome', count: 2 }],
});
const week = { ...kitchen, benchWeek: [{ weekday: 2, hours: 3, begins: null }, { weekday: 6, hours: 7, begins: null }] }; // prettier-ignore

describe('what if', () => {
  it('a day is lost and somebody helps: other days stay as they are', () => {
    const then = kitchenIf({ ...week, dayChanges: [different('2026-12-12', { helperHours: 1, humid: true })] }, change);
    expect(['2026-12-01', '2026-12-05', '2026-12-08', '2026-12-12'].map((day) => benchHours(day, then))).toEqual([
      3, 0, 5, 9.5,
    ]);
    expect(then.dayChanges.find(({ day }) => day === '2026-12-12')?.humid).toBe(true);
    expect(week.benchWeek).toHaveLength(2);
  });

  it('moulds are bought and boxes added, and nothing else changes', () => {
    const shell = { recipeId: 'r', shellPercent: 30, capPercent: 10 } as const;
    const dome = piece('dome', {
      kind: 'moulded',
      cavities: 24,
      cavityMl: 9,
      shell,
      layers: [{ recipeId: 'r', grams: 6 }],
    });
    const plain = piece('plain', { kind: 'rolled', recipeId: 'r', centreGrams: 10 });
    const [more, same] = withMoulds([dome, plain], week, change).pieces;
    expect(more?.form).toMatchObject({ moulds: 3 });
    expect(same).toBe(plain);
    // Where the kitchen lists moulds of that kind, there are more of them.
    const owned = { ...week, moulds: [{ name: 'Domes', cavities: 24, cavityMl: 9, count: 4 }] };
    const listed = withMoulds([dome, plain], owned, change);
    expect(listed.pieces).toEqual([dome, plain]);
    expect(listed.kitchen.moulds).toMatchObject([{ count: 6 }]);
    expect(ordersIf(change)).toMatchObject([
      { lines: [{ boxId: 'b', count: 20 }], handOver: { on: '2026-12-19' }, state: 'asked' },
    ]);
  });

  it('adds up what a plan comes to', () => {
    const book = bookOf({
      kitchen: week,
      ingredients: [
        ingredient('sugar', {
          packs: [{ name: 'bag', amount: 1, unit: 'kg', priceMinor: 250, supplier: '=Corner shop' }],
        }),
      ],
      recipes: [recipe('r', [line('sugar', 100)], { handsMinutes: 30 })],
      pieces: [piece('p', { kind: 'rolled', recipeId: 'r', centreGrams: 10 })],
      boxes: [box('b', ['p'])],
    });
    const plan = planSeason(book, [order('Ada', { b: 12 }, '2026-12-05'), order('Bo', { b: 1 }, '2026-11-26')], TODAY);
    expect(sumOfPlan(plan)).toMatchObject({
      batches: 2,
      handsMinutes: 60,
      overMinutes: 0,
      shoppingMinor: 250,
      broken: ['Bo'],
    });
    expect(shoppingCsv(plan.shopping, week).split('\r\n')[1]).toBe(
      `"'=Corner shop",sugar,bag,1,,${plan.runs[0]?.day ?? ''},2.50`,
    );
    expect(shoppingText(plan.shopping, week)).toMatch(/^=Corner shop\n\[ \] 1 x bag, sugar, by /);
  });
});

it('moves every day of what was decided', () => {
  const later = (day: string) => day.replace('-12-', '-01-').replace('2026', '2027');
  const guide = {
    pieces: { 'p 2026-12-12': [{ day: '2026-12-05', amount: 4 }] },
    components: { 'r 2026-12-08': [{ day: '2026-12-05', amount: 12.5 }] },
    batches: [{ recipeId: 'r', day: '2026-12-05', size: 1, count: 2 }],
    pins: [{ recipeId: 'r', day: '2026-12-05' }],
  };
  const moved = JSON.stringify(moveGuide(guide, later));
  expect(moved).not.toContain('2026-12');
  expect(moved).toBe(JSON.stringify(guide).replaceAll('2026-12', '2027-01'));
});
