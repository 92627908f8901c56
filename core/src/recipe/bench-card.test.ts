import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { ingredient, line, recipe } from '../../testing/kitchen.js';
import { elevationOf } from '../cooking/index.js';
import { massOf, noParts } from '../ingredient/index.js';
import { adviceFor, multipleFor, stepMinutes, weighSheet } from './scale.js';
import { checkPots, estimateOf } from './estimate.js';
import { openRecipeBook, type RecipeFacts } from './book.js';
import { recipeFiledSchema } from './schema.js';
import { sideEffects, trySwaps } from './substitution.js';
import { stepCautions, stepTarget } from './method.js';
import { wrongInRecipe } from './check.js';

const made = (parts: object, more: object = {}) => ({
  composition: { ...noParts, cocoaButter: 0, milkFat: 0, source: '', ...parts },
  ...more,
});
const sugar = ingredient(
  'sugar',
  made({ sucrose: 100 }, { packs: [{ name: 'bag', amount: 1000, unit: 'g', priceMinor: 200 }] }),
);
const water = ingredient(
  'water',
  made({ water: 100 }, { packs: [{ name: 'tap', amount: 1000, unit: 'g', priceMinor: 0 }] }),
);
const butter = ingredient('butter', made({ water: 18, fat: 82 }, { contains: ['milk'], traits: [] }));
const oil = ingredient('oil', made({ fat: 100 }, { contains: ['coconut'] }));
const brandy = ingredient(
  'brandy',
  made({ water: 66.6, ethanol: 33.4 }, { traits: ['spirit'], contains: ['alcohol'] }),
);
const soda = ingredient('soda', made({ ash: 100 }, { traits: ['bicarbonate'] }));
const unknown = ingredient('unknown');
const pantry = [sugar, water, butter, oil, brandy, soda, unknown];

/** Boils to a syrup of exactly 80 % sugar. */
const at80 = 100 + elevationOf(80);
const cook = (celsius: number, more: object = {}) => ({
  text: 'Cook.',
  target: { celsius, kind: 'target' as const, boils: true },
  effect: { kind: 'cook' as const },
  ...more,
});
const lose = (kind: 'trim' | 'strain' | 'stick', lossPercent: number) => ({
  text: 'Lose.',
  effect: { kind, lossPercent },
});
const factsOf = (...recipes: Parameters<typeof recipe>[]): RecipeFacts => {
  const book = openRecipeBook(
    pantry,
    recipes.map((each) => recipe(...each)),
  );
  const [id] = recipes.at(-1) ?? [''];
  const facts = book.recipes.get(id);
  if (!facts) throw new Error('not worked out');
  return facts;
};

