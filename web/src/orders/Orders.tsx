import type { PlanSummary } from '@usual-pantry/core/api';
import { mdiFileDelimitedOutline, mdiHandshakeOutline, mdiInboxArrowDownOutline, mdiPlus } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { sayCount, sayDay } from '@usual-pantry/core/quantity';
import { Link, useParams, useSearchParams } from 'react-router';
import { Icon } from '../parts/Icon';
import { AnswerLine, Mark } from '../parts/AnswerLine';
import { PlanFindings } from '../findings/Findings';
import { SplitView } from '../parts/SplitView';
import { Waiting } from '../parts/Waiting';
import { HandOvers } from './HandOvers';
import { Inbox } from './Inbox';
import { OrderImport } from './OrderImport';
import { OrderPage } from './OrderPage';
import { OrderSlip } from './OrderSlip';
import { OrderTable } from './OrderTable';
import { QuickEntry } from './QuickEntry';
import { Tickets } from './Tickets';
import { usePlanQuery } from '../data/plan';

function Answer({ plan }: { plan: PlanSummary }) {
  const next = plan.days.find((day) => day.handOvers > 0);
  if (plan.orders === 0) return <AnswerLine>No open orders. Take the first one.</AnswerLine>;
  return (
    <AnswerLine>
      {sayCount(plan.orders, 'open order')} for {sayCount(plan.boxes, 'box', 'boxes')}
      {next && (
        <>
          ; next,{' '}
          <Mark tone="hot">
            {sayCount(next.handOvers, 'order')} on {sayDay(next.day)}
          </Mark>
        </>
      )}
      .
    </AnswerLine>
  );
}

const ABOUT = ['order'] as const;

/** What starts an order or brings several. */
const actions = (
  <>
    <Button component={Link} to="/orders/new" variant="contained" startIcon={<Icon path={mdiPlus} />}>
      New order
    </Button>
    <Button component={Link} to="/orders/import" startIcon={<Icon path={mdiFileDelimitedOutline} />}>
      From a CSV
    </Button>
    <Button component={Link} to="/orders/hand-overs" startIcon={<Icon path={mdiHandshakeOutline} />}>
      Hand-overs
    </Button>
    <Button component={Link} to="/orders/inbox" startIcon={<Icon path={mdiInboxArrowDownOutline} />}>
      Inbox
    </Button>
  </>
);

/** Orders in a table, the open one beside it. */
export function Orders() {
  const { id, view } = useParams();
  const [search, setSearch] = useSearchParams();
  const rail = search.get('as') === 'tickets';
  const { data: plan, error, refetch } = usePlanQuery();
  if (id === 'import') return <OrderImport />;
  if (id === 'hand-overs') return <HandOvers />;
  if (id === 'inbox') return <Inbox />;
  if (id !== undefined && view === 'slip') return <OrderSlip id={id} />;
  if (!plan) return <Waiting error={error} again={refetch} />;
  return (
    <>
      {!id && <Answer plan={plan} />}
      {!id && <PlanFindings about={ABOUT} />}
      {!id && <QuickEntry />}
      {!id && (
        <Box sx={{ display: 'flex', gap: 1, mb: 1.5, flexWrap: 'wrap' }}>
          <ToggleButtonGroup
            exclusive
            size="small"
            aria-label="Show the orders as"
            value={rail ? 'tickets' : 'table'}
            onChange={(_event, as: string | null) => {
              if (as !== null) setSearch(as === 'tickets' ? { as } : {}, { replace: true });
            }}
          >
            <ToggleButton value="table">Table</ToggleButton>
            <ToggleButton value="tickets">Tickets</ToggleButton>
          </ToggleButtonGroup>
          {actions}
        </Box>
      )}
      {!id && rail ? (
        <Tickets />
      ) : (
        <SplitView
          listWidth="370px"
          list={<OrderTable openId={id} compact={id !== undefined} />}
          detail={id && <OrderPage key={id} id={id} />}
        />
      )}
    </>
  );
}
