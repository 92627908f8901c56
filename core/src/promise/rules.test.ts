import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  batch,
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
import { verifyBench } from '../../testing/verify-bench.js';
import { verifyPlan } from '../../testing/verify-plan.js';
import { addDays } from '../quantity/index.js';
import { benchDay, runOf, timelineOf } from '../bench-day/index.js';
import { breachesOf, newBreaches, planSeason, readyOn, tryMove, workDays } from '../plan/index.js';

const week = [2, 4, 6].map((weekday) => ({ weekday, hours: 6, begins: null }));
const bench = { ...kitchen, benchWeek: week, setUpMinutes: 5, cleanMinutes: 10 };
const night = { typicalMinutes: 600, safeMinutes: 720, kind: 'minimum' as const };

/** A jelly that sets over night, is cut and tossed by hand on another day, and dries over night again. */
const jelly = (more: Parameters<typeof recipe>[2] = {}) =>
  recipe('jelly', [line('sugar', 400)], {
    handsMinutes: 45,
    steps: [
      { text: 'Boil and pour into the pan.', handsMinutes: 20, rest: night },
      { text: 'Cut and toss in sugar.', handsMinutes: 25, rest: night },
    ],
    ...more,
  });
const square = piece(
  'square',
  { kind: 'rolled', recipeId: 'jelly', centreGrams: 20 },
  { keepsDays: 30, handSeconds: 3 },
);
const jellies = {
  kitchen: bench,
  ingredients: [ingredient('sugar')],
  recipes: [jelly()],
  pieces: [square],
  boxes: [box('b', ['square'])],
};

