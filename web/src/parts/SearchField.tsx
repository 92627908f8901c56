import { mdiMagnify } from '@mdi/js';
import InputAdornment from '@mui/material/InputAdornment';
import TextField, { type TextFieldProps } from '@mui/material/TextField';
import { Icon } from './Icon';

interface SearchProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
  readonly sx?: TextFieldProps['sx'];
}

/** A field that `/` jumps to. */
export const SearchField = ({ label, value, onChange, sx }: SearchProps) => (
  <TextField
    data-search
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
