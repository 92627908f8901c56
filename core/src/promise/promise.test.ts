import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, box, ingredient, kitchen, line, order, piece, recipe, TODAY } from '../../testing/kitchen.js';
import { anyTruffleOrders, bench, trufflePantry } from '../../testing/truffles.js';
import { solver } from '../../testing/solver.js';
import { promiseCheck as check, PromiseDesk, type PromiseCheck } from './promise.js';
import { planSeason } from '../plan/index.js';
import { solveProgramme } from '../programme/index.js';

const book = bookOf({
  kitchen: {
    ...kitchen,
    benchWeek: [
      { weekday: 2, hours: 3.5, begins: null },
      { weekday: 6, hours: 7, begins: null },
    ],
  },
  ingredients: [ingredient('sugar')],
  recipes: [recipe('fudge', [line('sugar', 1000)], { handsMinutes: 50 })],
  pieces: [piece('square', { kind: 'rolled', recipeId: 'fudge', centreGrams: 20 }, { keepsDays: 21 })],
  boxes: [box('box', ['square'])],
});
const asked = (count: number, on: string) => order('asked', { box: count }, on);

/** What is proven is proven on a busy machine too: it only takes longer. */
const patient = { solver, work: 300, laterWork: 300 };

type Orders = Parameters<typeof solveProgramme>[0]['orders'];
const promiseCheck = (of: typeof book, orders: Orders, wanted: Orders[number], today: string): Promise<PromiseCheck> =>
  check({ book: of, orders, today, guide: null }, wanted, patient);

/** All of the first order on the only Saturday that a second one for the Monday after can have. */
const decided = {
  book,
  orders: [order('first', { box: 350 }, '2026-12-08')],
  today: TODAY,
  guide: {
    pieces: { 'square 2026-12-08': [{ day: '2026-11-28', amount: 350 }] },
    components: {},
    batches: [{ recipeId: 'fudge', day: '2026-11-28', size: 1, count: 7 }],
    pins: [],
  },
};