describe('nights within a method', () => {
  const book = bookOf(jellies);
  const plan = planSeason(book, [order('a', { b: 30 }, '2026-12-12')], TODAY);
  const [run] = plan.runs;
  if (!run) throw new Error('nothing is made');
  const facts = book.recipes.get('jelly');
  if (!facts) throw new Error('no jelly');

  it('have the hands of each day on the day on which they are worked', () => {
    const days = workDays(facts, run.day, book.kitchen);
    expect(days.map(({ handsMinutes }) => handsMinutes)).toEqual([20, 25]);
    for (const { day, handsMinutes } of days)
      expect(plan.days.find((each) => each.day === day)?.bookedMinutes).toBeGreaterThanOrEqual(
        handsMinutes * run.batchCount,
      );
    const [, later] = days;
    const sheet = benchDay(plan, later?.day ?? '', book);
    expect(sheet.tasks.filter(({ recipeId }) => recipeId === 'jelly')).not.toEqual([]);
    expect(verifyBench(sheet, plan, later?.day ?? '', book)).toEqual([]);
  });

  it('are over before anything is finished, whatever the recipe says of its rest', () => {
    expect(facts.recipe.restDays).toBe(2);
    for (const { day, madeOn } of plan.finishings) expect(day >= readyOn(facts, madeOn, book.kitchen)).toBe(true);
    expect(verifyPlan(plan, book, [order('a', { b: 30 }, '2026-12-12')], TODAY)).toEqual([]);
  });

  it('keep every rule, whatever the nights, the bench days and the orders', () => {
    const anyNights = fc.array(fc.constantFrom(null, night), { minLength: 1, maxLength: 4 });
    const anyWeek = fc.subarray([1, 2, 3, 4, 5, 6], { minLength: 1 });
    fc.assert(
      fc.property(
        anyNights,
        anyWeek,
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 6, max: 30 }),
        (nights, days, count, ahead) => {
          const steps = nights.map((rest) => ({ text: 'Work.', handsMinutes: 10, rest }));
          const own = bookOf({
            ...jellies,
            kitchen: { ...bench, benchWeek: days.map((weekday) => ({ weekday, hours: 8, begins: null })) },
            recipes: [jelly({ steps, handsMinutes: 10 * steps.length + 5 })],
          });
          const asked = order('a', { b: count }, addDays(TODAY, ahead));
          const orders = [asked];
          const made = planSeason(own, orders, TODAY);
          expect(verifyPlan(made, own, orders, TODAY).filter((each) => !/minutes$/.test(each))).toEqual([]);
          const hands = made.runs.reduce((sum, each) => sum + each.batchCount * (10 * steps.length + 5), 0);
          const booked = made.days.reduce((sum, each) => sum + each.bookedMinutes, 0);
          const finishing = made.finishings
            .flatMap(({ work }) => work)
            .reduce((sum, each) => sum + each.handsMinutes, 0);
          expect(booked).toBeCloseTo(hands + finishing + made.runs.length * 5, 6);
          // The way back tells of every day on which a batch is worked on, however far it is from the one before.
          const told = timelineOf(asked, made, own);
          for (const { recipeId, day: begun } of made.runs)
            for (const { day } of workDays(own.recipes.get(recipeId) ?? facts, begun, own.kitchen).slice(1))
              expect(told.filter((step) => step.kind === 'goes on').map((step) => step.day)).toContain(day);
          for (const { day } of made.days) expect(verifyBench(benchDay(made, day, own), made, day, own)).toEqual([]);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('a batch that goes on on the day on which others of its recipe begin', () => {
  const begun = '2026-12-01';
  const today = '2026-12-03';
  const book = bookOf({ ...jellies, batches: [batch('x', 'jelly', begun)] });
  const asked = order('a', { b: 60 }, '2026-12-09');
  const plan = planSeason(book, [asked], today);

  it('has strips of its own, which belong to no run', () => {
    expect(plan.runs.map(({ day }) => day)).toEqual([today]);
    const { tasks } = benchDay(plan, today, book);
    expect(new Set(tasks.map((each) => each.begun))).toEqual(new Set([begun, today]));
    for (const task of tasks) expect(runOf(plan, task)).toBe(task.begun === today ? plan.runs[0] : undefined);
  });

  it('is told of by itself on the way back', () => {
    const told = timelineOf(asked, plan, book).map(({ day, kind, isDone }) => [day, kind, isDone]);
    expect(told).toContainEqual([begun, 'make', true]);
    expect(told).toContainEqual([today, 'make', false]);
    expect(told).toContainEqual([today, 'goes on', false]);
  });
});

describe('moulds and pans', () => {
  const dome = (recipeId: string) => ({
    kind: 'moulded' as const,
    cavities: 12,
    cavityMl: 10,
    moulds: 2,
    turnsPerDay: 1,
    breakagePercent: 0,
    shell: { recipeId: 'coat', shellPercent: 20, capPercent: 10, gramsPerMl: 1.25, poolFactor: 1 },
    layers: [{ recipeId, grams: 8.05, gramsPerMl: 1.15 }],
  });
  const cut = {
    kind: 'cut' as const,
    recipeId: 'slab',
    panLengthMm: 200,
    panWidthMm: 200,
    pieceLengthMm: 40,
    pieceWidthMm: 40,
  };
  const pantry = {
    kitchen: { ...bench, pans: [{ name: 'square pan', lengthMm: 200, widthMm: 200, depthMm: 40, count: 1 }] },
    ingredients: [ingredient('sugar')],
    recipes: [
      recipe('coat', [line('sugar', 1000)], { keepsDays: 60, handsMinutes: 5 }),
      recipe('fill', [line('sugar', 200)], { keepsDays: 60, handsMinutes: 5 }),
      recipe('other', [line('sugar', 200)], { keepsDays: 60, handsMinutes: 5 }),
      recipe('slab', [line('sugar', 500)], { keepsDays: 30, restDays: 1, handsMinutes: 10 }),
    ],
    pieces: [
      piece('one', dome('fill'), { keepsDays: 12 }),
      piece('two', dome('other'), { keepsDays: 12 }),
      piece('bar', cut, { keepsDays: 30 }),
    ],
    boxes: [box('a', ['one']), box('b', ['two']), box('c', ['bar'])],
  };
  const book = bookOf(pantry);

  it('are shared by all that use them, and a plan made day by day keeps to them or says so', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            box: fc.constantFrom('a', 'b', 'c'),
            count: fc.integer({ min: 1, max: 40 }),
            days: fc.integer({ min: 4, max: 20 }),
          }),
          { minLength: 1, maxLength: 5 },
        ),
        (list) => {
          const orders = list.map((each, index) =>
            order(`o${String(index)}`, { [each.box]: each.count }, addDays(TODAY, each.days)),
          );
          const plan = planSeason(book, orders, TODAY);
          expect(verifyPlan(plan, book, orders, TODAY).filter((each) => !/minutes$/.test(each))).toEqual([]);
        },
      ),
      { numRuns: 80 },
    );
  });

  it('are made room for on another day where there is one', () => {
    // 24 cavities a day: 24 of each piece need two days.
    const plan = planSeason(book, [order('x', { a: 24, b: 24 }, '2026-12-12')], TODAY);
    expect(plan.findings.map(({ code }) => code)).not.toContain('moulds-short');
    expect(new Set(plan.finishings.map(({ day }) => day)).size).toBeGreaterThan(1);
  });

  it('say what is short where no day has room, and a move into it is refused', () => {
    const late = planSeason(book, [order('x', { a: 30 }, '2026-11-27')], TODAY);
    const short = late.findings.find(({ code }) => code === 'moulds-short');
    expect(short?.message).toBe(
      'one and two: 3 moulds would be needed at once on Thursday 26 November, and there are 2.',
    );
    expect(breachesOf(late, book).map(({ key }) => key)).toEqual(['moulds-short day 2026-11-26 12 x 10 mL']);
    // What is short already and gets shorter is broken anew.
    const worse = planSeason(book, [order('x', { a: 40 }, '2026-11-27')], TODAY);
    expect(newBreaches(breachesOf(late, book), breachesOf(worse, book)).map(({ message }) => message)).toEqual([
      'one and two: 4 moulds would be needed at once on Thursday 26 November, and there are 2.',
    ]);
    expect(newBreaches(breachesOf(worse, book), breachesOf(late, book))).toEqual([]);
    const orders = [order('x', { c: 25 }, '2026-12-03'), order('y', { c: 25 }, '2026-12-20')];
    const days = { x: '2026-11-28', y: '2026-12-17' };
    const guide = {
      pieces: {
        'bar 2026-12-03': [{ day: days.x, amount: 25 }],
        'bar 2026-12-20': [{ day: days.y, amount: 25 }],
      },
      components: {},
      batches: Object.values(days).map((day) => ({ recipeId: 'slab', day, size: 1, count: 1 })),
      pins: [],
    };
    const plan = planSeason(book, orders, TODAY, guide);
    const [first, second] = plan.runs.filter(({ recipeId }) => recipeId === 'slab');
    if (!first || !second) throw new Error('two slabs');
    const move = { plan, recipeId: 'slab', from: second.day, to: first.day, pins: [] };
    const { why, guide: moved } = tryMove(move, orders, book, TODAY);
    expect(moved).toBeNull();
    expect(why.join(' ')).toContain('square pan: 2 would be full in the night after');
  });
});

