import Box from '@mui/material/Box';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import {
  readingHere,
  seedOf,
  temperingAt,
  temperingBands,
  temperingSchools,
  thermometerOffset,
  type TemperingSchool,
} from '@usual-pantry/core/cooking';
import { isBelieved } from '@usual-pantry/core/making';
import { sayGrams, sayTemperature } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { CookChart } from './CookChart';
import { BenchPanel } from './looks';
import { TapTemperature } from './TapTemperature';
import type { Bench } from './useBench';
import type { Readings } from './useReadings';

/** Tempers chocolate: the school, its bands as this thermometer shows them, the trace against them, and what to do now. */
export function TemperPanel({ bench, readings }: { bench: Bench; readings: Readings }) {
  const [school, setSchool] = useState<TemperingSchool>('seed');
  const { points, tapped } = readings;
  const { tempers } = bench.stage;
  if (!tempers) return null;
  const { kitchen } = bench.season.data;
  const offset = thermometerOffset(kitchen);
  const { chocolate } = tempers;
  const grams = bench.facts.yieldGrams * bench.size;
  const shown = points.filter(isBelieved).map(({ celsius }) => celsius);
  const seed = seedOf(school, grams);
  const bands = temperingBands(chocolate, school).map(({ name, window: [from, to] }) => ({
    name,
    from: readingHere(from, kitchen),
    to: readingHere(to, kitchen),
  }));
  const state = temperingAt(
    shown.map((celsius) => celsius - offset),
    chocolate,
    school,
  );
  const now = shown.at(-1);
  return (
    <BenchPanel label="Tempering">
      <ToggleButtonGroup
        exclusive
        value={school}
        aria-label="School"
        onChange={(_event, chosen: TemperingSchool | null) => {
          if (chosen) setSchool(chosen);
        }}
        sx={{ flexWrap: 'wrap' }}
      >
        {temperingSchools.map((each) => (
          <ToggleButton key={each} value={each} sx={{ minHeight: 56, px: 2, typography: 'large' }}>
            {each}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      {now !== undefined && (
        <Box sx={{ fontSize: 'clamp(38px, 11vw, 84px)', fontWeight: 700, lineHeight: 1 }}>{sayTemperature(now, 1)}</Box>
      )}
      <Typography
        role="status"
        sx={{
          typography: 'title',
          fontWeight: 650,
          color: state.isLost ? 'error.main' : state.isIn ? 'success.main' : undefined,
        }}
      >
        {now === undefined ? 'Nothing read yet.' : state.advice}
      </Typography>
      <Box component="ol" sx={{ m: 0, pl: 3 }}>
        {bands.map(({ name, from, to }, index) => (
          <Box
            component="li"
            key={name}
            aria-current={index === state.band ? 'step' : undefined}
            sx={{ fontWeight: index === state.band ? 650 : undefined }}
          >
            {name}: {sayTemperature(from === to ? from : [from, to], 1)}
          </Box>
        ))}
      </Box>
      {seed && (
        <div>
          {school === 'seed'
            ? `Keep ${sayGrams(seed.usual)} of ${sayGrams(grams)} back as seed; ${sayGrams(seed.least)} to ${sayGrams(seed.most)} will do.`
            : `${sayGrams(seed.usual)} of tempered cocoa butter for ${sayGrams(grams)}.`}
        </div>
      )}
      {points.length > 1 && (
        <CookChart
          points={points}
          target={bands.at(-1)?.to ?? 31}
          forecast={null}
          marks={[]}
          bands={bands}
          height={200}
        />
      )}
      <TapTemperature first={kitchen.temperatureFirst} onTap={tapped} />
    </BenchPanel>
  );
}