describe('what the steps leave', () => {
  it('boils the water off to the strength of the target, and keeps the rest', () => {
    const facts = factsOf([
      'syrup',
      [line('sugar', 800), line('water', 500)],
      { yield: { by: 'steps' }, steps: [cook(at80)] },
    ]);
    expect(facts.yieldGrams).toBeCloseTo(1000, 3);
    expect(facts.stepMasses[0]).toMatchObject({ boiledOff: expect.closeTo(300, 3), lost: 0 });
    expect(facts.parts).toMatchObject({ water: expect.closeTo(20, 3), sucrose: expect.closeTo(80, 3) });
  });

  it('boils nothing off a syrup that is strong enough', () => {
    const facts = factsOf([
      'syrup',
      [line('sugar', 900), line('water', 100)],
      { yield: { by: 'steps' }, steps: [cook(at80)] },
    ]);
    expect(facts.yieldGrams).toBe(1000);
  });

  it('adds what goes in after the cooking whole, then trims all of it', () => {
    const facts = factsOf([
      'slab',
      [line('sugar', 800), line('water', 500), { ...line('butter', 100), afterCook: true }],
      { yield: { by: 'steps' }, steps: [cook(at80), lose('trim', 10)] },
    ]);
    // The butter goes in behind the cooking.
    expect(facts.stepMasses.map(({ grams }) => Math.round(grams))).toEqual([1000, 990]);
    expect(facts.parts?.fat).toBeCloseTo((82 / 1100) * 100, 3);
  });

  it('reduces down to a mass, and never below what is not water', () => {
    const reduced = (toGrams: number) =>
      factsOf([
        'puree',
        [line('sugar', 100), line('water', 400)],
        { yield: { by: 'steps' }, steps: [{ text: 'Reduce.', effect: { kind: 'reduce', toGrams } }] },
      ]).yieldGrams;
    expect(reduced(300)).toBeCloseTo(300, 9);
    expect(reduced(50)).toBeCloseTo(100, 9);
  });

  it('never makes mass, whatever the steps', () => {
    const step = fc.oneof(
      fc.double({ min: 101, max: 170, noNaN: true }).map((celsius) => cook(celsius)),
      fc.constantFrom('trim' as const, 'strain' as const, 'stick' as const).map((kind) => lose(kind, 7)),
    );
    fc.assert(
      fc.property(fc.array(step, { maxLength: 5 }), fc.integer({ min: 0, max: 900 }), (steps, grams) => {
        const facts = factsOf([
          'any',
          [line('sugar', 500), line('water', grams + 1), line('butter', 50)],
          { yield: { by: 'steps' }, steps },
        ]);
        expect(facts.yieldGrams).toBeLessThanOrEqual(facts.rawGrams + 1e-6);
        if (facts.parts) expect(massOf(facts.parts)).toBeCloseTo(100, 6);
      }),
      { numRuns: 60 },
    );
  });

  it('cannot say what is left as long as a composition is missing, and says which', () => {
    const book = openRecipeBook(pantry, [
      recipe('odd', [line('unknown', 100)], { yield: { by: 'steps' }, steps: [cook(120)] }),
    ]);
    expect(
      book.findings.filter(({ severity }) => severity === 'stop').map(({ code, message }) => [code, message]),
    ).toEqual([
      [
        'composition-missing',
        'odd: its yield cannot follow from its steps while the composition of unknown is not known. Give it, or weigh the yield.',
      ],
    ]);
  });

  it('takes a loss from the water first where it is cooked, otherwise from everything', () => {
    const lines = [line('sugar', 500), line('water', 500)];
    const yields = { by: 'loss' as const, lossPercent: 40 };
    expect(factsOf(['dry', lines, { yield: yields }]).parts?.water).toBeCloseTo(50, 6);
    expect(factsOf(['boiled', lines, { yield: yields, steps: [cook(110)] }]).parts?.water).toBeCloseTo(100 / 6, 6);
  });
});

describe('a variant', () => {
  const base = recipe('base', [line('sugar', 300), line('butter', 100)], { batchSizes: [1, 2] });
  const variant = recipe('vegan', [], {
    keepsDays: 9,
    variantOf: { recipeId: 'base', swaps: [{ ingredientId: 'butter', withId: 'oil', ratio: 0.8, share: 1 }] },
  });

  it('shares the rest and has its own name, life and allergens', () => {
    const book = openRecipeBook(pantry, [variant, base]);
    expect(book.recipes.get('vegan')).toMatchObject({
      lineGrams: [300, 80],
      contains: ['coconut'],
      recipe: { name: 'vegan', keepsDays: 9, batchSizes: [1, 2] },
    });
  });

  it('of something that is not there is named where it stands', () => {
    expect(wrongInRecipe(variant, (_noun, id) => id === 'butter')).toEqual([
      { path: ['variantOf', 'recipeId'], message: 'there is no recipe "base"' },
      { path: ['variantOf', 'swaps', 0, 'withId'], message: 'there is no ingredient "oil"' },
    ]);
  });

  it('of itself has no lines instead of no end', () => {
    const self = recipe('self', [], {
      variantOf: { recipeId: 'self', swaps: [{ ingredientId: 'butter', withId: 'oil', ratio: 1, share: 1 }] },
    });
    expect(openRecipeBook(pantry, [self]).recipes.get('self')?.complete).toBe(false);
  });
});

