import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import type { NamedThings } from '@usual-pantry/core/ingredient';
import { benchDay, type BenchDay, type BenchTask, sayBenchTime } from '@usual-pantry/core/bench-day';
import { doneOn } from '@usual-pantry/core/plan';
import type { DayInShort, PlanRuns, PlanSummary } from '@usual-pantry/core/api';
import { addDays, sayCount, sayMinutes, sayShortDay } from '@usual-pantry/core/quantity';
import { useMemo, type ReactNode } from 'react';
import { Link as RouterLink } from 'react-router';
import { EndOfTask } from '../batches/EndOfTask';
import { MadeLine } from '../batches/MadeLine';
import { sayPacked } from '../parts/packedWords';
import { labelAddress } from '../parts/addresses';
import { Panel } from '../parts/Panel';
import { Tape } from '../parts/Tape';
import { NO_NAMES, useSeasonBook } from '../data/useSeason';
import { useIsHelper } from '../data/door';
import { useHandOversQuery, usePlanRunsQuery, useShoppingQuery } from '../data/plan';

/** Whether there is anything to make, pack or hand over on a day. */
export const hasWork = ({ runs, packedBoxes, handOvers }: DayInShort): boolean =>
  runs.length + packedBoxes + handOvers > 0;

function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box sx={{ mt: 1.5 }}>
      <Typography variant="h3" sx={{ mb: 0.75 }}>
        {title}
      </Typography>
      <Box sx={{ display: 'grid', gap: 0.75 }}>{children}</Box>
    </Box>
  );
}

/** Where a stretch of work is looked at. */
function addressOfTask({ recipeId, pieceId, pack }: BenchTask): string {
  if (recipeId !== null) return `/recipes/${recipeId}`;
  if (pieceId !== null) return `/pieces/${pieceId}`;
  return pack ? labelAddress(pack.boxId, pack.handOver, pack) : '/plan/days';
}

interface TimedTapeProps {
  readonly sheet: BenchDay;
  readonly task: BenchTask;
  readonly to: string | null;
  readonly names: NamedThings;
  readonly children: ReactNode;
}

/** A stretch of work with the time at which it begins and what ends it. */
const TimedTape = ({ sheet, task, to, names, children }: TimedTapeProps) => (
  <Box
    sx={{ display: 'grid', gridTemplateColumns: { xs: '54px 1fr 62px', sm: '72px 1fr 76px' }, alignItems: 'center' }}
  >
    <Box sx={{ typography: 'figures', color: 'text.secondary' }}>{sayBenchTime(sheet, task.from)}</Box>
    <Tape
      to={to}
      name={task.pack ? sayPacked(task.name, task.pack, names) : task.name}
      tone={task.kind === 'pack' ? 'pack' : 'batch'}
      code={[
        task.code,
        sayMinutes(task.minutes),
        ...(task.hold ? [task.hold.text] : []),
        ...(task.pack ? [`for ${sayShortDay(task.pack.handOver)}`] : []),
        ...(task.who === 'helper' ? ['by the helper'] : []),
      ].join(' · ')}
    />
    <Box sx={{ pl: { sm: 1 } }}>{children}</Box>
  </Box>
);

/** What is handed over on a day. */
function HandOvers({ day }: { day: string }) {
  const { data: days } = useHandOversQuery(day);
  const isHelper = useIsHelper();
  const orders = days?.flatMap((each) => each.orders) ?? [];
  if (orders.length === 0) return null;
  return (
    <Section title="Hand over">
      {orders.map((order) => (
        <Box key={order.orderId} sx={{ display: 'flex', justifyContent: 'space-between', gap: 1 }}>
          {isHelper ? (
            order.customer
          ) : (
            <Link component={RouterLink} to={`/orders/${order.orderId}`}>
              {order.customer}
            </Link>
          )}
          <span>
            {sayCount(order.boxes, 'box', 'boxes')}, {order.way}
            {order.place ? `, ${order.place}` : ''}
          </span>
        </Box>
      ))}
    </Section>
  );
}

/** The work of a day in order; what each stretch of it is at its end. */
function InOrder({ sheet, day, work, today }: { sheet: BenchDay; day: string; work: PlanRuns; today: string }) {
  const { season } = useSeasonBook();
  const isHelper = useIsHelper();
  if (sheet.tasks.length === 0) return null;
  return (
    <Section title="In order">
      {sheet.tasks.map((task) => (
        <TimedTape
          key={task.key}
          sheet={sheet}
          task={task}
          to={isHelper ? null : addressOfTask(task)}
          names={season?.book ?? NO_NAMES}
        >
          {season && !isHelper && (
            <EndOfTask task={task} tasks={sheet.tasks} day={day} plan={work} today={today} season={season} />
          )}
        </TimedTape>
      ))}
    </Section>
  );
}

