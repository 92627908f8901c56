import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { recipe, line } from '../../testing/kitchen.js';
import { multipleOf } from './batches.js';
import { wrongInRecipe } from './check.js';
import { adviceFor } from './scale.js';
import { allowedSize, batchesFor, batchesGiving, FREE_STEP, proposedSizes, type Sized } from './sizes.js';

const free = (least: number, most: number): Sized => ({ batchSizes: [least, most], anySize: true });
const listed = (...batchSizes: number[]): Sized => ({ batchSizes, anySize: false });

/** A least and a largest size in whole steps. */
const anyFree = fc
  .tuple(fc.integer({ min: 10, max: 200 }), fc.integer({ min: 10, max: 300 }))
  .map(([least, more]) => free(least / 100, (least + more) / 100));

describe('any size', () => {
  it('is one batch as long as it may be, and then as few as can be, all alike', () => {
    expect(batchesFor(0.73, free(0.25, 2))).toEqual([{ size: 0.73, count: 1 }]);
    expect(batchesFor(2.6, free(0.5, 2))).toEqual([{ size: 1.3, count: 2 }]);
    expect(batchesFor(0.1, free(0.5, 2))).toEqual([{ size: 0.5, count: 1 }]);
    expect(batchesFor(0.731, free(0.25, 2))).toEqual([{ size: 0.74, count: 1 }]);
    expect(batchesFor(0, free(0.25, 2))).toEqual([]);
  });

  it('covers what is needed in the fewest batches, none of a size that is not allowed, and never by more than a step each', () => {
    fc.assert(
      fc.property(anyFree, fc.double({ min: 0.001, max: 40, noNaN: true }), (sized, multiple) => {
        const [batches = { size: 0, count: 0 }, ...more] = batchesFor(multiple, sized);
        const [least = 0, most = 0] = sized.batchSizes;
        expect(more).toEqual([]);
        expect(allowedSize(sized, batches.size)).not.toBeNull();
        expect(batches.size * batches.count).toBeGreaterThanOrEqual(multiple - 1e-6);
        expect((batches.count - 1) * most).toBeLessThan(multiple);
        if (batches.size > least)
          expect(batches.size * batches.count - multiple).toBeLessThan(FREE_STEP * batches.count + 1e-6);
      }),
    );
  });

  it('never makes more than the listed sizes between its ends would', () => {
    fc.assert(
      fc.property(anyFree, fc.double({ min: 0.001, max: 20, noNaN: true }), (sized, multiple) => {
        const fixed = batchesFor(multiple, { ...sized, anySize: false });
        const [one = { size: 0, count: 0 }] = batchesFor(multiple, sized);
        expect(one.count).toBeLessThanOrEqual(fixed.reduce((sum, { count }) => sum + count, 0));
        expect(multipleOf([one])).toBeLessThanOrEqual(multipleOf(fixed) + FREE_STEP * one.count + 1e-6);
      }),
    );
  });

  it('gives whole pieces: as many as are wanted, in no more batches than are needed', () => {
    fc.assert(
      fc.property(
        anyFree,
        fc.integer({ min: 1, max: 500 }),
        fc.double({ min: 3, max: 90, noNaN: true }),
        (sized, wanted, perBase) => {
          const gives = (size: number) => Math.max(0, Math.floor(size * perBase + 1e-9));
          const most = gives(sized.batchSizes[1] ?? 0);
          const batches = batchesGiving(wanted, gives, perBase, sized);
          if (most === 0) {
            expect(batches).toEqual([]);
            return;
          }
          const [{ size, count } = { size: 0, count: 0 }] = batches;
          expect(allowedSize(sized, size)).not.toBeNull();
          expect(gives(size) * count).toBeGreaterThanOrEqual(wanted);
          expect(count).toBe(Math.ceil(wanted / most));
        },
      ),
    );
  });

  it('is advised as it is, and what is beyond its ends is parted or refused', () => {
    expect(adviceFor(free(0.5, 2), 1.37)).toMatchObject({ allowed: true, batches: [{ size: 1.37, count: 1 }] });
    expect(adviceFor(free(0.5, 2), 3).advice).toBe('Do not make it 3-fold in one pot: make 2 batches of 1.5.');
    expect(adviceFor(free(0.5, 2), 0.2).advice).toBe(
      '0.50 of a base batch is the least: make 1 half batch. 0.30 of a base batch is left over.',
    );
  });

  it('names just its two ends, the least first', () => {
    const wrong = (sizes: Sized) => wrongInRecipe(recipe('bark', [line('dark', 500)], sizes), () => true);
    expect(wrong(free(0.5, 2))).toEqual([]);
    expect(wrong(listed(0.5, 1, 2))).toEqual([]);
    expect(wrong({ batchSizes: [0.5, 1, 2], anySize: true })[0]?.message).toContain('just the least and the largest');
    expect(wrong({ batchSizes: [2, 1], anySize: true })).toEqual([
      { path: ['batchSizes', 1], message: 'must be larger than the least' },
    ]);
  });
});

describe('sizes that a recipe does not say', () => {
  const step = (text: string, more: object = {}) => ({
    text,
    effect: { kind: 'none' } as const,
    target: null,
    equipment: [],
    ...more,
  });

  it('are whole batches where sugar is cooked, whatever the words', () => {
    for (const text of [
      'Boil the sugar and butter to 149 C.',
      'Melt the sugar dry to a deep amber.',
      'Cook to soft ball.',
    ])
      expect([text, proposedSizes([step(text)], true).sizes]).toEqual([text, { batchSizes: [1], anySize: false }]);
    expect(proposedSizes([step('To 149 C.', { effect: { kind: 'cook' } })], false).sizes.anySize).toBe(false);
  });

  it('are whole pans where it bakes, and any size where it is only weighed and stirred', () => {
    expect(proposedSizes([step('Bake for 20 minutes.')], true).sizes).toEqual({ batchSizes: [1, 2], anySize: false });
    expect(proposedSizes([step('Bring the cream to the boil, pour over the chocolate.')], false).sizes.anySize).toBe(
      true,
    );
    expect(proposedSizes([step('Melt, stir in the nuts, spread.')], false).sizes.anySize).toBe(true);
  });
});
