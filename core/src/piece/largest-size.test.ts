import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { ingredient, kitchen, line, piece, recipe } from '../../testing/kitchen.js';
import { openBook } from '../book/index.js';
import { potCheck } from '../cooking/index.js';
import type { KitchenDraft } from '../kitchen/index.js';
import { mostSize } from '../recipe/index.js';

/** 1,200 g that boil with milk take 3.5 L; stirred cold, 1 L. */
const ganache = (more: object = {}) =>
  recipe('ganache', [line('cream', 1200)], { batchSizes: [0.5, 4], anySize: true, ...more });
const openKitchen = (vessels: Partial<KitchenDraft>, made = ganache(), pieces = [] as ReturnType<typeof piece>[]) =>
  openBook({
    kitchen: { ...kitchen, ...vessels },
    ingredients: [ingredient('cream', { contains: ['milk'] })],
    recipes: [made],
    pieces,
    boxes: [],
  });
const largestIn = (...given: Parameters<typeof openKitchen>): number => {
  const made = openKitchen(...given).recipes.get('ganache');
  if (!made) throw new Error('no ganache');
  return mostSize(made.recipe);
};
const pot = (litres: number, name = 'pot') => ({ name, litres });
const stirredIn = (...equipment: string[]) => ganache({ steps: [{ text: 'Stir.', equipment }] });

describe('the largest size of a recipe of any size', () => {
  it('has room to boil in the largest pot, and the book says so', () => {
    const boils = ganache({ foaming: 'boils with dairy' });
    const { findings } = openKitchen({ pots: [pot(2), pot(5.25, 'kettle')] }, boils);
    expect(findings.filter(({ about }) => about.noun === 'recipe').map(({ message }) => message)).toEqual([
      'ganache may be made up to 4 of a base batch, but the kettle takes 1.5: no batch of it is planned larger.',
    ]);
    fc.assert(
      fc.property(fc.double({ min: 2, max: 30, noNaN: true }), (litres) => {
        const most = largestIn({ pots: [pot(litres)] }, boils);
        expect(potCheck(1200 * most, 'boils with dairy', []).needsLitres).toBeLessThanOrEqual(litres + 1e-9);
        expect(most === 4 || litres / 3.5 - most < 0.011).toBe(true);
      }),
    );
  });

  it('is as it is written at the bench: a pot that is watched may take more', () => {
    const book = openKitchen({ pots: [pot(5.25)] }, ganache({ foaming: 'boils with dairy' }));
    expect(book.writtenSizes.get('ganache')?.batchSizes).toEqual([0.5, 4]);
    expect(openKitchen({ pots: [pot(50)] }, ganache({ foaming: 'boils with dairy' })).writtenSizes.size).toBe(0);
  });

  it('has room in the bowl that its step names, not in another', () => {
    const bowls = [pot(2.5, 'Mixer'), pot(9, 'kettle')];
    expect(largestIn({ pots: bowls }, stirredIn('mixer'))).toBe(2.5);
    expect(largestIn({ pots: bowls }, stirredIn('kettle', 'spoon'))).toBe(4);
    expect(largestIn({ pots: bowls })).toBe(4);
  });

  it('is poured into the pans that there are, no higher than they are deep', () => {
    const sheet = { name: 'Sheet', lengthMm: 400, widthMm: 250, depthMm: 20, count: 1 };
    const shards = piece('shards', { kind: 'broken', recipeId: 'ganache', crumbsPercent: 0, servingGrams: 20 });
    // 1 L in a sheet of 1,000 cm2 stands 10 mm high.
    expect(largestIn({ pans: [sheet] }, stirredIn('sheet'), [shards])).toBe(2);
    expect(largestIn({ pans: [{ ...sheet, count: 2 }] }, stirredIn('sheet'), [shards])).toBe(4);
    const squares = piece('squares', {
      kind: 'cut',
      recipeId: 'ganache',
      panLengthMm: 250,
      panWidthMm: 400,
      pansPerBatch: 1,
      edgeTrimMm: 0,
      kerfMm: 0,
      pieceLengthMm: 25,
      pieceWidthMm: 25,
    });
    expect(largestIn({ pans: [{ ...sheet, depthMm: 60, count: 3 }] }, ganache(), [squares])).toBe(3);
  });

  it('stays as it is written where not even the least has room: then the pot is too small', () => {
    const { findings, recipes } = openKitchen({ pots: [pot(1)] }, ganache({ foaming: 'boils with dairy' }));
    expect(recipes.get('ganache')?.recipe.batchSizes).toEqual([0.5, 4]);
    expect(findings.filter(({ about }) => about.noun === 'recipe').map(({ code }) => code)).toEqual(['no-pot']);
  });

  it('is none of the listed sizes’ business: these are the maker’s own', () => {
    const listed = ganache({ batchSizes: [1, 4], anySize: false, foaming: 'boils with dairy' });
    expect(largestIn({ pots: [pot(5)] }, listed)).toBe(4);
  });
});
