import fc from 'fast-check';
import type { OrderFiled } from '../src/order/index.js';
import { addDays } from '../src/quantity/index.js';
import { box, ingredient, kitchen, line, order, piece, recipe, TODAY } from './kitchen.js';

/** A dipped truffle of a recipe, 12 g in its middle and a quarter of it coating. */
export const truffle = (more: Parameters<typeof piece>[2] = {}) =>
  piece(
    'truffle',
    {
      kind: 'dipped',
      centre: { kind: 'rolled', recipeId: 'ganache', centreGrams: 12 },
      coatingRecipeId: 'coating',
      coatingPercent: 25,
    },
    { keepsDays: 14, handSeconds: 30, ...more },
  );

/** Three short bench days a week, with overtime, getting ready and cleaning. */
export const bench = {
  ...kitchen,
  benchWeek: [
    { weekday: 2, hours: 2, begins: null },
    { weekday: 4, hours: 2, begins: null },
    { weekday: 6, hours: 3, begins: null },
  ],
  overtimeMinutes: 60,
  setUpMinutes: 5,
  cleanMinutes: 10,
};

const priced = (id: string, more = {}) =>
  ingredient(id, { packs: [{ name: 'bag', amount: 1, unit: 'kg', priceMinor: 900 }], ...more });

/** Truffles of a ganache of a base under a coating, and toffee with nuts that rests on a sheet before it is broken. */
export const trufflePantry = {
  ingredients: [priced('sugar'), priced('dark'), priced('nut', { contains: ['pecan'] })],
  recipes: [
    recipe('base', [line('dark', 600), line('sugar', 400)], { batchSizes: [0.5, 1], keepsDays: 4, handsMinutes: 15 }),
    recipe('ganache', [line(':base', 400), line('sugar', 20)], { batchSizes: [0.5, 1], restDays: 1, handsMinutes: 15 }),
    recipe('coating', [line('dark', 500)], { keepsDays: 90, handsMinutes: 10 }),
    recipe('toffee', [line('sugar', 300), line('nut', 100)], {
      handsMinutes: 35,
      hygroscopic: true,
      steps: [
        { text: 'Boil', handsMinutes: 20, equipment: ['pot'], target: { celsius: 149, kind: 'target', boils: true } },
        {
          text: 'Pour',
          handsMinutes: 5,
          equipment: ['sheet'],
          rest: { typicalMinutes: 20, safeMinutes: 30, kind: 'guess' },
        },
      ],
    }),
  ],
  pieces: [
    truffle(),
    piece(
      'shard',
      { kind: 'broken', recipeId: 'toffee', crumbsPercent: 5, servingGrams: 15 },
      { keepsDays: 30, handSeconds: 5 },
    ),
  ],
  boxes: [
    box('mixed', ['truffle', 'shard', 'truffle'], { packMinutes: 3 }),
    box('bag', ['shard', 'shard'], { packMinutes: 1 }),
  ],
};

/** Up to so many orders of truffles and toffee within four weeks. */
export const anyTruffleOrders = (most = 4): fc.Arbitrary<OrderFiled[]> =>
  fc
    .array(
      fc.record({
        mixed: fc.integer({ min: 1, max: 8 }),
        bag: fc.integer({ min: 0, max: 6 }),
        days: fc.integer({ min: 8, max: 26 }),
      }),
      { minLength: 1, maxLength: most },
    )
    .map((list) =>
      list.map(({ mixed, bag, days }, index) =>
        order(`o${String(index)}`, { mixed, ...(bag > 0 ? { bag } : {}) }, addDays(TODAY, days)),
      ),
    );
