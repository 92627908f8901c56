import { expect, it } from '@jest/globals';
import { sureShare } from '../src/recipe/index.js';

/** One-sided 95 % and 99 % points of Student's t, as in any printed table of it (from memory). */
const table: readonly (readonly [degrees: number, at95: number, at99: number])[] = [
  [2, 2.92, 6.965],
  [3, 2.353, 4.541],
  [4, 2.132, 3.747],
  [9, 1.833, 2.821],
  [29, 1.699, 2.462],
];

it.each(table)('counts on the t of the printed table for %i degrees of freedom', (degrees, at95, at99) => {
  // With a mean of 1, a spread of 0.01 and one further batch, the share that is sure shows t itself.
  const batches = degrees + 1;
  const tOf = (percent: number) =>
    (1 - sureShare({ batches, mean: 1, spread: 0.01 }, 1, percent)) / (0.01 * Math.sqrt(1 + 1 / batches));
  expect(tOf(95)).toBeCloseTo(at95, 2);
  expect(tOf(99)).toBeCloseTo(at99, 2);
});
