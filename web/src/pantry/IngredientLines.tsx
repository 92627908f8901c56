import { mdiPlus, mdiTrashCanOutline } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import { unitCodes, units } from '@usual-pantry/core/quantity';
import type { ReactNode } from 'react';
import { useFieldArray, type FieldValues } from 'react-hook-form';
import { Icon } from '../app/Icon';
import { ChoiceInput, NumberInput, TextInput } from '../parts/fields';

/** Every unit, as a list offers it. */
export const unitChoices = unitCodes.map((code) => ({ value: code, label: units[code].label }));

interface LinesProps {
  readonly name: string;
  readonly one: string;
  readonly fresh: FieldValues;
  readonly columns: string;
  readonly children: (path: string) => ReactNode;
}

/** Lines that can be added and removed. */
function Lines({ name, one, fresh, columns, children }: LinesProps) {
  const { fields, append, remove } = useFieldArray({ name });
  return (
    <Box sx={{ display: 'grid', gap: 1.25 }}>
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
            append(fresh);
          }}
        >
          Add a {one}
        </Button>
      </div>
    </Box>
  );
}

export const PackLines = ({ currency }: { currency: string }) => (
  <Lines
    name="packs"
    one="pack"
    fresh={{ name: '', amount: NaN, unit: 'lb', priceMinor: NaN, supplier: '' }}
    columns="2fr 1fr 1fr 1.3fr 1.6fr"
  >
    {(path) => (
      <>
        <TextInput name={`${path}.name`} label="Pack" />
        <NumberInput name={`${path}.amount`} label="Holds" />
        <ChoiceInput name={`${path}.unit`} label="Unit" choices={unitChoices} />
        <NumberInput name={`${path}.priceMinor`} label="Price" scale={100} unit={currency} />
        <TextInput name={`${path}.supplier`} label="Shop" />
      </>
    )}
  </Lines>
);

export const DensityLines = () => (
  <Lines name="densities" one="state" fresh={{ state: '', gramsPerMl: NaN }} columns="1fr 1fr">
    {(path) => (
      <>
        <TextInput name={`${path}.state`} label="State (packed, chopped ...)" />
        <NumberInput name={`${path}.gramsPerMl`} label="Density" unit="g/mL" help="A US cup is 236.6 mL." />
      </>
    )}
  </Lines>
);

export const PartLines = () => (
  <Box sx={{ mt: 1.5 }}>
    <Lines name="declaration.parts" one="sub-ingredient" fresh={{ name: '', percent: null }} columns="2fr 1fr">
      {(path) => (
        <>
          <TextInput name={`${path}.name`} label="Sub-ingredient" />
          <NumberInput name={`${path}.percent`} label="Share" unit="%" optional />
        </>
      )}
    </Lines>
  </Box>
);
