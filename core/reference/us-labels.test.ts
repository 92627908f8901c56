// Sources: 21 CFR 101.3 (name), 101.4 (ingredients), 101.7 (net quantity), FALCPA 2004 and FASTER 2021 (allergens), 21 CFR 163 (chocolate), all as
// restated in the design, from memory. Each label was worked out by hand from the weights beside it; the foods are our own.
import { describe, expect, it } from '@jest/globals';
import { labelOfFood, of, type LabelledFood, type Line } from '../testing/labels.js';

interface Worked extends LabelledFood {
  readonly ingredients: string;
  readonly contains?: string;
  readonly also?: string;
  readonly may?: string;
  readonly net: string;
  /** Least height of the net quantity's letters: sixteenths of an inch. */
  readonly sixteenths: number;
  /** Findings that the label itself must have. */
  readonly codes?: readonly string[];
}

const butter: Line = [0, 'butter', 'cream, salt', ['milk']];
const cream: Line = [0, 'heavy cream', '', ['milk']];
const dark: Line = [0, 'semisweet chocolate', 'sugar, chocolate liquor, cocoa butter, soy lecithin', ['soy'], ['milk']];
const milkChocolate: Line = [
  0,
  'milk chocolate',
  'sugar, cocoa butter, milk, chocolate liquor, soy lecithin',
  ['milk', 'soy'],
];
const worked: readonly Worked[] = [
  {
    food: 'Butter toffee',
    lines: [[500, 'sugar'], of(450, butter), [10, 'salt']],
    pieces: [10, 10],
    panel: [50, 60],
    ingredients: 'sugar, butter (cream, salt), salt',
    contains: 'Milk',
    net: 'Net Wt 3.5 oz (100 g)',
    sixteenths: 1,
  },
  {
    food: 'Almond toffee',
    lines: [[400, 'sugar'], of(300, butter), [300, 'almonds', '', ['almond']]],
    pieces: [20, 10],
    panel: [100, 100],
    ingredients: 'sugar, almonds, butter (cream, salt)',
    contains: 'Milk, Tree Nuts (Almonds)',
    net: 'Net Wt 7 oz (200 g)',
    sixteenths: 2,
  },
  {
    food: 'Peanut brittle',
    lines: [
      [600, 'sugar'],
      [390, 'peanuts', '', ['peanut']],
      [10, 'baking soda'],
    ],
    pieces: [12, 20],
    panel: [120, 140],
    ingredients: 'sugar, peanuts, baking soda',
    contains: 'Peanuts',
    net: 'Net Wt 8.4 oz (240 g)',
    sixteenths: 3,
  },
  {
    food: 'Dark chocolate truffles',
    lines: [of(600, dark), of(400, cream)],
    pieces: [16, 12],
    panel: [150, 150],
    ingredients: 'semisweet chocolate (sugar, chocolate liquor, cocoa butter, soy lecithin), heavy cream',
    // The traces of milk are milk that is in it anyway.
    contains: 'Milk, Soy',
    net: 'Net Wt 6.7 oz (192 g)',
    sixteenths: 3,
  },
  {
    food: 'Dark chocolate bark with seeds',
    lines: [of(900, dark), [100, 'pumpkin seeds']],
    pieces: [8, 25],
    panel: [90, 90],
    ingredients: 'semisweet chocolate (sugar, chocolate liquor, cocoa butter, soy lecithin), pumpkin seeds',
    contains: 'Soy',
    may: 'Milk',
    net: 'Net Wt 7 oz (200 g)',
    sixteenths: 2,
  },
  {
    food: 'Sesame brittle',
    lines: [
      [500, 'sugar'],
      [500, 'sesame seeds', '', ['sesame']],
    ],
    pieces: [9, 15],
    panel: [60, 100],
    // Equal weights stand by name.
    ingredients: 'sesame seeds, sugar',
    contains: 'Sesame',
    net: 'Net Wt 4.7 oz (135 g)',
    sixteenths: 2,
  },
  {
    food: 'Honey caramels',
    lines: [of(400, cream), [350, 'sugar'], [250, 'honey', '', ['honey']]],
    pieces: [24, 9],
    panel: [130, 130],
    ingredients: 'heavy cream, sugar, honey',
    contains: 'Milk',
    also: 'honey',
    net: 'Net Wt 7.6 oz (216 g)',
    sixteenths: 3,
  },
  {
    food: 'Beer caramels',
    lines: [[500, 'sugar'], of(300, cream), [200, 'beer', 'water, barley malt, hops', ['barley', 'alcohol']]],
    pieces: [16, 10],
    panel: [100, 120],
    ingredients: 'sugar, heavy cream, beer (water, barley malt, hops)',
    contains: 'Milk',
    also: 'barley, alcohol',
    net: 'Net Wt 5.6 oz (160 g)',
    sixteenths: 2,
  },
  {
    food: 'Oat and date bars',
    lines: [
      [400, 'rolled oats', '', ['oats'], ['wheat']],
      [300, 'dates'],
      of(200, butter),
      [100, 'enriched flour', 'wheat flour, niacin, iron', ['wheat']],
    ],
    pieces: [6, 60],
    panel: [160, 200],
    ingredients: 'rolled oats, dates, butter (cream, salt), enriched flour (wheat flour, niacin, iron)',
    contains: 'Milk, Wheat',
    also: 'oats',
    net: 'Net Wt 12.6 oz (360 g)',
    sixteenths: 3,
  },
  {
    food: 'Rice crisp squares',
    lines: [
      [700, 'sugar'],
      [300, 'crisp rice', 'rice, barley malt extract', ['barley'], ['oats', 'rye']],
    ],
    pieces: [10, 30],
    panel: [100, 80],
    ingredients: 'sugar, crisp rice (rice, barley malt extract)',
    also: 'barley',
    may: 'rye, oats',
    net: 'Net Wt 10.5 oz (300 g)',
    sixteenths: 2,
  },
  {
    food: 'Praline domes',
    lines: [of(500, milkChocolate), [300, 'hazelnuts', '', ['hazelnut']], [200, 'sugar']],
    pieces: [40, 12],
    panel: [250, 200],
    ingredients: 'milk chocolate (sugar, cocoa butter, milk, chocolate liquor, soy lecithin), hazelnuts, sugar',
    contains: 'Milk, Tree Nuts (Hazelnuts), Soy',
    // 480 g are 16.93 oz: one pound and 0.9 oz.
    net: 'Net Wt 16.9 oz (1 lb 0.9 oz) 480 g',
    sixteenths: 3,
  },
  {
    food: 'Pine nut brittle',
    lines: [
      [600, 'sugar'],
      [400, 'pine nuts', '', ['pine-nut']],
    ],
    pieces: [10, 20],
    panel: [70, 40],
    ingredients: 'sugar, pine nuts',
    contains: 'Tree Nuts (Pine nuts)',
    net: 'Net Wt 7 oz (200 g)',
    sixteenths: 1,
  },
  {
    food: 'Mixed nut clusters',
    lines: [
      of(400, milkChocolate),
      [250, 'walnuts', '', ['walnut']],
      [200, 'pecans', '', ['pecan']],
      [150, 'cashews', '', ['cashew']],
    ],
    pieces: [12, 25],
    panel: [180, 120],
    ingredients: 'milk chocolate (sugar, cocoa butter, milk, chocolate liquor, soy lecithin), walnuts, pecans, cashews',
    contains: 'Milk, Tree Nuts (Cashews, Pecans, Walnuts), Soy',
    net: 'Net Wt 10.5 oz (300 g)',
    sixteenths: 3,
  },
  {
    food: 'Coconut squares',
    lines: [
      [500, 'coconut', '', ['coconut', 'sulfites']],
      [300, 'sugar'],
      [200, 'sweetened condensed milk', 'milk, sugar', ['milk']],
    ],
    pieces: [8, 30],
    panel: [110, 110],
    ingredients: 'coconut, sugar, sweetened condensed milk (milk, sugar)',
    contains: 'Milk',
    also: 'sulfites, coconut',
    net: 'Net Wt 8.4 oz (240 g)',
    sixteenths: 2,
  },
  {
    food: 'Marshmallows',
    lines: [
      [600, 'sugar'],
      [300, 'corn syrup'],
      [90, 'water'],
      [10, 'gelatin', '', ['gelatin']],
    ],
    pieces: [25, 8],
    panel: [300, 200],
    ingredients: 'sugar, corn syrup, water, gelatin',
    also: 'gelatin',
    net: 'Net Wt 7 oz (200 g)',
    sixteenths: 3,
  },
  {
    food: 'Divinity',
    lines: [
      [700, 'sugar'],
      [200, 'corn syrup'],
      [100, 'egg whites', '', ['egg']],
    ],
    pieces: [20, 14],
    panel: [280, 300],
    ingredients: 'sugar, corn syrup, egg whites',
    contains: 'Egg',
    net: 'Net Wt 9.8 oz (280 g)',
    sixteenths: 4,
  },
  {
    food: 'Salted vanilla fudge',
    lines: [[800, 'sugar'], of(160, cream), [20, 'salt'], [20, 'vanilla extract', '', ['alcohol-carrier']]],
    pieces: [36, 15],
    panel: [200, 150],
    // Both are 2 % of a kilogram.
    ingredients: 'sugar, heavy cream, contains 2% or less of: salt, vanilla extract',
    contains: 'Milk',
    also: 'alcohol of a flavouring',
    net: 'Net Wt 19 oz (1 lb 3 oz) 540 g',
    sixteenths: 3,
  },
  {
    food: 'Sour cherry jellies',
    lines: [
      [600, 'sugar'],
      [385, 'sour cherry puree'],
      [15, 'pectin'],
    ],
    pieces: [30, 10],
    panel: [100, 160],
    ingredients: 'sugar, sour cherry puree, pectin',
    net: 'Net Wt 10.5 oz (300 g)',
    sixteenths: 2,
  },
  {
    food: 'Plum brandy ganache',
    lines: [of(550, dark), of(330, cream), [120, 'plum brandy', '', ['alcohol']]],
    pieces: [48, 12],
    panel: [320, 200],
    ingredients: 'semisweet chocolate (sugar, chocolate liquor, cocoa butter, soy lecithin), heavy cream, plum brandy',
    contains: 'Milk, Soy',
    also: 'alcohol',
    // 576 g are 20.31 oz.
    net: 'Net Wt 20.3 oz (1 lb 4.3 oz) 576 g',
    sixteenths: 3,
  },
  {
    food: 'Assortment for a whole table',
    lines: [of(500, milkChocolate), of(300, cream), [200, 'pistachios', '', ['pistachio']]],
    pieces: [160, 12],
    panel: [500, 520],
    ingredients: 'milk chocolate (sugar, cocoa butter, milk, chocolate liquor, soy lecithin), heavy cream, pistachios',
    contains: 'Milk, Tree Nuts (Pistachios), Soy',
    // 1,920 g are 67.72 oz: four pounds and 3.7 oz, and pounds come first.
    net: 'Net Wt 4 lb 3.7 oz (1,920 g)',
    sixteenths: 8,
  },
  {
    food: 'Ginger and cocoa-nib bark',
    lines: [of(850, dark), [120, 'crystallized ginger', 'ginger, sugar', ['sulfites']], [30, 'cocoa nibs']],
    pieces: [10, 18],
    panel: [80, 80],
    ingredients:
      'semisweet chocolate (sugar, chocolate liquor, cocoa butter, soy lecithin), crystallized ginger (ginger, sugar), cocoa nibs',
    contains: 'Soy',
    also: 'sulfites',
    may: 'Milk',
    net: 'Net Wt 6.3 oz (180 g)',
    sixteenths: 2,
  },
  {
    food: 'Savory caramel crisps',
    lines: [
      [800, 'sugar'],
      [200, 'anchovy sauce', 'anchovies, water, salt', ['anchovy']],
    ],
    pieces: [5, 20],
    panel: [40, 40],
    ingredients: 'sugar, anchovy sauce (anchovies, water, salt)',
    contains: 'Fish (Anchovy)',
    net: 'Net Wt 3.5 oz (100 g)',
    sixteenths: 1,
  },
  {
    food: 'Seaweed brittle',
    lines: [
      [700, 'sugar'],
      [300, 'seaweed', '', [], ['crustacean', 'fish']],
    ],
    pieces: [5, 20],
    panel: [60, 60],
    ingredients: 'sugar, seaweed',
    may: 'Fish, Crustacean Shellfish',
    net: 'Net Wt 3.5 oz (100 g)',
    sixteenths: 2,
  },
  {
    food: 'Chocolate dipped cookies',
    lines: [
      [600, 'shortbread', 'wheat flour, butter, sugar', ['wheat', 'milk']],
      [400, 'chocolate coating', 'sugar, palm kernel oil, cocoa, soy lecithin', ['soy']],
    ],
    pieces: [10, 24],
    panel: [120, 90],
    ingredients:
      'shortbread (wheat flour, butter, sugar), chocolate coating (sugar, palm kernel oil, cocoa, soy lecithin)',
    contains: 'Milk, Wheat, Soy',
    net: 'Net Wt 8.4 oz (240 g)',
    sixteenths: 2,
    codes: ['box-called-chocolate'],
  },
  {
    food: 'Tea shortbread',
    lines: [[500, 'flour', '', []], of(300, butter), [200, 'sugar']],
    pieces: [10, 20],
    panel: [120, 90],
    ingredients: 'flour, butter (cream, salt), sugar',
    contains: 'Milk',
    net: 'Net Wt 7 oz (200 g)',
    sixteenths: 2,
    // Nobody ticked the wheat: it is not printed, and the label stops.
    codes: ['allergen-undeclared'],
  },
  {
    food: 'A single sugared almond',
    lines: [
      [5, 'almonds', '', ['almond']],
      [4.6, 'sugar'],
    ],
    pieces: [1, 9.6],
    panel: [30, 30],
    ingredients: 'almonds, sugar',
    contains: 'Tree Nuts (Almonds)',
    // 9.6 g are 0.338 oz.
    net: 'Net Wt 0.3 oz (9.6 g)',
    sixteenths: 1,
  },
];

describe('US labels worked out by hand', () => {
  it('are at least twenty-five', () => {
    expect(worked.length).toBeGreaterThanOrEqual(25);
  });

  it.each(worked.map((each) => [each.food, each] as const))('%s', (_food, each) => {
    const { blocks, netLetterMm, findings } = labelOfFood('us', each);
    const text = (kind: string, heading = '') =>
      blocks.find((block) => block.kind === kind && block.heading === heading)?.text;
    expect({
      food: text('food'),
      ingredients: text('ingredients', 'Ingredients:'),
      contains: text('contains', 'Contains:'),
      also: text('also', 'Also contains:'),
      may: text('may', 'May contain:'),
      net: text('net'),
      sixteenths: Number(((netLetterMm / 25.4) * 16).toFixed(6)),
      codes: findings.map(({ code }) => code),
      infants: text('warning'),
    }).toEqual({
      food: each.food,
      ingredients: each.ingredients,
      contains: each.contains,
      also: each.also,
      may: each.may,
      net: each.net,
      sixteenths: each.sixteenths,
      codes: each.codes ?? [],
      infants: each.also?.includes('honey') ? 'Contains honey: not for infants under one year.' : undefined,
    });
  });
});
