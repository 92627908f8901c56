import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, box, ingredient, kitchen, line, piece, recipe, TODAY } from '../../testing/kitchen.js';
import type { Book } from '../book/index.js';
import type { BoxFacts } from '../box/index.js';
import { ingredientGrams, ingredientList } from './ingredients.js';
import { ingredientStatement, netQuantity } from './schools/us.js';
import { layOutLabel, leastLabelHeight, type Measure } from './layout.js';
import { labelOf } from './label.js';
import { schools } from './schools/index.js';
import { textOf } from './span.js';

const chocolate = ingredient('chocolate', {
  declaration: {
    labelName: 'semisweet chocolate',
    parts: [{ name: 'sugar' }, { name: 'chocolate liquor' }, { name: 'soy lecithin' }],
  },
  contains: ['soy'],
  mayContain: ['milk'],
});
const sugar = ingredient('sugar');
const butter = ingredient('butter', {
  declaration: { labelName: 'butter', parts: [{ name: 'cream' }] },
  contains: ['milk'],
});
const otherButter = { ...butter, id: 'cultured' };
const salt = ingredient('salt');
const malt = ingredient('malt', { contains: ['barley'] });

const pantry = {
  ingredients: [chocolate, sugar, butter, otherButter, salt, malt],
  recipes: [
    recipe(
      'toffee',
      [line('sugar', 500), line('butter', 300), line('cultured', 150), line('salt', 10), line('malt', 8)],
      { yield: { by: 'loss', lossPercent: 10 } },
    ),
    recipe('coating', [line('chocolate', 100)]),
  ],
  pieces: [
    piece('shard', { kind: 'broken', recipeId: 'toffee', crumbsPercent: 10, servingGrams: 15 }),
    piece('dipped', {
      kind: 'dipped',
      centre: { kind: 'broken', recipeId: 'toffee', crumbsPercent: 0, servingGrams: 9 },
      coatingRecipeId: 'coating',
      coatingPercent: 40,
    }),
  ],
  boxes: [box('bag', ['shard', 'shard', 'dipped'])],
};
const book = bookOf(pantry);

const factsOf = (of: Book, id: string): BoxFacts => {
  const facts = of.boxes.get(id);
  if (!facts) throw new Error(`no box ${id}`);
  return facts;
};
const block = (of: Book, kind: string, heading = '') =>
  labelOf(schools.us, factsOf(of, 'bag'), of, { dates: null, today: TODAY }).blocks.find(
    (each) => each.kind === kind && each.heading === heading,
  )?.text;

describe('the ingredient list', () => {
  it('runs from heavy to light, sub-ingredients in parentheses, equal declarations as one', () => {
    // 39 g of toffee: sugar 500, butter 300 + 150 of 968 g for 871.2 g; 6 g of chocolate
    const list = ingredientList(factsOf(book, 'bag').pieces, book);
    expect(textOf(ingredientStatement(list, false))).toBe(
      'sugar, butter (cream), semisweet chocolate (sugar, chocolate liquor, soy lecithin), salt, malt',
    );
    expect(list[0]?.grams).toBeCloseTo((39 * 500) / 871.2, 6);
    expect(list[1]?.grams).toBeCloseTo((39 * 450) / 871.2, 6);
    expect(list[2]?.grams).toBeCloseTo(6, 6);
  });

  it('groups what is 2 % or less, where there are two of them', () => {
    const list = ingredientList(factsOf(book, 'bag').pieces, book);
    expect(textOf(ingredientStatement(list, true))).toMatch(/soy lecithin\), contains 2% or less of: salt, malt$/);
    expect(textOf(ingredientStatement(list.slice(0, 4), true))).toMatch(/soy lecithin\), salt$/);
  });

  it('is always in descending order and adds up to what went in', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 900 }), { minLength: 6, maxLength: 6 }), (amounts) => {
        const ids = ['chocolate', 'sugar', 'butter', 'cultured', 'salt', 'malt'];
        const mixed = bookOf({
          ...pantry,
          recipes: [
            recipe(
              'toffee',
              ids.map((id, index) => line(id, amounts[index] ?? 1)),
            ),
            recipe('coating', [line('chocolate', 100)]),
          ],
        });
        const pieces = [{ pieceId: 'shard', count: 3 }];
        const list = ingredientList(pieces, mixed);
        const grams = list.map((entry) => entry.grams);
        expect([...grams].sort((a, b) => b - a)).toEqual(grams);
        const sum = [...ingredientGrams(pieces, mixed).values()].reduce((all, each) => all + each, 0);
        expect(sum).toBeCloseTo(45, 6);
        expect(list.reduce((all, entry) => all + entry.percent, 0)).toBeCloseTo(100, 6);
      }),
    );
  });
});

