import { expect, it } from '@jest/globals';
import { bookOf } from '../../testing/kitchen.js';
import { trufflePantry } from '../../testing/truffles.js';
import { leftOverUse } from './left-over.js';

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
