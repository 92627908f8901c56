// Sources: Reg. (EU) 1169/2011 arts 13, 18, 21, 22, 24 and annexes II, VII, VIII, Directive 76/211/EEC annex I (EU, UK); Food and Drug Regulations
// B.01.007 to B.01.010.3 and Consumer Packaging and Labelling Regulations s. 14 (Canada); FSANZ Standards 1.2.3 to 1.2.5, 1.2.10, schedule 9 and
// National Trade Measurement Regulations 2009, 4.19 (Australia, New Zealand). All from memory. Each label was worked out by hand from the weights
// beside it; the foods are our own. What stands out is between stars.
import { describe, expect, it } from '@jest/globals';
import { bookOf, box, ingredient, line, piece, recipe, TODAY } from '../testing/kitchen.js';
import { labelOf, schools } from '../src/label/index.js';
import { ALL_WATER, labelOfFood, of, starred, type LabelledFood, type Line } from '../testing/labels.js';
import type { SchoolCode } from '../src/kitchen/index.js';

interface Worked extends LabelledFood {
  readonly ingredients: string;
  readonly french?: string;
  readonly contains?: string;
  readonly contient?: string;
  readonly also?: string;
  readonly may?: string;
  readonly net: string;
  /** Least heights, mm: of the net quantity, and of all other letters. */
  readonly mm: readonly [net: number, text: number];
  readonly said?: string;
}

const butter: Line = [0, 'butter', 'cream, salt', ['milk']];
const cream: Line = [0, 'cream', '', ['milk']];
const dark: Line = [0, 'dark chocolate', 'cocoa mass, sugar, cocoa butter, soy lecithin', ['soy'], ['milk']];
const water: Line = [0, 'water'];
const flour: Line = [0, 'wheat flour', '', ['wheat']];

