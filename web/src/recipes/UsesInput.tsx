import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { searchStarters, type Starter } from '@usual-pantry/core/reading';
import type { RecipeLine } from '@usual-pantry/core/recipe';
import { foldText } from '@usual-pantry/core/record';
import { useState } from 'react';
import { useController } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { useStarter } from '../pantry/useStarter';
import { useFieldError } from '../parts/fieldError';
import type { Refusal } from '../parts/refusal';

/** What a line can use. */
export interface Usable {
  readonly kind: 'ingredient' | 'recipe';
  readonly id: string;
  readonly name: string;
}

/** What can be chosen: what is there, what can be taken from the starter pantry, and to write what is missing. */
type Option =
  | Usable
  | { readonly kind: 'starter'; readonly id: string; readonly name: string; readonly starter: Starter }
  | { readonly kind: 'write'; readonly id: ''; readonly name: string };

const groups: Record<Option['kind'], string> = {
  ingredient: 'Pantry',
  recipe: 'Components',
  starter: 'Not in the pantry yet: take it',
  write: 'Not there',
};

/** So many plain ingredients are offered that are not in the pantry. */
const MOST_STARTERS = 5;
const filterUsables = createFilterOptions<Option>();

/** What a line uses: an ingredient or a recipe, found by typing; what the pantry lacks is offered. */
export function UsesInput({ index, usables }: { index: number; usables: readonly Usable[] }) {
  const { field } = useController({ name: `lines.${String(index)}.uses` });
  const error = useFieldError(`lines.${String(index)}.uses.id`);
  const take = useStarter();
  const navigate = useNavigate();
  const [trouble, setTrouble] = useState<string | null>(null);
  const value = field.value as RecipeLine['uses'];
  const chosen = usables.find((each) => each.kind === value.kind && each.id === value.id) ?? null;
  const pick = async (picked: Option | null) => {
    setTrouble(null);
    if (picked?.kind === 'write') return navigate('/pantry/new');
    if (picked?.kind === 'starter')
      try {
        await take([picked.starter]);
      } catch (refusal) {
        setTrouble((refusal as Refusal).message);
        return;
      }
    field.onChange(
      picked === null
        ? { kind: 'ingredient', id: '' }
        : { kind: picked.kind === 'recipe' ? 'recipe' : 'ingredient', id: picked.id },
    );
  };
  return (
    <Autocomplete<Option>
      options={usables}
      value={chosen}
      groupBy={({ kind }) => groups[kind]}
      getOptionLabel={({ name }) => name}
      getOptionKey={({ kind, id }) => `${kind} ${id}`}
      isOptionEqualToValue={(one, other) => one.kind === other.kind && one.id === other.id}
      filterOptions={(all, state) => {
        const there = filterUsables(all, state);
        const typed = state.inputValue.trim();
        if (typed === '' || typed === chosen?.name) return there;
        const have = new Set(usables.flatMap(({ id, name }) => [id, foldText(name)]));
        const offered = searchStarters(typed)
          .flatMap(({ starters }) => starters)
          .filter(({ id, name }) => !have.has(id) && !have.has(foldText(name)))
          .slice(0, MOST_STARTERS)
          .map((starter): Option => ({ kind: 'starter', id: starter.id, name: starter.name, starter }));
        const found = [...there, ...offered];
        return found.length > 0 ? found : [{ kind: 'write', id: '', name: `Write “${typed}” into the pantry` }];
      }}
      onChange={(_event, picked) => void pick(picked)}
      renderInput={(props) => (
        <TextField
          {...props}
          label="Ingredient or component"
          inputRef={field.ref}
          error={error !== undefined || trouble !== null}
          helperText={trouble ?? (error ? (value.id ? error : 'must be chosen') : undefined)}
        />
      )}
    />
  );
}
