import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { ingredient, line, recipe } from '../../testing/kitchen.js';
import { foamFactors, keptAfterHeat } from '../cooking/index.js';
import { noParts, type IngredientFiled } from '../ingredient/index.js';
import { checkPots, estimateOf, worstBoiling } from './estimate.js';
import { openRecipeBook, type RecipeFacts } from './book.js';
import { sideEffects, trySwaps } from './substitution.js';
import { swapIngredients } from './variant.js';

const made = (id: string, parts: object, more: object = {}): IngredientFiled =>
  ingredient(id, { composition: { ...noParts, cocoaButter: 0, milkFat: 0, source: '', ...parts }, ...more });
const pantry = [
  made('sugar', { sucrose: 100 }),
  made('water', { water: 100 }),
  made('cream', { water: 58, fat: 36, lactose: 4, protein: 2, milkFat: 36 }, { contains: ['milk'] }),
  made('butter', { water: 18, fat: 82, milkFat: 82 }, { contains: ['milk'] }),
  made('salted', { water: 16, fat: 81, ash: 3, milkFat: 81 }, { contains: ['milk'], mayContain: ['almond'] }),
  made('berries', { water: 86, glucose: 3, fructose: 3, otherCarbohydrate: 8 }),
  made('brandy', { water: 66.6, ethanol: 33.4 }, { contains: ['alcohol'], traits: ['spirit'] }),
  made('soda', { ash: 100 }, { traits: ['bicarbonate'] }),
  made('syrup', { water: 20, glucose: 16, maltose: 12, dextrin: 52 }),
  made(
    'dark',
    { water: 1, sucrose: 30, fat: 42, otherCarbohydrate: 18, protein: 9, cocoaButter: 42 },
    { chocolate: 'dark' },
  ),
  made('flour', { water: 12, otherCarbohydrate: 77, protein: 11 }, { contains: ['wheat'] }),
];
const byId = new Map(pantry.map((each) => [each.id, each]));

const at = (atStep: number, one: ReturnType<typeof line>): ReturnType<typeof line> => ({ ...one, atStep });
const cook = (celsius: number, more: object = {}) => ({
  text: 'Cook.',
  target: { celsius, kind: 'target' as const, boils: true },
  effect: { kind: 'cook' as const },
  ...more,
});
const stir = (more: object = {}) => ({ text: 'Stir.', ...more });
const lose = (kind: 'trim' | 'strain' | 'stick', lossPercent: number) => ({
  text: 'Lose.',
  effect: { kind, lossPercent },
});
const bySteps = { yield: { by: 'steps' as const } };

const factsOf = (...recipes: Parameters<typeof recipe>[]): RecipeFacts => {
  const book = openRecipeBook(
    pantry,
    recipes.map((each) => recipe(...each)),
  );
  const facts = book.recipes.get(recipes.at(-1)?.[0] ?? '');
  if (!facts) throw new Error('not worked out');
  return facts;
};
const listed = ({ listedPerGram }: RecipeFacts): string[] =>
  [...listedPerGram].sort((a, b) => b[1] - a[1]).map(([id]) => id);

