import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { NumberInput, TextInput, LengthInput } from '../parts/fields';
import { Lines } from '../parts/Lines';

/** What the maker owns: it decides what fits. */
export const Equipment = () => (
  <Box sx={{ display: 'grid', gap: 2 }}>
    <div>
      <Typography variant="h3" gutterBottom>
        Pots
      </Typography>
      <Lines name="pots" one="pot" fresh={{ name: '', litres: NaN }} columns="2fr 1fr">
        {(path) => (
          <>
            <TextInput name={`${path}.name`} label="Pot" />
            <NumberInput name={`${path}.litres`} label="Holds to the rim" unit="L" />
          </>
        )}
      </Lines>
    </div>
    <div>
      <Typography variant="h3" gutterBottom>
        Pans and frames
      </Typography>
      <Lines
        name="pans"
        one="pan"
        fresh={{ name: '', lengthMm: NaN, widthMm: NaN, depthMm: NaN, count: 1 }}
        columns="2fr 1fr 1fr 1fr 1fr"
      >
        {(path) => (
          <>
            <TextInput name={`${path}.name`} label="Pan" />
            <LengthInput name={`${path}.lengthMm`} label="Length" />
            <LengthInput name={`${path}.widthMm`} label="Width" />
            <LengthInput name={`${path}.depthMm`} label="Depth" />
            <NumberInput name={`${path}.count`} label="In hand" />
          </>
        )}
      </Lines>
    </div>
    <div>
      <Typography variant="h3" gutterBottom>
        Moulds
      </Typography>
      <Lines
        name="moulds"
        one="mould"
        fresh={{ name: '', cavities: NaN, cavityMl: NaN, count: 1 }}
        columns="2fr 1fr 1fr 1fr"
      >
        {(path) => (
          <>
            <TextInput name={`${path}.name`} label="Mould" />
            <NumberInput name={`${path}.cavities`} label="Cavities" />
            <NumberInput name={`${path}.cavityMl`} label="Each holds" unit="mL" />
            <NumberInput name={`${path}.count`} label="In hand" />
          </>
        )}
      </Lines>
    </div>
    <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr 1fr', sm: 'repeat(3, 1fr)' } }}>
      <NumberInput name="burners" label="Burners" />
      <NumberInput name="fridgeLitres" label="Fridge space" unit="L" />
    </Box>
  </Box>
);
