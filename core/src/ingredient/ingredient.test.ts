import { describe, expect, it } from '@jest/globals';
import { ingredient } from '../../testing/kitchen.js';
import {
  beyondUsMajors,
  brokenBy,
  cheapestPack,
  exclusions,
  ingredientDraftSchema,
  isUsMajor,
  usContains,
  weighedPacks,
} from './index.js';

describe('allergens', () => {
  it('names tree nuts by kind, once, where the first of them stands', () => {
    expect(usContains(['sesame', 'pecan', 'milk', 'almond', 'milk'])).toBe('Milk, Tree Nuts (Almonds, Pecans), Sesame');
    expect(usContains(['barley'])).toBe('');
  });

  it('keeps what the nine leave out for a line of its own', () => {
    expect(beyondUsMajors(['milk', 'coconut', 'barley', 'alcohol'])).toEqual(['barley', 'alcohol', 'coconut']);
    expect(isUsMajor('coconut')).toBe(false);
  });

  it('takes gluten for wheat, barley, rye and oats, and nuts for peanuts too', () => {
    expect(brokenBy('gluten', ['milk', 'barley', 'oats'])).toEqual(['barley', 'oats']);
    expect(brokenBy('nuts', ['peanut'])).toEqual(['peanut']);
    expect(brokenBy('tree-nuts', ['peanut'])).toEqual([]);
    expect(brokenBy('nothing-known', ['milk'])).toEqual([]);
    expect(exclusions['gluten']?.covers).toEqual(['wheat', 'barley', 'rye', 'oats']);
  });
});

describe('packs', () => {
  const cream = ingredient('cream', {
    densities: [{ state: 'plain', gramsPerMl: 1 }],
    packs: [
      { name: 'pint', amount: 500, unit: 'ml', priceMinor: 400 },
      { name: 'quart', amount: 1, unit: 'l', priceMinor: 650 },
    ],
  });

  it('weighs packs sold by volume and takes the cheapest by weight', () => {
    expect(weighedPacks(cream).map((pack) => pack.grams)).toEqual([500, 1000]);
    expect(cheapestPack(cream)?.name).toBe('quart');
  });

  it('leaves out a pack that cannot be weighed', () => {
    expect(weighedPacks({ ...cream, densities: [] })).toEqual([]);
    expect(cheapestPack({ ...cream, densities: [] })).toBeUndefined();
  });
});

describe('what may be written of an ingredient', () => {
  const good = { name: 'Sugar', declaration: { labelName: 'sugar' } };
  const wrongPaths = (value: unknown) => {
    const parsed = ingredientDraftSchema.safeParse(value);
    return parsed.success ? [] : parsed.error.issues.map((issue) => issue.path.join('.'));
  };

  it('takes the least and fills in the rest', () => {
    expect(ingredientDraftSchema.parse(good)).toMatchObject({
      packs: [],
      contains: [],
      onHandGrams: 0,
      pieceGrams: null,
    });
  });

  it('names the path of each absurd value', () => {
    expect(wrongPaths({ ...good, onHandGrams: -1 })).toEqual(['onHandGrams']);
    expect(wrongPaths({ ...good, densities: [{ state: 'level', gramsPerMl: 40 }] })).toEqual([
      'densities.0.gramsPerMl',
    ]);
    expect(wrongPaths({ ...good, packs: [{ name: 'bag', amount: 0, unit: 'lb', priceMinor: 1.5 }] })).toEqual([
      'packs.0.amount',
      'packs.0.priceMinor',
    ]);
    expect(wrongPaths({ ...good, contains: ['milk', 'milk'] })).toEqual(['contains']);
    expect(wrongPaths({ ...good, colour: 'red' })).toEqual(['']);
    const lots = [{ grams: 300, useBy: '2026-12-01' }];
    expect(wrongPaths({ ...good, lots, onHandGrams: 200 })).toEqual(['lots']);
    expect(wrongPaths({ ...good, lots, onHandGrams: 300, keepsDays: 1.5 })).toEqual(['keepsDays']);
    expect(wrongPaths({ ...good, lots: [{ grams: 1, useBy: 'soon' }], onHandGrams: 1 })).toEqual(['lots.0.useBy']);
  });

  it('wants a composition that adds up to 100 g', () => {
    const parts = {
      water: 16,
      sucrose: 0,
      glucose: 0,
      fructose: 0,
      lactose: 0,
      maltose: 0,
      otherCarbohydrate: 0,
      fat: 81,
      protein: 1,
      ethanol: 0,
      ash: 2,
    };
    expect(wrongPaths({ ...good, composition: parts })).toEqual([]);
    expect(wrongPaths({ ...good, composition: { ...parts, fat: 60 } })).toEqual(['composition']);
  });
});
