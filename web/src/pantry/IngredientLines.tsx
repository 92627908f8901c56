import Box from '@mui/material/Box';
import { ChoiceInput, NumberInput, TextInput } from '../parts/fields';
import { Lines } from '../parts/Lines';
import { unitChoices } from '../parts/unitChoices';

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
