import { mdiPlus, mdiTrashCanOutline } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import { useFieldArray } from 'react-hook-form';
import { Icon } from '../app/Icon';
import { NumberInput, TextInput } from '../parts/fields';

/** What the pieces are packed in. */
export function PackagingLines({ currency }: { currency: string }) {
  const { fields, append, remove } = useFieldArray({ name: 'packaging' });
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      {fields.map((field, index) => (
        <Box
          key={field.id}
          sx={{
            display: 'grid',
            gridTemplateColumns: 'minmax(0, 1fr) 110px 90px 40px',
            gap: 1,
            alignItems: 'start',
          }}
        >
          <TextInput name={`packaging.${index}.name`} label="Packaging" />
          <NumberInput name={`packaging.${index}.costMinor`} label="Cost" scale={100} unit={currency} />
          <NumberInput name={`packaging.${index}.grams`} label="Weight" unit="g" />
          <IconButton
            aria-label={`Remove packaging ${index + 1}`}
            onClick={() => {
              remove(index);
            }}
          >
            <Icon path={mdiTrashCanOutline} />
          </IconButton>
        </Box>
      ))}
      <div>
        <Button
          size="small"
          startIcon={<Icon path={mdiPlus} />}
          onClick={() => {
            append({ name: '', costMinor: 0, grams: 0 });
          }}
        >
          Add packaging
        </Button>
      </div>
    </Box>
  );
}
