import { mdiAlertCircleOutline, mdiCheck, mdiMagnify } from '@mdi/js';
import Box from '@mui/material/Box';
import type { SetLabel } from '@usual-pantry/core/api';
import { sayCount } from '@usual-pantry/core/quantity';
import { WaysOut } from '../findings/WaysOut';
import { Icon } from '../parts/Icon';
import { Panel } from '../parts/Panel';

const states = {
  there: { icon: mdiCheck, text: 'there', colour: 'success.main' },
  missing: { icon: mdiAlertCircleOutline, text: 'missing', colour: 'error.main' },
  check: { icon: mdiMagnify, text: 'to check', colour: 'warning.main' },
} as const;
const rank = { missing: 0, check: 1, there: 2 };

/** What the label must say, what is missing, and where it is entered: a help to draft, no more. */
export function Checklist({ label }: { label: SetLabel }) {
  const fields = [...label.required].sort((a, b) => rank[a.state] - rank[b.state]);
  const missing = fields.filter(({ state }) => state === 'missing').length;
  const toCheck = fields.filter(({ state }) => state === 'check').length;
  return (
    <Panel
      title="What the label must say"
      aside={
        <Box sx={{ color: 'text.secondary' }}>
          {missing > 0 ? `${sayCount(missing, 'field')} missing, ` : ''}
          {toCheck} to check
        </Box>
      }
    >
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 1 }}>
        {fields.map(({ key, what, state, text, source, wayOut }) => (
          <Box component="li" key={key} sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
            <Box sx={{ color: states[state].colour, pt: 0.25 }}>
              <Icon path={states[state].icon} />
            </Box>
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <Box>
                <strong>{what}</strong>, {states[state].text}: {text}
              </Box>
              <Box sx={{ typography: 'fine', color: 'text.secondary' }}>{source}</Box>
            </Box>
            {wayOut && state !== 'there' && <WaysOut waysOut={[wayOut]} />}
          </Box>
        ))}
      </Box>
      <Box sx={{ typography: 'note', color: 'text.secondary', mt: 1.5 }}>
        A help to draft it, not legal advice. Rules are from memory and change: your local authority decides.
      </Box>
    </Panel>
  );
}