describe('what a label counts', () => {
  const puree = factsOf([
    'puree',
    [line('berries', 200), at(1, line('sugar', 150))],
    { ...bySteps, steps: [lose('strain', 40), stir()] },
  ]);

  it('leaves out what is strained off before something else goes in', () => {
    expect(puree.yieldGrams).toBeCloseTo(270, 9);
    expect(listed(puree)).toEqual(['sugar', 'berries']);
    expect(puree.listedPerGram.get('berries')).toBeCloseTo(120 / 270, 9);
    expect(puree.parts?.sucrose).toBeCloseTo((150 / 270) * 100, 6);
    // What is bought is all of it.
    expect(puree.ingredientsPerGram.get('berries')).toBeCloseTo(200 / 270, 9);
  });

  it('carries that through to what is made of it', () => {
    const filling = factsOf(
      ['puree', [line('berries', 200), at(1, line('sugar', 150))], { ...bySteps, steps: [lose('strain', 40), stir()] }],
      ['filling', [line(':puree', 270), line('butter', 130)], bySteps],
    );
    expect(listed(filling)).toEqual(['sugar', 'butter', 'berries']);
  });

  it('counts plain water by what the others leave room for, and not at all when it has been cooked out', () => {
    const fudge = factsOf([
      'fudge',
      [line('sugar', 400), line('water', 600), line('butter', 50)],
      { ...bySteps, steps: [cook(113)] },
    ]);
    const room = 1 - 450 / fudge.yieldGrams;
    expect(listed(fudge)).toEqual(['sugar', 'water', 'butter']);
    expect(fudge.listedPerGram.get('water')).toBeCloseTo(room, 9);
    const toffee = factsOf(['toffee', [line('sugar', 400), line('water', 200)], { ...bySteps, steps: [cook(165)] }]);
    expect(listed(toffee)).toEqual(['sugar']);
  });

  it('never counts more than there is: water fills up, and nothing of it is lost where nothing boils', () => {
    const any = fc.array(
      fc.record({
        id: fc.constantFrom('sugar', 'water', 'cream', 'berries', 'syrup'),
        grams: fc.integer({ min: 1, max: 900 }),
      }),
      { minLength: 1, maxLength: 6 },
    );
    fc.assert(
      fc.property(any, fc.option(fc.integer({ min: 105, max: 160 })), (lines, celsius) => {
        const facts = factsOf([
          'any',
          lines.map(({ id, grams }) => line(id, grams)),
          { ...bySteps, steps: celsius === null ? [] : [cook(celsius)] },
        ]);
        if (facts.yieldGrams === 0) return;
        const sum = [...facts.listedPerGram.values()].reduce((total, share) => total + share, 0);
        const dry = lines.filter(({ id }) => id !== 'water').reduce((total, { grams }) => total + grams, 0);
        if (celsius === null) expect(sum).toBeCloseTo(1, 9);
        else expect(sum).toBeLessThanOrEqual(Math.max(1, dry / facts.yieldGrams) + 1e-9);
      }),
      { numRuns: 200 },
    );
  });
});

