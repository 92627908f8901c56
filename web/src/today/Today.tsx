import type { PlanSummary } from '@usual-pantry/core/api';
import Box from '@mui/material/Box';
import { sayCount, sayDay } from '@usual-pantry/core/quantity';
import { useSearchParams } from 'react-router';
import { AnswerLine, Mark } from '../parts/AnswerLine';
import { PlanFindings } from '../findings/Findings';
import { Waiting } from '../parts/Waiting';
import { ComingDays, DaySheet, hasWork, ToBuy } from './DaySheet';
import { FirstSteps } from './FirstSteps';
import { usePlanQuery } from '../data/plan';
import { useIsHelper } from '../data/door';
import { usePlanJob } from '../data/usePlanJob';
import { Running } from '../parts/Running';

function Answer({ plan }: { plan: PlanSummary }) {
  const days = plan.days.filter((day) => day.runs.length > 0 || day.packedBoxes > 0).length;
  const made = plan.madeBatches;
  const toDecide = plan.findings.stop + plan.findings.decide;
  const isHelper = useIsHelper();
  return (
    <AnswerLine>
      {sayCount(plan.orders, 'order')}, {sayCount(plan.boxes, 'box', 'boxes')}, {sayCount(plan.pieces, 'piece')}:{' '}
      <Mark tone="hot">
        {sayCount(plan.batches, 'batch', 'batches')} over {sayCount(days, 'bench day')}
      </Mark>
      {made > 0 && (
        <>
          , <Mark tone="done">{sayCount(made, 'batch is made', 'batches are made')}</Mark>
        </>
      )}
      {isHelper ? (
        '.'
      ) : (
        <>
          ,{' '}
          {toDecide === 0 ? (
            <Mark tone="done">nothing to decide.</Mark>
          ) : (
            <Mark tone="stop">{sayCount(toDecide, 'thing')} to decide.</Mark>
          )}
        </>
      )}
    </AnswerLine>
  );
}

/** What to make, pack, buy and hand over on a day, and what must be decided. */
export function Today() {
  const { data: plan, error, refetch } = usePlanQuery();
  const [search] = useSearchParams();
  const { job, isPlanning, stop } = usePlanJob(!useIsHelper());
  if (!plan) return <Waiting error={error} again={refetch} />;
  if (plan.orders === 0) return <FirstSteps />;
  const day = search.get('day') ?? plan.today;
  const chosen = plan.days.find((each) => each.day === day) ?? plan.days[0];
  const next =
    chosen && !hasWork(chosen) ? plan.days.find((each) => each.day > chosen.day && hasWork(each)) : undefined;
  return (
    <>
      <Answer plan={plan} />
      {isPlanning && job && (
        <Box sx={{ mb: 1.5 }}>
          <Running job={job} currency={plan.currency} onStop={stop}>
            What stands here changes when it is found.
          </Running>
        </Box>
      )}
      <PlanFindings />
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          gridTemplateColumns: { xs: '1fr', lg: '3fr 2fr' },
          alignItems: 'start',
        }}
      >
        <Box sx={{ display: 'grid', gap: 2 }}>
          {chosen && (
            <DaySheet
              entry={chosen}
              plan={plan}
              title={`${chosen.day === plan.today ? 'Today, ' : ''}${sayDay(chosen.day)}`}
            />
          )}
          {next && <DaySheet entry={next} plan={plan} title={`Next, ${sayDay(next.day)}`} />}
        </Box>
        <Box sx={{ display: 'grid', gap: 2 }}>
          <ComingDays plan={plan} />
          <ToBuy />
        </Box>
      </Box>
    </>
  );
}