describe('side effects of a swap', () => {
  it('names allergens, label, cost and keeping before anything is stored', () => {
    const book = openRecipeBook(pantry, [recipe('soft', [line('sugar', 300), line('butter', 100)])]);
    const tried = trySwaps(book, 'soft', [{ ingredientId: 'butter', withId: 'oil', ratio: 1, share: 1 }]);
    if (!tried) throw new Error('not tried');
    const effects = sideEffects(tried.before, tried.after, book.ingredients, (minor) => String(minor));
    expect(effects[0]).toEqual({ what: 'allergens', before: 'milk', after: 'coconut', grave: true });
    expect(effects.find(({ what }) => what === 'label')).toMatchObject({
      before: 'sugar, butter',
      after: 'sugar, oil',
    });
    expect(book.recipes.get('soft')?.contains).toEqual(['milk']);
    expect(trySwaps(book, 'lost', [])).toBeNull();
  });

  it('asks to look when the keeping may get shorter', () => {
    const book = openRecipeBook(pantry, [recipe('firm', [line('sugar', 200), line('oil', 100), line('water', 100)])]);
    const tried = trySwaps(book, 'firm', [{ ingredientId: 'oil', withId: 'water', ratio: 1, share: 1 }]);
    const effects = tried ? sideEffects(tried.before, tried.after, book.ingredients, String) : [];
    expect(effects.filter(({ grave }) => grave).map(({ what }) => what)).toContain('keeping');
  });
});

describe('alcohol', () => {
  it('keeps the share of its heating, and is restricted above half a percent', () => {
    const of = (alcohol: 'never heated' | 'simmered or baked 2.5 h') =>
      estimateOf(
        factsOf(['rum', [line('sugar', 900), line('brandy', 100)], { alcohol }]),
        new Map(pantry.map((each) => [each.id, each])),
      );
    expect(of('never heated')).toMatchObject({ restricted: true, abv: expect.closeTo((3.34 / 0.789) * 1.25, 6) });
    expect(of('simmered or baked 2.5 h')).toMatchObject({ restricted: false });
  });
});