/** From when to when, or when it ends counted from its beginning. */
const sayEnd = (sheet: BenchDay): string =>
  sheet.begins === null
    ? `, ends at ${sayBenchTime(sheet, sheet.spanMinutes)}`
    : `, ${sayBenchTime(sheet, 0)} to ${sayBenchTime(sheet, sheet.spanMinutes)}`;

/** One day in order, with times: make, finish, pack; what still rests; and what is handed over. */
export function DaySheet({ entry, plan, title }: { entry: DayInShort; plan: PlanSummary; title: string }) {
  const { season } = useSeasonBook();
  const { data: work } = usePlanRunsQuery();
  const isHelper = useIsHelper();
  const sheet = useMemo(
    () => (season && work ? benchDay(work, entry.day, season.book) : null),
    [work, entry.day, season],
  );
  const done = work ? doneOn(work, entry.day) : [];
  const nothing = !hasWork(entry) && entry.bookedMinutes === 0;
  const aside =
    entry.benchMinutes > 0 ? `${sayMinutes(entry.bookedMinutes)} of ${sayMinutes(entry.benchMinutes)}` : 'no bench day';
  const ends = sheet && sheet.tasks.length > 0 ? sayEnd(sheet) : '';
  return (
    <Panel
      title={title}
      aside={
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
          <Box sx={{ typography: 'figures' }}>{aside + ends}</Box>
          {!nothing && !isHelper && (
            <Button size="small" component={RouterLink} to={`/print/bench?day=${entry.day}`}>
              On paper
            </Button>
          )}
        </Box>
      }
    >
      {nothing && <Typography sx={{ color: 'text.secondary' }}>Nothing to make, pack or hand over.</Typography>}
      {sheet && work && <InOrder sheet={sheet} day={entry.day} work={work} today={plan.today} />}
      {done.length > 0 && (
        <Section title="Done">
          {done.map((made) => (
            <MadeLine key={`${made.recipeId} ${made.day}`} made={made} />
          ))}
        </Section>
      )}
      {sheet && sheet.resting.length > 0 && (
        <Section title="Has rested">
          {sheet.resting.map(({ recipeName, madeOn }) => (
            <span key={`${recipeName} ${madeOn}`}>
              {recipeName}, since {sayShortDay(madeOn)}
            </span>
          ))}
        </Section>
      )}
      {entry.handOvers > 0 && <HandOvers day={entry.day} />}
    </Panel>
  );
}

const WEEK = 7;

/** The next seven days, a line each. */
export function ComingDays({ plan }: { plan: PlanSummary }) {
  const last = addDays(plan.today, WEEK);
  const days = plan.days.filter((entry) => entry.day > plan.today && entry.day <= last && hasWork(entry));
  return (
    <Panel title="The next seven days">
      {days.length === 0 && <Typography sx={{ color: 'text.secondary' }}>No work in them.</Typography>}
      {days.map((entry) => {
        const boxes = entry.packedBoxes;
        const parts = [
          ...new Set(entry.runs),
          ...(boxes > 0 ? [`pack ${sayCount(boxes, 'box', 'boxes')}`] : []),
          ...(entry.handOvers > 0 ? [`hand over ${sayCount(entry.handOvers, 'order')}`] : []),
        ];
        return (
          <Box
            key={entry.day}
            sx={{
              display: 'grid',
              gridTemplateColumns: '92px 1fr',
              gap: 1,
              py: 0.75,
              borderTop: 1,
              borderColor: 'divider',
            }}
          >
            <Link component={RouterLink} to={`/?day=${entry.day}`} sx={{ fontWeight: 650, whiteSpace: 'nowrap' }}>
              {sayShortDay(entry.day)}
            </Link>
            <span>{parts.join(', ')}</span>
          </Box>
        );
      })}
    </Panel>
  );
}

/** What must be in the pantry by tomorrow, or by the first day on which something is used. */
export function ToBuy() {
  const { data: list = [] } = useShoppingQuery(undefined, { skip: useIsHelper() });
  const missing = list.filter((line) => line.packs.length > 0);
  const first = missing.reduce((day, line) => (line.buyBy < day ? line.buyBy : day), missing[0]?.buyBy ?? '');
  const due = missing.filter((line) => line.buyBy <= first);
  if (due.length === 0) return null;
  return (
    <Panel
      title={`Buy by ${sayShortDay(first)}`}
      aside={
        <Button component={RouterLink} to="/plan/shopping" size="small">
          Whole list
        </Button>
      }
    >
      {due.map((line) => (
        <Box key={line.key} sx={{ display: 'flex', justifyContent: 'space-between', gap: 1, py: 0.5 }}>
          <span>{line.name}</span>
          <span>{line.packs.map((pack) => `${String(pack.count)} × ${pack.name}`).join(' + ')}</span>
        </Box>
      ))}
    </Panel>
  );
}
