import { describe, expect, it } from '@jest/globals';
import { bookOf, box, different, ingredient, line, order, piece, recipe, TODAY } from '../../testing/kitchen.js';
import { solver } from '../../testing/solver.js';
import { bench } from '../../testing/truffles.js';
import { buildProgramme } from './programme.js';
import { programmeInput } from './question.js';
import { weights } from './builder.js';
import type { Guide } from '../plan/index.js';

/** Minutes of hands are money at half a unit a second. */
const rate = bench.handsRateMinorPerHour / 60;
const pantry = {
  ingredients: [ingredient('sugar'), ingredient('nut', { contains: ['pecan'] })],
  recipes: [
    recipe('fudge', [line('sugar', 100)], { handsMinutes: 40 }),
    recipe('nougat', [line('sugar', 50), line('nut', 50)], { handsMinutes: 20, hygroscopic: true }),
  ],
  pieces: [
    piece('square', { kind: 'rolled', recipeId: 'fudge', centreGrams: 25 }, { keepsDays: 20 }),
    piece('bite', { kind: 'rolled', recipeId: 'nougat', centreGrams: 25 }, { keepsDays: 20 }),
  ],
  boxes: [box('squares', ['square']), box('bites', ['bite']), box('both', ['square', 'bite'])],
};
type Orders = Parameters<typeof programmeInput>[0]['orders'];
type Pantry = Parameters<typeof bookOf>[0];

/** What the model of a season comes to: its optimum, and the batches that are made. */
async function solved(orders: Orders, more: Pantry = {}, before: Guide | null = null) {
  const book = bookOf({ ...pantry, kitchen: { ...bench, cleanMinutes: 0 }, ...more });
  const { model, decode } = buildProgramme({ ...programmeInput({ book, orders, today: TODAY }), before });
  const { status, objective, values } = await solver(model);
  const batches = values.length > 0 ? decode(values).batches : [];
  return { status, objective, made: batches.map(({ recipeId, day, count }) => `${recipeId} ${day} x${String(count)}`) };
}
const kitchenWith = (more: Partial<typeof bench>): Pantry => ({ kitchen: { ...bench, cleanMinutes: 0, ...more } });

