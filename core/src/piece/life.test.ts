import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, box, ingredient, line, order, piece, recipe, TODAY } from '../../testing/kitchen.js';
import { findingsOfOrder } from '../order/index.js';

const codesOf = (book: ReturnType<typeof bookOf>, id: string) =>
  book.pieces.get(id)?.findings.map(({ code }) => code) ?? [];

describe('a life that cannot be', () => {
  it('is longer than that of a layer, and is said with the layer’s name', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 1, max: 60 }),
        (own, centre, coat) => {
          const book = bookOf({
            ingredients: [ingredient('sugar')],
            recipes: [
              recipe('centre', [line('sugar', 100)], { keepsDays: centre }),
              recipe('coat', [line('sugar', 100)], { keepsDays: coat }),
            ],
            pieces: [
              piece(
                'p',
                {
                  kind: 'dipped',
                  centre: { kind: 'rolled', recipeId: 'centre', centreGrams: 10 },
                  coatingRecipeId: 'coat',
                  coatingPercent: 25,
                },
                { keepsDays: own },
              ),
            ],
          });
          expect(codesOf(book, 'p').includes('life-beyond-layers')).toBe(own > Math.min(centre, coat));
        },
      ),
    );
  });

  it('is taken from the recipe where the piece has none of its own', () => {
    const book = bookOf({
      ingredients: [ingredient('sugar')],
      recipes: [recipe('fudge', [line('sugar', 100)], { keepsDays: 17 })],
      pieces: [piece('p', { kind: 'rolled', recipeId: 'fudge', centreGrams: 10 }, { keepsDays: null })],
    });
    expect(book.pieces.get('p')?.keepsDays).toBe(17);
    expect(codesOf(book, 'p')).toEqual([]);
  });

  it('is more than a raw egg allows, through components too, but not where the egg is cooked', () => {
    const bookWith = (steps: NonNullable<Parameters<typeof recipe>[2]>['steps']) =>
      bookOf({
        ingredients: [ingredient('sugar'), ingredient('egg', { contains: ['egg'], traits: ['raw egg'] })],
        recipes: [
          recipe('mousse', [line('sugar', 100), line('egg', 50)], { keepsDays: 30 }),
          recipe('cup', [line(':mousse', 100), line('sugar', 10)], { keepsDays: 30, steps }),
        ],
        pieces: [piece('p', { kind: 'rolled', recipeId: 'cup', centreGrams: 10 }, { keepsDays: 10 })],
      });
    expect(codesOf(bookWith([]), 'p')).toContain('life-beyond-raw-egg');
    const baked = [{ text: 'Bake until set.', handsMinutes: 1, equipment: ['oven'] }];
    expect(codesOf(bookWith(baked), 'p')).not.toContain('life-beyond-raw-egg');
  });

  it('is more than an estimate allows that may be above the line', () => {
    const composition = {
      water: 45,
      sucrose: 55,
      glucose: 0,
      fructose: 0,
      lactose: 0,
      maltose: 0,
      otherCarbohydrate: 0,
      fat: 0,
      protein: 0,
      ethanol: 0,
      ash: 0,
    };
    const bookOfLife = (keepsDays: number) =>
      bookOf({
        ingredients: [ingredient('syrup', { composition })],
        recipes: [recipe('jelly', [line('syrup', 100)], { keepsDays: 60 })],
        pieces: [piece('p', { kind: 'rolled', recipeId: 'jelly', centreGrams: 10 }, { keepsDays })],
      });
    expect(codesOf(bookOfLife(30), 'p')).toContain('life-beyond-estimate');
    expect(codesOf(bookOfLife(5), 'p')).not.toContain('life-beyond-estimate');
  });
});

it('what does not travel is not given to a courier without a word', () => {
  const bookOfTravel = (travel: 'travels' | 'keep cool' | 'local only') =>
    bookOf({
      ingredients: [ingredient('sugar')],
      recipes: [recipe('fudge', [line('sugar', 100)])],
      pieces: [piece('p', { kind: 'rolled', recipeId: 'fudge', centreGrams: 10 }, { travel })],
      boxes: [box('b', ['p'])],
    });
  for (const travel of ['travels', 'keep cool', 'local only'] as const)
    for (const way of ['courier', 'pick-up', 'stall'] as const) {
      const placed = order('a', { b: 1 }, '2026-12-05', { handOver: { on: '2026-12-05', way } });
      const codes = findingsOfOrder(placed, bookOfTravel(travel), TODAY).map(({ code }) => code);
      expect(codes.includes('must-not-travel')).toBe(way === 'courier' && travel === 'local only');
      expect(codes.includes('must-be-kept-cool')).toBe(way === 'courier' && travel === 'keep cool');
    }
});
