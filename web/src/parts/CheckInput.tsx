import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useController } from 'react-hook-form';
import { WhatIs } from './WhatIs';

/** Yes or no. */
export function CheckInput({ name, label }: { name: string; label: string }) {
  const { field } = useController({ name });
  return (
    <Box component="span" sx={{ display: 'inline-flex', alignItems: 'center' }}>
      <FormControlLabel
        sx={{ mr: 0.5 }}
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
      <WhatIs label={label} />
    </Box>
  );
}