describe('a promise', () => {
  it('is feasible where there is room, and says so for that very day', async () => {
    expect(await promiseCheck(book, [], asked(100, '2026-12-05'), TODAY)).toEqual({
      verdict: 'feasible',
      why: [],
      toDecide: [],
      earliest: '2026-12-05',
      isFinal: true,
    });
  });

  it('is tight when a day is nearly full with it', async () => {
    // Eight batches of 50 are 400 of the 420 minutes of Saturday
    const check = await promiseCheck(book, [], asked(400, '2026-12-01'), TODAY);
    expect(check).toMatchObject({ verdict: 'tight', earliest: '2026-12-01' });
    expect(check.why).toEqual(['Saturday 28 November would be booked for 6 h 40 min of its 7 h.']);
  });

  it('is not feasible when no day holds it; the earliest day that is holds', async () => {
    const others = [order('first', { box: 350 }, '2026-12-01')];
    const check = await promiseCheck(book, others, asked(200, '2026-12-01'), TODAY);
    expect(check.verdict).toBe('not feasible');
    expect(check.why[0]).toMatch(/^Saturday 28 November would be .* over its 7 h\.$/);
    if (check.earliest === null) throw new Error('no day was found');
    expect(check.earliest > '2026-12-01').toBe(true);
    expect((await promiseCheck(book, others, asked(200, check.earliest), TODAY)).verdict).not.toBe('not feasible');
  });

  it('is given where the days as they are decided have no room, but others would have', async () => {
    const found = await check(decided, asked(300, '2026-11-30'), patient);
    expect(found.verdict).toBe('tight');
    expect(found.why[0]).toBe('There is room for it once the season is planned again.');
  });

  it('says that it does not know, when there was no work left to find out', async () => {
    const unknown = await check(decided, asked(300, '2026-11-30'), { solver, work: 0 });
    expect(unknown.verdict).toBe('not known');
    expect(unknown.why.at(-1)).toBe('There may still be room in another plan.');
  });

  it('is not given when what is promised already cannot all be made', async () => {
    const others = [order('first', { box: 500 }, '2026-12-01'), order('second', { box: 500 }, '2026-12-01')];
    expect((await promiseCheck(book, others, asked(1, '2026-12-01'), TODAY)).verdict).toBe('not feasible');
  });

  it('counts the moulds, which several pieces share, the pans of a night, and no hours on a day that is none', async () => {
    const dome = {
      kind: 'moulded' as const,
      cavities: 10,
      cavityMl: 10,
      moulds: 1,
      turnsPerDay: 1,
      breakagePercent: 0,
      fill: 'full' as const,
      mostFillingMl: null,
      shell: { recipeId: 'coat', shellPercent: 20, capPercent: 10, gramsPerMl: 1.25, poolFactor: 1 },
      layers: [{ recipeId: 'fill', grams: 8.05, gramsPerMl: 1.15 }],
    };
    const days = [6].map((weekday) => ({ weekday, hours: 10, begins: null }));
    const moulded = bookOf({
      kitchen: { ...kitchen, benchWeek: days, overtimeMinutes: 600 },
      ingredients: [ingredient('sugar')],
      recipes: [
        recipe('coat', [line('sugar', 1000)], { keepsDays: 60, handsMinutes: 5 }),
        recipe('fill', [line('sugar', 100)], { keepsDays: 60, handsMinutes: 5 }),
      ],
      pieces: [
        piece('round', dome, { keepsDays: 12, handSeconds: 1 }),
        piece('other', dome, { keepsDays: 12, handSeconds: 1 }),
      ],
      boxes: [box('a', ['round'], { packMinutes: 0 }), box('b', ['other'], { packMinutes: 0 })],
    });
    const others = [order('first', { a: 8 }, '2026-12-01')];
    const verdict = async (lines: Record<string, number>, on: string) =>
      (await promiseCheck(moulded, others, order('asked', lines, on), TODAY)).verdict;
    expect(await verdict({ b: 2 }, '2026-12-01')).not.toBe('not feasible');
    expect(await verdict({ b: 3 }, '2026-12-01')).toBe('not feasible');
    // Overtime is for bench days: on a Monday nobody works.
    expect(await verdict({ b: 1 }, '2026-11-26')).toBe('not feasible');
  });

  it('cannot be given for a day that has passed, nor for more than any day holds', async () => {
    expect((await promiseCheck(book, [], asked(10, '2026-11-20'), TODAY)).why[0]).toBe(
      'Friday 20 November has passed.',
    );
    expect((await promiseCheck(book, [], asked(500, '2026-11-25'), TODAY)).verdict).toBe('not feasible');
    const never = order('asked', { box: 500 }, '2026-12-05', { lines: [{ boxId: 'lost', count: 1 }] });
    expect(await promiseCheck(book, [], never, TODAY)).toMatchObject({ verdict: 'not feasible', earliest: null });
  });

  it('is never given without a word above an exclusion that a box breaks', async () => {
    const nutty = bookOf({
      ingredients: [ingredient('nut', { contains: ['pecan'] })],
      recipes: [recipe('bark', [line('nut', 1000)])],
      pieces: [piece('shard', { kind: 'rolled', recipeId: 'bark', centreGrams: 20 })],
      boxes: [box('box', ['shard'])],
    });
    const answer = (more: Parameters<typeof order>[3]) =>
      promiseCheck(nutty, [], order('asked', { box: 1 }, '2026-12-05', more), TODAY);
    expect(await answer({})).toMatchObject({ verdict: 'feasible', toDecide: [] });
    expect(await answer({ exclusions: ['nuts'] })).toMatchObject({
      verdict: 'feasible',
      toDecide: ['The customer wants no nuts (tree nuts and peanuts), but box contains pecans (shard).'],
    });
    expect((await answer({ exclusions: ['nuts'], agreed: [{ boxId: 'box', exclusion: 'nuts' }] })).toDecide).toEqual(
      [],
    );
  });

  it('does not count an order twice that is stored already', async () => {
    const stored = asked(400, '2026-12-01');
    expect((await promiseCheck(book, [stored], stored, TODAY)).verdict).toBe('tight');
  });

  it('is worked out anew when what lies in place of what has changed, on one desk too', async () => {
    const two = bookOf({
      ingredients: [ingredient('sugar'), ingredient('nut', { contains: ['pecan'] })],
      recipes: [recipe('plain', [line('sugar', 100)]), recipe('nutty', [line('nut', 100)], { handsMinutes: 600 })],
      pieces: ['plain', 'nutty'].map((id) => piece(id, { kind: 'rolled', recipeId: id, centreGrams: 20 })),
      boxes: [box('box', ['nutty'])],
      kitchen: { ...kitchen, benchWeek: [{ weekday: 6, hours: 2, begins: null }] },
    });
    const desk = new PromiseDesk({ book: two, orders: [], today: TODAY, guide: null });
    const wanted = order('asked', { box: 1 }, '2026-12-05', { exclusions: ['nuts'] });
    expect((await desk.check(wanted, patient)).verdict).toBe('not feasible');
    const standIns = [{ boxId: 'box', pieceId: 'nutty', withId: 'plain' }];
    expect((await desk.check({ ...wanted, standIns }, patient)).verdict).toBe('feasible');
  });

  it('is given up between two days when nobody waits for it any more', async () => {
    const desk = new PromiseDesk({ book, orders: [], today: TODAY, guide: null });
    let days = 0;
    const between = () => {
      days += 1;
      return days > 3 ? Promise.reject(new Error('given up')) : Promise.resolve();
    };
    await expect(desk.check(asked(500, '2026-11-26'), { solver, between })).rejects.toThrow('given up');
    expect(days).toBe(4);
  });

  it('is never given where the solver says that there is no plan, whatever the season', async () => {
    const short = {
      ...bench,
      benchWeek: [
        { weekday: 2, hours: 1.5, begins: null },
        { weekday: 6, hours: 2, begins: null },
      ],
      overtimeMinutes: 20,
    };
    const pans = [{ name: 'sheet', lengthMm: 400, widthMm: 300, depthMm: 20, count: 1 }];
    const season = bookOf({ ...trufflePantry, kitchen: { ...short, pans } });
    let given = 0;
    let refused = 0;
    await fc.assert(
      fc.asyncProperty(
        anyTruffleOrders(3),
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 3, max: 20 }),
        fc.boolean(),
        async (orders, bags, days, isDecided) => {
          const on = new Date(Date.parse(TODAY) + days * 86_400_000).toISOString().slice(0, 10);
          const wanted = order('asked', { bag: bags }, on);
          const solved = isDecided
            ? await solveProgramme({ book: season, orders, today: TODAY }, solver, { work: 5, gap: 0.05 })
            : null;
          const ground = { book: season, orders, today: TODAY, guide: solved?.guide ?? null };
          const { verdict, earliest } = await check(ground, wanted, { solver, work: 2, laterWork: 1 });
          const isPossible = async (day: string) => {
            const all = [...orders, { ...wanted, handOver: { ...wanted.handOver, on: day } }];
            const { status } = await solveProgramme({ book: season, orders: all, today: TODAY }, solver, {
              work: 10,
              gap: 0.5,
            });
            return status !== 'impossible' && !planSeason(season, all, TODAY).leftOut.includes('asked');
          };
          if (verdict === 'feasible' || verdict === 'tight') {
            given += 1;
            expect(await isPossible(on)).toBe(true);
          } else {
            refused += 1;
            if (earliest !== null) expect(await isPossible(earliest)).toBe(true);
          }
        },
      ),
      { numRuns: 25 },
    );
    expect([given > 0, refused > 0]).toEqual([true, true]);
  });
});
