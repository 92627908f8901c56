// The figures of this file are common practice, no source; they check the sums and are no recipes of anyone.
import { describe, expect, it } from '@jest/globals';
import { ingredient, line, piece, recipe } from '../testing/kitchen.js';
import { chooseBatches, openRecipeBook } from '../src/recipe/index.js';
import { batchesForPieces, workOutPiece } from '../src/piece/index.js';
import { toCelsius, units, weigh } from '../src/quantity/index.js';
import { starterIngredients } from '../src/starter/index.js';

const pantry = starterIngredients();
const grainy = { densities: [{ state: 'level', gramsPerMl: 0.85 }], pieceGrams: null };
const pounds = (grams: number) => grams / units.lb.base;

describe('the quart trap', () => {
  it('six imperial quarts of sugar are almost thirteen pounds, six US quarts far less', () => {
    const imperial = weigh(6, 'imperial-quart', grainy, null);
    const us = weigh(6, 'quart', grainy, null);
    if (!('grams' in imperial) || !('grams' in us)) throw new Error('must be weighed');
    expect(pounds(imperial.grams)).toBeCloseTo(12.8, 1);
    expect(pounds(us.grams)).toBeCloseTo(10.6, 1);
  });
});

describe('what a kettle leaves', () => {
  it('the fudge kettle to 235 F gives about 20 lb, within 5 %', () => {
    const kettle = recipe(
      'kettle',
      [
        line('granulated-sugar', 6 * 1136.5225 * 0.85),
        line('glucose-syrup', 1400),
        line('water', 750),
        line('dark-chocolate-55', 1, 'lb'),
        line('unsalted-butter', 1, 'lb'),
        line('evaporated-milk', 3.5 * 354, 'ml'),
      ],
      {
        yield: { by: 'steps' },
        steps: [
          { text: 'Cook.', target: { celsius: toCelsius(235), kind: 'target', boils: true }, effect: { kind: 'cook' } },
        ],
      },
    );
    const facts = openRecipeBook(pantry, [kettle]).recipes.get('kettle');
    expect(pounds(facts?.yieldGrams ?? 0)).toBeGreaterThan(20 * 0.95);
    expect(pounds(facts?.yieldGrams ?? 0)).toBeLessThan(20 * 1.05);
  });
});

describe('buying and moulding', () => {
  it('11 oz of chocolate in 4 oz bars are three bars with 1 oz left; two are 27 % short', () => {
    const bars = chooseBatches(11, [{ size: 4, covers: 4 }]);
    expect(bars).toEqual([{ size: 4, count: 3 }]);
    expect(3 * 4 - 11).toBe(1);
    expect(Math.round(((11 - 2 * 4) / 11) * 100)).toBe(27);
  });

  it('a filling of 485 g is under a third used by nine moulded pieces', () => {
    const book = openRecipeBook(
      [ingredient('filling')],
      [recipe('filling', [line('filling', 485)], { batchSizes: [0.25, 0.5, 1] })],
    );
    const form = {
      kind: 'moulded' as const,
      cavities: 9,
      cavityMl: 20,
      shell: { recipeId: 'filling', shellPercent: 25, capPercent: 8 },
      layers: [{ recipeId: 'filling', grams: 15.4, gramsPerMl: 1.15 }],
      breakagePercent: 0,
    };
    const dome = workOutPiece(piece('dome', form), book);
    const used = 9 * (dome.parts[0]?.drawnGrams ?? 0);
    expect(used).toBeLessThan(485 / 3);
    const facts = book.recipes.get('filling');
    const body = dome.piece.form;
    if (!facts || body.kind !== 'moulded') throw new Error('not worked out');
    expect(batchesForPieces(body, facts, 9)?.multiple).toBe(0.5);
  });

  it('breaks one shell in ten of a learner: ten are made for nine', () => {
    const book = openRecipeBook([ingredient('filling')], [recipe('filling', [line('filling', 100)])]);
    const form = {
      kind: 'moulded' as const,
      cavities: 10,
      cavityMl: 16,
      shell: { recipeId: 'filling', shellPercent: 30, capPercent: 8 },
      layers: [{ recipeId: 'filling', grams: 10, gramsPerMl: 1 }],
      breakagePercent: 10,
    };
    const dome = workOutPiece(piece('dome', form), book);
    const facts = book.recipes.get('filling');
    if (!facts || dome.piece.form.kind !== 'moulded') throw new Error('not worked out');
    expect(batchesForPieces(dome.piece.form, facts, 9)).toMatchObject({ pieces: 9, multiple: 1 });
  });
});