describe('scaling', () => {
  const facts = factsOf(['toffee', [line('sugar', 400), line('butter', 100)], { batchSizes: [1] }]);

  it('finds the multiple for mass, area and what is in hand', () => {
    expect(multipleFor({ by: 'mass', grams: 1250 }, facts)).toBe(2.5);
    expect(multipleFor({ by: 'area', fromMm2: 100, toMm2: 150 }, facts)).toBe(1.5);
    expect(multipleFor({ by: 'in hand', line: 1, grams: 250 }, facts)).toBe(2.5);
    expect(multipleFor({ by: 'in hand', line: 7, grams: 250 }, facts)).toBeNull();
    expect(multipleFor({ by: 'multiple', multiple: 0 }, facts)).toBeNull();
  });

  it('refuses to double what must not be doubled', () => {
    expect(adviceFor({ batchSizes: [1], anySize: false }, 2).advice).toBe('Do not double: make 2 single batches.');
    expect(adviceFor({ batchSizes: [1], anySize: false }, 2.5).advice).toBe(
      'Do not make it 2.5-fold in one pot: make 3 single batches. 0.50 of a base batch is left over.',
    );
    expect(adviceFor({ batchSizes: [0.5, 1, 2], anySize: false }, 2).allowed).toBe(true);
    expect(adviceFor({ batchSizes: [1], anySize: false }, 1.004).batches).toEqual([{ size: 1, count: 1 }]);
    expect(adviceFor({ batchSizes: [0.5, 1, 2], anySize: false }, 2.5).advice).toBe(
      'Do not make it 2.5-fold in one pot: make 1 double batch and 1 half batch.',
    );
  });

  it('always covers what is wanted', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 12, noNaN: true }),
        fc.uniqueArray(fc.constantFrom(0.25, 0.5, 1, 2, 3), { minLength: 1 }),
        (multiple, batchSizes) => {
          const { batches } = adviceFor({ batchSizes, anySize: false }, multiple);
          expect(batches.reduce((sum, { size, count }) => sum + size * count, 0)).toBeGreaterThanOrEqual(
            multiple - 0.005,
          );
        },
      ),
    );
  });

  it('shows what rounding to the scale costs, and never weighs nothing', () => {
    const sheet = weighSheet([454.6, 0.3, 12.5], 1, 1);
    expect(sheet.lines.map(({ grams }) => grams)).toEqual([455, 1, 13]);
    expect(sheet.errorGrams).toBeCloseTo(1.6, 9);
    expect(sheet.worst).toBe(1);
    fc.assert(
      fc.property(fc.double({ min: 5, max: 5000, noNaN: true }), fc.constantFrom(0.1, 1, 5), (grams, step) => {
        const [first] = weighSheet([grams], 1, step).lines;
        expect(Math.abs((first?.grams ?? 0) - grams)).toBeLessThanOrEqual(step / 2 + 1e-6);
      }),
    );
  });

  it('lets only those times grow that depend on the mass', () => {
    const step = recipeFiledSchema.parse({
      ...recipe('r', []),
      steps: [
        {
          text: 'Boil.',
          handsMinutes: 10,
          rest: { typicalMinutes: 5, safeMinutes: 8, kind: 'guess' },
          growsWithBatch: true,
        },
      ],
    }).steps[0];
    if (!step) throw new Error('no step');
    expect(stepMinutes(step, 2)).toEqual({ hands: 20, typicalRest: 10, safeRest: 16 });
    expect(stepMinutes({ ...step, growsWithBatch: false }, 2).hands).toBe(10);
  });
});

