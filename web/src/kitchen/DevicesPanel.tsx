import Box from '@mui/material/Box';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { deviceKinds } from '@usual-pantry/core/device';
import { useState } from 'react';
import { isExample } from '../parts/kitchenAt';
import { Folded } from '../parts/Panel';
import { SimulatedBench } from './SimulatedBench';
import type { Bench } from './useBench';
import { simulatesAny, useDevices, type DeviceChoice } from './useDevices';

const names = { probe: 'Thermometer', scale: 'Scale', hygrometer: 'Room' } as const;
const choices: readonly { readonly as: DeviceChoice; readonly name: string }[] = [
  { as: 'none', name: 'by hand' },
  { as: 'connected', name: 'connected' },
  { as: 'simulated', name: 'simulated' },
];

/** Which devices stand at this bench, and what is done to those that are simulated. */
export function DevicesPanel({ bench }: { bench: Bench }) {
  const { devices, choose } = useDevices();
  const [isOpen] = useState(simulatesAny(devices));
  if (isExample) return null;
  return (
    <Folded title="Devices" isOpen={isOpen}>
      <Box sx={{ display: 'grid', gap: 1.25 }}>
        {deviceKinds.map((kind) => (
          <Box key={kind} sx={{ display: 'flex', alignItems: 'center', gap: 1.5, flexWrap: 'wrap' }}>
            <Typography id={`device-${kind}`} sx={{ typography: 'large', width: 130 }}>
              {names[kind]}
            </Typography>
            <ToggleButtonGroup
              exclusive
              aria-labelledby={`device-${kind}`}
              value={devices[kind]}
              onChange={(_event, as: DeviceChoice | null) => {
                if (as) choose(kind, as);
              }}
            >
              {choices.map(({ as, name }) => (
                <ToggleButton key={as} value={as} sx={{ minHeight: 48 }}>
                  {name}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
          </Box>
        ))}
        {simulatesAny(devices) && <SimulatedBench bench={bench} devices={devices} />}
      </Box>
    </Folded>
  );
}
