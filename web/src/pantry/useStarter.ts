import type { Starter } from '@usual-pantry/core/reading';
import { useEdit } from '../data/useEdit';
import type { SeasonBook } from '../data/useSeason';

/** Takes plain ingredients into the pantry, one after the other. A refusal is thrown; what was added until then stays. */
export function useStarter(season: SeasonBook): (starters: readonly Starter[]) => Promise<void> {
  const edit = useEdit();
  return async (starters) => {
    const stored = new Set(season.data.ingredients.map(({ id }) => id));
    for (const { id, ...draft } of starters) {
      // A substitute that is not in the pantry cannot be named yet.
      const substitutes = draft.substitutes.filter(({ ingredientId }) => stored.has(ingredientId));
      await edit.add('ingredient', { ...draft, substitutes }, `${draft.name} added.`, id);
      stored.add(id);
    }
  };
}
