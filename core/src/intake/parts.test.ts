import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { TODAY } from '../../testing/kitchen.js';
import { readQuickOrder } from './quick.js';
import { shelfOf } from './shelf.js';

const shelf = shelfOf([
  { id: 'sampler', name: 'Pinwheel sampler' },
  { id: 'table', name: 'Table box' },
]);
const read = (text: string, answers: Readonly<Record<string, string>> = {}) =>
  readQuickOrder(`Wren: ${text}, 12 Dec`, shelf, TODAY, new Map(Object.entries(answers)));
const linesOf = (text: string) => read(text).lines.map(({ count, without }) => [count, ...without]);

describe('a part of what was ordered', () => {
  it.each([
    ['4 samplers: 2 vegan, 1 without sesame', [[1], [2, 'vegan'], [1, 'sesame']]],
    ['5 table boxes, 3 of them nut free, 1 of them dairy free', [[1], [3, 'nuts'], [1, 'milk']]],
    ['6 samplers, 2 without alcohol, 2 without nuts', [[2], [2, 'alcohol'], [2, 'nuts']]],
    ['3 samplers, one of them without nuts, one without milk', [[1], [1, 'nuts'], [1, 'milk']]],
    ['3 samplers, 3 of them without nuts', [[3, 'nuts']]],
  ])('is taken from the whole, never from the part before: %s', (text, lines) => {
    expect(linesOf(text)).toEqual(lines);
    expect([...read(text).exclusions]).toEqual([]);
  });

  it('is asked about where it is as many as were ordered, or more than are left; its exclusion stays meanwhile', () => {
    for (const text of ['2 table boxes, 2 without nuts', '3 samplers: 2 vegan, 2 without nuts']) {
      const { questions, exclusions, lines } = read(text);
      expect(questions).toHaveLength(1);
      expect([...exclusions, ...lines.flatMap(({ without }) => without)]).toContain('nuts');
    }
    expect(linesOf('2 table boxes, 2 without nuts')).toEqual([[2]]);
  });

  it('adds up to the whole, whatever is ruled out of which part', () => {
    const words = ['without nuts', 'without milk', 'without egg', 'without sesame'];
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 6 }), { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 1, max: 9 }),
        (parts, rest) => {
          const whole = parts.reduce((sum, part) => sum + part, rest);
          const text = [
            `${String(whole)} samplers`,
            ...parts.map((part, at) => `${String(part)} of them ${words[at] ?? ''}`),
          ].join(', ');
          const { lines, questions } = read(text);
          expect([text, questions]).toEqual([text, []]);
          expect([text, lines.map(({ count }) => count)]).toEqual([text, [rest, ...parts]]);
          expect(lines.slice(1).map(({ without }) => without.length)).toEqual(parts.map(() => 1));
        },
      ),
    );
  });
});

describe('a number of boxes', () => {
  it.each([
    ['two and a half dozen table boxes', 30],
    ['2 1/2 dozen table boxes', 30],
    ['2½ dozen table boxes', 30],
    ['1/2 dozen table boxes', 6],
    ['half a dozen table boxes', 6],
    ['a dozen and a half table boxes', 18],
    ['one and a half dozen table boxes', 18],
    ['three dozen table boxes', 36],
  ])('%s are %s', (text, count) => {
    expect(linesOf(text)).toEqual([[count]]);
    expect(read(text).questions).toEqual([]);
  });
});

describe('a day that is some weeks from another', () => {
  it.each([
    ['a week today', '2026-12-02'],
    ['week from today', '2026-12-02'],
    ['a week tomorrow', '2026-12-03'],
    ['fortnight today', '2026-12-09'],
    ['two weeks tomorrow', '2026-12-10'],
    ['today', '2026-11-25'],
  ])('%s', (text, day) => {
    const { on, questions } = readQuickOrder(`Wren: 1 sampler, ${text}`, shelf, TODAY, new Map());
    expect([on, questions]).toEqual([day, []]);
  });
});
