import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { kitchen, different } from '../../testing/kitchen.js';
import { addDays } from '../quantity/index.js';
import {
  benchHours,
  groupByDay,
  helperHours,
  isBenchDay,
  isHumid,
  lastBenchDay,
  lastBenchDayBefore,
  makerHours,
} from './windows.js';

const week = {
  ...kitchen,
  benchWeek: [
    { weekday: 2, hours: 3, begins: null },
    { weekday: 6, hours: 7, begins: null },
  ],
  dayChanges: [
    different('2026-12-05', { hours: 0 }),
    different('2026-12-08', { helperHours: 2, humid: true }),
    different('2026-12-09', { hours: 4 }),
  ],
};

describe('a bench day', () => {
  it('has the hours of its weekday, unless it is different', () => {
    expect(
      ['2026-12-01', '2026-12-02', '2026-12-05', '2026-12-08', '2026-12-09'].map((day) => makerHours(day, week)),
    ).toEqual([3, 0, 0, 3, 4]);
    expect([helperHours('2026-12-08', week), benchHours('2026-12-08', week)]).toEqual([2, 5]);
    expect([isHumid('2026-12-08', week), isHumid('2026-12-01', week)]).toEqual([true, false]);
    expect([isBenchDay('2026-12-05', week), isBenchDay('2026-12-09', week)]).toEqual([false, true]);
    expect(isBenchDay('2026-12-05', kitchen)).toBe(true);
  });

  it('is looked for backwards', () => {
    expect(lastBenchDayBefore('2026-12-07', week)).toBe('2026-12-01');
    expect(lastBenchDay({ from: '2026-12-02', to: '2026-12-07' }, week)).toBe('2026-12-07');
    expect(lastBenchDay({ from: '2026-12-01', to: '2026-12-07' }, week)).toBe('2026-12-01');
  });
});

it('groups needs so that each is made within its window, on no more days than windows that do not touch', () => {
  const windows = fc.array(
    fc.record({ from: fc.nat(30), length: fc.nat(6) }).map(({ from, length }) => ({
      window: { from: addDays('2026-12-01', from), to: addDays('2026-12-01', from + length) },
    })),
    { minLength: 1, maxLength: 12 },
  );
  fc.assert(
    fc.property(windows, (needs) => {
      const groups = groupByDay(needs, kitchen);
      expect(groups.flatMap((group) => group.needs)).toHaveLength(needs.length);
      for (const { window, needs: of } of groups) {
        expect(window.from <= window.to).toBe(true);
        for (const each of of) expect(each.window.from <= window.from && each.window.to >= window.to).toBe(true);
      }
      // Windows that do not touch one another cannot share a day: so many runs are needed at least.
      let apart = 0;
      let end = '';
      for (const { window } of [...needs].sort((a, b) => (a.window.to < b.window.to ? -1 : 1)))
        if (window.from > end) [apart, end] = [apart + 1, window.to];
      expect(groups).toHaveLength(apart);
    }),
  );
});
