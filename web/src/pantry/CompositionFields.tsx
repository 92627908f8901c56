import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormHelperText from '@mui/material/FormHelperText';
import type { Composition } from '@usual-pantry/core/ingredient';
import { sayNumber } from '@usual-pantry/core/quantity';
import { useFormContext, useWatch } from 'react-hook-form';
import { useFieldError } from '../parts/fieldError';
import { NumberInput } from '../parts/fields';

const names: Record<keyof Composition, string> = {
  water: 'Water',
  sucrose: 'Sucrose',
  glucose: 'Glucose',
  fructose: 'Fructose',
  lactose: 'Lactose',
  maltose: 'Maltose',
  otherCarbohydrate: 'Other carbohydrate',
  fat: 'Fat',
  protein: 'Protein',
  ethanol: 'Alcohol',
  ash: 'Ash',
};
const parts = Object.keys(names) as (keyof Composition)[];
const nothing = Object.fromEntries(parts.map((part) => [part, 0])) as Composition;

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
  const sum = parts.reduce((total, part) => total + (Number.isFinite(composition[part]) ? composition[part] : 0), 0);
  return (
    <>
      <Box
        sx={{
          display: 'grid',
          gap: 1.25,
          gridTemplateColumns: 'repeat(auto-fill, minmax(130px, 1fr))',
        }}
      >
        {parts.map((part) => (
          <NumberInput key={part} name={`composition.${part}`} label={names[part]} unit="g" />
        ))}
      </Box>
      <FormHelperText error={Math.abs(sum - 100) > 1}>{error ?? `${sayNumber(sum, 1)} g of 100 g`}</FormHelperText>
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
