import { mdiMagnify } from '@mdi/js';
import InputAdornment from '@mui/material/InputAdornment';
import TextField, { type TextFieldProps } from '@mui/material/TextField';
import { Icon } from './Icon';

interface SearchProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
  readonly sx?: TextFieldProps['sx'];
  readonly autoFocus?: boolean;
}

/** A field to search by typing. */
export const SearchField = ({ label, value, onChange, sx, autoFocus = false }: SearchProps) => (
  <TextField
    autoFocus={autoFocus}
    label={label}
    value={value}
    onChange={({ target }) => {
      onChange(target.value);
    }}
    {...(sx ? { sx } : {})}
    slotProps={{
      input: {
        startAdornment: (
          <InputAdornment position="start">
            <Icon path={mdiMagnify} />
          </InputAdornment>
        ),
      },
    }}
  />
);
