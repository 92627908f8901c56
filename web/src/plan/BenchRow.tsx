import { useDroppable } from '@dnd-kit/core';
import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import { doneOn, type LabelRun, type SeasonDay } from '@usual-pantry/core/plan';
import type { PlanRuns } from '@usual-pantry/core/api';
import { whileWaiting, type BenchDay, type BenchTask, sayBenchTime } from '@usual-pantry/core/bench-day';
import { sayClock, sayDay, sayList, sayMinutes, sayShortDay } from '@usual-pantry/core/quantity';
import { Link as RouterLink } from 'react-router';
import { BenchStrip } from './BenchStrip';

const LABEL_WIDTH = 172;
const LANE = 86;

interface Props {
  readonly entry: SeasonDay;
  readonly sheet: BenchDay;
  readonly plan: PlanRuns;
  readonly labels: readonly LabelRun[];
  /** Hours that the sheet is wide. */
  readonly hours: number;
  readonly withEquipment: boolean;
  readonly onOpen: (task: BenchTask, day: string, anchor: HTMLElement) => void;
}

/** The day, its hours, when it ends, and why it cannot end sooner. */
function RowLabel({ entry, sheet }: Pick<Props, 'entry' | 'sheet'>) {
  const over = entry.bookedMinutes > entry.benchMinutes + 1;
  const late = entry.makerMinutes > 0 && sheet.spanMinutes > entry.makerMinutes + 1;
  const small = { typography: 'fine', color: 'text.secondary', lineHeight: 1.35 };
  return (
    <Box sx={{ p: 1, borderRight: 1, borderColor: 'divider' }}>
      <Link component={RouterLink} to={`/?day=${entry.day}`} sx={{ fontWeight: 650 }}>
        {sayShortDay(entry.day)}
      </Link>
      {entry.humid && (
        <Box component="span" sx={{ ...small, ml: 0.75 }}>
          humid
        </Box>
      )}
      <Box sx={{ typography: 'fineFigures', color: over ? 'error.main' : 'text.secondary' }}>
        {sayClock(entry.bookedMinutes)} of {sayClock(entry.benchMinutes)} h{over && ', over'}
      </Box>
      {sheet.tasks.length > 0 && (
        <Box sx={{ ...small, color: late ? 'error.main' : 'text.secondary' }}>
          {sheet.begins !== null && `${sayBenchTime(sheet, 0)} to `}
          {sheet.begins === null && 'ends at '}
          {sayBenchTime(sheet, sheet.spanMinutes)}
          {late && ', overtime'}
        </Box>
      )}
      {sheet.spanMinutes > sheet.leastMinutes + 1 && (
        <Box sx={small}>
          at least: {sheet.bounds.map(({ what, minutes }) => `${what} ${sayClock(minutes)}`).join(', ')}
        </Box>
      )}
    </Box>
  );
}

interface HourProps {
  readonly entry: SeasonDay;
  readonly hours: number;
  readonly scale: number;
  /** When the day begins; its hours are then named by the clock. */
  readonly sheet?: BenchDay;
}

/** Hours as thin lines, and where the maker's end. */
function HourLines({ entry, hours, scale, sheet }: HourProps) {
  return (
    <>
      {Array.from({ length: hours }, (_, hour) => (
        <Box
          key={hour}
          aria-hidden
          sx={{
            position: 'absolute',
            left: `${String(hour * 60 * scale)}%`,
            top: 0,
            bottom: 0,
            display: 'flex',
            alignItems: 'end',
            pl: '3px',
            borderLeft: hour === 0 ? 0 : 1,
            borderColor: 'divider',
            color: 'text.secondary',
            typography: 'fineFigures',
          }}
        >
          {sheet && sayBenchTime(sheet, hour * 60)}
        </Box>
      ))}
      <Box
        title="the end of the hours"
        sx={{
          position: 'absolute',
          left: `${String(entry.makerMinutes * scale)}%`,
          top: 0,
          bottom: 0,
          borderLeft: '4px double',
          borderColor: 'rim',
        }}
      />
    </>
  );
}

/** What is done of a day already: one strip before all that is still to be done. */
function DoneStrip({ entry, plan, scale }: { entry: SeasonDay; plan: PlanRuns; scale: number }) {
  if (entry.doneMinutes === 0) return null;
  const made = doneOn(plan, entry.day);
  const text = sayList([...new Set(made.map(({ recipeName }) => recipeName))]);
  return (
    <Box
      title={`Done: ${text}`}
      sx={{
        position: 'absolute',
        left: 0,
        width: `calc(${String(entry.doneMinutes * scale)}% - 3px)`,
        top: 6,
        height: 44,
        px: 0.75,
        overflow: 'hidden',
        whiteSpace: 'nowrap',
        borderLeft: 6,
        borderColor: 'success.main',
        bgcolor: 'action.hover',
      }}
    >
      <Box component="span" sx={{ display: 'block', fontWeight: 650, typography: 'note', lineHeight: 1.25 }}>
        ✓ Done
      </Box>
      <Box component="span" sx={{ display: 'block', typography: 'fine', textOverflow: 'ellipsis', overflow: 'hidden' }}>
        {text}
      </Box>
    </Box>
  );
}

