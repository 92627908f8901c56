import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, box, ingredient, kitchen, line, order, piece, recipe, TODAY } from '../../testing/kitchen.js';
import { truffle } from '../../testing/truffles.js';
import type { Book } from '../book/index.js';
import type { OrderFiled } from '../order/index.js';
import { groupByDay, makeWindow, placeOnDay } from './windows.js';
import { ingredientNeeds } from '../shopping/index.js';
import { planSeason } from './plan.js';
import type { Plan } from './shape.js';

const bench = {
  ...kitchen,
  benchWeek: [
    { weekday: 2, hours: 3.5, begins: null },
    { weekday: 6, hours: 7, begins: null },
  ],
};
const sugar = ingredient('sugar', {
  packs: [{ name: 'bag', amount: 1, unit: 'kg', priceMinor: 200 }],
  onHandGrams: 300,
});
const dark = ingredient('dark', { packs: [{ name: 'bag', amount: 1, unit: 'kg', priceMinor: 1500 }] });

/** A truffle of ganache under a coating; the ganache is made of a base; fudge is cut. */
const pantry = {
  ingredients: [sugar, dark],
  recipes: [
    recipe('base', [line('dark', 600), line('sugar', 400)], {
      batchSizes: [0.5, 1, 2],
      keepsDays: 5,
      yield: { by: 'loss', lossPercent: 4 },
    }),
    recipe('ganache', [line(':base', 480), line('sugar', 20)], { batchSizes: [1, 2], restDays: 1, handsMinutes: 30 }),
    recipe('coating', [line('dark', 500)], { keepsDays: 90, yield: { by: 'loss', lossPercent: 1 } }),
    recipe('fudge', [line('sugar', 1000)], { yield: { by: 'loss', lossPercent: 10 }, handsMinutes: 50 }),
  ],
  pieces: [
    truffle(),
    piece(
      'square',
      {
        kind: 'cut',
        recipeId: 'fudge',
        panLengthMm: 200,
        panWidthMm: 200,
        edgeTrimMm: 0,
        kerfMm: 0,
        pieceLengthMm: 25,
        pieceWidthMm: 25,
      },
      { keepsDays: 21 },
    ),
  ],
  boxes: [box('mixed', ['truffle', 'square', 'truffle'], { packMinutes: 4 }), box('fudge-box', ['square'])],
};
const book = bookOf(pantry);

const run = (plan: Plan, recipeId: string) => plan.runs.filter((each) => each.recipeId === recipeId);

/** Mass in, mass out, for every recipe: what is made is used or left over, and what is used is what its users took. */
function checkMass(plan: Plan, of: Book): void {
  for (const each of plan.runs) {
    expect(each.usedGrams + each.leftOverGrams).toBeCloseTo(each.yieldGrams, 6);
    expect(each.pegs.reduce((sum, use) => sum + use.grams, 0)).toBeCloseTo(each.usedGrams, 6);
    expect(each.yieldGrams + 1e-6).toBeGreaterThanOrEqual(each.usedGrams + each.poolGrams - each.yieldGrams * 1e-3);
  }
  for (const [id, facts] of of.recipes) {
    const taken = plan.runs
      .filter((user) => of.recipes.get(user.recipeId)?.recipe.lines.some(({ uses }) => uses.id === id))
      .reduce((sum, user) => {
        const parent = of.recipes.get(user.recipeId);
        const multiple = user.batches.reduce((all, { size, count }) => all + size * count, 0);
        const perBatch =
          parent?.recipe.lines.reduce(
            (all, { uses }, index) => all + (uses.id === id ? (parent.lineGrams[index] ?? 0) : 0),
            0,
          ) ?? 0;
        return sum + perBatch * multiple;
      }, 0);
    const given = run(plan, facts.recipe.id)
      .flatMap((each) => each.pegs)
      .filter((use) => use.kind === 'recipe')
      .reduce((sum, use) => sum + use.grams, 0);
    expect(given).toBeCloseTo(taken, 6);
  }
}

