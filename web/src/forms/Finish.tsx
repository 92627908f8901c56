import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import { useFormContext, useWatch } from 'react-hook-form';
import type { SeasonBook } from '../data/useSeason';
import { NumberInput } from '../parts/fields';
import { RecipeInput } from './RecipeInput';

/** What a piece is rolled in or dusted with, if anything. */
export function Finish({ season, path, how = 'Dusted with' }: { season: SeasonBook; path: string; how?: string }) {
  const { setValue } = useFormContext();
  const finish = useWatch({ name: `${path}.finish` }) as object | null | undefined;
  return (
    <>
      <FormControlLabel
        control={
          <Switch
            checked={Boolean(finish)}
            onChange={(_event, on) => {
              setValue(`${path}.finish`, on ? { recipeId: '', gramsEach: 1 } : null, {
                shouldDirty: true,
              });
            }}
          />
        }
        label={`${how.replace(/ with$/, '')}${how.endsWith(' in') ? ' something' : ''}`}
      />
      {finish && (
        <>
          <RecipeInput season={season} name={`${path}.finish.recipeId`} label={how} />
          <NumberInput name={`${path}.finish.gramsEach`} label="On each" unit="g" />
        </>
      )}
    </>
  );
}
