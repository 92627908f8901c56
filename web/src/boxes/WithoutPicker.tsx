import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { exclusionGroup, exclusionName, exclusionOptions } from '@usual-pantry/core/ingredient';
import type { Book } from '@usual-pantry/core/book';

interface WithoutPickerProps {
  readonly label: string;
  readonly book: Book;
  readonly value: string[];
  readonly onChange: (codes: string[]) => void;
}

/** What must not be in a box. */
export const WithoutPicker = ({ label, book, value, onChange }: WithoutPickerProps) => (
  <Autocomplete
    multiple
    options={exclusionOptions(book)}
    value={value}
    groupBy={exclusionGroup}
    getOptionLabel={(code) => exclusionName(code, book)}
    onChange={(_event, codes) => {
      onChange(codes);
    }}
    renderInput={(props) => <TextField {...props} label={label} />}
  />
);