interface UnderProps extends Pick<Props, 'sheet' | 'plan' | 'labels'> {
  readonly day: string;
}

/** What came from earlier days, what to do in the waits, and what there is too little of. */
function UnderRow({ sheet, plan, labels, day }: UnderProps) {
  const waiting = whileWaiting({ days: plan.days, labels }, day, sheet);
  if (sheet.resting.length === 0 && !waiting && sheet.lacking.length === 0) return null;
  return (
    <Box sx={{ px: 0.75, pb: 0.75, typography: 'fine', color: 'text.secondary' }}>
      {sheet.resting.map(({ recipeName, madeOn }) => (
        <Box key={`${recipeName} ${madeOn}`} component="span" sx={{ mr: 1.5, whiteSpace: 'nowrap' }}>
          <Box
            component="span"
            sx={{ display: 'inline-block', width: 18, borderTop: 2, borderColor: 'hot.main', mr: 0.5, mb: '3px' }}
          />
          {recipeName} has rested since {sayShortDay(madeOn)}
        </Box>
      ))}
      {waiting && (
        <Box component="span">
          {sayMinutes(waiting.minutes)} of waiting
          {waiting.ideas.length > 0 ? `: ${sayList([...waiting.ideas])}` : ''}.
        </Box>
      )}
      {sheet.lacking.length > 0 && (
        <Box sx={{ color: 'error.main' }}>
          Not enough of {sayList([...sheet.lacking])} for all that falls on this day.
        </Box>
      )}
    </Box>
  );
}

/** When each burner, pan and tool is in use; a line each. */
function EquipmentLanes({
  sheet,
  entry,
  hours,
  scale,
}: {
  sheet: BenchDay;
  entry: SeasonDay;
  hours: number;
  scale: number;
}) {
  const names = [...new Set(sheet.equipment.map(({ equipment }) => equipment))].sort();
  return names.map((name) => (
    <Box key={name} sx={{ display: 'contents' }}>
      <Box
        sx={{
          px: 1,
          borderRight: 1,
          borderColor: 'divider',
          typography: 'fine',
          color: 'text.secondary',
          textAlign: 'right',
        }}
      >
        {name}
      </Box>
      <Box sx={{ position: 'relative', height: 18, overflow: 'hidden' }}>
        <HourLines entry={entry} hours={hours} scale={scale} />
        {sheet.equipment
          .filter(({ equipment }) => equipment === name)
          .map(({ what, from, minutes }) => (
            <Box
              key={`${what} ${String(from)}`}
              title={`${name}: ${what}`}
              sx={{
                position: 'absolute',
                top: 4,
                height: 9,
                left: `${String(from * scale)}%`,
                width: minutes === Infinity ? '100%' : `${String(minutes * scale)}%`,
                bgcolor: 'hot.main',
                opacity: 0.55,
              }}
            />
          ))}
      </Box>
    </Box>
  ));
}

/** One day of the bench sheet: the maker's strips, under them the helper's, and on demand what is in use. */
export function BenchRow({ entry, sheet, plan, labels, hours, withEquipment, onOpen }: Props) {
  const { setNodeRef, isOver } = useDroppable({ id: entry.day });
  const scale = 100 / (hours * 60);
  const helped = sheet.tasks.some(({ who }) => who === 'helper');
  return (
    <Box
      ref={setNodeRef}
      role="group"
      aria-label={sayDay(entry.day)}
      sx={{
        display: 'grid',
        gridTemplateColumns: `${String(LABEL_WIDTH)}px 1fr`,
        borderBottom: 1,
        borderColor: 'divider',
        bgcolor: isOver ? 'action.hover' : 'transparent',
        breakInside: 'avoid',
      }}
    >
      <RowLabel entry={entry} sheet={sheet} />
      <Box sx={{ minWidth: 0 }}>
        <Box sx={{ position: 'relative', minHeight: helped ? LANE * 2 - 6 : LANE, overflow: 'hidden' }}>
          <HourLines entry={entry} hours={hours} scale={scale} sheet={sheet} />
          <DoneStrip entry={entry} plan={plan} scale={scale} />
          {sheet.tasks.map((task) => (
            <BenchStrip
              key={task.key}
              task={task}
              at={sayBenchTime(sheet, task.from)}
              day={entry.day}
              scale={scale}
              top={task.who === 'helper' ? LANE + 14 : 6}
              onOpen={(anchor) => {
                onOpen(task, entry.day, anchor);
              }}
            />
          ))}
          {helped && (
            <Box sx={{ position: 'absolute', top: LANE - 4, left: 6, typography: 'fine', color: 'text.secondary' }}>
              The helper’s hands
            </Box>
          )}
        </Box>
        <UnderRow sheet={sheet} plan={plan} labels={labels} day={entry.day} />
      </Box>
      {withEquipment && <EquipmentLanes sheet={sheet} entry={entry} hours={hours} scale={scale} />}
    </Box>
  );
}
