import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useColorScheme } from '@mui/material/styles';
import { Panel } from '../parts/Panel';

const modes = [
  { value: 'system', label: 'As the device' },
  { value: 'light', label: 'Light' },
  { value: 'dark', label: 'Dark' },
] as const;

/** Light, dark, or what the device says. */
export function Appearance() {
  const { mode, setMode } = useColorScheme();
  return (
    <Panel title="Appearance">
      <ToggleButtonGroup
        exclusive
        color="primary"
        aria-label="Appearance"
        value={mode}
        onChange={(_event, picked: (typeof modes)[number]['value'] | null) => {
          if (picked) setMode(picked);
        }}
      >
        {modes.map(({ value, label }) => (
          <ToggleButton key={value} value={value}>
            {label}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </Panel>
  );
}
