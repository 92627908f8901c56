import Box from '@mui/material/Box';
import { bodyRecipeId, freshForm, type PieceDraft, type PieceForm } from '@usual-pantry/core/piece';
import { useFormContext, useWatch } from 'react-hook-form';
import type { SeasonBook } from '../data/useSeason';
import { BodyFields } from './BodyFields';
import { Kinds } from './Kinds';
import { formViews } from './registry';

/** How a recipe becomes a piece. */
export function FormFields({ season }: { season: SeasonBook }) {
  const { setValue } = useFormContext<PieceDraft>();
  const form = useWatch<PieceDraft, 'form'>({ name: 'form' });
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Kinds
        label="Form"
        kinds={Object.keys(formViews) as PieceForm['kind'][]}
        value={form.kind}
        onPick={(kind) => {
          setValue('form', freshForm(kind, bodyRecipeId(form)), { shouldDirty: true });
        }}
      />
      <BodyFields key={form.kind} season={season} path="form" view={formViews[form.kind]} />
    </Box>
  );
}
