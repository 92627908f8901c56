import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useFormContext } from 'react-hook-form';

interface OwnedPickerProps<T> {
  readonly label: string;
  readonly owned: readonly T[];
  readonly say: (each: T) => string;
  /** The fields that it fills, below `path`. */
  readonly valuesOf: (each: T) => Readonly<Record<string, number>>;
  readonly path: string;
}

/** Fills the sizes of a form from a pan or mould of the kitchen; nothing when the kitchen has none. */
export function OwnedPicker<T>({ label, owned, say, valuesOf, path }: OwnedPickerProps<T>) {
  const { setValue } = useFormContext();
  if (owned.length === 0) return null;
  return (
    <TextField
      select
      label={label}
      value=""
      helperText="Fills in its sizes."
      sx={{ gridColumn: '1 / -1', maxWidth: 420 }}
      onChange={({ target }) => {
        const picked = owned[Number(target.value)];
        if (picked === undefined) return;
        for (const [name, value] of Object.entries(valuesOf(picked)))
          setValue(`${path}.${name}`, value, { shouldDirty: true, shouldValidate: true });
      }}
    >
      {owned.map((each, index) => (
        <MenuItem key={say(each)} value={index}>
          {say(each)}
        </MenuItem>
      ))}
    </TextField>
  );
}
