import { mdiPlus, mdiTrashCanOutline } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormHelperText from '@mui/material/FormHelperText';
import IconButton from '@mui/material/IconButton';
import type { MouseEvent, ReactNode } from 'react';
import { useFieldArray, type FieldValues } from 'react-hook-form';
import { Icon } from './Icon';
import { useFieldError } from './fieldError';
import { FieldNote } from './fieldNotes';

interface LinesProps {
  readonly name: string;
  readonly one: string;
  readonly fresh: FieldValues;
  readonly columns: string;
  readonly children: (path: string) => ReactNode;
}

/** A field that loses the focus may say what is wrong with it, and push the button away from under the pointer. */
const keepFocus = (event: MouseEvent) => {
  event.preventDefault();
};

/** Lines that can be added and removed. */
export function Lines({ name, one, fresh, columns, children }: LinesProps) {
  const { fields, append, remove } = useFieldArray({ name });
  const wrong = useFieldError(name);
  return (
    <Box sx={{ display: 'grid', gap: 1.25 }}>
      <FieldNote name={name} />
      {fields.map((field, index) => (
        <Box key={field.id} sx={{ display: 'flex', gap: 0.5, alignItems: 'start' }}>
          <Box
            sx={{
              flex: 1,
              display: 'grid',
              gap: 1,
              gridTemplateColumns: { xs: '1fr 1fr', sm: columns },
            }}
          >
            {children(`${name}.${index}`)}
          </Box>
          <IconButton
            aria-label={`Remove ${one} ${index + 1}`}
            onMouseDown={keepFocus}
            onClick={() => {
              remove(index);
            }}
          >
            <Icon path={mdiTrashCanOutline} />
          </IconButton>
        </Box>
      ))}
      {wrong && (
        <FormHelperText error role="alert">
          This list {wrong}.
        </FormHelperText>
      )}
      <div>
        <Button
          size="small"
          startIcon={<Icon path={mdiPlus} />}
          onMouseDown={keepFocus}
          onClick={() => {
            append(fresh);
          }}
        >
          Add a {one}
        </Button>
      </div>
    </Box>
  );
}
