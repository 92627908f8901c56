import { mdiHelpCircleOutline, mdiCalendarExport, mdiPrinterOutline, mdiRefresh } from '@mdi/js';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { PlanSummary } from '@usual-pantry/core/api';
import { sayNumber } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { Link } from 'react-router';
import { Icon } from '../parts/Icon';
import { WaysOut } from '../findings/WaysOut';
import { usePlanEdit } from '../data/usePlanEdit';
import { sayMoment } from '../parts/words';
import { Running } from '../parts/Running';
import { usePlanJob } from '../data/usePlanJob';
import { WhatIfDrawer } from './WhatIfDrawer';
import { apiAt } from '../parts/kitchenAt';

/** How good the plan is, and since when. */
function saySolved(plan: PlanSummary): string {
  const when = plan.solved
    ? `Within ${sayNumber(plan.solved.gap * 100, 1)} % of the best possible plan, ${sayMoment(plan.solved.at)}.`
    : '';
  if (!plan.decided) return 'Planned day by day as it comes. Let the whole season be worked out to find a better plan.';
  if (!plan.follows)
    return `${when} Orders, recipes or what came of a batch have changed since: the days are kept as far as they serve.`;
  return when || 'Your last plan.';
}

/** Whether the plan is good, and what brings a better one: work it out anew, ask what if, take it along. */
export function PlanState({ plan }: { plan: PlanSummary }) {
  const { startPlan } = usePlanEdit();
  const [asking, setAsking] = useState(false);
  const { job, isPlanning, stop } = usePlanJob();
  return (
    <Box sx={{ mb: 2 }}>
      {isPlanning && job ? (
        <Box sx={{ mb: 1.5 }}>
          <Running job={job} currency={plan.currency} onStop={stop}>
            The last plan stays meanwhile.
          </Running>
        </Box>
      ) : (
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap', displayPrint: 'none' }}>
          <Button variant="contained" startIcon={<Icon path={mdiRefresh} />} onClick={() => void startPlan()}>
            {plan.decided ? 'Plan again' : 'Plan the season'}
          </Button>
          <Button
            variant="outlined"
            startIcon={<Icon path={mdiHelpCircleOutline} />}
            onClick={() => {
              setAsking(true);
            }}
          >
            What if
          </Button>
          <Button href={apiAt('/plan/calendar.ics')} download startIcon={<Icon path={mdiCalendarExport} />}>
            Calendar
          </Button>
          <Button startIcon={<Icon path={mdiPrinterOutline} />} component={Link} to="/print/bench">
            Bench sheet on paper
          </Button>
          <Box sx={{ color: 'text.secondary' }} data-testid="solved">
            {saySolved(plan)}
          </Box>
        </Box>
      )}
      {job?.kind === 'plan' && !isPlanning && job.message && (
        <Alert severity={job.clash.length > 0 || job.state === 'failed' ? 'error' : 'info'} sx={{ mt: 1.5 }}>
          {job.message}
          {job.clash.length > 0 && (
            <ul style={{ margin: 0, paddingLeft: 20 }}>
              {job.clash.map((each) => (
                <li key={each}>{each}</li>
              ))}
            </ul>
          )}
          <WaysOut waysOut={job.waysOut} />
        </Alert>
      )}
      <WhatIfDrawer
        plan={plan}
        open={asking}
        onClose={() => {
          setAsking(false);
        }}
      />
    </Box>
  );
}