const european: readonly Worked[] = [
  {
    food: 'Butter toffee',
    lines: [[500, 'sugar'], of(450, butter), [50, 'salt']],
    pieces: [10, 10],
    panel: [50, 60],
    ingredients: 'sugar, butter 45% (cream (*milk*), salt), salt',
    net: '100 g',
    mm: [3, 0.9],
  },
  {
    food: 'Almond nougat',
    lines: [[500, 'sugar'], [300, 'almonds', '', ['almond']], [120, 'egg white', '', ['egg']], [80, 'glucose syrup']], // prettier-ignore
    pieces: [5, 8],
    panel: [100, 100],
    ingredients: 'sugar, *almonds* 30%, *egg* white, glucose syrup',
    net: '40 g',
    mm: [2, 1.2],
  },
  {
    food: 'Hazelnut praline in dark chocolate',
    lines: [of(400, dark), [350, 'hazelnuts', '', ['hazelnut']], [250, 'sugar']],
    pieces: [16, 12.5],
    panel: [120, 90],
    // The chocolate of the name and the nut of it.
    ingredients: 'dark chocolate 40% (cocoa mass, sugar, cocoa butter, *soy* lecithin), *hazelnuts* 35%, sugar',
    may: '*milk*',
    net: '200 g',
    mm: [3, 1.2],
  },
  {
    food: 'Stout fudge',
    lines: [[600, 'sugar'], of(250, butter), [150, 'stout', '', ['barley']]],
    pieces: [20, 12.5],
    panel: [150, 100],
    // Nobody need know that stout is of barley.
    ingredients: 'sugar, butter (cream (*milk*), salt), stout 15% (*barley*)',
    net: '250 g',
    mm: [4, 1.2],
  },
  {
    food: 'Malted squares',
    lines: [[500, 'sugar'], [300, 'malted milk powder', 'malted barley, wheat flour, milk, salt', ['barley', 'wheat', 'milk']], [200, 'oats', '', ['oats']]], // prettier-ignore
    pieces: [10, 20],
    panel: [150, 100],
    ingredients: 'sugar, malted *milk* powder 30% (malted *barley*, *wheat* flour, *milk*, salt), *oats*',
    net: '200 g',
    mm: [3, 1.2],
  },
  {
    food: 'Apricot bars',
    lines: [
      [500, 'dried apricots', 'apricots, sulphur dioxide', ['sulfites']],
      [500, 'sugar'],
    ],
    pieces: [10, 30],
    panel: [150, 100],
    ingredients: 'dried apricots 50% (apricots, *sulphur dioxide*), sugar',
    net: '300 g',
    mm: [4, 1.2],
  },
  {
    food: 'Cherry bark',
    lines: [
      [700, 'sour cherries', 'cherries, sugar', ['sulfites']],
      [300, 'sugar'],
    ],
    pieces: [10, 50],
    panel: [150, 100],
    // No word says it: it is named at the end of the entry.
    ingredients: 'sour cherries 70% (cherries, sugar, contains *sulphites*), sugar',
    net: '500 g',
    mm: [4, 1.2],
  },
  {
    food: 'Coconut and date bites',
    lines: [
      [600, 'dates'],
      [400, 'coconut', '', ['coconut']],
    ],
    pieces: [10, 10],
    panel: [150, 100],
    // Coconut is none of the fourteen: it is named all the same.
    ingredients: 'dates 60%, coconut 40%',
    also: 'coconut',
    net: '100 g',
    mm: [3, 1.2],
  },
  {
    food: 'Pine nut brittle',
    lines: [
      [600, 'sugar'],
      [400, 'pine nuts', '', ['pine-nut']],
    ],
    pieces: [10, 10],
    panel: [150, 100],
    ingredients: 'sugar, pine nuts 40%',
    also: 'pine nuts',
    net: '100 g',
    mm: [3, 1.2],
  },
  {
    food: 'Spiced seeds',
    lines: [[800, 'pumpkin seeds'], [150, 'sugar'], [50, 'spice mix', 'celery seed, mustard, salt', ['celery', 'mustard']]], // prettier-ignore
    pieces: [10, 10],
    panel: [150, 100],
    ingredients: 'pumpkin seeds 80%, sugar, spice mix (*celery* seed, *mustard*, salt)',
    net: '100 g',
    mm: [3, 1.2],
  },
  {
    food: 'Lupin shortbread',
    lines: [of(400, flour), of(300, butter), [200, 'sugar'], [100, 'lupin flour', '', ['lupin']]],
    pieces: [10, 20],
    panel: [150, 100],
    ingredients: '*wheat* flour, butter (cream (*milk*), salt), sugar, *lupin* flour 10%',
    net: '200 g',
    mm: [3, 1.2],
  },
  {
    food: 'Plum brandy truffle',
    lines: [of(600, dark), of(300, cream), [100, 'plum brandy', '', ['alcohol']]],
    pieces: [9, 12],
    panel: [150, 100],
    ingredients: 'dark chocolate (cocoa mass, sugar, cocoa butter, *soy* lecithin), cream (*milk*), plum brandy 10%',
    also: 'alcohol',
    net: '108 g',
    mm: [3, 1.2],
  },
  {
    food: 'Honeycomb',
    lines: [
      [700, 'sugar'],
      [280, 'honey', '', ['honey']],
      [20, 'sodium bicarbonate'],
    ],
    pieces: [10, 6],
    panel: [150, 100],
    ingredients: 'sugar, honey, sodium bicarbonate',
    also: 'honey',
    net: '60 g',
    mm: [3, 1.2],
    said: 'Contains honey: not suitable for infants under 12 months.',
  },
  {
    food: 'Fondant',
    // 1,000 g went in and 900 g came out: of the 150 g of water 50 are left, 5.6 %.
    lines: [[850, 'sugar'], of(150, water)],
    lossPercent: 10,
    pieces: [10, 9],
    panel: [150, 100],
    ingredients: 'sugar, water',
    net: '90 g',
    mm: [3, 1.2],
  },
  {
    food: 'Hard candy',
    // 1,000 g went in and 850 g came out: of 180 g of water 30 are left, 3.5 %: no more than 5 %.
    lines: [[820, 'sugar'], of(180, water)],
    lossPercent: 15,
    pieces: [10, 9],
    panel: [150, 100],
    ingredients: 'sugar',
    net: '90 g',
    mm: [3, 1.2],
  },
  {
    food: 'Cream caramel',
    // 600 g of cream for 500 g of caramels: more than all of it.
    lines: [of(600, cream), [400, 'sugar']],
    lossPercent: 50,
    pieces: [10, 130],
    panel: [200, 100],
    ingredients: 'cream (120 g per 100 g) (*milk*), sugar',
    net: '1.3 kg',
    mm: [6, 1.2],
  },
  {
    food: 'Prawn crackers',
    lines: [
      [900, 'tapioca starch'],
      [100, 'prawn powder', '', ['shrimp']],
    ],
    pieces: [1, 50],
    panel: [150, 100],
    ingredients: 'tapioca starch, prawn powder 10% (*shrimp*)',
    net: '50 g',
    mm: [2, 1.2],
  },
  {
    food: 'Mixed nut bar',
    lines: [
      [500, 'mixed nuts', '', ['almond', 'cashew', 'walnut']],
      [500, 'sugar'],
    ],
    pieces: [1, 50],
    panel: [150, 100],
    ingredients: 'mixed nuts 50% (*almonds*, *cashews*, *walnuts*), sugar',
    net: '50 g',
    mm: [2, 1.2],
  },
];

