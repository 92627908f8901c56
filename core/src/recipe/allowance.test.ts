import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, ingredient, line, recipe } from '../../testing/kitchen.js';
import { sparePieces, sureShare, yieldRecord } from './allowance.js';

const recordOf = (grams: readonly number[], size = 1) => {
  const facts = bookOf({
    ingredients: [ingredient('sugar')],
    recipes: [
      recipe('fudge', [line('sugar', 1000)], {
        weighedYields: grams.map((each) => ({ on: '2025-12-01', size, grams: each })),
      }),
    ],
  }).recipes.get('fudge');
  return facts ? yieldRecord(facts) : null;
};

describe('what is made to spare', () => {
  it('is nothing until three batches were weighed', () => {
    expect(recordOf([900, 1000])).toBeNull();
    expect(sparePieces(50, 20, null, 95)).toBe(0);
  });

  it('compares each batch with what it should give at its size', () => {
    const record = recordOf([2000, 1900, 1800], 2);
    expect(record?.batches).toBe(3);
    expect(record?.mean).toBeCloseTo(0.95, 9);
    expect(record?.spread).toBeCloseTo(0.05, 9);
  });

  it('follows the prediction limit for a further mean', () => {
    // mean 0.95, s 0.05, n 3, k 2: 0.95 - 2.9200 x 0.05 x sqrt(1/2 + 1/3)
    const record = recordOf([1000, 950, 900]);
    if (!record) throw new Error('three were weighed');
    expect(sureShare(record, 2, 95)).toBeCloseTo(0.95 - 2.92 * 0.05 * Math.sqrt(5 / 6), 4);
    // 40 pieces of 20 a batch: 40 / 0.8167 = 48.98, so 49, and those are three batches: 40 / 0.8308 = 48.1
    expect(sparePieces(40, 20, record, 95)).toBe(9);
  });

  it('covers what is wanted, needs no more than it must, and grows with how sure it must be', () => {
    const any = fc.record({
      batches: fc.integer({ min: 3, max: 30 }),
      mean: fc.double({ min: 0.7, max: 1.1, noNaN: true }),
      spread: fc.double({ min: 0, max: 0.15, noNaN: true }),
    });
    fc.assert(
      fc.property(
        any,
        fc.integer({ min: 1, max: 400 }),
        fc.integer({ min: 1, max: 100 }),
        (record, pieces, perBatch) => {
          const spare = sparePieces(pieces, perBatch, record, 95);
          const covered = (made: number) => made * sureShare(record, Math.ceil(made / perBatch), 95);
          expect(Number.isInteger(spare) && spare >= 0).toBe(true);
          expect(covered(pieces + spare)).toBeGreaterThanOrEqual(pieces - 1e-6);
          expect(sparePieces(pieces, perBatch, record, 80)).toBeLessThanOrEqual(spare);
        },
      ),
    );
  });
});
