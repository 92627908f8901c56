import { readFileSync } from 'node:fs';
import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { solver } from '../../testing/solver.js';
import { openBook } from '../book/index.js';
import { PromiseDesk } from '../promise/index.js';
import { seasonFileSchema } from '../season-file/index.js';
import { solveProgramme } from './index.js';

const file = seasonFileSchema.parse(JSON.parse(readFileSync('demo/season.json', 'utf8')));
const today = file.writtenFor;
const book = openBook(file);
const orders = file.orders.slice(0, 6);

/** Makes every clock run so many times as fast as it does: the machine seems as many times slower. */
function slowTheMachine(times: number): void {
  const now = performance.now.bind(performance);
  const began = now();
  jest.spyOn(performance, 'now').mockImplementation(() => began + (now() - began) * times);
  const date = Date.now.bind(Date);
  const since = date();
  jest.spyOn(Date, 'now').mockImplementation(() => since + (date() - since) * times);
}

afterEach(() => {
  jest.restoreAllMocks();
});

describe('a season on a machine that is ten times slower', () => {
  it('has the same plan, the same promises and the same weeks', async () => {
    const all = async () => {
      const { guide, objective, bound, work } = await solveProgramme({ book, orders, today }, solver, {
        gap: 0,
        work: 2,
      });
      const desk = new PromiseDesk({ book, orders, today, guide });
      const asked = {
        ...orders[1],
        id: 'asked',
        lines: [{ ...orders[1]?.lines[0], count: 150 }],
      } as (typeof orders)[0];
      const options = { solver, work: 0.5, laterWork: 0.2 };
      return {
        plan: { guide, objective, bound, work },
        promise: await desk.check(asked, options),
        week: await desk.week(2, { solver, work: 0.1 }),
      };
    };
    const usual = await all();
    slowTheMachine(10);
    expect(await all()).toEqual(usual);
  });
});
