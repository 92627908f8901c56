import { expect, it } from '@jest/globals';
import { bookOf } from '../../testing/kitchen.js';
import { trufflePantry } from '../../testing/truffles.js';
import { leftOverUse, whyLeftOver } from './left-over.js';

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
    'It is made in whole batches only: for 1.30, 2 are made. 200 g of it must stand ready beside what is used.',
  );
  const free = { ...base, recipe: { ...base.recipe, batchSizes: [0.25, 2], anySize: true } };
  const least = { ...run, batches: [{ size: 0.25, count: 1 }], yieldGrams: 250, usedGrams: 100, leftOverGrams: 150 };
  expect(whyLeftOver(least, free)).toBe('For 0.10 of a base batch, the least that is made is 0.25.');
  expect(whyLeftOver({ ...left, leftOverGrams: 6, sparePieces: 1 }, free)).toBe(
    'Any size may be made: rounded up to whole pieces and to a hundredth of a base batch. 1 piece is to spare.',
  );
  expect(whyLeftOver({ ...left, leftOverGrams: 0.4 }, base)).toBe('');
});
