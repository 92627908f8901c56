import type { PlanSummary } from '@usual-pantry/core/api';
import Button from '@mui/material/Button';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import { sayCount, sayMass, sayMoney } from '@usual-pantry/core/quantity';
import { Link, useParams } from 'react-router';
import { AnswerLine, Mark } from '../parts/AnswerLine';
import { PlanFindings } from '../findings/Findings';
import { Empty } from '../parts/Panel';
import { Waiting } from '../parts/Waiting';
import { Ahead } from './Ahead';
import { Batches } from './Batches';
import { BenchSheet } from './BenchSheet';
import { PlanState } from './PlanState';
import { Shopping } from './Shopping';
import { usePlanQuery } from '../data/plan';

const views = {
  batches: { name: 'Batches', show: Batches },
  shopping: { name: 'Shopping', show: Shopping },
  days: { name: 'Bench days', show: BenchSheet },
  ahead: { name: 'Weeks to come', show: Ahead },
} as const;

const ABOUT = ['ingredient', 'recipe', 'piece', 'kitchen', 'day'] as const;

function Answer({ plan }: { plan: PlanSummary }) {
  const made = plan.madeBatches;
  const over = plan.findings.codes['day-over'] ?? 0;
  return (
    <AnswerLine>
      <Mark tone="hot">{sayCount(plan.batches, 'batch', 'batches')}</Mark>
      {made > 0 && (
        <>
          , and <Mark tone="done">{String(made)} made already</Mark>,
        </>
      )}{' '}
      for {sayCount(plan.pieces, 'piece')}; {sayMass(plan.leftOverGrams)} left over. Buy{' '}
      {sayCount(plan.toBuy, 'ingredient')} for {sayMoney(plan.shoppingCostMinor, plan.currency)}
      {over > 0 && (
        <>
          . <Mark tone="stop">{sayCount(over, 'day is over its hours', 'days are over their hours')}</Mark>
        </>
      )}
      .
    </AnswerLine>
  );
}

/** What to make and to buy, worked out from the open orders. */
export function PlanScreen() {
  const { view = 'batches' } = useParams();
  const { data: plan, error, refetch } = usePlanQuery();
  if (!plan) return <Waiting error={error} again={refetch} />;
  const current = view in views ? (view as keyof typeof views) : 'batches';
  const Show = views[current].show;
  if (plan.orders === 0 && current !== 'ahead')
    return (
      <Empty
        title="No open orders, so nothing to plan."
        action={
          <Button variant="outlined" component={Link} to="/plan/ahead">
            See what the weeks to come could take
          </Button>
        }
      >
        Take an order, and what to make and buy stands here.
      </Empty>
    );
  return (
    <>
      <Answer plan={plan} />
      <PlanState plan={plan} />
      <PlanFindings about={ABOUT} />
      <Tabs
        value={current}
        aria-label="Plan"
        sx={{ mb: 2, borderBottom: 2, borderColor: 'rim', displayPrint: 'none' }}
        variant="scrollable"
      >
        {Object.entries(views).map(([key, { name }]) => (
          <Tab key={key} value={key} label={name} component={Link} to={`/plan/${key}`} />
        ))}
      </Tabs>
      <Show plan={plan} />
    </>
  );
}
