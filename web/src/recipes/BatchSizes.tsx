import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useController } from 'react-hook-form';
import { useFieldError } from '../parts/fieldError';

const COMMON = [0.5, 1, 2, 3, 4];

/** The multiples of the base batch that may be made at once. */
export function BatchSizes() {
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
