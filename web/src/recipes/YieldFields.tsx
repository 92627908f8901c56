import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import type { RecipeDraft } from '@usual-pantry/core/recipe';
import { useFormContext, useWatch } from 'react-hook-form';
import { NumberInput } from '../parts/fields';

/** What comes out: the raw mass less a loss, or what was weighed. */
export function YieldFields() {
  const { setValue } = useFormContext<RecipeDraft>();
  const by = useWatch<RecipeDraft, 'yield.by'>({ name: 'yield.by' });
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <RadioGroup
        row
        aria-label="How the yield is known"
        value={by}
        onChange={(_event, picked) => {
          setValue('yield', picked === 'weighed' ? { by: 'weighed', grams: NaN } : { by: 'loss', lossPercent: 5 }, {
            shouldDirty: true,
          });
        }}
      >
        <FormControlLabel value="loss" control={<Radio />} label="A loss" />
        <FormControlLabel value="weighed" control={<Radio />} label="Weighed" />
      </RadioGroup>
      {by === 'loss' ? (
        <NumberInput key="loss" name="yield.lossPercent" label="Boils off, sticks, is trimmed" unit="%" />
      ) : (
        <NumberInput key="weighed" name="yield.grams" label="Base batch, weighed at the end" unit="g" />
      )}
    </Box>
  );
}
