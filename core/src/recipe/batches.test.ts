import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { chooseBatches, sayBatches, type BatchSize } from './batches.js';

const coverage = (need: number, sizes: readonly BatchSize[]) => {
  const chosen = chooseBatches(need, sizes);
  const coversOf = (size: number) => sizes.find((each) => each.size === size)?.covers ?? 0;
  return {
    batches: chosen.reduce((sum, each) => sum + each.count, 0),
    covered: chosen.reduce((sum, each) => sum + each.count * coversOf(each.size), 0),
    smallest: Math.min(...chosen.map((each) => coversOf(each.size))),
  };
};

/** The best by trying every combination: fewest batches, then least covered. */
function bruteForce(need: number, covers: readonly number[]): { batches: number; covered: number } {
  for (let batches = 1; ; batches++) {
    let sums = new Set([0]);
    for (let each = 0; each < batches; each++)
      sums = new Set([...sums].flatMap((sum) => covers.map((cover) => sum + cover)));
    const enough = [...sums].filter((sum) => sum >= need);
    if (enough.length > 0) return { batches, covered: Math.min(...enough) };
  }
}

const sizesOf = (covers: readonly number[]): BatchSize[] =>
  covers.map((cover, index) => ({ size: index + 1, covers: cover }));
const distinctCovers = fc.uniqueArray(fc.integer({ min: 1, max: 90 }), { minLength: 1, maxLength: 4 });

describe('whole batches', () => {
  it('takes a half batch where it is enough', () => {
    const sizes = [
      { size: 0.5, covers: 40 },
      { size: 1, covers: 81 },
    ];
    expect(chooseBatches(40, sizes)).toEqual([{ size: 0.5, count: 1 }]);
    expect(chooseBatches(100, sizes)).toEqual([
      { size: 1, count: 1 },
      { size: 0.5, count: 1 },
    ]);
    expect(chooseBatches(150, sizes)).toEqual([{ size: 1, count: 2 }]);
  });

  it('makes several single batches where doubling is not allowed', () => {
    expect(chooseBatches(200, [{ size: 1, covers: 61 }])).toEqual([{ size: 1, count: 4 }]);
  });

  it('makes nothing for nothing, or when no size covers anything', () => {
    expect(chooseBatches(0, [{ size: 1, covers: 10 }])).toEqual([]);
    expect(chooseBatches(5, [{ size: 1, covers: 0 }])).toEqual([]);
    expect(chooseBatches(5, [])).toEqual([]);
  });

  it('covers every need, and no batch can be removed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5000 }), distinctCovers, (need, covers) => {
        const { covered, smallest } = coverage(need, sizesOf(covers));
        expect(covered).toBeGreaterThanOrEqual(need);
        expect(covered - smallest).toBeLessThan(need);
      }),
    );
  });

  it('is as good as trying every combination', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 300 }), distinctCovers, (need, covers) => {
        fc.pre(need / Math.max(...covers) < 7);
        const { batches, covered } = coverage(need, sizesOf(covers));
        expect({ batches, covered }).toEqual(bruteForce(need, covers));
      }),
    );
  });
});

it('says batches by the words for their sizes', () => {
  expect(sayBatches([])).toBe('none');
  expect(sayBatches([{ size: 1, count: 1 }])).toBe('1 batch');
  expect(
    sayBatches([
      { size: 2, count: 2 },
      { size: 0.5, count: 1 },
    ]),
  ).toBe('2 double batches and 1 half batch');
  expect(sayBatches([{ size: 1.5, count: 3 }])).toBe('3 batches of 1.5');
});
