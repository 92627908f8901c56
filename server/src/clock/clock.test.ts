import { expect, it } from '@jest/globals';
import { FixedClock, SystemClock } from './clock.js';

it('stands still where it is told to', () => {
  expect(new FixedClock('2026-12-05').today()).toBe('2026-12-05');
});

it('says the day of the computer’s own time zone', () => {
  const now = new Date();
  const [year, month, day] = new SystemClock().today().split('-').map(Number);
  expect([year, month, day]).toEqual([now.getFullYear(), now.getMonth() + 1, now.getDate()]);
});
