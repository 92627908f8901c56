import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import type { RecipeDraft } from '@usual-pantry/core/recipe';
import { useFormContext, useWatch } from 'react-hook-form';
import { NumberInput } from '../parts/fields';

const freshYields: Record<RecipeDraft['yield']['by'], RecipeDraft['yield']> = {
  loss: { by: 'loss', lossPercent: 5 },
  weighed: { by: 'weighed', grams: NaN },
  steps: { by: 'steps' },
};

/** What comes out: the raw mass less a loss, what was weighed, or what the steps leave. */
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
          setValue('yield', freshYields[picked as RecipeDraft['yield']['by']], { shouldDirty: true });
        }}
      >
        <FormControlLabel value="loss" control={<Radio />} label="A loss" />
        <FormControlLabel value="weighed" control={<Radio />} label="Weighed" />
        <FormControlLabel value="steps" control={<Radio />} label="What the steps leave" />
      </RadioGroup>
      {by === 'loss' && (
        <NumberInput key="loss" name="yield.lossPercent" label="Boils off, sticks, is trimmed" unit="%" />
      )}
      {by === 'weighed' && (
        <NumberInput key="weighed" name="yield.grams" label="Base batch, weighed at the end" unit="g" />
      )}
      {by === 'steps' && <span>Worked out from what boils off, is strained, trimmed or sticks in the steps.</span>}
    </Box>
  );
}
