import { expect, it } from '@jest/globals';
import { sayAt, saySeconds } from './sayTimes';

it.each([
  [0, '0:00'],
  [-3, '0:00'],
  [9.6, '0:10'],
  [94, '1:34'],
  [3599.6, '1:00:00'],
  [11_560, '3:12:40'],
])('%d s on a timer are %s', (seconds, says) => {
  expect(saySeconds(seconds)).toBe(says);
});

it('says a moment as the clock on the wall shows it', () => {
  expect(sayAt(new Date(2026, 10, 25, 16, 40, 59).getTime())).toBe('16:40');
});
