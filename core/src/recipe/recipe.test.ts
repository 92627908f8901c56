import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { ingredient, line, recipe } from '../../testing/kitchen.js';
import { openRecipeBook } from './book.js';
import { orderRecipes } from './cycle.js';
import { scaleRecipe } from './scale.js';
import { wrongCycle, wrongInRecipe } from './check.js';

const sugar = ingredient('sugar', { densities: [{ state: 'level', gramsPerMl: 0.8453 }] });
const milk = ingredient('milk', { contains: ['milk'] });
const nuts = ingredient('nuts', { contains: ['hazelnut'], mayContain: ['almond', 'milk'] });

describe('what follows from a recipe', () => {
  it('takes the loss from the raw mass', () => {
    const book = openRecipeBook(
      [sugar, milk],
      [
        recipe('fudge', [line('sugar', 800), line('milk', 200)], {
          yield: { by: 'loss', lossPercent: 15 },
        }),
      ],
    );
    expect(book.recipes.get('fudge')).toMatchObject({
      rawGrams: 1000,
      yieldGrams: 850,
      complete: true,
      contains: ['milk'],
    });
  });

  it('goes through components of any depth, with their losses', () => {
    const book = openRecipeBook(
      [sugar, nuts, milk],
      [
        recipe('bar', [line(':filling', 100), line('milk', 100)]),
        recipe('paste', [line('nuts', 500), line('sugar', 500)], {
          yield: { by: 'loss', lossPercent: 20 },
        }),
        recipe('filling', [line(':paste', 400), line('milk', 100)]),
      ],
    );
    const bar = book.recipes.get('bar');
    // 200 g of bar hold 100 g of filling: 80 g of paste, for which 100 g went in, half of it nuts
    expect(bar?.ingredientsPerGram.get('nuts')).toBeCloseTo(50 / 200, 9);
    expect(bar?.contains).toEqual(['milk', 'hazelnut']);
    expect(bar?.mayContain).toEqual(['almond']);
    expect(book.componentsFirst.indexOf('paste')).toBeLessThan(book.componentsFirst.indexOf('filling'));
  });

  it('says what cannot be weighed and by which line, and goes on with the rest', () => {
    const book = openRecipeBook(
      [milk, sugar],
      [recipe('r', [line('sugar', 1, 'cup', 'sifted'), line('milk', 1, 'cup'), line('milk', 100)])],
    );
    expect(book.findings.map((each) => each.message)).toEqual([
      'Line 1 of r: sugar has no density in that state.',
      'Line 2 of r: milk has no density, so a volume of it cannot be weighed.',
      expect.stringContaining('has no pack'),
      expect.stringContaining('has no pack'),
    ]);
    expect(book.recipes.get('r')).toMatchObject({ complete: false, rawGrams: 100 });
  });

  it('marks what stands above an incomplete component as incomplete', () => {
    const book = openRecipeBook(
      [milk],
      [recipe('top', [line(':under', 10)]), recipe('under', [line('milk', 1, 'cup')])],
    );
    expect(book.recipes.get('top')?.complete).toBe(false);
  });

  it('refuses to believe that more comes out than goes in', () => {
    const book = openRecipeBook([sugar], [recipe('r', [line('sugar', 100)], { yield: { by: 'weighed', grams: 150 } })]);
    expect(book.findings.map((each) => each.code)).toContain('yield-above-raw');
  });

  it('conserves mass: all ingredients of a gram weigh what went in for it', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 1, max: 5000, noNaN: true }), { minLength: 3, maxLength: 3 }),
        fc.integer({ min: 0, max: 60 }),
        ([a = 1, b = 1, c = 1], lossPercent) => {
          const book = openRecipeBook(
            [sugar, milk, nuts],
            [
              recipe('low', [line('sugar', a), line('milk', b)], {
                yield: { by: 'loss', lossPercent },
              }),
              recipe('high', [line(':low', c), line('nuts', a)]),
            ],
          );
          const high = book.recipes.get('high');
          const shares = [...(high?.ingredientsPerGram.values() ?? [])].reduce((sum, share) => sum + share, 0);
          const expected = c / (1 - lossPercent / 100) + a;
          expect(shares * (c + a)).toBeCloseTo(expected, 6);
        },
      ),
    );
  });
});

describe('cycles', () => {
  const a = recipe('a', [line(':b', 1)]);
  const b = recipe('b', [line('sugar', 1), line(':c', 1)]);
  const c = recipe('c', [line(':a', 1)]);

  it('names the whole cycle and the line that leads into it', () => {
    expect(wrongCycle([a, b, c])).toEqual({
      recipeId: 'a',
      wrong: {
        path: ['lines', 0, 'uses', 'id'],
        message: 'a recipe cannot be made of itself: a > b > c > a',
      },
    });
    expect(wrongCycle([a, b])).toBeNull();
  });

  it('leaves out what stands on or above it, and keeps the rest', () => {
    const { ordered, cycle } = orderRecipes([
      recipe('above', [line(':a', 1)]),
      a,
      b,
      c,
      recipe('free', [line('sugar', 1)]),
    ]);
    expect(ordered.map((each) => each.id)).toEqual(['free']);
    expect(cycle.map((each) => each.id)).toEqual(['a', 'b', 'c', 'a']);
    expect(openRecipeBook([sugar], [a, b, c]).findings[0]?.message).toBe(
      'A recipe cannot be made of itself: a > b > c > a.',
    );
  });

  it('names lines that use something unknown', () => {
    expect(wrongInRecipe(b, (noun) => noun === 'ingredient')).toEqual([
      { path: ['lines', 1, 'uses', 'id'], message: 'there is no recipe "c"' },
    ]);
  });
});

describe('scaling', () => {
  it('comes back to the same amounts and keeps the shares', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 20, noNaN: true }), (multiple) => {
        const base = recipe('r', [line('sugar', 300), line('milk', 200)], {
          yield: { by: 'weighed', grams: 450 },
        });
        const back = scaleRecipe(scaleRecipe(base, multiple), 1 / multiple);
        back.lines.forEach((each, index) => {
          expect(each.amount).toBeCloseTo(base.lines[index]?.amount ?? 0, 6);
        });
        const scaled = openRecipeBook([sugar, milk], [scaleRecipe(base, multiple)]).recipes.get('r');
        expect(scaled?.yieldGrams).toBeCloseTo(450 * multiple, 6);
      }),
    );
  });
});
