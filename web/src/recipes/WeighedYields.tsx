import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { sayCount, sayNumber } from '@usual-pantry/core/quantity';
import { yieldRecord, type Recipe } from '@usual-pantry/core/recipe';
import { NumberInput, TextInput } from '../parts/fields';
import { Lines } from '../parts/Lines';
import type { SeasonBook } from '../data/useSeason';
import { useDraftRecipe } from './useDraftRecipe';

/** What batches really gave, and what follows from it. */
export function WeighedYields({ season, recipe }: { season: SeasonBook; recipe: Recipe | null }) {
  const { facts } = useDraftRecipe(season, recipe);
  const record = facts ? yieldRecord(facts) : null;
  const made = season.data.batches.filter(
    ({ recipeId, state, grams }) => recipeId === recipe?.id && state === 'done' && grams !== null,
  ).length;
  const known = record && Number.isFinite(record.mean) && Number.isFinite(record.spread);
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Lines name="weighedYields" one="weighed batch" fresh={{ on: '', size: 1, grams: NaN }} columns="170px 1fr 1fr">
        {(path) => (
          <>
            <TextInput name={`${path}.on`} label="Made on" type="date" />
            <NumberInput name={`${path}.size`} label="Size, in base batches" />
            <NumberInput name={`${path}.grams`} label="Came out" unit="g" />
          </>
        )}
      </Lines>
      <Typography sx={{ color: 'text.secondary', typography: 'note' }}>
        {known
          ? `${sayCount(record.batches, 'batch', 'batches')}: ${sayNumber(record.mean * 100, 0)} % of what it should give, and it varies by ${sayNumber(record.spread * 100, 1)} %. So much more is made that the orders are covered.`
          : 'From three batches on, the plan makes a few pieces more where the yield varies.'}
        {made > 0 && ` Beside these, the plan counts ${sayCount(made, 'batch', 'batches')} weighed when made.`}
      </Typography>
    </Box>
  );
}
