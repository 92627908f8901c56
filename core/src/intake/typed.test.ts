import { describe, expect, it } from '@jest/globals';
import { runs } from '../../testing/runs.js';
import fc from 'fast-check';
import { TODAY } from '../../testing/kitchen.js';
import { typedOrders, typedShelf } from '../../testing/typed-orders.js';
import { readQuickOrder, type QuickOrder } from './quick.js';

/** So many typed orders are read and compared with what was meant. */
const READ = runs(500, 4000);

/** Answers questions until none is left, each by the choice that a number picks; what has no choices stays open. */
function answered(text: string, picks: readonly number[]): QuickOrder {
  const answers = new Map<string, string>();
  for (let round = 0; ; round++) {
    const read = readQuickOrder(text, typedShelf, TODAY, answers);
    const next = read.questions.find(({ key, choices }) => choices.length > 0 && !answers.has(key));
    if (!next || round > 60) return read;
    const choice = next.choices[(picks[round % picks.length] ?? 0) % next.choices.length];
    answers.set(next.key, choice?.value ?? '');
  }
}

const ruledOut = (read: QuickOrder): Set<string> =>
  new Set([...read.exclusions, ...read.lines.flatMap(({ without }) => without)]);

describe('a typed order, its parts in any order', () => {
  it('never loses an exclusion, whatever is asked and whatever is answered', () => {
    fc.assert(
      fc.property(typedOrders, fc.array(fc.nat(20), { minLength: 1, maxLength: 12 }), ({ text, exclusions }, picks) => {
        const codes = ruledOut(answered(text, picks));
        for (const code of exclusions.flat())
          expect([text, [...codes]]).toEqual([text, expect.arrayContaining([code])]);
      }),
      { numRuns: runs(1_000, 10_000) },
    );
  });

  it('is right where it is read without a question', () => {
    let whole = 0;
    fc.assert(
      fc.property(typedOrders, ({ text, customer, boxes, on, way, exclusions }) => {
        const read = readQuickOrder(text, typedShelf, TODAY);
        if (read.questions.length > 0 || read.missing.length > 0) return;
        whole++;
        const counts: Record<string, number> = {};
        for (const { boxId, count } of read.lines) counts[boxId] = (counts[boxId] ?? 0) + count;
        expect([text, read.customer, counts, read.on, read.way]).toEqual([text, customer, boxes, on, way]);
        expect([text, [...ruledOut(read)].sort()]).toEqual([text, [...new Set(exclusions.flat())].sort()]);
      }),
      { numRuns: READ },
    );
    expect(whole).toBeGreaterThan(READ / 2);
  });

  it('has every word in one reading, or to be seen as not understood', () => {
    fc.assert(
      fc.property(typedOrders, fc.lorem({ maxCount: 3 }), ({ text }, more) => {
        const typed = `${text}, ${more}`;
        const { parts, questions } = readQuickOrder(typed, typedShelf, TODAY);
        expect(parts.map((part) => part.text).join('')).toBe(typed);
        if (parts.some(({ reading }) => reading === null)) expect(questions.length).toBeGreaterThan(0);
      }),
      { numRuns: runs(150, 1000) },
    );
  });

  it('throws for no text at all', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 200 }), (text) => {
        const { parts } = readQuickOrder(text, typedShelf, TODAY);
        expect(parts.map((part) => part.text).join('')).toBe(text);
      }),
      { numRuns: runs(250, 2000) },
    );
  });
});
