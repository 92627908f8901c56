import { describe, expect, it } from '@jest/globals';
import { bookOf, box, ingredient, line, piece, recipe, TODAY } from '../../testing/kitchen.js';
import { labelOf } from './label.js';
import { wordsOnLabel } from './prints.js';
import { schools } from './schools/index.js';
import { carriersOf, whyInBox, whyNotInBox } from './why.js';

const pack = { name: 'bag', amount: 1, unit: 'kg' as const, priceMinor: 500, supplier: 'Mill' };
const book = bookOf({
  ingredients: [
    ingredient('flour', { name: 'Plain flour', declaration: { labelName: 'wheat flour' }, contains: ['wheat'], packs: [pack], onHandGrams: 900, lots: [{ grams: 400, useBy: '2026-12-20' }] }), // prettier-ignore
    ingredient('stout', { name: 'Stout', contains: ['barley'], mayContain: ['wheat'] }),
    ingredient('sugar'),
    ingredient('cocoa', { name: 'Cocoa' }),
    ingredient('salt', { name: 'Salt' }),
  ],
  recipes: [
    recipe('crumb', [line('flour', 300), line('sugar', 100)]),
    recipe('layer', [line(':crumb', 200), line('stout', 50)]),
    recipe('plain', [line('cocoa', 10)]),
  ],
  pieces: [
    piece('square', { kind: 'rolled', recipeId: 'layer', centreGrams: 25 }, { name: 'Stout square' }),
    piece('other', { kind: 'rolled', recipeId: 'plain', centreGrams: 10 }, { name: 'Cocoa ball' }),
  ],
  boxes: [box('b', ['square', 'square'])],
});
const facts = (() => {
  const found = book.boxes.get('b');
  if (!found) throw new Error('no box');
  return found;
})();

describe('why a word is here', () => {
  it('leads from the box by piece and components to the ingredient, its packs and lots, with the grams at each', () => {
    const [way, ...others] = whyInBox(facts, new Set(['flour']), book);
    expect(others).toEqual([]);
    // Two of 25 g; four fifths of it crumb, three quarters of that flour.
    expect(way).toMatchObject({ noun: 'piece', name: 'Stout square' });
    expect(way?.grams).toBeCloseTo(30, 9);
    const [layer] = way?.from ?? [];
    expect(layer).toMatchObject({ noun: 'recipe', id: 'layer' });
    const [crumb] = layer?.from ?? [];
    expect(crumb).toMatchObject({ noun: 'recipe', id: 'crumb' });
    expect(crumb?.from).toMatchObject([
      { noun: 'ingredient', name: 'Plain flour', packs: ['bag, Mill'], lots: ['400 g to use by Sunday 20 December'] },
    ]);
  });

  it('knows every carrier of an allergen, and who may only bring traces', () => {
    expect(carriersOf('wheat', facts, book)).toEqual({ contain: new Set(['flour']), may: new Set(['stout']) });
    expect(carriersOf('milk', facts, book)).toEqual({ contain: new Set(), may: new Set() });
  });

  it('says why another word is not there', () => {
    const text = wordsOnLabel(labelOf(schools.us, facts, book, { dates: null, today: TODAY }).blocks);
    const why = (word: string) => whyNotInBox(word, text, facts, book);
    expect(why('sugar')).toBeNull();
    expect(why(' ')).toBeNull();
    expect(why('plain flour')).toBe('Plain flour is in it and goes by the name of “wheat flour”.');
    expect(why('cocoa')).toBe('Cocoa is in Cocoa ball, which does not lie in this box.');
    expect(why('Salt')).toBe('Salt is in your pantry, but in no piece.');
    expect(why('saffron')).toBe('No ingredient of your pantry is called “saffron”.');
  });
});