const canadian: readonly Worked[] = [
  {
    food: 'Butter toffee',
    foodFrench: 'Caramel au beurre',
    lines: [[500, 'sugar'], of(450, butter), [50, 'salt']],
    pieces: [10, 10],
    panel: [50, 60],
    ingredients: 'Sugars (sugar), butter (cream, salt), salt',
    french: 'Sucres (sucre), beurre (crème, sel), sel',
    contains: 'milk',
    contient: 'lait',
    net: '100 g',
    mm: [1.6, 1.6],
  },
  {
    food: 'Maple fudge',
    foodFrench: 'Fudge à l’érable',
    // Sugars weigh 500 g together and come before the 400 g of cream, though none of them does alone.
    lines: [of(400, cream), [300, 'maple syrup'], [200, 'brown sugar'], [100, 'pecans', '', ['pecan']]],
    pieces: [10, 20],
    panel: [100, 100],
    ingredients: 'Sugars (maple syrup, brown sugar), cream, pecans',
    french: 'Sucres (sirop d’érable, cassonade), crème, pacanes',
    contains: 'milk, pecans',
    contient: 'lait, pacanes',
    net: '200 g',
    mm: [3.2, 1.6],
  },
  {
    food: 'Stout fudge',
    foodFrench: 'Fudge au stout',
    lines: [[600, 'sugar'], of(250, butter), [150, 'stout', '', ['barley']]],
    pieces: [10, 20],
    panel: [200, 150],
    ingredients: 'Sugars (sugar), butter (cream, salt), stout',
    french: 'Sucres (sucre), beurre (crème, sel), stout',
    contains: 'milk, barley',
    contient: 'lait, orge',
    net: '200 g',
    mm: [6.4, 1.6],
  },
  {
    food: 'Dark bark',
    foodFrench: 'Écorce de chocolat noir',
    lines: [of(900, dark), [100, 'dried cherries', '', ['sulfites']]],
    pieces: [10, 20],
    panel: [100, 100],
    ingredients: 'dark chocolate (cocoa mass, sugar, cocoa butter, soy lecithin), dried cherries',
    french: 'chocolat noir (pâte de cacao, sucre, beurre de cacao, lécithine de soja), cerises séchées',
    contains: 'soy, sulphites',
    contient: 'soja, sulfites',
    may: 'milk',
    net: '200 g',
    mm: [3.2, 1.6],
  },
  {
    food: 'Spiced seeds',
    foodFrench: 'Graines épicées',
    lines: [
      [900, 'pumpkin seeds'],
      [100, 'spices', 'celery, mustard', ['celery', 'mustard']],
    ],
    pieces: [10, 20],
    panel: [100, 100],
    ingredients: 'pumpkin seeds, spices (celery, mustard)',
    french: 'graines de citrouille, épices (céleri, moutarde)',
    // Celery is none of the Canadian ones: it is named beside.
    contains: 'mustard',
    contient: 'moutarde',
    also: 'celery',
    net: '200 g',
    mm: [3.2, 1.6],
  },
  {
    food: 'Honey walnuts',
    foodFrench: 'Noix au miel',
    lines: [
      [700, 'walnuts', '', ['walnut']],
      [300, 'honey', '', ['honey']],
    ],
    pieces: [10, 20],
    panel: [100, 100],
    ingredients: 'walnuts, Sugars (honey)',
    french: 'noix de Grenoble, Sucres (miel)',
    contains: 'walnuts',
    contient: 'noix',
    also: 'honey',
    net: '200 g',
    mm: [3.2, 1.6],
    said: 'Contains honey: not for infants under one year. / Contient du miel : ne convient pas aux nourrissons de moins d’un an.',
  },
  {
    food: 'Peanut crisp',
    foodFrench: 'Croustillant aux arachides',
    lines: [
      [500, 'peanuts', '', ['peanut']],
      [300, 'glucose syrup'],
      [200, 'oats', '', ['oats'], ['wheat']],
    ],
    pieces: [1, 1500],
    panel: [300, 250],
    ingredients: 'peanuts, Sugars (glucose syrup), oats',
    french: 'arachides, Sucres (sirop de glucose), avoine',
    contains: 'peanuts, oats',
    contient: 'arachides, avoine',
    may: 'wheat',
    net: '1.5 kg',
    mm: [9.5, 1.6],
  },
  {
    food: 'Shortbread',
    foodFrench: 'Sablés',
    lines: [of(500, flour), of(300, butter), [200, 'icing sugar', 'sugar, corn starch']],
    pieces: [5, 30],
    panel: [100, 100],
    ingredients: 'wheat flour, butter (cream, salt), Sugars (icing sugar (sugar, corn starch))',
    french: 'farine de blé, beurre (crème, sel), Sucres (sucre à glacer (sucre, amidon de maïs))',
    contains: 'milk, wheat',
    contient: 'lait, blé',
    net: '150 g',
    mm: [3.2, 1.6],
  },
];

