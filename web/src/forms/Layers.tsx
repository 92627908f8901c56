import Box from '@mui/material/Box';
import type { SeasonBook } from '../data/useSeason';
import { NumberInput } from '../parts/fields';
import { Lines } from '../parts/Lines';
import { RecipeInput } from './RecipeInput';

/** Further layers, from the bottom up, beside the recipe that decides the count. */
export const Layers = ({ season, path }: { season: SeasonBook; path: string }) => (
  <Box sx={{ gridColumn: '1 / -1' }}>
    <Lines name={`${path}.layers`} one="layer" fresh={{ recipeId: '', gramsEach: NaN }} columns="2fr 1fr">
      {(line) => (
        <>
          <RecipeInput season={season} name={`${line}.recipeId`} label="Layer" />
          <NumberInput name={`${line}.gramsEach`} label="In each" unit="g" />
        </>
      )}
    </Lines>
  </Box>
);
