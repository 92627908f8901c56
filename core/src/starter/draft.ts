import { ingredientDraftSchema, noParts, type IngredientDraft } from '../ingredient/index.js';
import { starterPantry } from './pantry.js';
import type { StarterIngredient } from './starter-ingredient.js';

/** The key under which a starter ingredient is stored: its name in small letters. */
export const starterId = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');

/** A starter ingredient as the maker could have written it. */
export function starterDraft(starter: StarterIngredient): IngredientDraft {
  const { name, composition, source, densities = {}, labelName, parts = [], substitutes = [], ...more } = starter;
  return ingredientDraftSchema.parse({
    ...more,
    name,
    composition: {
      ...noParts,
      ...composition,
      source,
    },
    densities: Object.entries(densities).map(([state, gramsPerMl]) => ({ state, gramsPerMl })),
    declaration: { labelName: labelName ?? name.toLowerCase(), parts: parts.map((part) => ({ name: part })) },
    substitutes: substitutes.map(({ name: other, ratio, note }) => ({ ingredientId: starterId(other), ratio, note })),
  });
}

/** Every starter ingredient with the key that it would be stored under. */
export const starterIngredients = (): (IngredientDraft & { readonly id: string })[] =>
  starterPantry.map((each) => ({ ...starterDraft(each), id: starterId(each.name) }));