describe('from orders to batches', () => {
  const orders = [order('Ada', { mixed: 10 }, '2026-12-05'), order('Bo', { mixed: 5, 'fudge-box': 70 }, '2026-12-06')];
  const plan = planSeason(book, orders, TODAY);

  it('adds up orders, boxes and pieces', () => {
    expect(plan).toMatchObject({ orders: 2, boxes: 85, pieces: 115 });
  });

  it('takes whole pieces from whole slabs', () => {
    // 15 + 70 squares, 64 to the slab
    expect(run(plan, 'fudge')).toMatchObject([{ batchCount: 2, leftOverPieces: 128 - 85 }]);
  });

  it('makes components for the batches that are made, not for what is eaten', () => {
    // 30 truffles of 12 g need 360 g: one batch of 500 g, and that takes 480 g of base
    expect(run(plan, 'ganache')).toMatchObject([{ batches: [{ size: 1, count: 1 }], leftOverPieces: 11 }]);
    expect(run(plan, 'base')).toMatchObject([{ batches: [{ size: 0.5, count: 1 }], yieldGrams: 480, usedGrams: 480 }]);
  });

  it('keeps a pool of coating ready and gives it back', () => {
    // 4 g stay on each of 30, half as much again stands ready
    expect(run(plan, 'coating')).toMatchObject([
      { usedGrams: 120, poolGrams: 60, yieldGrams: 495, leftOverGrams: 375 },
    ]);
  });

  it('buys whole packs net of the pantry', () => {
    // 2 slabs take 2,000 g, base 200 g, ganache 20 g; 300 g are there
    expect(plan.shopping.find((each) => each.ingredientId === 'sugar')).toMatchObject({
      neededGrams: 2220,
      missingGrams: 1920,
      packs: [{ count: 2, costMinor: 400 }],
      leftGrams: 80,
    });
    expect(plan.shoppingCostMinor).toBe(400 + 1500);
  });

  it('conserves mass', () => {
    checkMass(plan, book);
  });

  it('dates each label by its oldest piece and its shortest life', () => {
    expect(plan.labels.find((run) => run.boxId === 'mixed' && run.handOver === '2026-12-05')).toMatchObject({
      count: 10,
      madeOn: run(plan, 'ganache')[0]?.day,
      bestBefore: '2026-12-17',
    });
  });

  it('passes over cancelled orders', () => {
    const cancelled = planSeason(
      book,
      orders.map((each) => ({ ...each, state: 'cancelled' as const })),
      TODAY,
    );
    expect(cancelled).toMatchObject({ orders: 0, batches: 0, runs: [], shopping: [] });
  });
});

describe('days', () => {
  it('makes twice what does not keep from the first hand-over to the last', () => {
    const plan = planSeason(
      book,
      [order('Ada', { mixed: 1 }, '2026-12-05'), order('Bo', { mixed: 1 }, '2026-12-20')],
      TODAY,
    );
    // Truffles: 14 days less 5 promised, so at most 9 days before; made by the 3rd, since ganache rests a day and packing takes one
    expect(run(plan, 'ganache').map((each) => each.day)).toEqual(['2026-12-03', '2026-12-18']);
    // Fudge keeps 21: one run for both
    expect(run(plan, 'fudge').map((each) => each.day)).toEqual(['2026-12-04']);
  });

  it('uses bench days, the last one that still has the minutes free', () => {
    const window = { from: '2026-11-25', to: '2026-12-07' };
    expect(placeOnDay(window, 60, new Map(), bench)).toBe('2026-12-05');
    expect(placeOnDay(window, 200, new Map([['2026-12-05', 300]]), bench)).toBe('2026-12-01');
    expect(placeOnDay({ from: '2026-12-02', to: '2026-12-04' }, 60, new Map(), bench)).toBe('2026-12-04');
  });

  it('puts packing and dipping on the last bench day before the hand-over and says when a day is over', () => {
    const plan = planSeason(bookOf({ ...pantry, kitchen: bench }), [order('Ada', { mixed: 60 }, '2026-12-05')], TODAY);
    const tuesday = plan.days.find((each) => each.day === '2026-12-01');
    expect(tuesday?.packs).toMatchObject([
      { boxId: 'mixed', boxName: 'mixed', without: [], handOver: '2026-12-05', count: 60 },
    ]);
    expect(tuesday?.bookedMinutes).toBeGreaterThan(210);
    expect(plan.findings.map((each) => each.message)).toContain(
      'Tuesday 1 December is 1 h 30 min over its 3 h 30 min.',
    );
  });

  it('says when a piece cannot keep its promise, and when it is too late', () => {
    const short = bookOf({
      ...pantry,
      pieces: pantry.pieces.map((each) => (each.id === 'truffle' ? { ...each, keepsDays: 6 } : each)),
    });
    expect(
      planSeason(short, [order('Ada', { mixed: 1 }, '2026-12-05')], TODAY).findings.map((each) => each.code),
    ).toContain('window-empty');
    expect(
      planSeason(book, [order('Ada', { mixed: 1 }, '2026-11-26')], TODAY).findings.map((each) => each.code),
    ).toContain('too-late');
  });

  it('gives every hand-over a day inside its window, on the fewest days', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 2, max: 60 }), fc.integer({ min: 1, max: 20 })), {
          minLength: 1,
          maxLength: 12,
        }),
        (spans) => {
          const needs = spans.map(([due, keeps]) => ({
            window: makeWindow(`2027-01-${String((due % 28) + 1).padStart(2, '0')}`, keeps + 5, 0, kitchen),
          }));
          const groups = groupByDay(
            needs.filter(({ window }) => window.from <= window.to),
            kitchen,
          );
          for (const group of groups)
            for (const { window } of group.needs) {
              expect(group.window.to >= window.from && group.window.to <= window.to).toBe(true);
              expect(group.window.from >= window.from).toBe(true);
            }
          // Fewest: the first needs of the groups have no day in common, so each needs a day of its own
          groups.slice(1).forEach((group, index) => {
            expect((group.needs[0]?.window.from ?? '') > (groups[index]?.window.to ?? '')).toBe(true);
          });
        },
      ),
    );
  });
});

