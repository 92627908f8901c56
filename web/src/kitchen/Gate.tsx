import FormControl from '@mui/material/FormControl';
import InputLabel from '@mui/material/InputLabel';
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import Typography from '@mui/material/Typography';
import {
  fillingSets,
  ganacheAdvice,
  ganacheSchools,
  readingHere,
  type GanacheSchool,
} from '@usual-pantry/core/cooking';
import { fillingGate, isBelieved, type FillingGate } from '@usual-pantry/core/making';
import { sayGrams, sayList, sayNumber, sayTemperature } from '@usual-pantry/core/quantity';
import { estimateOf } from '@usual-pantry/core/recipe';
import { useState } from 'react';
import { BenchPanel } from './looks';
import { TapTemperature } from './TapTemperature';
import type { Bench } from './useBench';
import type { Readings } from './useReadings';

interface FillingProps extends FillingGate {
  readonly bench: Bench;
  readonly readings: Readings;
}

/** Whether a filling is cool enough for its shells. */
function Filling({ bench, readings, pieces, below }: FillingProps) {
  const { kitchen } = bench.season.data;
  const now = readings.points.findLast(isBelieved)?.celsius;
  const limit = readingHere(below, kitchen);
  const isCool = now !== undefined && now < limit;
  return (
    <BenchPanel label="Into the shells">
      <b>
        Into the shells of {sayList(pieces)} below {sayTemperature(limit, 1)}
      </b>
      <span>
        Shell, fill, set, cap: filled, it sets {fillingSets.from} to {fillingSets.to} h, best over night at about{' '}
        {sayTemperature(fillingSets.celsius)}, and is capped then. A bag loses about 2 K while it is piped.
      </span>
      {now !== undefined && (
        <Typography
          role="status"
          sx={{ typography: 'title', fontWeight: 650, color: isCool ? 'success.main' : 'error.main' }}
        >
          {isCool
            ? `${sayTemperature(now, 1)}: cool enough, fill now.`
            : `${sayTemperature(now, 1)}: wait, it would melt the shells.`}
        </Typography>
      )}
      <TapTemperature first={kitchen.temperatureFirst} onTap={readings.tapped} />
    </BenchPanel>
  );
}

/** Whether a ganache does what it is for, and what brings it there. */
function Ganache({ bench }: { bench: Bench }) {
  const [school, setSchool] = useState<GanacheSchool>('to cut or roll');
  const balance = estimateOf(bench.facts, bench.season.book.ingredients)?.ganache;
  if (!balance) return null;
  const { fits, moreChocolate, moreLiquid } = ganacheAdvice(balance, school, bench.facts.yieldGrams * bench.size);
  const [low, high] = ganacheSchools[school];
  return (
    <BenchPanel label="Ganache">
      <FormControl>
        <InputLabel id="ganache-school">The ganache is</InputLabel>
        <Select
          labelId="ganache-school"
          label="The ganache is"
          value={school}
          onChange={({ target }) => {
            setSchool(target.value);
          }}
        >
          {(Object.keys(ganacheSchools) as GanacheSchool[]).map((each) => (
            <MenuItem key={each} value={each} sx={{ minHeight: 48 }}>
              {each}
            </MenuItem>
          ))}
        </Select>
      </FormControl>
      <span>
        {sayNumber(balance.ratio, 2)} parts of dark chocolate’s worth to one of liquid; {school}: {sayNumber(low, 2)} to{' '}
        {sayNumber(high, 2)}. Schools differ.
      </span>
      <Typography
        role="status"
        sx={{ typography: 'large', fontWeight: 650, color: fits ? 'success.main' : 'warning.main' }}
      >
        {fits
          ? 'The balance does that.'
          : moreChocolate > 0
            ? `Too soft for that: melt ${sayGrams(moreChocolate)} more dark chocolate in.`
            : `Too firm for that: stir ${sayGrams(moreLiquid)} more warm cream in.`}
      </Typography>
    </BenchPanel>
  );
}

/** What a filling or a ganache must be before it goes on; nothing for anything else. */
export function Gate({ bench, readings }: { bench: Bench; readings: Readings }) {
  const { facts, season, stage, stages } = bench;
  const isLast = stage.stage === stages.length - 2;
  if (!isLast) return null;
  const gate = fillingGate(facts, season.book);
  return (
    <>
      {gate && <Filling bench={bench} readings={readings} {...gate} />}
      <Ganache bench={bench} />
    </>
  );
}
