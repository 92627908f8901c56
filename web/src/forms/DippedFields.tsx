import Box from '@mui/material/Box';
import { bodyRecipeId, freshCentre, type CentreForm, type PieceDraft } from '@usual-pantry/core/piece';
import { useFormContext, useWatch } from 'react-hook-form';
import type { SeasonBook } from '../data/useSeason';
import { NumberInput } from '../parts/fields';
import { BodyFields } from './BodyFields';
import { broken } from './broken';
import { cut } from './cut';
import { Finish } from './Finish';
import { FIELD_GRID } from './grid';
import { Kinds } from './Kinds';
import { piped } from './piped';
import { RecipeInput } from './RecipeInput';
import { rolled } from './rolled';
import type { FormView } from './view';

const centres: { readonly [Kind in CentreForm['kind']]: FormView } = { cut, broken, rolled, piped };

/** The centre of a dipped piece, and what it is dipped in. */
export function DippedFields({ season }: { season: SeasonBook }) {
  const { setValue } = useFormContext<PieceDraft>();
  const form = useWatch<PieceDraft, 'form'>({ name: 'form' });
  if (form.kind !== 'dipped') return null;
  const { kind } = form.centre;
  return (
    <>
      <Kinds
        label="Centre"
        kinds={Object.keys(centres) as CentreForm['kind'][]}
        value={kind}
        onPick={(picked) => {
          setValue('form', { ...form, centre: freshCentre(picked, bodyRecipeId(form)) }, { shouldDirty: true });
        }}
      />
      <BodyFields key={kind} season={season} path="form.centre" view={centres[kind]} />
      <Box sx={FIELD_GRID}>
        <Box sx={{ gridColumn: '1 / -1', maxWidth: 420 }}>
          <RecipeInput season={season} name="form.coatingRecipeId" label="Coating" />
        </Box>
        <NumberInput name="form.coatingPercent" label="Coating of the whole" unit="%" help="20 to 40 % is common." />
        <NumberInput
          name="form.poolFactor"
          label="Working pool"
          unit="x"
          help="Must stand melted; the surplus goes back."
        />
        <Finish season={season} path="form" />
      </Box>
    </>
  );
}
