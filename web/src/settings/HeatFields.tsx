import Box from '@mui/material/Box';
import { boilingPointAt, targetHere, thermometerOffset } from '@usual-pantry/core/cooking';
import { kitchenDraftSchema } from '@usual-pantry/core/kitchen';
import { sayTemperature, sayNumber } from '@usual-pantry/core/quantity';
import { useWatch } from 'react-hook-form';
import { AltitudeInput } from '../records/WritingFields';
import { NumberInput, TemperatureInput } from '../parts/fields';

const heatSchema = kitchenDraftSchema.pick({
  altitudeMetres: true,
  boilingReadingCelsius: true,
  temperatureFirst: true,
});

const example = 149;

/** Altitude and thermometer, and what they do to a target. */
export function HeatFields() {
  const [metres, reading, first] = useWatch({
    name: ['altitudeMetres', 'boilingReadingCelsius', 'temperatureFirst'],
  }) as unknown[];
  const parsed = heatSchema.safeParse({
    altitudeMetres: metres,
    boilingReadingCelsius: reading,
    temperatureFirst: first,
  });
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr 1fr', sm: 'repeat(3, 1fr)' } }}>
        <AltitudeInput label="Altitude" />
        <TemperatureInput
          name="boilingReadingCelsius"
          label="Reading in boiling water"
          scale={first === 'F' ? 'F' : 'C'}
          optional
          help="Bulb off the bottom; empty if never tried."
        />
        <NumberInput
          name="atBench.reactionSeconds"
          label="From the alarm until a pot is off"
          unit="s"
          help="The alarm at the bench comes so much before."
        />
        <NumberInput
          name="atBench.carryOverKelvin"
          label="A pot gets warmer by itself"
          unit="K"
          help="Off the heat it goes on by so much: heavy pots by more."
        />
      </Box>
      {parsed.success && (
        <span>
          Water boils here at{' '}
          {sayTemperature(boilingPointAt(parsed.data.altitudeMetres), 1, parsed.data.temperatureFirst)}; your
          thermometer reads {sayNumber(Math.abs(thermometerOffset(parsed.data)), 1)} K{' '}
          {thermometerOffset(parsed.data) < 0 ? 'low' : 'high'}. A toffee to{' '}
          {sayTemperature(example, 0, parsed.data.temperatureFirst)} at sea level is done here at{' '}
          {sayTemperature(targetHere(example, parsed.data), 0, parsed.data.temperatureFirst)}.
        </span>
      )}
    </Box>
  );
}
