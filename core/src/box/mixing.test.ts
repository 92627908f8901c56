import { describe, expect, it } from '@jest/globals';
import { bookOf, ingredient, line, piece, recipe } from '../../testing/kitchen.js';
import { allergenCells, mixingWarnings } from './mixing.js';

const rolled = (recipeId: string) => ({ kind: 'rolled' as const, recipeId, centreGrams: 10 });
const { pieces } = bookOf({
  ingredients: [ingredient('milk', { contains: ['milk'] }), ingredient('rum', { contains: ['alcohol', 'milk'] })],
  recipes: [recipe('milk', [line('milk', 100)]), recipe('rum', [line('rum', 100)])],
  pieces: [
    piece('Mint', rolled('milk'), { strong: ['mint'], texture: 'soft' }),
    piece('Toffee', rolled('milk'), { texture: 'crisp' }),
    piece('Rum', rolled('rum')),
    piece('Plain', rolled('milk')),
  ],
});
const cells = (...ids: (string | null)[]) =>
  ids.map((pieceId) => pieceId && { pieceId, count: 1, standIns: [] }).map((cell) => cell || null);

describe('pieces side by side', () => {
  it('are warned of where a flavour wanders, a spirit is smelled, or crisp lies by soft', () => {
    expect(mixingWarnings(cells('Mint', 'Toffee', null, 'Rum'), pieces)).toEqual([
      'The mint of the mint wanders into the other pieces: wrap it, or give it a box of its own.',
      'The alcohol of the rum is smelled in the other pieces: wrap it or part it off.',
      'The toffee draws damp from the mint and goes soft: part them with a barrier.',
    ]);
  });

  it('may lie together when they are alike', () => {
    expect(mixingWarnings(cells('Mint', 'Mint'), pieces)).toEqual([]);
    expect(mixingWarnings(cells('Rum', 'Rum'), pieces)).toEqual([]);
    expect(mixingWarnings(cells('Toffee', 'Plain'), pieces)).toEqual([]);
    expect(mixingWarnings(cells(null), pieces)).toEqual([]);
  });
});

it('says which cells bring which allergen', () => {
  expect(allergenCells(cells('Plain', null, 'Rum', 'lost'), pieces)).toEqual([
    { code: 'milk', cells: [1, 3] },
    { code: 'alcohol', cells: [3] },
  ]);
});
