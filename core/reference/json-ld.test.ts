// JSON-LD 1.1 (W3C Recommendation, 2020) by its reference implementation, and the vocabulary of schema.org by its published types.
import { describe, expect, it } from '@jest/globals';
import jsonld from 'jsonld';
import { recipeJsonLd } from '../src/format/index.js';
import { recipeDraftSchema } from '../src/recipe/index.js';
import type { Recipe, WithContext } from 'schema-dts';

const toffee = recipeDraftSchema.parse({
  name: 'Honey toffee',
  lines: [{ uses: { kind: 'ingredient', id: 'honey' }, amount: 1.5, unit: 'cup' }],
  steps: [
    {
      text: 'Cook.',
      target: { celsius: 149, boils: true, kind: 'target' },
      effect: { kind: 'cook' },
      doneWhen: 'amber',
      caution: 'It spits.',
      rest: { typicalMinutes: 60, safeMinutes: 90, kind: 'guess' },
    },
  ],
  yield: { by: 'steps' },
  batchSizes: [1],
  handsMinutes: 75,
  keepsDays: 14,
  restDays: 0,
});
const written = recipeJsonLd(toffee, 480, () => 'Honey');

/** The vocabulary of schema.org without fetching it: every term is in it. */
const offline = (url: string) =>
  Promise.resolve({
    contextUrl: undefined,
    documentUrl: url,
    document: { '@context': { '@vocab': 'https://schema.org/' } },
  });

describe('a recipe in JSON-LD', () => {
  it('is a Recipe of schema.org: the compiler checks every property but those of our own', () => {
    const { '@context': _context, pantryRecipe: _own, ...standard } = written;
    const recipe: WithContext<Recipe> = { '@context': 'https://schema.org', ...standard };
    expect(recipe['@type']).toBe('Recipe');
    expect(written.prepTime).toBe('PT1H15M');
  });

  it('is expanded by the reference implementation, our own terms as JSON literals', async () => {
    const [expanded] = await jsonld.expand(JSON.parse(JSON.stringify(written)) as object, { documentLoader: offline });
    expect(expanded).toMatchObject({
      '@type': ['https://schema.org/Recipe'],
      'https://schema.org/name': [{ '@value': 'Honey toffee' }],
      'https://schema.org/recipeIngredient': [{ '@value': '1.5 US cup Honey' }],
      'urn:usual-pantry:recipe': [{ '@type': '@json', '@value': { keepsDays: 14 } }],
      'https://schema.org/recipeInstructions': [
        {
          '@type': ['https://schema.org/HowToStep'],
          'urn:usual-pantry:step': [{ '@type': '@json', '@value': { target: { celsius: 149 } } }],
        },
      ],
    });
  });
});
