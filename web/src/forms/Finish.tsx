import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import { useFormContext, useWatch } from 'react-hook-form';
import type { SeasonBook } from '../data/useSeason';
import { NumberInput } from '../parts/fields';
import { RecipeInput } from './RecipeInput';

/** What rolled pieces are rolled in, if anything. */
export function Finish({ season, path }: { season: SeasonBook; path: string }) {
  const { setValue } = useFormContext();
  const finish = useWatch({ name: `${path}.finish` }) as object | null;
  return (
    <>
      <FormControlLabel
        control={
          <Switch
            checked={finish !== null}
            onChange={(_event, on) => {
              setValue(`${path}.finish`, on ? { recipeId: '', gramsEach: 1 } : null, {
                shouldDirty: true,
              });
            }}
          />
        }
        label="Rolled in something"
      />
      {finish && (
        <>
          <RecipeInput season={season} name={`${path}.finish.recipeId`} label="Rolled in" />
          <NumberInput name={`${path}.finish.gramsEach`} label="On each" unit="g" />
        </>
      )}
    </>
  );
}
