import { describe, expect, it } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { openBook } from '../book/index.js';
import { seasonFileSchema } from '../season-file/index.js';
import { benchDay, sayBenchTime } from './bench-day.js';
import { beginsAt, followsGuide, guideOf, moveRun, planSeason, whyNotTo, whyThen } from '../plan/index.js';
import { kitchen, different } from '../../testing/kitchen.js';
import { verifyBench } from '../../testing/verify-bench.js';

const file = seasonFileSchema.parse(JSON.parse(readFileSync('demo/season.json', 'utf8')));
const book = openBook(file);
const plan = planSeason(book, file.orders, file.writtenFor, file.plan ?? undefined);
const worked = plan.days.filter(({ bookedMinutes }) => bookedMinutes > 0);

describe('a bench day', () => {
  it.each(worked.map(({ day }) => day))('%s: keeps every rule of the bench', (day) => {
    const sheet = benchDay(plan, day, book);
    expect(verifyBench(sheet, plan, day, book)).toEqual([]);
    expect(sheet.spanMinutes).toBeGreaterThanOrEqual(sheet.leastMinutes - 1e-6);
    expect(sheet.lacking).toEqual([]);
  });
});

describe('what was decided', () => {
  it('is the plan itself, written down', () => {
    const guide = guideOf(plan, []);
    expect(followsGuide(plan, guide, book)).toBe(true);
    const again = planSeason(book, file.orders, file.writtenFor, guide);
    const what = (of: typeof plan) => of.runs.map(({ recipeId, day, batches }) => ({ recipeId, day, batches }));
    expect(what(again)).toEqual(what(plan));
    expect(followsGuide(planSeason(book, file.orders.slice(0, 5), file.writtenFor, guide), guide, book)).toBe(false);
  });

  it('says why a run is where it is, and why it cannot be elsewhere', () => {
    const [first] = plan.runs;
    if (!first) throw new Error('nothing is made');
    for (const { recipeId, day } of plan.runs)
      expect(whyThen(plan, recipeId, day, book, file.writtenFor)).toMatch(/^[A-Z].*\.$/);
    expect(whyNotTo(plan, first.recipeId, first.day, first.day, book, file.writtenFor)).toEqual([]);
    expect(whyNotTo(plan, 'lost', first.day, first.day, book, file.writtenFor)).toEqual([
      'That making is not in the plan any more.',
    ]);
    expect(whyNotTo(plan, first.recipeId, first.day, '2026-11-20', book, file.writtenFor)[0]).toBe(
      'Friday 20 November has passed.',
    );
    const last = plan.runs.find(({ recipeId }) => recipeId === 'tea-ganache');
    expect(last && whyNotTo(plan, last.recipeId, last.day, '2026-12-19', book, file.writtenFor).join(' ')).toContain(
      'too late for',
    );
  });

  it('moves to a day on which the same is made already, and the batches add up', () => {
    const days = plan.runs.filter(({ recipeId }) => recipeId === 'sesame-toffee').map(({ day }) => day);
    const [from = '', to = ''] = days;
    const moved = moveRun(guideOf(plan, []), 'sesame-toffee', from, to, plan);
    expect(moved.pins).toEqual([{ recipeId: 'sesame-toffee', day: to }]);
    const count = (batches: typeof moved.batches) =>
      batches.filter(({ recipeId }) => recipeId === 'sesame-toffee').reduce((sum, each) => sum + each.count, 0);
    expect(count(moved.batches)).toBe(count(guideOf(plan, []).batches));
    expect(moved.batches.some(({ recipeId, day }) => recipeId === 'sesame-toffee' && day === from)).toBe(false);
  });
});

describe('the clock of a day', () => {
  it('is counted from its beginning until somebody says when that is, for its weekday or for itself', () => {
    const evenings = { ...kitchen, benchWeek: [{ weekday: 4, hours: 3.5, begins: 1080 }] };
    expect(beginsAt('2026-11-26', evenings)).toBe(1080);
    expect(beginsAt('2026-11-28', evenings)).toBeNull();
    const early = different('2026-11-26', { begins: 540 });
    expect(beginsAt('2026-11-26', { ...evenings, dayChanges: [early] })).toBe(540);
    expect(beginsAt('2026-11-26', { ...evenings, dayChanges: [{ ...early, begins: null }] })).toBe(1080);
    expect(sayBenchTime({ begins: 1080 }, 32)).toBe('18:32');
    expect(sayBenchTime({ begins: null }, 32)).toBe('+0:32');
  });
});
