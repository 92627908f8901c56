import {
  openRecipeBook,
  recipeDraftSchema,
  stepSchema,
  type Recipe,
  type RecipeBook,
  type RecipeDraft,
  type RecipeFacts,
} from '@usual-pantry/core/recipe';
import { useMemo } from 'react';
import { useWatch } from 'react-hook-form';
import type { SeasonBook } from '../data/useSeason';

/** The recipe as it is typed: lines that cannot be read yet stand at nothing. */
const readable = (values: RecipeDraft): RecipeDraft => {
  const lines = values.lines.map((line) => ({
    ...line,
    amount: line.amount > 0 ? line.amount : 0,
  }));
  const parsed = recipeDraftSchema.safeParse({ ...values, name: values.name || 'This recipe' });
  if (parsed.success) return parsed.data;
  const yields =
    values.yield.by === 'loss'
      ? { by: 'loss' as const, lossPercent: values.yield.lossPercent || 0 }
      : values.yield.by === 'weighed'
        ? { by: 'weighed' as const, grams: values.yield.grams || 0 }
        : values.yield;
  const steps = values.steps.filter((step) => stepSchema.safeParse(step).success);
  return { ...values, steps, name: values.name || 'This recipe', lines, yield: yields };
};

/** What core makes of the recipe as it is typed, together with every stored one. */
export function useDraftRecipe(
  season: SeasonBook,
  recipe: Recipe | null,
): { book: RecipeBook; facts: RecipeFacts | undefined } {
  const values = useWatch() as RecipeDraft;
  const { ingredients, recipes } = season.data;
  return useMemo(() => {
    const id = recipe?.id ?? 'new-recipe';
    const book = openRecipeBook(ingredients, [
      ...recipes.filter((each) => each.id !== id),
      { ...readable(values), id },
    ]);
    return { book, facts: book.recipes.get(id) };
  }, [values, ingredients, recipes, recipe]);
}