describe('whatever the orders', () => {
  const anyOrders = fc
    .array(
      fc.record({
        mixed: fc.integer({ min: 0, max: 40 }),
        fudge: fc.integer({ min: 0, max: 90 }),
        in: fc.integer({ min: 3, max: 40 }),
      }),
      { minLength: 1, maxLength: 15 },
    )
    .map((list) =>
      list.map((each, index): OrderFiled => {
        const day = new Date(Date.UTC(2026, 10, 25 + each.in)).toISOString().slice(0, 10);
        return order(`o${index}`, { mixed: each.mixed + 1, 'fudge-box': each.fudge + 1 }, day);
      }),
    );

  it('mass is conserved and every piece is covered by whole batches', () => {
    fc.assert(
      fc.property(anyOrders, (orders) => {
        const plan = planSeason(book, orders, TODAY);
        checkMass(plan, book);
        const squares = run(plan, 'fudge').reduce((sum, each) => sum + each.batchCount * 64, 0);
        const wanted = orders.flatMap((each) => each.lines).reduce((sum, each) => sum + each.count, 0);
        expect(squares).toBeGreaterThanOrEqual(wanted);
        for (const each of run(plan, 'fudge')) expect(each.leftOverPieces).toBeLessThan(64);
      }),
      { numRuns: 60 },
    );
  });

  it('one more order never needs less of any ingredient', () => {
    fc.assert(
      fc.property(anyOrders, (orders) => {
        const one = bookOf({
          ...pantry,
          kitchen: { ...kitchen, promisedDays: 0 },
          pieces: pantry.pieces.map((each) => ({ ...each, keepsDays: 700 })),
          recipes: pantry.recipes.map((each) => ({ ...each, keepsDays: 700 })),
        });
        const less = ingredientNeeds(planSeason(one, orders.slice(1), TODAY).runs, one);
        const more = ingredientNeeds(planSeason(one, orders, TODAY).runs, one);
        const grams = (needs: typeof less, id: string) =>
          (needs.get(id) ?? []).reduce((sum, each) => sum + each.grams, 0);
        for (const id of less.keys()) expect(grams(more, id)).toBeGreaterThanOrEqual(grams(less, id) - 1e-6);
      }),
      { numRuns: 40 },
    );
  });
});

it('covers two ways of cutting one slab, each in whole pieces', () => {
  const form = pantry.pieces[1]?.form;
  if (form?.kind !== 'cut') throw new Error('must be cut');
  const two = bookOf({
    ...pantry,
    pieces: [...pantry.pieces, piece('bar', { ...form, pieceLengthMm: 50 })],
    boxes: [...pantry.boxes, box('bars', ['bar'])],
  });
  const plan = planSeason(two, [order('Ada', { 'fudge-box': 32, bars: 16 }, '2026-12-05')], TODAY);
  // 32 of 64 and 16 of 32 fill one slab exactly; the joint asks for a second
  expect(run(plan, 'fudge')).toMatchObject([{ batchCount: 2, leftOverPieces: null }]);
  checkMass(plan, two);
});