describe('an order that is left out', () => {
  const anyOrders = fc.array(
    fc.record({ count: fc.integer({ min: 1, max: 40 }), days: fc.integer({ min: 0, max: 20 }) }),
    { minLength: 1, maxLength: 6 },
  );

  it('is left out of making, buying, labels and of what was made', () => {
    const made = [batch('m', 'jelly', '2026-11-21', { finishedOn: '2026-11-24' })];
    const book = bookOf({ ...jellies, batches: made });
    fc.assert(
      fc.property(anyOrders, (list) => {
        const orders = list.map(({ count, days }, index) =>
          order(`o${String(index)}`, { b: count }, addDays(TODAY, days)),
        );
        const plan = planSeason(book, orders, TODAY);
        const kept = planSeason(
          book,
          orders.filter(({ id }) => !plan.leftOut.includes(id)),
          TODAY,
        );
        expect(kept.leftOut).toEqual([]);
        expect(new Set(plan.findings.map(({ key }) => key)).size).toBe(plan.findings.length);
        for (const part of ['runs', 'finishings', 'shopping', 'labels', 'made'] as const)
          expect(plan[part]).toEqual(kept[part]);
        expect(verifyPlan(plan, book, orders, TODAY).filter((each) => !/minutes$/.test(each))).toEqual([]);
        for (const id of plan.leftOut)
          expect(plan.findings.some(({ code, about }) => code === 'too-late' && about.id === id)).toBe(true);
      }),
      { numRuns: 80 },
    );
  });

  it('leaves what was made to the others', () => {
    const made = [batch('m', 'jelly', '2026-11-21', { finishedOn: '2026-11-24' })];
    const book = bookOf({ ...jellies, batches: made });
    // Twenty are made: enough for one of the two that want them today, not for both.
    const orders = [order('first', { b: 15 }, '2026-11-25'), order('second', { b: 15 }, '2026-11-25')];
    const plan = planSeason(book, orders, TODAY);
    expect(plan.leftOut).toEqual(['second']);
    expect(plan.labels).toMatchObject([{ count: 15 }]);
    expect(plan.made[0]?.pegs.map(({ pieces }) => pieces)).toEqual([15]);
  });

  it('is no reason to speak of the last hand-over when nothing is ordered', () => {
    const book = bookOf({
      ...jellies,
      kitchen: { ...bench, dayChanges: [different(TODAY, { hours: 0 })] },
    });
    expect(planSeason(book, [], TODAY).findings.map(({ code }) => code)).not.toContain('no-day-left');
  });
});

describe('boxes that take longer to pack than a day has', () => {
  const book = bookOf({
    ...jellies,
    recipes: [recipe('jelly', [line('sugar', 2000)], { handsMinutes: 5, keepsDays: 60 })],
    boxes: [box('b', ['square'], { packMinutes: 6 })],
  });
  const orders = [order('a', { b: 90 }, '2026-12-12')];
  const plan = planSeason(book, orders, TODAY);

  it('are packed on several, when all that goes into them is finished', () => {
    const packed = plan.days.filter(({ packs }) => packs.length > 0);
    expect(packed.map(({ day }) => day)).toEqual(['2026-12-08', '2026-12-10']);
    expect(packed.flatMap(({ packs }) => packs).reduce((sum, { count }) => sum + count, 0)).toBe(90);
    for (const { day } of plan.finishings) expect(day <= '2026-12-08').toBe(true);
    expect(verifyPlan(plan, book, orders, TODAY)).toEqual([]);
  });
});