const antipodean: readonly Worked[] = [
  {
    food: 'Butter toffee',
    lines: [[500, 'sugar'], of(450, butter), [50, 'salt']],
    pieces: [10, 10],
    panel: [50, 60],
    ingredients: 'sugar, butter 45% (cream (*milk*), salt), salt',
    contains: '*milk*',
    net: '100 g',
    mm: [2, 1.2],
  },
  {
    food: 'Oat squares',
    lines: [[500, 'oats', '', ['oats']], [300, 'golden syrup'], of(200, butter)],
    pieces: [10, 20],
    panel: [200, 60],
    ingredients: '*oats* 50%, golden syrup, butter (cream (*milk*), salt)',
    // Gluten is named beside the cereal.
    contains: '*milk*, *gluten*',
    net: '200 g',
    mm: [2.5, 1.2],
  },
  {
    food: 'Macadamia brittle',
    lines: [
      [600, 'sugar'],
      [400, 'macadamia nuts', '', ['macadamia'], ['peanut']],
    ],
    pieces: [10, 20],
    panel: [300, 60],
    ingredients: 'sugar, *macadamia* nuts 40%',
    contains: '*macadamia*',
    may: '*peanut*',
    net: '200 g',
    mm: [3.3, 1.2],
  },
  {
    food: 'Pine nut brittle',
    lines: [
      [600, 'sugar'],
      [400, 'pine nuts', '', ['pine-nut']],
    ],
    pieces: [10, 20],
    panel: [400, 100],
    ingredients: 'sugar, *pine nuts* 40%',
    contains: '*pine nut*',
    net: '200 g',
    mm: [4.8, 1.2],
  },
  {
    food: 'Marzipan fruits',
    lines: [
      [700, 'marzipan', 'sugar, almonds, glucose syrup', ['almond']],
      [300, 'sugar'],
    ],
    pieces: [10, 20],
    panel: [200, 60],
    ingredients: 'marzipan 70% (sugar, *almonds*, glucose syrup), sugar',
    contains: '*almond*',
    net: '200 g',
    mm: [2.5, 1.2],
  },
  {
    food: 'Apricot bars',
    lines: [
      [500, 'dried apricots', 'apricots, sulphur dioxide', ['sulfites']],
      [500, 'sugar'],
    ],
    pieces: [10, 30],
    panel: [150, 100],
    ingredients: 'dried apricots 50% (apricots, *sulphur dioxide*), sugar',
    contains: '*sulphites*',
    net: '300 g',
    mm: [2.5, 1.2],
  },
  {
    food: 'Rum balls',
    lines: [of(500, dark), of(300, cream), [150, 'coconut', '', ['coconut']], [50, 'rum', '', ['alcohol']]],
    pieces: [10, 20],
    panel: [150, 100],
    ingredients: 'dark chocolate (cocoa mass, sugar, cocoa butter, *soy* lecithin), cream (*milk*), coconut, rum 5%',
    contains: '*milk*, *soy*',
    also: 'coconut, alcohol',
    net: '200 g',
    mm: [2.5, 1.2],
  },
  {
    food: 'Sesame snaps',
    lines: [
      [600, 'tahini', '', ['sesame']],
      [400, 'honey', '', ['honey']],
    ],
    pieces: [10, 20],
    panel: [150, 100],
    ingredients: 'tahini (*sesame*), honey',
    contains: '*sesame*',
    also: 'honey',
    net: '200 g',
    mm: [2.5, 1.2],
    said: 'Contains honey: not suitable for infants under 12 months.',
  },
];

