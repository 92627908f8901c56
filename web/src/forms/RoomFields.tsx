import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { coldKinds, coldNames, type ColdKind, type StandsCold } from '@usual-pantry/core/room';
import { useFormContext, useWatch } from 'react-hook-form';
import { NumberInput, TemperatureInput } from '../parts/fields';

const grid = { display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' } } as const;

/** How warm and how damp the room may be: empty where that does not matter. @param what is done in it, after "it is" */
export const AirFields = ({ scale, what, of = 'air' }: { scale: 'C' | 'F'; what: string; of?: 'air' | 'keepsAir' }) => (
  <Box sx={grid}>
    <TemperatureInput
      name={`${of}.mostCelsius`}
      label={`${of === 'air' ? 'Room' : 'Then the room'} at most`}
      scale={scale}
      optional
      help={`Empty: it is ${what} at any temperature.`}
    />
    <NumberInput
      name={`${of}.mostHumidityPercent`}
      label={`${of === 'air' ? 'Humidity' : 'Then humidity'} at most`}
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

/** The air in which a finished piece stands, of no matter where it stands cold; and how long it thaws, of no matter where it is not frozen. */
export function KeepingFields({ scale }: { scale: 'C' | 'F' }) {
  const stands = useWatch({ name: 'stands' }) as StandsCold | null;
  if (stands === null) return <AirFields scale={scale} what="kept" of="keepsAir" />;
  return stands.kind === 'freezer' ? (
    <Box sx={grid}>
      <NumberInput
        name="thawNights"
        label="Thaws in the fridge for"
        unit="nights"
        help="The last ones before it is handed over."
      />
    </Box>
  ) : null;
}
