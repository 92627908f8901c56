import { describe, expect, it } from '@jest/globals';
import { bookOf, order, TODAY, different } from '../../testing/kitchen.js';
import { bench, trufflePantry } from '../../testing/truffles.js';
import { planSeason } from './plan.js';

const helped = different('2026-12-12', { helperHours: 5, humid: true });
const book = bookOf({ ...trufflePantry, kitchen: { ...bench, dayChanges: [helped] } });
const orders = [
  order('a', { mixed: 4 }, '2026-12-05', { depositMinor: 1500, state: 'confirmed' }),
  order('b', { mixed: 2, bag: 3 }, '2026-12-13', {
    handOver: { on: '2026-12-13', way: 'stall', place: 'Market square' },
  }),
];
const { days, runs, finishings, handOvers } = planSeason(book, orders, TODAY);
/** Minutes of finishing on a day. */
const minutesOn = (day: string) =>
  finishings
    .flatMap(({ work }) => work)
    .filter((each) => each.day === day)
    .reduce((sum, { handsMinutes }) => sum + handsMinutes, 0);
const on = (day: string) => days.find((each) => each.day === day);
const handedOn = (day: string) => handOvers.find((each) => each.day === day)?.orders;

describe('the days of a season', () => {
  it('run from today to the last hand-over without a gap', () => {
    expect(days[0]?.day).toBe(TODAY);
    expect(days.at(-1)?.day).toBe('2026-12-13');
    expect(days).toHaveLength(19);
  });

  it('book making, finishing, packing, getting ready and cleaning, and nothing twice', () => {
    for (const { day, bookedMinutes, readyMinutes, packs } of days) {
      const here = runs.filter((each) => each.day === day);
      const hands = here.reduce((sum, { handsMinutes }) => sum + handsMinutes, 0);
      const finished = minutesOn(day);
      const packed = packs.reduce((sum, { minutes }) => sum + minutes, 0);
      expect(bookedMinutes).toBeCloseTo(hands + finished + packed + readyMinutes, 9);
      // Five minutes for each recipe; ten more where nuts come after no nuts.
      expect(readyMinutes % 10).toBe((here.length * bench.setUpMinutes) % 10);
    }
  });

  it('have the helper’s hands only as far as there is something to finish and to pack', () => {
    const saturday = on('2026-12-12');
    const shareable = 2 * 3 + 3 * 1;
    const finished = minutesOn('2026-12-12');
    expect(saturday).toMatchObject({ makerMinutes: 180, humid: true });
    expect(saturday?.sharedMinutes).toBeCloseTo(Math.min(300, shareable + finished), 9);
    expect(saturday?.benchMinutes).toBeCloseTo(180 + (saturday?.sharedMinutes ?? 0), 9);
    expect(on('2026-12-02')).toMatchObject({ benchMinutes: 0, makerMinutes: 0, bookedMinutes: 0 });
  });

  it('say what is handed over, how, and what is still to be paid', () => {
    expect(handedOn('2026-12-05')).toMatchObject([
      {
        customer: 'a',
        way: 'pick-up',
        boxes: 4,
        dueMinor: 4 * 2000 - 1500,
        contents: [{ boxName: 'mixed', count: 4 }],
      },
    ]);
    expect(handedOn('2026-12-13')).toMatchObject([{ customer: 'b', way: 'stall', place: 'Market square', boxes: 5 }]);
  });
});
