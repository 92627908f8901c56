import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { BoxDraft } from '@usual-pantry/core/box';
import { useFormContext, useWatch } from 'react-hook-form';
import { LengthInput } from '../parts/fields';

/** A usual front, to begin with. */
const usualMm = { widthMm: 200, heightMm: 150 };

/** The size of the front of the package: by it go the letters of the net quantity. */
export function DisplayPanel() {
  const { setValue } = useFormContext<BoxDraft>();
  const panel = useWatch<BoxDraft, 'panel'>({ name: 'panel' });
  const set = (next: BoxDraft['panel']) => {
    setValue('panel', next, { shouldDirty: true, shouldValidate: true });
  };
  if (panel === null)
    return (
      <Button
        size="small"
        sx={{ mt: 1.5 }}
        onClick={() => {
          set(usualMm);
        }}
      >
        Say how large the front of the package is
      </Button>
    );
  return (
    <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr auto' }, mt: 2 }}>
      <LengthInput name="panel.widthMm" label="Front of the package, width" />
      <LengthInput name="panel.heightMm" label="Front of the package, height" />
      <Button
        onClick={() => {
          set(null);
        }}
      >
        Not known
      </Button>
    </Box>
  );
}