describe('the model of a season', () => {
  it('costs hands and getting ready, once for each recipe on a day', async () => {
    const { objective, made } = await solved([order('a', { squares: 8 }, '2026-11-29')]);
    // Eight squares are two batches of four, on one day.
    expect(made).toEqual([expect.stringMatching(/^fudge \S+ x2$/)]);
    expect(objective).toBeCloseTo(rate * (2 * 40 + 5), 6);
  });

  it('works overtime at time and a half, and no more of it than is allowed', async () => {
    const evening = { benchWeek: [{ weekday: 6, hours: 1, begins: null }], setUpMinutes: 0 };
    const orders = [order('a', { squares: 8 }, '2026-11-29')];
    const { objective } = await solved(orders, kitchenWith({ ...evening, overtimeMinutes: 20 }));
    expect(objective).toBeCloseTo(rate * (80 + 20 * weights.overtime), 6);
    expect((await solved(orders, kitchenWith({ ...evening, overtimeMinutes: 19 }))).status).toBe('impossible');
  });

  it('makes nothing that draws damp on a humid day', async () => {
    const orders = [order('a', { bites: 4 }, '2026-12-04')];
    const humid = ['2026-11-26', '2026-11-28', '2026-12-01'].map((day) => different(day, { humid: true }));
    expect((await solved(orders, kitchenWith({ dayChanges: humid }))).made).toEqual(['nougat 2026-12-03 x1']);
    const all = [...humid, different('2026-12-03', { humid: true })];
    expect((await solved(orders, kitchenWith({ dayChanges: all }))).made).toEqual([]);
  });

  it('lets a helper finish and pack, and not cook', async () => {
    const slow = pantry.pieces.map((each) => ({ ...each, handSeconds: 600 }));
    const short = { benchWeek: [{ weekday: 6, hours: 1, begins: null }], overtimeMinutes: 0, setUpMinutes: 0 };
    const orders = [order('a', { squares: 4 }, '2026-11-29')];
    // Forty minutes of cooking fit into the hour, forty of rolling do not.
    expect((await solved(orders, { pieces: slow, ...kitchenWith(short) })).status).toBe('impossible');
    const helped = kitchenWith({ ...short, dayChanges: [different('2026-11-28', { helperHours: 1 })] });
    expect((await solved(orders, { pieces: slow, ...helped })).status).toBe('best');
    const more = [order('a', { squares: 8 }, '2026-11-29')];
    expect((await solved(more, { pieces: slow, ...helped })).status).toBe('impossible');
  });

  it('cleans before what lacks an allergen that is minded, and fills the hours with it', async () => {
    const day = { benchWeek: [{ weekday: 6, hours: 1, begins: null }], overtimeMinutes: 0, setUpMinutes: 0 };
    const orders = [order('a', { both: 4 }, '2026-11-29')];
    // 40 + 20 minutes fill the hour; with cleaning they do not fit.
    expect((await solved(orders, kitchenWith({ ...day, cleanMinutes: 0 }))).status).toBe('best');
    const cleaned = kitchenWith({ ...day, cleanMinutes: 10 });
    // What has no nuts goes first, and leaves nothing behind that the other lacks.
    expect((await solved(orders, cleaned)).status).toBe('best');
    const almonds = {
      ingredients: [
        ingredient('sugar'),
        ingredient('nut', { contains: ['peanut'] }),
        ingredient('almond', { contains: ['almond'] }),
      ],
      recipes: [recipe('fudge', [line('almond', 100)], { handsMinutes: 40 }), ...pantry.recipes.slice(1)],
    };
    expect((await solved(orders, { ...cleaned, ...almonds })).status).toBe('impossible');
  });

  it('fills no more cavities a day than there are, less what breaks', async () => {
    const dome = piece(
      'dome',
      {
        kind: 'moulded',
        cavityMl: 8,
        cavities: 10,
        moulds: 1,
        turnsPerDay: 2,
        breakagePercent: 10,
        shell: { recipeId: 'fudge', shellPercent: 30, capPercent: 10 },
        layers: [{ recipeId: 'nougat', grams: 5 }],
      },
      { keepsDays: 20 },
    );
    const more = {
      pieces: [dome],
      boxes: [box('domes', ['dome'])],
      ...kitchenWith({ benchWeek: [{ weekday: 6, hours: 8, begins: null }] }),
    };
    // Twice ten cavities, a tenth of them broken: eighteen a day, and one Saturday.
    expect((await solved([order('a', { domes: 18 }, '2026-11-29')], more)).status).toBe('best');
    expect((await solved([order('a', { domes: 19 }, '2026-11-29')], more)).status).toBe('impossible');
  });

  it('rests no more over night than there are pans', async () => {
    const slab = piece(
      'square',
      {
        kind: 'cut',
        recipeId: 'fudge',
        panLengthMm: 200,
        panWidthMm: 200,
        edgeTrimMm: 0,
        kerfMm: 0,
        pieceLengthMm: 100,
        pieceWidthMm: 100,
      },
      { keepsDays: 20 },
    );
    const overnight = pantry.recipes.map((each) => ({ ...each, restDays: 1 }));
    const pans = (count: number): Pantry => ({
      recipes: overnight,
      pieces: [slab],
      boxes: [box('squares', ['square'])],
      ...kitchenWith({
        benchWeek: [5, 6].map((weekday) => ({ weekday, hours: 8, begins: null })),
        pans: [{ name: 'pan', lengthMm: 200, widthMm: 200, depthMm: 40, count }],
      }),
    });
    const orders = [order('a', { squares: 8 }, '2026-11-29')];
    expect((await solved(orders, pans(1))).status).toBe('impossible');
    expect((await solved(orders, pans(2))).made).toEqual(['fudge 2026-11-27 x2']);
  });

  it('keeps a pin, and prices what moves for no reason', async () => {
    const orders = [order('a', { squares: 4 }, '2026-12-04')];
    const guide = (day: string, pinned: boolean): Guide => ({
      pieces: {},
      components: {},
      batches: [{ recipeId: 'fudge', day, size: 1, count: 1 }],
      pins: pinned ? [{ recipeId: 'fudge', day }] : [],
    });
    expect((await solved(orders, {}, guide('2026-11-26', true))).made).toEqual(['fudge 2026-11-26 x1']);
    const stays = await solved(orders, {}, guide('2026-12-01', false));
    expect(stays.made).toEqual(['fudge 2026-12-01 x1']);
    // The day before does not serve an earlier hand-over any more: moving is worth its six minutes.
    const sooner = [order('a', { squares: 4 }, '2026-11-29')];
    const moved = await solved(sooner, {}, guide('2026-12-01', false));
    expect(moved.objective - (await solved(sooner)).objective).toBeCloseTo(rate * weights.stabilityMinutes, 6);
  });
});
