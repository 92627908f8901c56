import { expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, line, recipe } from '../../testing/kitchen.js';
import { batchesFor, multipleOf } from '../recipe/index.js';
import { trufflePantry } from '../../testing/truffles.js';
import { leftOverUse, sizeThatLeavesLess, whyLeftOver } from './left-over.js';

const book = bookOf(trufflePantry);
const use = (recipeId: string, leftOverGrams: number, leftOverPieces: number | null = null) =>
  leftOverUse({ recipeId, leftOverGrams, leftOverPieces }, book);

it('says what can become of a left-over', () => {
  expect(use('base', 0.5)).toEqual({ kind: 'nothing left' });
  expect(use('base', 50)).toEqual({ kind: 'component', keepsDays: 4, users: ['ganache'] });
  expect(use('coating', 50)).toEqual({ kind: 'stock' });
  expect(use('toffee', 50, 3)).toEqual({ kind: 'pieces', count: 3 });
  expect(use('ganache', 50, 0)).toEqual({ kind: 'lost' });
});

it('says why it is left over: by what the recipe allows', () => {
  const base = book.recipes.get('base');
  const coating = book.recipes.get('coating');
  if (!base || !coating) throw new Error('no recipe');
  const run = {
    ...{ recipeId: 'x', recipeName: 'x', batchCount: 1, poolGrams: 0, sparePieces: 0, leftOverPieces: null },
    ...{ handsMinutes: 0, pinned: false },
  };
  const left = { ...run, batches: [{ size: 1, count: 1 }], yieldGrams: 1000, usedGrams: 700, leftOverGrams: 300 };
  expect(whyLeftOver(left, base)).toBe('It is made in sizes of 0.5 and 1: for 0.70, 1 batch.');
  const whole = { ...run, batches: [{ size: 1, count: 2 }], batchCount: 2, yieldGrams: 1000, usedGrams: 650 };
  expect(whyLeftOver({ ...whole, leftOverGrams: 350, poolGrams: 200 }, coating)).toBe(
    'It is made in whole batches only: for 1.30, 2 are made. 200 g of it must stand ready beside what is used. With a batch of 0.5 allowed as well, 250 g less would be left.',
  );
  const free = { ...base, recipe: { ...base.recipe, batchSizes: [0.25, 2], anySize: true } };
  const least = { ...run, batches: [{ size: 0.25, count: 1 }], yieldGrams: 250, usedGrams: 100, leftOverGrams: 150 };
  expect(whyLeftOver(least, free)).toBe('For 0.10 of a base batch, the least that is made is 0.25.');
  expect(whyLeftOver({ ...left, leftOverGrams: 6, sparePieces: 1 }, free)).toBe(
    'Any size may be made: rounded up to whole pieces and to a hundredth of a base batch. 1 piece is to spare.',
  );
  expect(whyLeftOver({ ...left, leftOverGrams: 0.4 }, base)).toBe('');
});

it('proposes a size only where as many batches with it leave less, and never half of what is cooked', () => {
  const sized = (batchSizes: number[], more: object = {}) => ({
    recipe: recipe('bar', [line('oats', 1000)], { batchSizes, ...more }),
    yieldGrams: 1000,
  });
  const leftOf = (needed: number, { recipe: made }: ReturnType<typeof sized>) => {
    const batches = batchesFor(needed, made);
    const multiple = multipleOf(batches);
    const batchCount = batches.reduce((sum, { count }) => sum + count, 0);
    return { batches, batchCount, yieldGrams: multiple * 1000, leftOverGrams: (multiple - needed) * 1000 };
  };
  expect(sizeThatLeavesLess(leftOf(1.4, sized([1])), sized([1]))).toEqual({ size: 0.5, savedGrams: 500 });
  const cooks = {
    steps: [
      {
        text: 'Cook.',
        target: { celsius: 113, kind: 'target' as const, boils: true },
        effect: { kind: 'cook' as const },
      },
    ],
  };
  expect(sizeThatLeavesLess(leftOf(1.4, sized([1])), sized([1], cooks))).toBeNull();
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.constantFrom(0.5, 1, 1.5, 2, 3), { minLength: 1 }),
      fc.integer({ min: 1, max: 900 }),
      (sizes, hundredths) => {
        const facts = sized(sizes);
        const before = leftOf(hundredths / 100, facts);
        const less = sizeThatLeavesLess(before, facts);
        if (!less) return;
        const after = leftOf(hundredths / 100, sized([...sizes, less.size]));
        expect(after.batchCount).toBeLessThanOrEqual(before.batchCount);
        expect(before.leftOverGrams - after.leftOverGrams).toBeCloseTo(less.savedGrams, 6);
      },
    ),
  );
});
