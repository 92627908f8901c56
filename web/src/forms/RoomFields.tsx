import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { coldKinds, coldNames, type ColdKind, type StandsCold } from '@usual-pantry/core/room';
import { useFormContext, useWatch } from 'react-hook-form';
import { NumberInput, TemperatureInput } from '../parts/fields';

const grid = { display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' } } as const;

/** How warm and how damp the room may be: empty where that does not matter. */
export const AirFields = ({ scale, what }: { scale: 'C' | 'F'; what: string }) => (
  <Box sx={grid}>
    <TemperatureInput
      name="air.mostCelsius"
      label="Room at most"
      scale={scale}
      optional
      help={`Empty: it is ${what} at any temperature.`}
    />
    <NumberInput
      name="air.mostHumidityPercent"
      label="Humidity at most"
      unit="%"
      optional
      help={`Empty: it is ${what} in any air.`}
    />
  </Box>
);

/** On a shelf of the room: nothing is counted there. */
const SHELF = 'shelf';

/** Where it stands, and how much room it takes there. @param of what the litres are for */
export function StandsFields({ of, until }: { of: string; until: string }) {
  const { setValue } = useFormContext();
  const stands = useWatch({ name: 'stands' }) as StandsCold | null;
  return (
    <Box sx={grid}>
      <TextField
        select
        label={`Stands until ${until}`}
        value={stands?.kind ?? SHELF}
        onChange={({ target: { value } }) => {
          const next = value === SHELF ? null : { kind: value as ColdKind, litres: stands?.litres ?? 1 };
          setValue('stands', next, { shouldDirty: true, shouldValidate: true });
        }}
      >
        <MenuItem value={SHELF}>on a shelf, at room temperature</MenuItem>
        {coldKinds.map((kind) => (
          <MenuItem key={kind} value={kind}>
            in {coldNames[kind]}
          </MenuItem>
        ))}
      </TextField>
      {stands && <NumberInput name="stands.litres" label={`Room for ${of}`} unit="L" />}
    </Box>
  );
}