describe('the label', () => {
  it('names allergens by the US list, and what the list leaves out on a line of its own', () => {
    expect(block(book, 'contains', 'Contains:')).toBe('Milk, Soy');
    expect(block(book, 'also', 'Also contains:')).toBe('barley');
    expect(block(book, 'may', 'May contain:')).toBeUndefined();
  });

  it('carries name, food, maker, net quantity, and the dates it is given', () => {
    const label = labelOf(schools.us, factsOf(book, 'bag'), book, {
      dates: { madeOn: '2026-12-03', bestBefore: '2026-12-24' },
      today: TODAY,
    });
    const text = Object.fromEntries(label.blocks.map((each) => [each.kind, each.text]));
    expect(text).toMatchObject({
      name: 'bag',
      food: 'Assorted confections',
      dates: 'Made Dec 3, 2026. Best before Dec 24, 2026.',
      maker: 'Test kitchen, 1 Test Lane',
      net: 'Net Wt 1.5 oz (45 g)',
    });
  });

  it('stops without an address or with something missing, and asks for the statement to be checked', () => {
    const codes = (of: Book) =>
      labelOf(schools.us, factsOf(of, 'bag'), of, { dates: null, today: TODAY }).findings.map((each) => each.code);
    expect(codes(book)).toEqual(['label-statement-unchecked', 'label-no-panel']);
    expect(
      codes(bookOf({ ...pantry, kitchen: { ...kitchen, address: '', homeKitchenStatement: '' }, recipes: [] })),
    ).toEqual(['label-incomplete', 'label-no-address', 'label-no-statement', 'label-no-panel']);
    const boxes = pantry.boxes.map((each) => ({ ...each, panel: { widthMm: 100, heightMm: 80 } }));
    expect(codes(bookOf({ ...pantry, boxes, kitchen: { ...kitchen, statementChecked: true } }))).toEqual([]);
  });

  it('stops while a declaration names an allergen that the contents lack', () => {
    const ingredients = pantry.ingredients.map((each) => (each.id === 'butter' ? { ...each, contains: [] } : each));
    const findings = labelOf(schools.us, factsOf(book, 'bag'), bookOf({ ...pantry, ingredients }), {
      dates: null,
      today: TODAY,
    }).findings;
    expect(findings.find(({ code }) => code === 'allergen-undeclared')).toMatchObject({
      severity: 'stop',
      message:
        'The declaration of butter says “cream”, but milk is not among what butter contains: it would be missing from every label.',
    });
  });
});

describe('the net quantity', () => {
  it.each([
    [9.6, 'Net Wt 0.3 oz (9.6 g)'],
    [276, 'Net Wt 9.7 oz (276 g)'],
    [276.9, 'Net Wt 9.7 oz (276 g)'],
    [453.59237, 'Net Wt 16 oz (1 lb) 453 g'],
    [680.388555, 'Net Wt 24 oz (1 lb 8 oz) 680 g'],
    [1200, 'Net Wt 42.3 oz (2 lb 10.3 oz) 1,200 g'],
    [1814.3, 'Net Wt 63.9 oz (3 lb 15.9 oz) 1,814 g'],
    [1814.37, 'Net Wt 4 lb (1,814 g)'],
    [2041.2, 'Net Wt 4 lb 8 oz (2,041 g)'],
  ])('of %d g is %s', (grams, text) => {
    expect(netQuantity(grams)).toBe(text);
  });

  it('never says more than is in the box', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 5000, noNaN: true }), (grams) => {
        const text = netQuantity(grams).replaceAll(',', '');
        // Pounds come first from four on, before that all of it is in ounces.
        const [, pounds = '0', more = '0'] = /Wt (?:(\d+) lb ?)?(?:([\d.]+) oz)?/.exec(text) ?? [];
        const ounces = 16 * Number(pounds) + Number(more);
        expect(Number(pounds) === 0 || Number(pounds) >= 4).toBe(true);
        const metric = Number(/([\d.]+) g\)?$/.exec(text)?.[1]);
        expect(ounces * 28.349523125).toBeLessThanOrEqual(grams + 1e-6);
        expect(metric).toBeLessThanOrEqual(grams + 1e-6);
        expect(grams - metric).toBeLessThan(1);
      }),
    );
  });
});

describe('setting it in type', () => {
  /** Every letter half as wide as the type is high. */
  const measure: Measure = (text, _face, sizeMm) => text.length * sizeMm * 0.5;
  const label = labelOf(schools.us, factsOf(book, 'bag'), book, { dates: null, today: TODAY });

  it('keeps every word, inside the margins, at no less than the least letter height', () => {
    const layout = layOutLabel(label, { widthMm: 100, heightMm: 120 }, measure);
    const words = (text: string) => text.split(' ').filter(Boolean).length;
    expect(layout.runs.reduce((sum, run) => sum + words(run.text), 0)).toBe(
      label.blocks.reduce((sum, each) => sum + words(`${each.heading} ${each.text}`), 0),
    );
    for (const run of layout.runs) {
      expect(run.x + measure(run.text, run.face, run.sizeMm)).toBeLessThanOrEqual(100 - 2.5 + 1e-6);
      expect(run.sizeMm * 0.496).toBeGreaterThanOrEqual(25.4 / 16 - 1e-9);
    }
    expect(layout.overflowMm).toBe(0);
  });

  it('says by how much it does not fit, and the net quantity stands lowest', () => {
    const layout = layOutLabel(label, { widthMm: 60, heightMm: 30 }, measure);
    expect(layout.overflowMm).toBeGreaterThan(5);
    const lowest = layout.runs.reduce((low, run) => (run.y > low.y ? run : low));
    expect(lowest.text).toContain('g)');
    const enough = leastLabelHeight(label, { widthMm: 60, heightMm: 30 }, measure);
    expect(layOutLabel(label, { widthMm: 60, heightMm: enough }, measure).overflowMm).toBe(0);
    expect(layOutLabel(label, { widthMm: 60, heightMm: enough - 4 }, measure).overflowMm).toBeGreaterThan(0);
  });
});