describe('what goes in after the cooking', () => {
  it('is composition of the finished thing, also where only the loss is known', () => {
    const lines = [line('sugar', 400), line('water', 200), { ...line('cream', 100), afterCook: true }];
    const facts = factsOf(['caramel', lines, { yield: { by: 'loss', lossPercent: 40 }, steps: [cook(118)] }]);
    // 700 g in, 420 g out: 200 g of water is all that can boil off, the rest takes a share of everything.
    expect(facts.parts?.water).toBeCloseTo((58 / 500) * 100, 6);
  });

  it('makes a dry caramel with cream the same in one recipe as through a component', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 900 }),
        fc.integer({ min: 50, max: 600 }),
        fc.integer({ min: 106, max: 125 }),
        (sugar, cream, celsius) => {
          const whole = factsOf([
            'whole',
            [line('sugar', sugar), at(1, line('cream', cream))],
            { ...bySteps, steps: [cook(180), cook(celsius)] },
          ]);
          const parted = factsOf(
            ['caramel', [line('sugar', sugar)], { ...bySteps, steps: [cook(180)] }],
            ['parted', [line(':caramel', sugar), line('cream', cream)], { ...bySteps, steps: [cook(celsius)] }],
          );
          expect(whole.yieldGrams).toBeCloseTo(parted.yieldGrams, 6);
          for (const part of ['water', 'sucrose', 'fat'] as const)
            expect(whole.parts?.[part]).toBeCloseTo(parted.parts?.[part] ?? NaN, 6);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('alcohol by the steps', () => {
  const sweet = [line('sugar', 500), line('water', 200)];
  const kept = (steps: object[], atStep: number) =>
    factsOf(['spirited', [...sweet, at(atStep, line('brandy', 50))], { ...bySteps, steps: steps as never }])
      .alcoholKept[2];

  it('goes with the water of a cook, and with the minutes of a simmer', () => {
    // To hard crack nearly all water goes, and the alcohol before it.
    expect(kept([cook(149)], 0)).toBeLessThan(0.07);
    expect(kept([{ text: 'Simmer.', handsMinutes: 30 }], 0)).toBeCloseTo(0.35, 9);
    expect(
      kept([{ text: 'Bake in the oven.', rest: { typicalMinutes: 60, safeMinutes: 60, kind: 'window' } }], 0),
    ).toBeCloseTo(0.25, 9);
  });

  it('is kept by 85 % in what is hot, and whole in what has cooled', () => {
    expect(kept([cook(149), stir()], 1)).toBe(0.85);
    expect(kept([cook(118), stir({ target: { celsius: 35, kind: 'limit', boils: false } })], 1)).toBe(1);
    expect(kept([cook(118), stir({ rest: { typicalMinutes: 60, safeMinutes: 60, kind: 'guess' } }), stir()], 2)).toBe(
      1,
    );
    expect(kept([stir()], 0)).toBe(1);
  });

  it('is what the maker says where the maker says it, of one line or of all', () => {
    const spirited = (more: object, own: object = {}) =>
      factsOf(['spirited', [...sweet, { ...line('brandy', 50), ...own }], { ...bySteps, steps: [cook(149)], ...more }])
        .alcoholKept[2];
    expect(spirited({ alcohol: 'flamed' })).toBe(0.75);
    expect(spirited({ alcohol: 'flamed' }, { alcohol: 'never heated' })).toBe(1);
  });

  it('is never more than went in, and never more the longer it is heated', () => {
    fc.assert(
      fc.property(fc.nat(120), fc.nat(120), (minutes, more) => {
        const [short = 0, long = 0] = [minutes, minutes + more].map((time) =>
          kept([{ text: 'Simmer.', handsMinutes: time }], 0),
        );
        expect(short).toBe(keptAfterHeat(minutes));
        expect(long).toBeLessThanOrEqual(short);
      }),
      { numRuns: 50 },
    );
  });
});

describe('the pot', () => {
  it('has what is in it when it boils, at the foam of that step', () => {
    const { boilings } = factsOf([
      'sponge',
      [line('sugar', 600), line('water', 200), at(1, line('soda', 10)), at(2, line('cream', 400))],
      { ...bySteps, foaming: 'foams with bicarbonate', steps: [cook(149), stir(), { text: 'Boil again.' }] },
    ]);
    expect(boilings.map(({ step, foaming }) => [step, foaming])).toEqual([
      [0, 'boils clear'],
      [1, 'foams with bicarbonate'],
      [2, 'foams with bicarbonate'],
    ]);
    expect(boilings[0]?.grams).toBe(800);
    // The water is gone by then; the cream is not in yet.
    expect(boilings[1]?.grams).toBeLessThan(640);
  });

  it('boils by its words, and not where the words say that nothing boils', () => {
    const boils = (text: string) =>
      factsOf(['any', [line('cream', 500)], { ...bySteps, steps: [{ text }] }]).boilings.length > 0;
    expect(boils('Bring to the boil.')).toBe(true);
    expect(boils('Let it simmer.')).toBe(true);
    expect(boils('Warm it, but do not boil.')).toBe(false);
    expect(boils('Melt over a pan of simmering water.')).toBe(false);
  });

  it('of a ganache holds the cream alone, since the chocolate goes in later', () => {
    const facts = factsOf([
      'ganache',
      [line('cream', 500), at(1, line('dark', 1000))],
      { steps: [{ text: 'Bring the cream to the boil.' }, stir()] },
    ]);
    expect(worstBoiling(facts, 1, [{ name: 'pot', litres: 2 }])).toMatchObject({
      needsLitres: expect.closeTo((500 / 1200) * foamFactors['boils with dairy'], 9),
      fits: { name: 'pot' },
    });
  });

  it('is not asked to rise more than the maker says', () => {
    const facts = factsOf([
      'stirred',
      [line('sugar', 600), line('cream', 400)],
      { ...bySteps, foaming: 'boils clear', steps: [cook(113)] },
    ]);
    expect(facts.boilings).toEqual([{ step: 0, grams: 1000, foaming: 'boils clear' }]);
  });

  it('that is too small is a finding of what boils, whatever was said of the recipe', () => {
    const book = openRecipeBook(pantry, [
      recipe('milky', [line('cream', 3000)], { steps: [{ text: 'Bring to the boil.' }] }),
    ]);
    expect(checkPots(book, [{ name: 'pot', litres: 3 }]).map(({ code }) => code)).toEqual(['no-pot']);
  });
});

describe('what a recipe is read as', () => {
  const estimate = (...args: Parameters<typeof recipe>) => estimateOf(factsOf(args), byId);

  it('is a ganache only where nothing of its chocolate is cooked, baked or whipped', () => {
    const lines = [line('cream', 200), at(1, line('dark', 300))];
    const boil = { text: 'Bring the cream to the boil.' };
    expect(estimate('ganache', lines, { steps: [boil, stir()] })?.ganache?.reads).toBe('pipes');
    expect(estimate('fudge', lines, { ...bySteps, steps: [stir(), cook(113)] })?.ganache).toBeNull();
    expect(estimate('mousse', lines, { steps: [boil, { text: 'Fold in the beaten egg.' }] })?.ganache).toBeNull();
    expect(estimate('brownie', lines, { steps: [boil, { text: 'Bake.' }] })?.ganache).toBeNull();
    expect(estimate('cake', [...lines, line('flour', 400)], { steps: [boil, stir()] })?.ganache).toBeNull();
  });

  it('is tempered only where it is chocolate', () => {
    expect(estimate('bark', [line('dark', 900), line('flour', 100)])?.tempers).toBe('dark');
    expect(estimate('ganache', [line('cream', 200), line('dark', 300)])?.tempers).toBeNull();
    expect(estimate('baked', [line('dark', 900)], { steps: [{ text: 'Bake.' }] })?.tempers).toBeNull();
  });

  it('drives the water off first where it bakes', () => {
    const baked = { yield: { by: 'loss' as const, lossPercent: 10 }, steps: [{ text: 'Bake in the oven.' }] };
    expect(estimate('shortbread', [line('flour', 300), line('butter', 200)], baked)?.waterActivity.reading).toBe(
      'not estimated',
    );
    expect(factsOf(['shortbread', [line('flour', 300), line('butter', 200)], baked]).parts?.water).toBeCloseTo(
      ((36 + 36 - 50) / 450) * 100,
      6,
    );
  });
});

describe('a swap', () => {
  const effects = (
    id: string,
    lines: ReturnType<typeof line>[],
    more: object,
    swap: { ingredientId: string; withId: string; share?: number },
  ) => {
    const book = openRecipeBook(pantry, [recipe(id, lines, more)]);
    const tried = trySwaps(book, id, [{ ratio: 1, share: 1, ...swap }]);
    if (!tried) throw new Error('not tried');
    return sideEffects(tried.before, tried.after, book.ingredients, String);
  };
  const whats = (list: ReturnType<typeof effects>) => list.map(({ what }) => what);

  it('lists traces that come or go, and salt', () => {
    const found = effects(
      'soft',
      [line('sugar', 300), line('butter', 100)],
      {},
      { ingredientId: 'butter', withId: 'salted' },
    );
    expect(found.find(({ what }) => what === 'may contain')).toEqual({
      what: 'may contain',
      before: 'none',
      after: 'almonds',
      grave: true,
    });
    expect(whats(found)).toContain('salt');
    const back = effects(
      'soft',
      [line('sugar', 300), line('salted', 100)],
      {},
      { ingredientId: 'salted', withId: 'butter' },
    );
    expect(back.find(({ what }) => what === 'may contain')).toMatchObject({
      before: 'almonds',
      after: 'none',
      grave: false,
    });
  });

  it('lists set, tempering and graining', () => {
    expect(
      whats(
        effects(
          'ganache',
          [line('cream', 200), line('dark', 300)],
          {},
          { ingredientId: 'cream', withId: 'butter', share: 0.5 },
        ),
      ),
    ).toContain('set');
    expect(
      whats(effects('bark', [line('dark', 900), line('flour', 100)], {}, { ingredientId: 'dark', withId: 'butter' })),
    ).toContain('tempering');
    const cooked = { ...bySteps, steps: [cook(118)] };
    const grains = effects('caramel', [line('sugar', 300), line('syrup', 100)], cooked, {
      ingredientId: 'syrup',
      withId: 'sugar',
    });
    expect(grains.find(({ what }) => what === 'graining')).toMatchObject({ grave: true });
  });

  it('of a part of a line leaves the rest, whatever the share', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 1, noNaN: true }), (share) => {
        const { lines } = swapIngredients(
          recipe('soft', [line('butter', 200)]),
          [{ ingredientId: 'butter', withId: 'salted', ratio: 1, share }],
          byId,
        );
        const of = (id: string) => lines.find(({ uses }) => uses.id === id)?.amount ?? 0;
        expect(of('salted')).toBeCloseTo(200 * share, 6);
        expect(of('butter') + of('salted')).toBeCloseTo(200, 6);
      }),
    );
  });
});
