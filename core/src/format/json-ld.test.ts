import { describe, expect, it } from '@jest/globals';
import { runs } from '../../testing/runs.js';
import fc from 'fast-check';
import { measureHabits } from '../kitchen/index.js';
import { unitCodes } from '../quantity/index.js';
import { numberKinds, recipeDraftSchema, stepSchema, type RecipeDraft } from '../recipe/index.js';
import { starterIngredients } from '../starter/index.js';
import { noAnswers, recipesOf } from '../reading/index.js';
import { pantryItems, readIngredientLines } from '../reading/index.js';
import { readRecipe, readRecipeJsonLd, recipeJsonLd } from '../format/index.js';

const ingredients = starterIngredients();
const pantry = pantryItems(ingredients, []);
const stored = { ingredients, recipes: [] };
const nameOf = ({ id }: { readonly id: string }): string => ingredients.find((each) => each.id === id)?.name ?? id;

describe('JSON-LD', () => {
  it('is read from script tags, a list or a graph, with sections of steps', () => {
    const node = {
      '@type': ['Recipe'],
      name: 'Salt &amp; honey <b>toffee</b>',
      recipeYield: ['40', '40 pieces'],
      prepTime: 'PT1H10M',
      recipeIngredient: ['200 g sugar', ' ', '&frac12; cup honey'],
      recipeInstructions: [
        {
          '@type': 'HowToSection',
          name: 'Toffee',
          itemListElement: [{ '@type': 'HowToStep', text: 'Cook.' }, { name: 'Pour.' }],
        },
        'Break.',
        { '@type': 'HowToStep', itemListElement: [{ '@type': 'HowToDirection', text: 'Wrap.' }] },
      ],
    };
    const graph = JSON.stringify({ '@graph': [{ '@type': 'Thing' }, node] });
    const step = { part: '', step: null };
    expect(
      readRecipeJsonLd(
        `<script type="application/ld+json">{"@type":"Thing"}</script>\n<script type="application/ld+json">${graph}</script>`,
      ),
    ).toEqual({
      name: 'Salt & honey toffee',
      makes: ['40 pieces'],
      prepMinutes: 70,
      ingredients: ['200 g sugar', '½ cup honey'],
      steps: [
        { ...step, part: 'Toffee', text: 'Cook.' },
        { ...step, part: 'Toffee', text: 'Pour.' },
        { ...step, text: 'Break.' },
        { ...step, text: 'Wrap.' },
      ],
      own: null,
    });
  });

  it.each(['Recipe', 'schema:Recipe', 'https://schema.org/Recipe', 'http://schema.org/Recipe'])(
    'knows the type %s',
    (type) => {
      expect(readRecipeJsonLd(JSON.stringify({ '@type': type, name: 'Bark' }))).toMatchObject({ name: 'Bark' });
    },
  );

  it('that holds no recipe is refused in words', () => {
    expect(readRecipeJsonLd('{"@type": "Thing"}')).toEqual({ problem: expect.stringContaining('no recipe') });
    expect(readRecipeJsonLd('{"@type": ')).toEqual({ problem: expect.stringContaining('no JSON') });
  });

  const amounts = fc.double({ min: 0.01, max: 5000, noNaN: true }).map((value) => Number(value.toPrecision(5)));
  const lines = fc
    .record({
      item: fc.constantFrom(...ingredients),
      amount: amounts,
      unit: fc.constantFrom(...unitCodes),
      state: fc.nat(5),
      note: fc.constantFrom('', 'sifted', 'at room temperature (20 C)', 'about 150 g', '2 cups in all, divided'),
      afterCook: fc.boolean(),
    })
    .filter(({ unit, item }) => (unit === 'count' ? item.pieceGrams !== null : item.densities.length > 0))
    .map(({ item, amount, unit, state, note, afterCook }) => ({
      uses: { kind: 'ingredient' as const, id: item.id },
      amount,
      unit,
      state: item.densities[state]?.state ?? null,
      note,
      afterCook,
    }));
  const steps = fc
    .record({
      text: fc.constantFrom('Cook to 118 C.', 'Leave overnight.', 'Bring to the boil, 240 degrees.'),
      handsMinutes: fc.nat(60),
      rest: fc.option(
        fc.record({ typicalMinutes: fc.nat(100), more: fc.nat(600) }).map(({ typicalMinutes, more }) => ({
          typicalMinutes,
          safeMinutes: typicalMinutes + more,
          kind: 'guess' as const,
        })),
      ),
      target: fc.option(
        fc.record({
          celsius: fc.integer({ min: 20, max: 170 }),
          boils: fc.boolean(),
          kind: fc.constantFrom(...numberKinds),
        }),
      ),
      doneWhen: fc.constantFrom('', 'deep amber'),
      caution: fc.constantFrom('', 'It spits.'),
      ifWrong: fc.constantFrom('', 'Add water and boil again.'),
    })
    .map((step) => stepSchema.parse(step));
  const drafts: fc.Arbitrary<RecipeDraft> = fc
    .record({
      lines: fc.array(lines, { minLength: 1, maxLength: 5 }),
      steps: fc.array(steps, { maxLength: 4 }),
      keepsDays: fc.nat(60),
      restDays: fc.nat(3),
      grains: fc.boolean(),
    })
    .map((more) =>
      recipeDraftSchema.parse({
        name: 'Winter fudge',
        yield: { by: 'loss', lossPercent: 4 },
        batchSizes: [1, 2],
        handsMinutes: 40,
        ...more,
      }),
    );

  it('goes out and comes back as the very same recipe, whatever habit it is read in', () => {
    fc.assert(
      fc.property(drafts, fc.constantFrom(...measureHabits), (draft, habit) => {
        const text = JSON.stringify(recipeJsonLd(draft, 480, nameOf));
        const read = readRecipe(text, pantry, ingredients, habit);
        const { recipe, components } = recipesOf(
          read,
          noAnswers,
          { ...draft, name: '', lines: [], steps: [], keepsDays: 1 },
          stored,
        );
        expect(components).toEqual([]);
        expect(recipe).toEqual(draft);
      }),
      { numRuns: 300 },
    );
  });

  it('says each line in words that mean the same in every habit', () => {
    fc.assert(
      fc.property(lines, fc.constantFrom(...measureHabits), (line, habit) => {
        const { recipeIngredient } = recipeJsonLd(
          recipeDraftSchema.parse({
            name: 'x',
            lines: [{ ...line, note: '' }],
            yield: { by: 'loss', lossPercent: 0 },
            batchSizes: [1],
            handsMinutes: 1,
            keepsDays: 1,
            restDays: 0,
          }),
          100,
          nameOf,
        );
        const [back] = readIngredientLines(recipeIngredient.join('\n'), pantry, habit);
        // Ounces of what is poured, and three digits behind a point, are asked about.
        if (!back?.line) return;
        expect(back.line).toMatchObject({ uses: line.uses, amount: expect.closeTo(line.amount, 6), unit: line.unit });
        if (line.state !== null) expect(back.line.state ?? line.state).toBe(line.state);
      }),
      { numRuns: runs(150, 1000) },
    );
  });
});
