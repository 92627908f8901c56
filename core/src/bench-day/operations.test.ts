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
import { verifyBench } from '../../testing/verify-bench.js';
import { benchDay, type BenchDay } from './bench-day.js';
import { planSeason } from '../plan/index.js';
import { whileWaiting } from './while-waiting.js';

const DAY = '2026-12-05';
const rolled = (id: string, recipeId: string, more = {}) =>
  piece(id, { kind: 'rolled', recipeId, centreGrams: 10 }, { keepsDays: 6, handSeconds: 60, ...more });
const rest = (minutes: number) => ({ typicalMinutes: minutes, safeMinutes: minutes, kind: 'guess' as const });
const pantry = {
  ingredients: [ingredient('sugar'), ingredient('pecan', { contains: ['pecan'] })],
  recipes: [
    recipe('bar', [line('sugar', 100)], {
      handsMinutes: 30,
      steps: [{ text: 'Bake', handsMinutes: 10, equipment: ['oven'], rest: rest(40) }],
    }),
    recipe('nutty', [line('sugar', 50), line('pecan', 50)], {
      handsMinutes: 20,
      steps: [{ text: 'Spread', handsMinutes: 20, equipment: ['Sheet'], rest: rest(60) }],
    }),
  ],
  pieces: [rolled('bar-piece', 'bar'), rolled('nutty-piece', 'nutty')],
  boxes: [box('plain', ['bar-piece'], { packMinutes: 4 }), box('nuts', ['nutty-piece'], { packMinutes: 4 })],
};
/** Everything on one Saturday, with so many hours of somebody who helps. */
const saturday = (lines: Record<string, number>, helperHours = 0, more: Partial<typeof kitchen> = {}) => {
  const book = bookOf({
    ...pantry,
    kitchen: {
      ...kitchen,
      promisedDays: 5,
      benchWeek: [{ weekday: 6, hours: 8, begins: null }],
      cleanMinutes: 10,
      dayChanges: [different(DAY, { helperHours })],
      ...more,
    },
  });
  const plan = planSeason(book, [order('a', lines, '2026-12-06')], TODAY);
  return { plan, book, sheet: benchDay(plan, DAY, book) };
};
const said = ({ tasks }: BenchDay) => tasks.map(({ name, who, from }) => `${String(from)} ${who} ${name}`);

