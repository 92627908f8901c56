import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { ingredient } from '../../testing/kitchen.js';
import { starterPantry } from '../starter/index.js';
import { allergenCodes, allergens } from './allergen.js';
import { callsItChocolate, carriedIn, declaredIn, isCompound, undeclaredIn } from './declared.js';

const named = (text: string) => declaredIn(text).map(({ anyOf }) => anyOf[0]);

describe('the words of a declaration', () => {
  it.each([
    ['semisweet chocolate (sugar, cocoa mass, soy lecithin)', ['soy']],
    ['whey powder', ['milk']],
    ['enriched flour (wheat flour, niacin)', ['wheat', 'wheat', 'wheat']],
    ['barley malt extract', ['barley', 'barley']],
    ['marzipan', ['almond']],
    ['tahini', ['sesame']],
    ['egg whites', ['egg']],
    ['sulphur dioxide', ['sulfites']],
    ['salted butter (cream, salt)', ['milk', 'milk']],
    ['beef gelatine', ['gelatin']],
    ['anchovies', ['anchovy']],
    ['black walnuts', ['walnut']],
    ['dark rum', ['alcohol']],
  ])('%s', (text, codes) => {
    expect(named(text)).toEqual(codes);
  });

  it.each([
    'cocoa butter',
    'shea butter',
    'cream of tartar',
    'buckwheat',
    'nutmeg',
    'butternut squash',
    'rice flour',
    'maltodextrin',
    'eggplant',
    'sugar alcohol',
    'rum flavoring',
    'milk-free',
    'free from milk',
    'gluten-free biscuits',
    'ginger ale',
    'honeydew',
    'wine vinegar',
  ])('%s names nothing that it only sounds like', (text) => {
    expect(named(text)).toEqual([]);
  });

  it.each([
    ['coconut milk', ['coconut']],
    ['peanut butter', ['peanut']],
    ['almond milk', ['almond']],
    ['oat flour', ['oats']],
    ['soy milk', ['soy']],
  ])('%s is of the plant, not of milk or wheat', (text, codes) => {
    expect(named(text)).toEqual(codes);
  });

  it('never miss an allergen that stands there under its own name, wherever', () => {
    const codes = allergenCodes.filter((code) => !['crustacean', 'meat', 'alcohol-carrier', 'mollusc'].includes(code));
    const words = fc.constantFrom('sugar', 'salt', 'cocoa mass', 'natural flavor', 'glucose syrup', 'vanillin');
    fc.assert(
      fc.property(fc.constantFrom(...codes), fc.array(words), fc.array(words), (code, before, after) => {
        const name = allergens[code].name.toLowerCase().replace(/ \(.*/, '');
        const text = [...before, name, ...after].join(', ');
        expect(declaredIn(text).some(({ anyOf }) => anyOf.includes(code))).toBe(true);
      }),
      { numRuns: 400 },
    );
  });

  it('say nothing against what is ticked, and name each thing once', () => {
    const declaration = {
      labelName: 'milk chocolate',
      parts: ['sugar', 'milk powder', 'whey', 'soy lecithin'].map((name) => ({ name })),
    };
    expect(undeclaredIn(ingredient('c', { declaration, contains: ['milk', 'soy'] }))).toEqual([]);
    expect(undeclaredIn(ingredient('c', { declaration, contains: ['soy'] })).map(({ anyOf }) => anyOf)).toEqual([
      ['milk'],
    ]);
    const honey = { labelName: 'honey', parts: [] };
    expect(undeclaredIn(ingredient('h', { declaration: honey, traits: ['honey'] }))).toEqual([]);
  });

  it('are kept by the starter pantry itself', () => {
    for (const { name, contains = [], traits = [] } of starterPantry) {
      const own = ingredient('own', {
        name,
        contains: [...contains],
        traits: [...traits],
        declaration: { labelName: name, parts: [] },
      });
      expect([name, undeclaredIn(own)]).toEqual([name, []]);
    }
  });
});

describe('a word that names no allergen and stands for something that has one', () => {
  const asked = (text: string) => {
    const own = ingredient('own', { declaration: { labelName: text, parts: [] } });
    return new Set(undeclaredIn(own).flatMap(({ anyOf }) => anyOf.map((code) => allergens[code].family)));
  };
  // Common practice, no source: what a maker of sweets knows of what is in the shop.
  const families: Readonly<Record<string, readonly string[]>> = {
    milk: [
      ...[
        'crème fraîche',
        'quark',
        'skyr',
        'paneer',
        'half and half',
        'white chocolate',
        'toffee pieces',
        'butterscotch',
      ],
      ...[
        'cream liqueur',
        'fudge',
        'milk solids',
        'lait écrémé',
        'beurre',
        'crème',
        'babeurre',
        'lactosérum',
        'yogourt',
      ],
    ],
    egg: ['nougat', 'aïoli', 'hollandaise', 'zabaglione', 'œufs', 'lysozyme', 'surimi'],
    fish: [
      'worcestershire sauce',
      'Worcester sauce',
      'surimi',
      'caviar',
      'roe',
      'sardines',
      'poisson',
      'dashi',
      'saumon',
    ],
    'crustacean shellfish': ['scampi', 'langoustine', 'crevettes', 'homard'],
    'tree nuts': [
      ...['praline paste', 'noisette', 'amaretto', 'frangipane', 'nougat', 'orgeat', 'nougatine', 'gianduia', 'pesto'],
      ...[
        'amandes',
        'noisettes',
        'noix de cajou',
        'noix de Grenoble',
        'pacanes',
        'pistaches',
        'noix du Brésil',
        'noix',
      ],
    ],
    peanuts: ['monkey nuts', 'satay', 'arachides', 'cacahuètes'],
    wheat: [
      ...[
        'speculoos',
        'panko',
        'filo',
        'phyllo dough',
        'puff pastry',
        'croissant',
        'brioche',
        'crackers',
        'bread',
        'noodles',
      ],
      ...['matzo', 'blé', 'farine de blé', 'froment', 'chapelure', 'digestives', 'ladyfingers', 'cake crumbs'],
    ],
    soy: [
      'lecithin',
      'emulsifier: lécithine',
      'E322',
      'E 322',
      'tamari',
      'shoyu',
      'TVP',
      'hydrolysed vegetable protein',
      'soja',
    ],
    sesame: ['hummus', 'za’atar', 'gomasio'],
    sulfites: ['SO2', 'SO₂', 'sulphiting agents'],
    other: ['moutarde', 'céleri', 'escargots', 'calamari', 'huîtres'],
    alcohol: ['sherry', 'vermouth', 'amaretto', 'porter', 'lager', 'champagne', 'limoncello', 'stout', 'rhum'],
  };
  const cases = Object.entries(families).flatMap(([family, words]) => words.map((word) => [word, family] as const));
  const known = new Set<string>(allergenCodes.map((code) => allergens[code].family));

  it.each(cases)('%s is asked about: %s', (word, family) => {
    expect(known).toContain(family);
    expect([...asked(`sugar, ${word}, salt`)]).toContain(family);
  });

  it.each([
    ...[
      'sunflower lecithin',
      'lécithine de tournesol',
      'vegan fudge',
      'dairy-free toffee',
      'corn bread',
      'toffee flavor',
    ],
    ...['beurre de cacao', 'crème de tartre', 'noix de muscade', 'gluten-free pasta', 'root beer', 'sherry vinegar'],
    ...['non-alcoholic beer', 'bread-free', 'rice noodles'],
  ])('%s only sounds like it', (word) => {
    expect(carriedIn(`sugar, ${word}`)).toEqual([]);
  });

  it('does not stand for the name of an allergen: a label names it itself', () => {
    expect(declaredIn('lecithin, pastry, praline')).toEqual([]);
  });
});

describe('what is called chocolate', () => {
  const of = (parts: string[]) =>
    ingredient('c', {
      chocolate: 'dark',
      declaration: { labelName: 'dark chocolate', parts: parts.map((name) => ({ name })) },
    });
  it('is none when it is made with other fats', () => {
    expect(isCompound(of(['sugar', 'palm kernel oil', 'cocoa']))).toBe(true);
    expect(isCompound(of(['sugar', 'hydrogenated vegetable fat', 'cocoa']))).toBe(true);
    expect(isCompound(of(['sugar', 'cocoa mass', 'cocoa butter', 'milk fat']))).toBe(false);
  });

  it('may be named with a word that takes it back', () => {
    expect(callsItChocolate('Dark chocolate')).toBe(true);
    for (const name of ['Chocolate-flavored coating', 'Chocolatey drops', 'Compound chocolate', 'Caramel'])
      expect(callsItChocolate(name)).toBe(false);
  });
});
