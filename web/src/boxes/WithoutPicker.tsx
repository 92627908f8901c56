import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { exclusionCodes, exclusions } from '@usual-pantry/core/ingredient';

interface WithoutPickerProps {
  readonly label: string;
  readonly value: string[];
  readonly onChange: (codes: string[]) => void;
}

/** What must not be in a box. */
export const WithoutPicker = ({ label, value, onChange }: WithoutPickerProps) => (
  <Autocomplete
    multiple
    options={exclusionCodes}
    value={value}
    getOptionLabel={(code) => exclusions[code]?.name ?? code}
    onChange={(_event, codes) => {
      onChange(codes);
    }}
    renderInput={(props) => <TextField {...props} label={label} />}
  />
);
