import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { coldKinds, coldNames } from '@usual-pantry/core/room';
import { ChoiceInput, LengthInput, NumberInput, TemperatureInput, TextInput } from '../parts/fields';
import { WeekdaysInput } from '../parts/WeekdaysInput';
import { Lines } from '../parts/Lines';

const places = coldKinds.map((kind) => ({ value: kind, label: coldNames[kind].replace(/^the /, '') }));

/** What the maker owns: it decides what fits. */
export const Equipment = ({ scale }: { scale: 'C' | 'F' }) => (
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
        columns="1.4fr 1fr 1fr"
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
    <div>
      <Typography variant="h3" gutterBottom>
        Cold and cool
      </Typography>
      <Lines
        name="coldPlaces"
        one="place"
        fresh={{ name: '', kind: 'fridge', litres: NaN, celsius: null }}
        columns="2fr 1.6fr 1fr 1fr"
      >
        {(path) => (
          <>
            <TextInput name={`${path}.name`} label="Place" />
            <ChoiceInput name={`${path}.kind`} label="It is a" choices={places} />
            <NumberInput name={`${path}.litres`} label="Free" unit="L" />
            <TemperatureInput name={`${path}.celsius`} label="Holds" scale={scale} optional />
          </>
        )}
      </Lines>
    </div>
    <div>
      <Typography variant="h3" gutterBottom>
        Shops
      </Typography>
      <Typography sx={{ color: 'text.secondary', typography: 'note', mb: 1 }}>
        The days on which you go there, or on which it delivers. A shop that is not here is there on any day.
      </Typography>
      <Lines name="shops" one="shop" fresh={{ name: '', weekdays: [] }} columns="1fr 2fr">
        {(path) => (
          <>
            <TextInput name={`${path}.name`} label="Shop" />
            <WeekdaysInput name={`${path}.weekdays`} label="Days of the shop" />
          </>
        )}
      </Lines>
    </div>
    <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr 1fr', sm: 'repeat(3, 1fr)' } }}>
      <NumberInput name="burners" label="Burners" />
    </Box>
  </Box>
);
