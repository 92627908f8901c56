import { mdiAlertOctagon, mdiCircleOutline, mdiRhombus } from '@mdi/js';
import Box from '@mui/material/Box';
import type { Severity } from '@usual-pantry/core/finding';
import { sayCount } from '@usual-pantry/core/quantity';
import { Icon } from '../parts/Icon';

/** Read out, and not seen. */
const READ_OUT = { position: 'absolute', width: 1, height: 1, overflow: 'hidden', clipPath: 'inset(50%)' } as const;

interface Look {
  readonly name: string;
  readonly counted: (count: number) => string;
  readonly icon: string;
  readonly mark: string;
  readonly text: string;
}

const looks: Record<Severity, Look> = {
  stop: {
    name: 'Stop: ',
    counted: (count) => sayCount(count, 'stop'),
    icon: mdiAlertOctagon,
    mark: 'error.main',
    text: 'error.main',
  },
  decide: {
    name: 'To decide: ',
    counted: (count) => `${String(count)} to decide`,
    icon: mdiRhombus,
    mark: 'warning.light',
    text: 'warning.main',
  },
  know: {
    name: 'Good to know: ',
    counted: (count) => `${String(count)} good to know`,
    icon: mdiCircleOutline,
    mark: 'primary.main',
    text: 'text.primary',
  },
};

/** How grave something is, as a mark with its name. */
export function SeverityMark({ severity }: { severity: Severity }) {
  const { name, icon, mark } = looks[severity];
  return (
    <span>
      <Icon path={icon} sx={{ typography: 'large', color: mark, mt: '2px' }} />
      <span style={READ_OUT}>{name}</span>
    </span>
  );
}

/** So many of a severity, as a mark with words. */
export function SeverityCount({ severity, count }: { severity: Severity; count: number }) {
  const { counted, icon, mark, text } = looks[severity];
  return (
    <Box component="strong" sx={{ color: text, whiteSpace: 'nowrap' }}>
      <Icon path={icon} sx={{ typography: 'large', color: mark, verticalAlign: '-4px', mr: 0.5 }} />
      {counted(count)}
    </Box>
  );
}
