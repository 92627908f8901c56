import Button from '@mui/material/Button';
import InputAdornment from '@mui/material/InputAdornment';
import TextField from '@mui/material/TextField';
import { useState } from 'react';

interface PassphraseFieldProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  /** What the browser may fill in. */
  readonly autoComplete: 'current-password' | 'new-password';
  readonly help?: string;
  readonly autoFocus?: boolean;
}

/** A passphrase, hidden until it is asked to be seen. */
export function PassphraseField({
  label,
  value,
  onChange,
  autoComplete,
  help,
  autoFocus = false,
}: PassphraseFieldProps) {
  const [isSeen, setSeen] = useState(false);
  return (
    <TextField
      label={label}
      type={isSeen ? 'text' : 'password'}
      autoComplete={autoComplete}
      value={value}
      autoFocus={autoFocus}
      helperText={help}
      onChange={(event) => {
        onChange(event.target.value);
      }}
      slotProps={{
        input: {
          endAdornment: (
            <InputAdornment position="end">
              <Button
                size="small"
                onClick={() => {
                  setSeen(!isSeen);
                }}
              >
                {isSeen ? 'Hide' : 'Show'}
              </Button>
            </InputAdornment>
          ),
        },
      }}
    />
  );
}