describe('a day of work', () => {
  it('has one batch in the oven at a time, and weighs the next meanwhile', () => {
    const { sheet, plan, book } = saturday({ plain: 20 });
    const baking = sheet.equipment.filter(({ equipment }) => equipment === 'oven');
    expect(baking.map(({ from, minutes }) => [from, minutes])).toEqual([
      [20, 50],
      [70, 50],
    ]);
    expect(verifyBench(sheet, plan, DAY, book)).toEqual([]);
    // 20 of weighing, twice 50 in the oven, 20 pieces to roll and 20 boxes to pack
    expect(sheet.spanMinutes).toBe(20 + 100 + 20 + 80);
    expect(sheet.leastMinutes).toBe(sheet.spanMinutes);
  });

  it('comes to what holds nuts last, and packs what has none before, with nothing to clean between', () => {
    const { sheet, plan, book } = saturday({ plain: 5, nuts: 5 });
    const order = said(sheet).map((each) => each.replace(/^[\d.]+ maker /, ''));
    expect(order.indexOf('Pack plain')).toBeLessThan(order.indexOf('nutty'));
    expect(order.at(-1)).toBe('Pack nuts');
    expect(order).not.toContain('Clean');
    expect(verifyBench(sheet, plan, DAY, book)).toEqual([]);
  });

  it('cleans before a box that must not take on what was packed before it', () => {
    const nuts = ['pecan', 'peanut'].map((id) => ingredient(id, { contains: [id as 'pecan'] }));
    const book = bookOf({
      ingredients: nuts,
      recipes: nuts.map(({ id }) => recipe(id, [line(id, 100)], { handsMinutes: 20 })),
      pieces: nuts.map(({ id }) => rolled(`${id}-piece`, id)),
      boxes: nuts.map(({ id }) => box(id, [`${id}-piece`], { packMinutes: 4 })),
      kitchen: { ...kitchen, benchWeek: [{ weekday: 6, hours: 8, begins: null }], cleanMinutes: 10 },
    });
    const plan = planSeason(book, [order('a', { pecan: 2, peanut: 2 }, '2026-12-06')], TODAY);
    const sheet = benchDay(plan, DAY, book);
    expect(verifyBench(sheet, plan, DAY, book)).toEqual([]);
    const packs = sheet.tasks.filter(({ kind }) => kind === 'pack');
    const between = sheet.tasks.filter(
      ({ kind, from }) => kind === 'clean' && from > (packs[0]?.from ?? 0) && from < (packs[1]?.from ?? 0),
    );
    expect(between).toHaveLength(1);
  });

  it('says what somebody cannot have wherever their box is packed, changed for it or not', () => {
    const book = bookOf({ ...pantry, kitchen: { ...kitchen, benchWeek: [{ weekday: 6, hours: 8, begins: null }] } });
    const plan = planSeason(book, [order('a', { plain: 2 }, '2026-12-06', { exclusions: ['nuts'] })], TODAY);
    const packs = benchDay(plan, DAY, book).tasks.filter(({ kind }) => kind === 'pack');
    expect(packs.map(({ code }) => code)).toEqual(['2 boxes, no nuts (tree nuts and peanuts)']);
  });

  it('is cleaned between, tool by tool: what somebody lacks was in, and is used again', () => {
    const tool = (id: string, uses: string, equipment: string[]) =>
      recipe(id, [line(uses, 100)], { handsMinutes: 20, steps: [{ text: 'Stir', handsMinutes: 20, equipment }] });
    const book = bookOf({
      ingredients: [ingredient('cream', { contains: ['milk'] }), ingredient('flour', { contains: ['wheat'] })],
      recipes: [tool('milky', 'cream', ['Pot', 'Ladle', 'oven']), tool('floury', 'flour', ['Pot', 'Tin', 'oven'])],
      pieces: [rolled('milky-piece', 'milky'), rolled('floury-piece', 'floury')],
      boxes: [box('both', ['milky-piece', 'floury-piece'], { packMinutes: 4 })],
      kitchen: { ...kitchen, benchWeek: [{ weekday: 6, hours: 8, begins: null }], cleanMinutes: 10 },
    });
    const exclusions = ['milk', 'wheat'];
    const plan = planSeason(book, [order('a', { both: 4 }, '2026-12-06', { exclusions })], TODAY);
    const cleans = benchDay(plan, DAY, book).tasks.flatMap(({ kind, code }) => (kind === 'clean' ? [code] : []));
    expect(cleans).toEqual([expect.stringMatching(/^off (milk|wheat): the bench and Pot$/)]);
  });

  it('divides finishing and packing with a helper, who comes when there is something to do', () => {
    const [alone, helped] = [saturday({ plain: 40 }), saturday({ plain: 40 }, 3)];
    expect(helped.sheet.spanMinutes).toBeLessThan(alone.sheet.spanMinutes);
    expect(helped.sheet.tasks.filter(({ who }) => who === 'helper').map(({ kind }) => kind)).toEqual(
      expect.arrayContaining(['finish', 'pack']),
    );
    expect(verifyBench(helped.sheet, helped.plan, DAY, helped.book)).toEqual([]);
    expect(helped.plan.days.find(({ day }) => day === DAY)).toMatchObject({ makerMinutes: 480, sharedMinutes: 180 });
  });

  it('says how long there is to wait, and what can be done meanwhile', () => {
    const { sheet, plan } = saturday({ nuts: 3 });
    expect(sheet.waits).toEqual([{ from: 20, minutes: 60 }]);
    expect(sheet.bounds.map(({ what }) => what)).toEqual(['hands', 'sheet', 'rests']);
    expect(Math.max(...sheet.bounds.map(({ minutes }) => minutes))).toBe(sheet.leastMinutes);
    const ideas = (day: string) => whileWaiting(plan, day, sheet)?.ideas;
    expect(ideas('2026-11-28')).toEqual(['weigh out nutty for Sat 5 Dec', 'print 3 labels for Sun 6 Dec']);
    expect(ideas(DAY)).toEqual(['print 3 labels for Sun 6 Dec']);
    expect(whileWaiting(plan, DAY, { waits: [{ from: 0, minutes: 5 }] })).toBeNull();
  });

  it('names what there is too little of, and goes on without', () => {
    const overnight = pantry.recipes.map((each) => (each.id === 'nutty' ? { ...each, restDays: 1 } : each));
    const book = bookOf({
      ...pantry,
      recipes: overnight,
      kitchen: {
        ...kitchen,
        promisedDays: 0,
        benchWeek: [5, 6].map((weekday) => ({ weekday, hours: 8, begins: null })),
      },
    });
    const plan = planSeason(book, [order('a', { nuts: 20 }, '2026-12-06')], TODAY);
    const day = plan.runs[0]?.day ?? '';
    const sheet = benchDay(plan, day, book);
    expect(plan.runs[0]?.batchCount).toBe(2);
    expect(sheet.lacking).toEqual(['sheet']);
    expect(sheet.tasks.length).toBeGreaterThan(0);
    expect(benchDay(plan, '2026-12-05', book).resting).toEqual([{ recipeName: 'nutty', madeOn: day }]);
  });

  it('is caught by the verifier when it is wrong', () => {
    const { sheet, plan, book } = saturday({ plain: 20, nuts: 5 }, 1);
    const broken: BenchDay = {
      ...sheet,
      tasks: sheet.tasks.map((task) => ({ ...task, from: 0, who: task.kind === 'make' ? 'helper' : 'maker' })),
      equipment: sheet.equipment.map((use) => ({ ...use, from: 0 })),
    };
    const wrong = verifyBench(broken, plan, DAY, book).join('\n');
    const long: BenchDay = {
      ...sheet,
      tasks: sheet.tasks.map((task, at) => ({ ...task, who: 'helper', from: at * 90 })),
    };
    const longer = verifyBench(long, plan, DAY, book).join('\n');
    expect(longer).toContain('the helper stays');
    for (const words of ['does two things at once', 'the helper does', 'times oven at once'])
      expect(wrong).toContain(words);
  });
});
