import { describe, expect, it } from '@jest/globals';
import { ingredient } from '../../testing/kitchen.js';
import fc from 'fast-check';
import { beyondUsMajors, usContains } from '../label/index.js';
import { allergenCodes, allergens, isUsMajor, kindIsMissing, type Allergen } from './allergen.js';
import { brokenBy, coveredBy, exclusionMeans, exclusionName, isExclusion, substances } from './exclusion.js';
import { cheapestPack, weighedPacks } from './pack.js';
import { containedIn } from './substances.js';
import { ingredientDraftSchema } from './schema.js';

describe('allergens', () => {
  it('names tree nuts by kind, once, where the first of them stands', () => {
    expect(usContains(['sesame', 'pecan', 'milk', 'almond', 'milk'])).toBe('Milk, Tree Nuts (Almonds, Pecans), Sesame');
    expect(usContains(['barley'])).toBe('');
  });

  it('keeps what the nine leave out for a line of its own', () => {
    expect(beyondUsMajors(['milk', 'coconut', 'barley', 'alcohol'])).toEqual(['barley', 'coconut', 'alcohol']);
    expect(isUsMajor('coconut')).toBe(false);
  });

  it('names fish and crustaceans by species, and says where one of them is not known', () => {
    expect(usContains(['cod', 'anchovy', 'shrimp'])).toBe('Fish (Anchovy, Cod), Crustacean Shellfish (Shrimp)');
    expect(usContains(['fish', 'cod'])).toBe('Fish (Cod, others)');
    expect(usContains(['fish'])).toBe('Fish');
  });

  it('never loses a code between the two lines of a US label', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.constantFrom(...allergenCodes)), (codes) => {
        const line = usContains(codes);
        for (const code of codes)
          if (kindIsMissing(code)) expect(line).toMatch(/Fish|Shellfish/);
          else if (isUsMajor(code)) expect(line).toContain(allergens[code].name);
          else expect(beyondUsMajors(codes)).toContain(code);
      }),
    );
  });

  it('has a tag of its own for each', () => {
    const tags = Object.values(allergens).map(({ tag }) => tag);
    expect(new Set(tags).size).toBe(tags.length);
  });
});

describe('what a customer rules out', () => {
  const broken = (code: string, ...contains: Allergen[]) => brokenBy(code, substances(contains));

  it('is a group: gluten is wheat, barley, rye and oats, and nuts are peanuts too', () => {
    expect(broken('gluten', 'milk', 'barley', 'oats')).toEqual(['barley', 'oats']);
    expect(broken('nuts', 'peanut')).toEqual(['peanut']);
    expect(broken('tree-nuts', 'peanut')).toEqual([]);
    expect(broken('nothing-known', 'milk')).toEqual([]);
    expect(coveredBy('gluten')).toEqual(['wheat', 'barley', 'rye', 'oats']);
    expect(broken('walnut', 'black-walnut', 'pecan')).toEqual(['black-walnut']);
    expect(broken('fish', 'cod')).toEqual(['cod']);
  });

  it('is a diet, which rests on what is in an ingredient and not on allergens alone', () => {
    expect(broken('vegan', 'honey', 'shellac', 'soy')).toEqual(['honey', 'shellac']);
    expect(broken('vegetarian', 'honey', 'gelatin', 'milk')).toEqual(['gelatin']);
  });

  it('is spirits where no alcohol is asked for, and the extract of a flavouring only where any is meant', () => {
    expect(broken('alcohol', 'alcohol-carrier')).toEqual([]);
    expect(broken('any-alcohol', 'alcohol-carrier')).toEqual(['alcohol-carrier']);
    expect(exclusionMeans('alcohol')).toContain('flavouring extract');
  });

  it('is one ingredient or one piece by its name', () => {
    const contents = { contains: [], ingredientIds: new Set(['plum-brandy']), pieceIds: new Set(['dome']) };
    expect(brokenBy('ingredient:plum-brandy', contents)).toEqual(['ingredient:plum-brandy']);
    expect(brokenBy('ingredient:dome', contents)).toEqual([]);
    expect(brokenBy('piece:dome', contents)).toEqual(['piece:dome']);
    const names = {
      ingredients: new Map([['plum-brandy', { name: 'Plum brandy' }]]),
      pieces: new Map([['dome', { piece: { name: 'Praline dome' } }]]),
    };
    expect(exclusionName('ingredient:plum-brandy', names)).toBe('plum brandy');
    expect(exclusionName('piece:gone', names)).toBe('gone');
    expect(exclusionName('tree-nuts', names)).toBe('tree nuts');
  });

  it('is no word that an object happens to know', () => {
    for (const word of ['constructor', 'toString', '__proto__', 'ingredient:', 'piece:../x']) {
      expect(isExclusion(word)).toBe(false);
      expect(broken(word, 'milk')).toEqual([]);
    }
  });

  it('follows from a trait where the contents do not say it', () => {
    expect(containedIn(ingredient('nougat', { traits: ['honey', 'raw egg'], contains: ['almond'] }))).toEqual([
      'egg',
      'almond',
      'honey',
    ]);
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
