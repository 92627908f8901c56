import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useController } from 'react-hook-form';

/** Yes or no. */
export function CheckInput({ name, label }: { name: string; label: string }) {
  const { field } = useController({ name });
  return (
    <FormControlLabel
      label={label}
      control={
        <Checkbox
          checked={field.value as boolean}
          onChange={(_event, on) => {
            field.onChange(on);
          }}
          onBlur={field.onBlur}
        />
      }
    />
  );
}
