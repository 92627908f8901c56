import Alert from '@mui/material/Alert';
import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import TextField from '@mui/material/TextField';
import { sayMoney } from '@usual-pantry/core/quantity';
import {
  sideEffects,
  swapIngredients,
  trySwaps,
  type Recipe,
  type RecipeDraft,
  type RecipeFacts,
  type Swap,
} from '@usual-pantry/core/recipe';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import type { SeasonBook } from '../../data/useSeason';
import { useEdit } from '../../data/useEdit';
import { useAttempt } from '../../parts/useAttempt';

/** What a swap changes, in words, the gravest first. */
function Effects({ season, recipeId, swap }: { season: SeasonBook; recipeId: string; swap: Swap }) {
  const { book, data } = season;
  const effects = useMemo(() => {
    const tried = trySwaps(book, recipeId, [swap]);
    return tried
      ? sideEffects(tried.before, tried.after, book.ingredients, (minor) => sayMoney(minor, data.kitchen.currency))
      : [];
  }, [book, recipeId, swap, data.kitchen.currency]);
  if (effects.length === 0) return <span>It changes nothing that can be worked out.</span>;
  return (
    <Box
      component="table"
      aria-label="What the swap changes"
      sx={{
        borderCollapse: 'collapse',
        width: '100%',
        '& td, & th': {
          py: 0.6,
          pr: 1.5,
          textAlign: 'left',
          verticalAlign: 'top',
          borderBottom: 1,
          borderColor: 'divider',
        },
      }}
    >
      <thead>
        <tr>
          <th scope="col">What changes</th>
          <th scope="col">now</th>
          <th scope="col">with the swap</th>
        </tr>
      </thead>
      <tbody>
        {effects.map(({ what, before, after, grave }) => (
          <tr key={what}>
            <th scope="row">
              {what} {grave && <Chip size="small" color="error" label="look" />}
            </th>
            <td>{before}</td>
            <td>{after}</td>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}

interface SwapPanelProps {
  readonly season: SeasonBook;
  readonly facts: RecipeFacts;
  readonly recipe: Recipe;
}

/** Tries one ingredient for another: the side effects first, then a variant or a change of the recipe. */
export function SwapPanel({ season, facts, recipe }: SwapPanelProps) {
  const { ingredients } = season.book;
  const navigate = useNavigate();
  const edit = useEdit();
  const [fromId, setFrom] = useState<string | null>(null);
  const [withId, setWith] = useState<string | null>(null);
  const [ratio, setRatio] = useState(1);
  const [percent, setPercent] = useState(100);
  const { trouble, attempt } = useAttempt();
  const nameOf = (id: string) => ingredients.get(id)?.name ?? id;
  const own = [...new Set(facts.recipe.lines.flatMap(({ uses }) => (uses.kind === 'ingredient' ? [uses.id] : [])))];
  const known = fromId === null ? [] : (ingredients.get(fromId)?.substitutes ?? []);
  const offered = [
    ...known.map(({ ingredientId }) => ingredientId),
    ...[...ingredients.keys()].filter((id) => !known.some(({ ingredientId }) => ingredientId === id)),
  ].filter((id) => id !== fromId);
  const note = known.find(({ ingredientId }) => ingredientId === withId)?.note;
  const swap = useMemo(
    () =>
      fromId !== null && withId !== null && ratio > 0 && percent > 0 && percent <= 100
        ? { ingredientId: fromId, withId, ratio, share: percent / 100 }
        : null,
    [fromId, withId, ratio, percent],
  );

  const take = async (as: 'variant' | 'change') => {
    if (!swap) return;
    const { id: _id, version: _version, ...draft } = recipe;
    const name = `${recipe.name}, ${nameOf(swap.withId).toLowerCase()}`.slice(0, 80);
    await attempt(async () => {
      if (as === 'change') {
        const next: RecipeDraft = swapIngredients(draft, [swap], ingredients);
        await edit.change('recipe', recipe, next, `${recipe.name} changed.`);
        return;
      }
      const variant: RecipeDraft = {
        ...draft,
        name,
        lines: [],
        steps: [],
        variantOf: { recipeId: recipe.id, swaps: [swap] },
      };
      const saved = await edit.add('recipe', variant, `${name} added as a variant.`);
      void navigate(`/recipes/${saved.id}`);
    });
  };

  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr 1fr', md: '1fr 1fr 130px 100px' } }}>
        <Autocomplete
          options={own}
          value={fromId}
          getOptionLabel={nameOf}
          onChange={(_event, picked) => {
            setFrom(picked);
            setWith(null);
          }}
          renderInput={(props) => <TextField {...props} label="Instead of" />}
        />
        <Autocomplete
          options={offered}
          value={withId}
          disabled={fromId === null}
          groupBy={(id) =>
            known.some(({ ingredientId }) => ingredientId === id) ? 'Known substitutes' : 'Everything else'
          }
          getOptionLabel={nameOf}
          onChange={(_event, picked) => {
            setWith(picked);
            setRatio(known.find(({ ingredientId }) => ingredientId === picked)?.ratio ?? 1);
          }}
          renderInput={(props) => <TextField {...props} label="Take" />}
        />
        <TextField
          label="Grams for one"
          type="number"
          value={ratio || ''}
          slotProps={{ htmlInput: { min: 0, step: 0.05 } }}
          onChange={({ target }) => {
            setRatio(Number(target.value));
          }}
        />
        <TextField
          label="Of it, %"
          type="number"
          value={percent || ''}
          slotProps={{ htmlInput: { min: 1, max: 100, step: 5 } }}
          onChange={({ target }) => {
            setPercent(Number(target.value));
          }}
        />
      </Box>
      {note && <Alert severity="info">{note}</Alert>}
      {trouble && <Alert severity="error">{trouble}</Alert>}
      {swap && (
        <>
          <Effects season={season} recipeId={recipe.id} swap={swap} />
          <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
            <Button variant="contained" onClick={() => void take('variant')} disabled={recipe.variantOf !== null}>
              Keep as a variant
            </Button>
            <Button variant="outlined" onClick={() => void take('change')} disabled={recipe.variantOf !== null}>
              Change this recipe
            </Button>
          </Box>
        </>
      )}
    </Box>
  );
}
