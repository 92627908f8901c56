import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { WeighLine } from '@usual-pantry/core/making';
import { sayMoney } from '@usual-pantry/core/quantity';
import { sideEffects, trySwaps } from '@usual-pantry/core/recipe';
import { useState } from 'react';
import { BigButton } from './BigButton';
import { BenchPanel } from './looks';
import type { Bench } from './useBench';

interface SomethingElseProps {
  readonly bench: Bench;
  readonly line: WeighLine;
  readonly onDone: () => void;
}

/** Says that something else goes in than the recipe says, with everything that changes by it before it is said. */
export function SomethingElse({ bench, line, onDone }: SomethingElseProps) {
  const { season, facts, happen } = bench;
  const { book } = season;
  const fromId = facts.recipe.lines[line.line]?.uses.id ?? '';
  const [withId, setWithId] = useState<string | null>(null);
  const usual = book.ingredients.get(fromId)?.substitutes ?? [];
  const ratio = usual.find(({ ingredientId }) => ingredientId === withId)?.ratio ?? 1;
  const others = [...book.ingredients.values()]
    .filter(({ id }) => id !== fromId)
    .sort(
      (a, b) =>
        Number(usual.some((each) => each.ingredientId === b.id)) -
        Number(usual.some((each) => each.ingredientId === a.id)),
    );
  const tried =
    withId === null ? null : trySwaps(book, facts.recipe.id, [{ ingredientId: fromId, withId, ratio, share: 1 }]);
  const effects = tried
    ? sideEffects(tried.before, tried.after, book.ingredients, (minor) => sayMoney(minor, season.data.kitchen.currency))
    : [];
  return (
    <BenchPanel label="Something else">
      <Autocomplete
        options={others.map(({ id }) => id)}
        value={withId}
        getOptionLabel={(id) => book.ingredients.get(id)?.name ?? id}
        groupBy={(id) =>
          usual.some(({ ingredientId }) => ingredientId === id) ? 'Usual in its place' : 'Everything else'
        }
        onChange={(_event, id) => {
          setWithId(id);
        }}
        renderInput={(params) => (
          <TextField
            {...params}
            size="medium"
            label={`In place of ${book.ingredients.get(fromId)?.name ?? line.name}`}
          />
        )}
      />
      {effects.length > 0 && (
        <Box component="ul" sx={{ m: 0, pl: 2.5, typography: 'large' }} aria-label="What changes">
          {effects.map(({ what, before, after, grave }) => (
            <Box
              component="li"
              key={what}
              sx={{ color: grave ? 'error.main' : undefined, fontWeight: grave ? 650 : undefined }}
            >
              {what}: {before} → {after}
            </Box>
          ))}
        </Box>
      )}
      {withId !== null && (
        <Typography sx={{ typography: 'large' }}>
          The labels and allergens of what this batch goes into follow; orders that rule it out are stopped.
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 1.25, flexWrap: 'wrap' }}>
        <BigButton
          variant="contained"
          disabled={withId === null}
          onClick={() => {
            if (withId === null) return;
            happen({ kind: 'swapped', line: line.line, withId, ratio });
            onDone();
          }}
        >
          It went in
        </BigButton>
        {line.swap && (
          <BigButton
            onClick={() => {
              happen({ kind: 'swapped', line: line.line, withId: null, ratio: 1 });
              onDone();
            }}
          >
            The recipe’s after all
          </BigButton>
        )}
      </Box>
    </BenchPanel>
  );
}
