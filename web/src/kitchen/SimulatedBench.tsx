import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import type { Simulate } from '@usual-pantry/core/api';
import { thermometerOffset } from '@usual-pantry/core/cooking';
import { cookSetup } from '@usual-pantry/core/making';
import { coldButter } from '@usual-pantry/core/practice';
import { useState } from 'react';
import { useSimulateMutation } from '../data/makings';
import { readNumber } from '../parts/readNumber';
import { sayRefusal, type Refusal } from '../parts/refusal';
import { BigButton } from './BigButton';
import { BigNumberField } from './BigNumberField';
import type { Bench } from './useBench';
import type { Devices } from './useDevices';

/** What is done to simulated devices: they read nothing until something stands on them. */
export function SimulatedBench({ bench, devices }: { bench: Bench; devices: Devices }) {
  const [simulate] = useSimulateMutation();
  const [grams, setGrams] = useState('');
  const [speed, setSpeed] = useState('1');
  const [touches, setTouches] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { facts, stage, size, season, making } = bench;
  const { kitchen } = season.data;
  const run = (command: Simulate) => {
    simulate(command)
      .unwrap()
      .then(
        () => {
          setTrouble(null);
        },
        (error: unknown) => {
          setTrouble(sayRefusal(error as Refusal));
        },
      );
  };
  const setup = stage.cooks ? cookSetup(facts, stage.stage - 1, size, season.book, kitchen) : null;
  const putOn = () => {
    if (!setup) return;
    run({
      what: 'on the heat',
      makingId: making.id,
      contents: setup.contents,
      // No two burners are alike: the forecast must find out.
      watts: Math.round(setup.heating.watts * 1.15),
      waterBoils: setup.heating.waterBoils,
      celsius: 40,
      offsetKelvin: thermometerOffset(kitchen),
      speed: Math.min(60, Math.max(1, readNumber(speed) || 1)),
    });
  };
  return (
    <Box
      sx={{ display: 'grid', gap: 1.25, borderLeft: 8, borderColor: 'divider', pl: 1.5 }}
      component="section"
      aria-label="Simulated devices"
    >
      <Typography>Simulated: for trying things out, not for a batch that is eaten.</Typography>
      {devices.probe === 'simulated' && setup && (
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'end' }}>
          <Box sx={{ width: 140 }}>
            <BigNumberField label="So many times as fast" unit="×" value={speed} onChange={setSpeed} />
          </Box>
          <BigButton onClick={putOn}>Pot on the heat</BigButton>
          <BigButton
            onClick={() => {
              run({ what: 'goes in', contents: coldButter, celsius: 6 });
            }}
          >
            Cold butter in
          </BigButton>
          <BigButton
            onClick={() => {
              run({ what: 'heat', share: 0.6 });
            }}
          >
            Flame lower
          </BigButton>
          <BigButton
            onClick={() => {
              run({ what: 'off the heat' });
            }}
          >
            Pot off
          </BigButton>
          <FormControlLabel
            label="The bulb touches the pot"
            control={
              <Switch
                checked={touches}
                onChange={({ target }) => {
                  setTouches(target.checked);
                  run({ what: 'probe', touchesKelvin: target.checked ? 14 : 0, dropOuts: 0.01, nonsense: 0.002 });
                }}
              />
            }
          />
        </Box>
      )}
      {devices.scale === 'simulated' && (
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'end', flexWrap: 'wrap' }}>
          <Box sx={{ width: 200 }}>
            <BigNumberField label="Stands on the scale" unit="g" value={grams} onChange={setGrams} />
          </Box>
          <BigButton
            onClick={() => {
              const value = readNumber(grams);
              if (value >= 0) run({ what: 'on the scale', grams: value });
              else setTrouble('must be a number of grams');
            }}
          >
            Put it on
          </BigButton>
        </Box>
      )}
      {devices.hygrometer === 'simulated' && (
        <BigButton
          onClick={() => {
            run({ what: 'room', celsius: 22, humidity: 48 });
          }}
        >
          Room at 22 C and 48 %
        </BigButton>
      )}
      {trouble && (
        <Typography role="alert" sx={{ color: 'error.main' }}>
          {trouble}
        </Typography>
      )}
    </Box>
  );
}
