import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { useController } from 'react-hook-form';
import { useFieldError } from './fieldError';

interface TagsProps {
  readonly name: string;
  readonly label: string;
  /** What is offered; anything else can be typed too. */
  readonly options: readonly string[];
}

/** Several names, picked or typed. */
export function TagsInput({ name, label, options }: TagsProps) {
  const { field } = useController({ name });
  const message = useFieldError(name);
  return (
    <Autocomplete
      multiple
      freeSolo
      options={options}
      value={field.value as string[]}
      onChange={(_event, picked) => {
        field.onChange([...new Set(picked.map((each) => each.trim()).filter(Boolean))]);
      }}
      onBlur={field.onBlur}
      renderInput={(props) => (
        <TextField {...props} label={label} inputRef={field.ref} error={message !== undefined} helperText={message} />
      )}
    />
  );
}