const schoolsOf: readonly (readonly [SchoolCode, readonly Worked[]])[] = [
  ['eu', european],
  ['uk', european.slice(0, 4)],
  ['canada', canadian],
  ['anz', antipodean],
];

describe.each(schoolsOf)('labels of the school %s, worked out by hand', (school, worked) => {
  it.each(worked.map((each) => [each.food, each] as const))('%s', (_food, each) => {
    const { blocks, netLetterMm, textLetterMm } = labelOfFood(school, each);
    const found = (kind: string, at = 0) => blocks.filter((block) => block.kind === kind)[at];
    const said = (kind: string, at = 0) => {
      const block = found(kind, at);
      return block && starred(block);
    };
    expect({
      ingredients: said('ingredients'),
      french: said('ingredients', 1),
      contains: said('contains'),
      contient: said('contains', 1),
      also: said('also'),
      may: said('may'),
      net: said('net'),
      mm: [netLetterMm, textLetterMm],
      said: said('warning'),
    }).toEqual({
      french: undefined,
      contains: undefined,
      contient: undefined,
      also: undefined,
      may: undefined,
      said: undefined,
      ...Object.fromEntries(Object.entries(each).filter(([key]) => !['food', 'foodFrench', 'lines', 'pieces', 'panel', 'lossPercent'].includes(key))), // prettier-ignore
    });
  });
});

