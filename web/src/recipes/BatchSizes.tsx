import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { usualEnds, type RecipeDraft } from '@usual-pantry/core/recipe';
import { useState } from 'react';
import { useController, useFormContext, useWatch } from 'react-hook-form';
import { useFieldError } from '../parts/fieldError';
import { NumberInput } from '../parts/fields';

const COMMON = [0.5, 1, 2, 3, 4];

/** Whole batches, listed sizes, or any size from the least to the largest. */
type Way = 'whole' | 'listed' | 'any';

const isWhole = (sizes: readonly number[]): boolean => sizes.length === 1 && sizes[0] === 1;

/** Sizes of a way, from those that stand there. */
const sizesFor = (way: Way, sizes: readonly number[]): number[] => {
  const known = sizes.filter(Number.isFinite);
  if (way === 'whole') return [1];
  if (way === 'listed') return known.length > 0 ? known : [1];
  return known.length > 1 ? [Math.min(...known), Math.max(...known)] : [...usualEnds];
};

/** The multiples of the base batch that may be made at once. */
export function BatchSizes() {
  const { setValue } = useFormContext<RecipeDraft>();
  const [sizes, anySize] = useWatch<RecipeDraft, ['batchSizes', 'anySize']>({ name: ['batchSizes', 'anySize'] });
  const [asked, setAsked] = useState<Way | null>(null);
  const way = anySize ? 'any' : asked === 'listed' || !isWhole(sizes) ? 'listed' : 'whole';
  const choose = (next: Way) => {
    setAsked(next);
    setValue('anySize', next === 'any', { shouldDirty: true });
    setValue('batchSizes', sizesFor(next, sizes), { shouldDirty: true, shouldValidate: true });
  };
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      <RadioGroup
        row
        aria-label="How it scales"
        value={way}
        onChange={(_event, picked) => {
          choose(picked as Way);
        }}
      >
        <FormControlLabel value="whole" control={<Radio />} label="Whole batches" />
        <FormControlLabel value="listed" control={<Radio />} label="These sizes" />
        <FormControlLabel value="any" control={<Radio />} label="Any size" />
      </RadioGroup>
      {way === 'whole' && <span>One base batch at a time: never doubled, never halved.</span>}
      {way === 'listed' && <ListedSizes />}
      {way === 'any' && (
        <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: '1fr 1fr' }}>
          <NumberInput name="batchSizes.0" label="Least" unit="batch" />
          <NumberInput name="batchSizes.1" label="Most" unit="batch" help="By pot, pan or mixer." />
        </Box>
      )}
    </Box>
  );
}

function ListedSizes() {
  const { field } = useController({ name: 'batchSizes' });
  const error = useFieldError('batchSizes');
  const [refused, setRefused] = useState<string | null>(null);
  const sizes = field.value as number[];
  return (
    <Autocomplete
      multiple
      freeSolo
      options={COMMON.map(String)}
      value={sizes.map(String)}
      onChange={(_event, picked) => {
        const wrong = picked.find((text) => !(Number(text) > 0));
        setRefused(wrong ?? null);
        field.onChange([...new Set(picked.map(Number).filter((size) => size > 0))].sort((a, b) => a - b));
      }}
      renderInput={(props) => (
        <TextField
          {...props}
          label="Allowed sizes"
          inputRef={field.ref}
          error={error !== undefined || refused !== null}
          helperText={
            refused !== null
              ? `“${refused}” is no multiple of the base batch.`
              : (error ?? 'Multiples of the base batch; only 1 forbids doubling.')
          }
        />
      )}
    />
  );
}
