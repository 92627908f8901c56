import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { PieceDraft } from '@usual-pantry/core/piece';
import { useFormContext, useWatch } from 'react-hook-form';
import { LengthInput } from '../parts/fields';
import { Panel } from '../parts/Panel';

/** How big the piece is as it lies in the box; where it is not measured, its form tells. */
export function PieceSizeFields() {
  const { setValue } = useFormContext<PieceDraft>();
  const size = useWatch<PieceDraft, 'sizeMm'>({ name: 'sizeMm' });
  const set = (next: PieceDraft['sizeMm']) => {
    setValue('sizeMm', next, { shouldDirty: true });
  };
  return (
    <Panel
      title="Size in the box"
      aside={
        size ? (
          <Button
            size="small"
            onClick={() => {
              set(null);
            }}
          >
            As its form tells
          </Button>
        ) : (
          <Button
            size="small"
            onClick={() => {
              set({ lengthMm: NaN, widthMm: NaN, heightMm: NaN });
            }}
          >
            Enter what you measured
          </Button>
        )
      }
    >
      {size ? (
        <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr 1fr' } }}>
          <LengthInput name="sizeMm.lengthMm" label="Length" />
          <LengthInput name="sizeMm.widthMm" label="Width" />
          <LengthInput name="sizeMm.heightMm" label="Height" />
        </Box>
      ) : (
        <Box sx={{ color: 'text.secondary' }}>
          Worked out from its form and weight, and only to see whether it fits a cell.
        </Box>
      )}
    </Panel>
  );
}