describe('dates', () => {
  const food = { food: 'Fudge', foodFrench: 'Fudge', lines: [[1, 'sugar']] as Line[], pieces: [1, 50], panel: [100, 100], dates: { madeOn: '2026-11-28', bestBefore: '2027-01-05' } } as const; // prettier-ignore
  it.each([
    ['us', 'Made Nov 28, 2026. Best before Jan 5, 2027.'],
    ['eu', 'Made 28 November 2026. Best before 5 January 2027.'],
    ['uk', 'Made 28 November 2026. Best before 5 January 2027.'],
    // Month codes that hold in both languages.
    ['canada', 'Made / Fait le 2026 NO 28. Best before / Meilleur avant 2027 JA 05.'],
    ['anz', 'Made 28 November 2026. Best before 5 January 2027.'],
  ] as const)('of the school %s', (school, text) => {
    expect(labelOfFood(school, food).blocks.find(({ kind }) => kind === 'dates')?.text).toBe(text);
  });
});

describe('what is nested and strained', () => {
  // A square of 10 g is half layer and half sugar; the layer is 3 parts crumb and 1 part butter, the crumb half wheat flour and half oats: of
  // 10 g, 5 g sugar, 1.875 g flour, 1.875 g oats, 1.25 g butter. Three recipes deep.
  const nested = () => {
    const book = bookOf({
      ingredients: [
        ingredient('sugar'),
        ingredient('flour', { declaration: { labelName: 'wheat flour' }, contains: ['wheat'] }),
        ingredient('oats', { contains: ['oats'] }),
        ingredient('butter', { declaration: { labelName: 'butter', parts: [{ name: 'cream' }] }, contains: ['milk'] }),
      ],
      recipes: [
        recipe('crumb', [line('flour', 100), line('oats', 100)]),
        recipe('layer', [line(':crumb', 300), line('butter', 100)]),
        recipe('square', [line(':layer', 50), line('sugar', 50)]),
      ],
      pieces: [piece('p', { kind: 'rolled', recipeId: 'square', centreGrams: 10 })],
      boxes: [box('b', ['p'], { foodName: 'Oat squares' })],
    });
    const facts = book.boxes.get('b');
    if (!facts) throw new Error('no box');
    return (school: SchoolCode) => {
      const [list] = labelOf(schools[school], facts, book, { dates: null, today: TODAY }).blocks.filter(({ kind }) => kind === 'ingredients'); // prettier-ignore
      return list && starred(list);
    };
  };

  it.each([
    ['us', 'sugar, oats, wheat flour, butter (cream)'],
    ['eu', 'sugar, *oats* 19%, *wheat* flour, butter (cream (*milk*))'],
    ['uk', 'sugar, *oats* 19%, *wheat* flour, butter (cream (*milk*))'],
    ['canada', 'Sugars (sugar), oats, wheat flour, butter (cream)'],
    ['anz', 'sugar, *oats* 19%, *wheat* flour, butter (cream (*milk*))'],
  ] as const)('stands in one list by its weight in the school %s', (school, list) => {
    expect(nested()(school)).toBe(list);
  });

  // 900 g of berries go in and two thirds of them stay in the sieve: 300 g are left beside 400 g of sugar that is stirred in behind it.
  it('counts fruit by what is left of it when it is strained', () => {
    const book = bookOf({
      ingredients: [ingredient('sugar', { composition: { ...ALL_WATER, water: 0, sucrose: 100 } }), ingredient('berries', { composition: { ...ALL_WATER, water: 85, otherCarbohydrate: 15 } })], // prettier-ignore
      recipes: [
        recipe('jelly', [line('berries', 900), { ...line('sugar', 400), atStep: 1 }], {
          yield: { by: 'steps' },
          steps: [{ text: 'Strain', effect: { kind: 'strain', lossPercent: 200 / 3 } }],
        }),
      ],
      pieces: [piece('p', { kind: 'rolled', recipeId: 'jelly', centreGrams: 10 })],
      boxes: [box('b', ['p'], { foodName: 'Berry jellies' })],
    });
    const facts = book.boxes.get('b');
    if (!facts) throw new Error('no box');
    const [list] = labelOf(schools.eu, facts, book, { dates: null, today: TODAY }).blocks.filter(({ kind }) => kind === 'ingredients'); // prettier-ignore
    expect(list?.text).toBe('sugar, berries 43%');
  });
});
