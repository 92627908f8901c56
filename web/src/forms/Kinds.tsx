import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';

interface KindsProps<K extends string> {
  readonly label: string;
  readonly kinds: readonly K[];
  readonly value: K;
  readonly onPick: (kind: K) => void;
}

/** Kinds of which one is picked. */
export const Kinds = <K extends string>({ label, kinds, value, onPick }: KindsProps<K>) => (
  <ToggleButtonGroup
    sx={{ flexWrap: 'wrap' }}
    exclusive
    size="small"
    color="primary"
    value={value}
    aria-label={label}
    onChange={(_event, kind: K | null) => {
      if (kind) onPick(kind);
    }}
  >
    {kinds.map((kind) => (
      <ToggleButton key={kind} value={kind} sx={{ px: 2 }}>
        {kind}
      </ToggleButton>
    ))}
  </ToggleButtonGroup>
);
