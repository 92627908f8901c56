// Sources: 21 CFR 101.4 (ingredient list), 21 CFR 101.7 (net quantity), FALCPA 2004 and FASTER 2021 (allergens), all as restated in
// the design, from memory. The worked examples are our own, made after the wording of the rules.
import { describe, expect, it } from '@jest/globals';
import { bookOf, box, ingredient, line, piece, recipe } from '../testing/kitchen.js';
import { allergenCodes, allergens, isUsMajor, ofFamily } from '../src/ingredient/index.js';
import {
  ingredientList,
  ingredientStatement,
  netLetterHeightMm,
  netQuantity,
  TEXT_LETTER_HEIGHT_MM,
  textOf,
  usContains,
} from '../src/label/index.js';

const chocolateParts = [{ name: 'sugar' }, { name: 'chocolate liquor' }, { name: 'cocoa butter' }];

/** The list of a box of one piece that is made of nothing but these; "chocolate" has parts of its own. */
const statement = (amounts: Record<string, number>, group: boolean) => {
  const book = bookOf({
    ingredients: Object.keys(amounts).map((id) =>
      ingredient(id, { declaration: { labelName: id, parts: id === 'chocolate' ? chocolateParts : [] } }),
    ),
    recipes: [
      recipe(
        'r',
        Object.entries(amounts).map(([id, grams]) => line(id, grams)),
      ),
    ],
    pieces: [piece('p', { kind: 'rolled', recipeId: 'r', centreGrams: 10 })],
    boxes: [box('b', ['p'])],
  });
  return textOf(ingredientStatement(ingredientList([{ pieceId: 'p', count: 1 }], book), group));
};

describe('21 CFR 101.4: the ingredient list', () => {
  it('(a)(1) descending order of predominance by weight', () => {
    expect(statement({ salt: 1, butter: 45, sugar: 54 }, false)).toBe('sugar, butter, salt');
  });

  it('(b)(2) the parts of an ingredient in parentheses behind its name', () => {
    expect(statement({ butter: 30, chocolate: 70 }, false)).toBe(
      'chocolate (sugar, chocolate liquor, cocoa butter), butter',
    );
  });

  it('(a)(2) those of 2 percent or less may stand behind a quantifying statement, 2 percent among them, 2.1 not', () => {
    expect(statement({ sugar: 90, butter: 6, vanilla: 2, salt: 2 }, true)).toBe(
      'sugar, butter, contains 2% or less of: salt, vanilla',
    );
    expect(statement({ sugar: 90, butter: 5.9, vanilla: 2.1, salt: 1, soda: 1 }, true)).toBe(
      'sugar, butter, vanilla, contains 2% or less of: salt, soda',
    );
  });
});

describe('21 CFR 101.7: the net quantity', () => {
  it('states ounces, and from one pound on pounds with the rest in ounces, both with the metric weight', () => {
    expect(netQuantity(340.2)).toBe('Net Wt 12 oz (340 g)');
    expect(netQuantity(680.4)).toBe('Net Wt 24 oz (1 lb 8 oz) 680 g');
  });

  it.each([
    [5, 1 / 16],
    [25, 1 / 8],
    [100, 3 / 16],
    [400, 1 / 4],
    [401, 1 / 2],
  ])('letters for a panel of %d sq in are %d in high at least', (squareInches, inches) => {
    expect(netLetterHeightMm(25.4, 25.4 * squareInches)).toBeCloseTo(inches * 25.4, 9);
  });

  it('everything else is 1/16 in at least (21 CFR 101.2)', () => {
    expect(TEXT_LETTER_HEIGHT_MM).toBeCloseTo(1.5875, 9);
  });
});

describe('FALCPA and FASTER: the nine', () => {
  it('are milk, egg, fish, crustacean shellfish, tree nuts, peanuts, wheat, soy and sesame', () => {
    const families = new Set(allergenCodes.filter(isUsMajor).map((code) => allergens[code].family));
    expect([...families]).toEqual([
      'milk',
      'egg',
      'fish',
      'crustacean shellfish',
      'tree nuts',
      'peanuts',
      'wheat',
      'soy',
      'sesame',
    ]);
    for (const code of ['barley', 'rye', 'oats', 'sulfites', 'coconut', 'mollusc', 'gelatin', 'alcohol'] as const)
      expect(isUsMajor(code)).toBe(false);
  });

  it('knows the tree nuts of the FDA’s guidance of January 2025 (from memory), coconut not among them', () => {
    const nuts = ofFamily('tree nuts').map((code) => allergens[code].name);
    expect(nuts).toEqual([
      'Almonds',
      'Black walnuts',
      'Brazil nuts',
      'California walnuts',
      'Cashews',
      'Hazelnuts',
      'Heartnuts (Japanese walnuts)',
      'Macadamia nuts',
      'Pecans',
      'Pine nuts',
      'Pistachios',
      'Walnuts',
    ]);
  });

  it('names tree nuts by kind', () => {
    expect(usContains(['hazelnut', 'milk', 'pistachio'])).toBe('Milk, Tree Nuts (Hazelnuts, Pistachios)');
  });
});
