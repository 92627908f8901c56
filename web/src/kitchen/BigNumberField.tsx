import InputAdornment from '@mui/material/InputAdornment';
import TextField from '@mui/material/TextField';

interface BigNumberFieldProps {
  readonly label: string;
  readonly unit: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly onEnter?: () => void;
}

/** A field for a number that is typed with sticky fingers. */
export const BigNumberField = ({ label, unit, value, onChange, onEnter }: BigNumberFieldProps) => (
  <TextField
    label={label}
    value={value}
    size="medium"
    onChange={({ target }) => {
      onChange(target.value);
    }}
    onKeyDown={(event) => {
      if (event.key !== 'Enter') return;
      event.preventDefault();
      onEnter?.();
    }}
    slotProps={{
      htmlInput: { inputMode: 'decimal', autoComplete: 'off', style: { fontSize: 24, minHeight: 32 } },
      input: { endAdornment: <InputAdornment position="end">{unit}</InputAdornment> },
    }}
    sx={{ mt: 1.5 }}
  />
);
