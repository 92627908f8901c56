import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { judgeReading, noReadings, sinceChange } from './probe-trace.js';
import type { Reading } from './cook-fit.js';

/** A pot that warms a tenth of a degree every half second. */
const climbing = (count: number, from = 20): Reading[] =>
  Array.from({ length: count }, (_, index) => ({ seconds: index / 2, celsius: from + index / 10 }));

function judged(readings: readonly Reading[]) {
  let trust = noReadings;
  const good: Reading[] = [];
  const marks = readings.map((reading) => {
    const result = judgeReading(trust, reading);
    ({ trust } = result);
    good.push(...result.good);
    return result.mark;
  });
  return { good, marks };
}

describe('readings of a probe', () => {
  it('are good while they could be true', () => {
    const { good, marks } = judged(climbing(50));
    expect(good).toHaveLength(50);
    expect(new Set(marks)).toEqual(new Set([null]));
  });

  it.each([NaN, Infinity, -127, 999])('that cannot be (%d) are marked, and what follows is still good', (celsius) => {
    const { good, marks } = judged([...climbing(10), { seconds: 4.8, celsius }, ...climbing(20).slice(10)]);
    expect(marks[10]).toBe('impossible');
    expect(good).toHaveLength(20);
  });

  it('that jump once are never acted on', () => {
    const readings = climbing(40);
    const { good, marks } = judged(readings.map((each, index) => (index === 20 ? { ...each, celsius: 148 } : each)));
    expect(marks[20]).toBe('jump');
    expect(Math.max(...good.map(({ celsius }) => celsius))).toBeLessThan(30);
  });

  it('that jumped and stay are believed: the probe was moved', () => {
    const moved = climbing(30, 80).map((each) => ({ ...each, seconds: each.seconds + 20 }));
    const { good } = judged([...climbing(40), ...moved]);
    expect(good).toHaveLength(70);
  });

  it('that come late are not put before what was read since', () => {
    expect(judged([{ seconds: 5, celsius: 20 }, { seconds: 4, celsius: 20 }]).marks).toEqual([null, 'late']); // prettier-ignore
  });

  it('never let through what no pot does, whatever comes', () => {
    const any = fc.record({
      seconds: fc.double({ min: 0, max: 600 }),
      celsius: fc.oneof(fc.double(), fc.double({ min: -200, max: 400 })),
    });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 60 }), (readings) => {
        const { good } = judged(readings);
        for (const { celsius, seconds } of good) {
          expect(celsius).toBeGreaterThanOrEqual(-30);
          expect(celsius).toBeLessThanOrEqual(230);
          expect(Number.isFinite(seconds)).toBe(true);
        }
        expect([...good].sort((a, b) => a.seconds - b.seconds)).toEqual(good);
      }),
    );
  });
});

describe('what a forecast rests on', () => {
  it('is the last four minutes', () => {
    const since = sinceChange(climbing(2000), []);
    expect(since[0]?.seconds).toBeCloseTo(999.5 - 240, 6);
  });

  it('is what came after the heat was changed', () => {
    expect(sinceChange(climbing(200), [50])[0]?.seconds).toBe(50);
    expect(sinceChange(climbing(200), [500])).toHaveLength(200);
  });

  it('begins at the lowest reading after something cold went in, though nobody said so', () => {
    const dips = climbing(200).map((each, index) => (index > 100 ? { ...each, celsius: each.celsius - 4 } : each));
    const from = sinceChange(dips, [])[0]?.seconds ?? 0;
    expect(from).toBeGreaterThan(47);
    expect(from).toBeLessThan(56);
  });
});