describe('the method at the bench', () => {
  const kitchen = { altitudeMetres: 1420, boilingReadingCelsius: null };
  const facts = factsOf([
    'sponge',
    [line('sugar', 400), line('brandy', 20), line('soda', 5), { ...line('butter', 40), afterCook: true }],
    {
      steps: [
        cook(149),
        {
          text: 'Work it.',
          target: { celsius: 31, upToCelsius: 32, kind: 'window', boils: false },
          caution: 'Mind the dog.',
        },
      ],
    },
  ]);

  it('moves boiling targets by the altitude and leaves the others', () => {
    const [boil, work] = facts.recipe.steps;
    if (!boil || !work) throw new Error('no steps');
    expect(stepTarget(boil, kitchen)).toMatchObject({
      recipe: [149, null],
      stage: 'hard crack',
      here: [expect.closeTo(144.3, 1), null],
    });
    expect(stepTarget(work, kitchen)).toEqual({ recipe: [31, 32], here: [31, 32], stage: null });
  });

  const inside = openRecipeBook(pantry, [facts.recipe]);
  const first = (texts: readonly string[]) => texts.map((text) => text.split(/[ :]/)[0]);

  it('warns where the danger is: hot sugar, foam and spirits as it boils, spitting where it goes in; and what the maker wrote', () => {
    expect(first(stepCautions(facts.recipe, 0, inside))).toEqual(['Hot', 'Bicarbonate', 'Spirits']);
    expect(first(stepCautions(facts.recipe, 1, inside))).toEqual(['Hot', 'Cream', 'Mind']);
    expect(stepCautions(facts.recipe, 9, inside)).toEqual([]);
  });

  const egg = ingredient('egg', made({ water: 88, protein: 12 }, { traits: ['raw egg'] }));
  const nut = ingredient('nut', made({ fat: 60, protein: 40 }, { traits: ['nut'] }));
  const cream = ingredient('cream', made({ water: 58, fat: 42 }));
  /** The cautions of each step, when these lines go in at these steps. */
  const cautionsOf = (steps: (string | object)[], ...lines: readonly (readonly [id: string, at: number])[]) => {
    const written = recipe(
      'any',
      lines.map(([id, atStep]) => ({ ...line(id, 100), atStep })),
      { steps: steps.map((step) => (typeof step === 'string' ? { text: step } : (step as { text: string }))) },
    );
    const book = openRecipeBook([...pantry, egg, nut, cream], [written]);
    return steps.map((_, at) => first(stepCautions(written, at, book)));
  };

  it.each([
    ['sugar melted dry', cautionsOf(['Melt the sugar dry to caramel.', 'Pour.'], ['sugar', 0]), [['Hot'], ['Hot']]],
    [
      'cream into caramel',
      cautionsOf(['Melt the sugar dry to caramel.', 'Pour in the warm cream.'], ['sugar', 0], ['cream', 1]),
      [['Hot'], ['Hot', 'Cream']],
    ],
    [
      'bicarbonate where it goes in',
      cautionsOf([cook(149), 'Whisk in the soda.'], ['sugar', 0], ['soda', 1]),
      [['Hot'], ['Hot', 'Bicarbonate']],
    ],
    ['a torch', cautionsOf(['Pipe it.', 'Brown it with a blowtorch.'], ['egg', 0]), [['Raw'], ['Torch']]],
    ['raw egg where it goes in', cautionsOf(['Whip the cream.', 'Fold in the egg.'], ['cream', 0], ['egg', 1]), [[], ['Raw']]], // prettier-ignore
    ['spirits into what boils', cautionsOf(['Bring to the boil.', 'Stir in the brandy.'], ['cream', 0], ['brandy', 1]), [[], ['Spirits']]], // prettier-ignore
    ['spirits into what is cold', cautionsOf(['Stir in the brandy.'], ['brandy', 0]), [[]]],
    [
      'nuts in the oven, and a hot pan into the fridge',
      cautionsOf(['Roast the nuts in the oven.', 'Put the pan in the fridge.'], ['nut', 0]),
      [['Nuts'], []],
    ],
    [
      'syrup into the fridge',
      cautionsOf([cook(140), 'Pour and put it in the fridge.'], ['sugar', 0]),
      [['Hot'], ['Hot', 'Never']],
    ],
    ['not in the fridge', cautionsOf([cook(120), 'Let it cool, not in the fridge.'], ['sugar', 0]), [['Hot'], []]],
  ])('comes with %s', (_what, cautions, expected) => {
    expect(cautions).toEqual(expected);
  });

  it('refuses a step that cooks without a target, and a wait that is planned too short', () => {
    const wrong = recipeFiledSchema.safeParse({
      ...recipe('r', []),
      steps: [{ text: 'Cook.', effect: { kind: 'cook' }, rest: { typicalMinutes: 9, safeMinutes: 5, kind: 'guess' } }],
    });
    expect(wrong.error?.issues.map(({ path }) => path.join('.'))).toEqual(
      expect.arrayContaining(['steps.0.rest.safeMinutes']),
    );
  });

  it('finds the batch that boils over in every pot', () => {
    const book = openRecipeBook(pantry, [
      recipe('big', [line('sugar', 3000)], { foaming: 'boils with dairy', batchSizes: [0.5, 1] }),
    ]);
    expect(checkPots(book, [])).toEqual([]);
    expect(checkPots(book, [{ name: 'pot', litres: 5 }]).map(({ severity, message }) => [severity, message])).toEqual([
      [
        'decide',
        'big: 1 batch rises to 8.8 L and does not fit pot of 5.0 L. Make at most 0.57 times in it, or use a larger pot.',
      ],
    ]);
    expect(checkPots(book, [{ name: 'pot', litres: 2 }])[0]?.severity).toBe('stop');
  });
});
