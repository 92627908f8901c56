import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormHelperText from '@mui/material/FormHelperText';
import { energyOf, noParts, partNames, type Composition } from '@usual-pantry/core/ingredient';
import { sayNumber } from '@usual-pantry/core/quantity';
import { useFormContext, useWatch } from 'react-hook-form';
import { compositionNames } from '../parts/compositionNames';
import { useFieldError } from '../parts/fieldError';
import { NumberInput, TextInput } from '../parts/fields';

const nothing: Composition = { ...noParts, cocoaButter: 0, milkFat: 0, source: '' };

/** What 100 g are made of; may be left out. */
export function CompositionFields() {
  const { setValue } = useFormContext();
  const composition = useWatch({ name: 'composition' }) as Composition | null;
  const error = useFieldError('composition');
  if (!composition)
    return (
      <Button
        size="small"
        onClick={() => {
          setValue('composition', nothing, { shouldDirty: true });
        }}
      >
        Add the composition
      </Button>
    );
  const sum = partNames.reduce(
    (total, part) => total + (Number.isFinite(composition[part]) ? composition[part] : 0),
    0,
  );
  return (
    <>
      <Box
        sx={{
          display: 'grid',
          gap: 1.25,
          gridTemplateColumns: 'repeat(auto-fill, minmax(130px, 1fr))',
        }}
      >
        {partNames.map((part) => (
          <NumberInput key={part} name={`composition.${part}`} label={compositionNames[part]} unit="g" />
        ))}
        <NumberInput name="composition.cocoaButter" label="Fat: cocoa butter" unit="g" />
        <NumberInput name="composition.milkFat" label="Fat: milk fat" unit="g" />
      </Box>
      <FormHelperText error={Math.abs(sum - 100) > 1}>
        {error ?? `${sayNumber(sum, 1)} g of 100 g; ${sayNumber(energyOf(composition))} kcal.`}
      </FormHelperText>
      <TextInput name="composition.source" label="Source" help="The table or the label that the figures come from." />
      <Button
        size="small"
        onClick={() => {
          setValue('composition', null, { shouldDirty: true });
        }}
      >
        Leave it out
      </Button>
    </>
  );
}
