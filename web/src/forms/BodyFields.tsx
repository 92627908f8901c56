import Box from '@mui/material/Box';
import type { SeasonBook } from '../data/useSeason';
import { FIELD_GRID } from './grid';
import { RecipeInput } from './RecipeInput';
import type { FormView } from './view';

interface Props {
  readonly season: SeasonBook;
  readonly path: string;
  readonly view: FormView;
}

/** The fields of a form, under the recipe that it is made of where it has just one. */
export function BodyFields({ season, path, view: { Fields, namesRecipe } }: Props) {
  if (!namesRecipe) return <Fields season={season} path={path} />;
  return (
    <Box sx={FIELD_GRID}>
      <Box sx={{ gridColumn: '1 / -1', maxWidth: 420 }}>
        <RecipeInput season={season} name={`${path}.recipeId`} label="Recipe" />
      </Box>
      <Fields season={season} path={path} />
    </Box>
  );
}
