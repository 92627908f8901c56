import type { RecipeLine } from '@usual-pantry/core/recipe';
import type { SeasonBook } from './useSeason';

/** The name of what a line uses: an ingredient or a recipe. */
export const nameOfUse = ({ book }: SeasonBook, uses: RecipeLine['uses'] | undefined): string =>
  (uses?.kind === 'recipe' ? book.recipes.get(uses.id)?.recipe.name : book.ingredients.get(uses?.id ?? '')?.name) ??
  'Not there any more';
