import { PickInput } from '../parts/fields';
import type { SeasonBook } from '../data/useSeason';

/** One of the recipes. */
export function RecipeInput({ season, name, label }: { season: SeasonBook; name: string; label: string }) {
  const { recipes } = season.data;
  return (
    <PickInput
      name={name}
      label={label}
      options={recipes.map((each) => each.id)}
      nameOf={(id) => recipes.find((each) => each.id === id)?.name ?? id}
    />
  );
}
