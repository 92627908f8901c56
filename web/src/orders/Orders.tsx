import { mdiFileDelimitedOutline, mdiHandshakeOutline, mdiPlus } from '@mdi/js';
import Button from '@mui/material/Button';
import { sayCount, sayDay } from '@usual-pantry/core/quantity';
import { Link, useParams } from 'react-router';
import { usePlanQuery, type PlanAnswer } from '../app/api';
import { Icon } from '../app/Icon';
import { AnswerLine, Mark } from '../parts/AnswerLine';
import { Findings } from '../parts/Findings';
import { SplitView } from '../parts/SplitView';
import { Waiting } from '../parts/Waiting';
import { HandOvers } from './HandOvers';
import { OrderImport } from './OrderImport';
import { OrderPage } from './OrderPage';
import { OrderTable } from './OrderTable';
import { QuickEntry } from './QuickEntry';

function Answer({ plan }: { plan: PlanAnswer }) {
  const next = plan.days.find((day) => day.handOvers.length > 0);
  const broken = plan.findings.filter((each) => each.code === 'exclusion-broken').length;
  if (plan.orders === 0) return <AnswerLine>No open orders. Take the first one.</AnswerLine>;
  return (
    <AnswerLine>
      {sayCount(plan.orders, 'open order')} for {sayCount(plan.boxes, 'box', 'boxes')}
      {next && (
        <>
          ; next,{' '}
          <Mark tone="hot">
            {sayCount(next.handOvers.length, 'order')} on {sayDay(next.day)}
          </Mark>
        </>
      )}
      {broken > 0 && (
        <>
          . <Mark tone="stop">{sayCount(broken, 'exclusion')} to settle</Mark>
        </>
      )}
      .
    </AnswerLine>
  );
}

/** What starts an order or brings several. One element, so that the table is not drawn again for it. */
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
  </>
);

/** Orders in a table, the open one beside it. */
export function Orders() {
  const { id } = useParams();
  const { data: plan, error, refetch } = usePlanQuery();
  if (id === 'import') return <OrderImport />;
  if (id === 'hand-overs') return <HandOvers />;
  if (!plan) return <Waiting error={error} again={refetch} />;
  return (
    <>
      {!id && <Answer plan={plan} />}
      {!id && <Findings findings={plan.findings.filter((each) => each.about.noun === 'order')} />}
      {!id && <QuickEntry />}
      <SplitView
        listWidth="370px"
        list={<OrderTable openId={id} compact={id !== undefined} action={actions} />}
        detail={id && <OrderPage key={id} id={id} />}
      />
    </>
  );
}
