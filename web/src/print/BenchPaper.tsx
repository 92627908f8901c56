import Box from '@mui/material/Box';
import type { PlanRuns } from '@usual-pantry/core/api';
import { benchDay, runOf, type BenchTask, sayBenchTime, type BenchDay } from '@usual-pantry/core/bench-day';
import { sayCount, sayDay, sayMinutes, sayShortDay } from '@usual-pantry/core/quantity';
import { useSearchParams } from 'react-router';
import { usePlanQuery, usePlanRunsQuery } from '../data/plan';
import { useSeasonBook, type SeasonBook } from '../data/useSeason';
import { sayPacked } from '../parts/packedWords';
import { Waiting } from '../parts/Waiting';
import { PaperLine, PaperList, PaperPart, Sheet } from './Sheet';
import { Method, Weighing } from './Weighing';

interface TaskProps {
  readonly sheet: BenchDay;
  readonly task: BenchTask;
  /** What is weighed and done, where this is the first stretch of a recipe on the day. */
  readonly run: PlanRuns['runs'][number] | undefined;
  readonly season: SeasonBook;
}

function Task({ sheet, task, run, season }: TaskProps) {
  const facts = run && season.book.recipes.get(run.recipeId);
  const words = [
    task.code,
    sayMinutes(task.minutes),
    ...(task.hold ? [task.hold.text] : []),
    ...(task.pack ? [`for ${sayShortDay(task.pack.handOver)}`] : []),
    ...(task.who === 'helper' ? ['by the helper'] : []),
  ];
  return (
    <PaperLine aside={sayBenchTime(sheet, task.from)}>
      <strong>{task.pack ? sayPacked(task.name, task.pack, season.book) : task.name}</strong>
      <Box component="span" sx={{ typography: 'figures', color: '#111' }}>
        {' '}
        {words.join(' · ')}
      </Box>
      {run && facts && (
        <>
          <Weighing season={season} facts={facts} batches={run.batches} />
          <Method season={season} facts={facts} size={run.batches[0]?.size ?? 1} />
        </>
      )}
    </PaperLine>
  );
}

/** A day of the bench as a list: when, what, how much of what, until when, beware of what; each with a box to tick. */
function DayPaper({ day, work, season }: { day: PlanRuns['days'][number]; work: PlanRuns; season: SeasonBook }) {
  const sheet = benchDay(work, day.day, season.book);
  /** The run that a strip is the first of. */
  const begunBy = (task: BenchTask) => {
    const run = runOf(work, task);
    return run?.day === day.day && sheet.tasks.find((each) => runOf(work, each) === run) === task ? run : undefined;
  };
  return (
    <Box sx={{ breakAfter: 'page', '&:last-child': { breakAfter: 'auto' } }}>
      <PaperPart
        title={sayDay(day.day)}
        aside={`${sayMinutes(day.bookedMinutes)} of ${sayMinutes(day.benchMinutes)} · begins at ${sheet.begins === null ? '________' : sayBenchTime(sheet, 0)}`}
      >
        {sheet.resting.length > 0 && (
          <Box sx={{ my: 0.5 }}>
            Still resting: {sheet.resting.map((each) => `${each.recipeName} of ${sayShortDay(each.madeOn)}`).join(', ')}
            .
          </Box>
        )}
        <PaperList>
          {sheet.tasks.map((task) => (
            <Task key={task.key} sheet={sheet} task={task} run={begunBy(task)} season={season} />
          ))}
        </PaperList>
      </PaperPart>
    </Box>
  );
}

/** The bench sheet on paper: of one day, or of every day on which something is done. */
export function BenchPaper() {
  const [search] = useSearchParams();
  const only = search.get('day');
  const { data: plan } = usePlanQuery();
  const { data: work, error: noWork } = usePlanRunsQuery();
  const { season, error, again } = useSeasonBook();
  if (!season || !work || !plan) return <Waiting error={error ?? noWork} again={again} />;
  const days = work.days.filter(({ day, bookedMinutes }) => (only === null ? bookedMinutes > 0 : day === only));
  return (
    <Sheet
      title={`Bench sheet, ${plan.maker}`}
      lead={`${sayCount(days.length, 'day')}. A time with a + counts from when you begin; temperatures are for your thermometer in your kitchen.`}
      back={only === null ? '/plan/days' : `/?day=${only}`}
    >
      {days.map((day) => (
        <DayPaper key={day.day} day={day} work={work} season={season} />
      ))}
    </Sheet>
  );
}
