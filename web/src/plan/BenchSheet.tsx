import { DndContext, PointerSensor, useDraggable, useDroppable, useSensor, useSensors } from '@dnd-kit/core';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import ListSubheader from '@mui/material/ListSubheader';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Link from '@mui/material/Link';
import Paper from '@mui/material/Paper';
import { benchDay, whyNotTo, type BenchTask, type SeasonDay } from '@usual-pantry/core/plan';
import { sayDay, sayMinutes, sayShortDay } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { Link as RouterLink, useNavigate } from 'react-router';
import { useMoveMakingMutation, usePinMakingMutation, type PlanAnswer, type Refusal } from '../app/api';
import { said } from '../app/history';
import { useAppDispatch } from '../app/store';
import { FIGURES } from '../app/theme';
import { useSeasonBook, type SeasonBook } from '../parts/useSeason';
import { Waiting } from '../parts/Waiting';

const LABEL_WIDTH = 132;
const MOST_HOURS = 12;

/** Moves a making, or says why it cannot be there. */
function useMove() {
  const dispatch = useAppDispatch();
  const [move] = useMoveMakingMutation();
  return async (recipeId: string, name: string, from: string, to: string) => {
    if (from === to) return;
    try {
      await move({ recipeId, from, to }).unwrap();
      dispatch(said({ text: `${name} moved to ${sayDay(to)} and pinned there.` }));
    } catch (error) {
      const { message, wrong } = error as Refusal;
      dispatch(said({ text: [message, ...(wrong ?? []).map((each) => each.message)].join(' '), tone: 'trouble' }));
    }
  };
}

interface StripProps {
  readonly task: BenchTask;
  readonly day: string;
  readonly scale: number;
  readonly onOpen: (anchor: HTMLElement) => void;
}

const tones: Record<BenchTask['kind'], { bg: string; edge: string }> = {
  make: { bg: 'tape.main', edge: 'hot.main' },
  finish: { bg: 'tape.main', edge: 'success.main' },
  pack: { bg: 'action.selected', edge: 'primary.main' },
  clean: { bg: 'background.paper', edge: 'divider' },
};

/** A strip of tape as long as it takes. What is made can be dragged to another day, or moved by its menu. */
function Strip({ task, day, scale, onOpen }: StripProps) {
  const can = task.recipeId !== null;
  const { listeners, setNodeRef, transform, isDragging } = useDraggable({
    id: `${day} ${task.key}`,
    data: { recipeId: task.recipeId, name: task.name, from: day },
    disabled: !can,
  });
  const { bg, edge } = tones[task.kind];
  const text = `${task.name}, ${task.code}, ${sayMinutes(task.minutes)}${task.pinned ? ', pinned' : ''}`;
  return (
    <Box
      sx={{
        position: 'absolute',
        left: `${String(task.from * scale)}%`,
        width: `${String(task.minutes * scale)}%`,
        top: 6,
      }}
    >
      <ButtonBase
        ref={setNodeRef}
        {...(can ? listeners : {})}
        disabled={!can}
        aria-label={text}
        title={text}
        onClick={({ currentTarget }) => {
          onOpen(currentTarget);
        }}
        style={
          transform
            ? { transform: `translate(${String(transform.x)}px, ${String(transform.y)}px)`, zIndex: 5 }
            : undefined
        }
        sx={{
          width: 'calc(100% - 3px)',
          height: 44,
          display: 'block',
          textAlign: 'left',
          px: 0.75,
          overflow: 'hidden',
          whiteSpace: 'nowrap',
          bgcolor: bg,
          color: task.kind === 'make' || task.kind === 'finish' ? 'tape.contrastText' : 'text.primary',
          borderLeft: 6,
          borderColor: edge,
          ...(task.kind === 'clean' ? { border: '1.5px dashed', borderColor: 'text.secondary' } : {}),
          touchAction: 'manipulation',
          cursor: can ? 'grab' : 'default',
          boxShadow: isDragging ? 4 : 0,
          '&:focus-visible': { outline: '3px solid', outlineColor: 'primary.main' },
        }}
      >
        <Box component="span" sx={{ display: 'block', fontWeight: 650, fontSize: 13, lineHeight: 1.25 }}>
          {task.pinned && '• '}
          {task.name}
        </Box>
        <Box component="span" sx={{ display: 'block', fontFamily: FIGURES, fontSize: 11.5 }}>
          {task.code}
        </Box>
      </ButtonBase>
      {task.hold && (
        <Box
          sx={{
            position: 'absolute',
            top: 48,
            left: 0,
            width: task.hold.minutes === null ? '160%' : `${String((task.hold.minutes / task.minutes) * 100 + 100)}%`,
            borderTop: 2,
            borderTopColor: 'hot.main',
            pointerEvents: 'none',
          }}
        />
      )}
      {task.hold && (
        <Box
          sx={{
            position: 'absolute',
            top: 51,
            left: 0,
            width: 'calc(100% - 3px)',
            color: 'text.secondary',
            fontSize: 11,
            lineHeight: 1.2,
            whiteSpace: 'nowrap',
            overflow: 'hidden',
            textOverflow: 'ellipsis',
          }}
        >
          {task.hold.text}
        </Box>
      )}
    </Box>
  );
}

interface RowProps {
  readonly entry: SeasonDay;
  readonly plan: PlanAnswer;
  readonly season: SeasonBook;
  readonly hours: number;
  readonly onOpen: (task: BenchTask, day: string, anchor: HTMLElement) => void;
}

function Row({ entry, plan, season, hours, onOpen }: RowProps) {
  const { setNodeRef, isOver } = useDroppable({ id: entry.day });
  const { tasks, spanMinutes, leastMinutes } = benchDay(plan, entry.day, season.book);
  const scale = 100 / (hours * 60);
  const over = entry.bookedMinutes > entry.benchMinutes + 1;
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
      <Box sx={{ p: 1, borderRight: 1, borderColor: 'divider' }}>
        <Link component={RouterLink} to={`/?day=${entry.day}`} sx={{ fontWeight: 650 }}>
          {sayShortDay(entry.day)}
        </Link>
        <Box sx={{ fontFamily: FIGURES, fontSize: 12, color: over ? 'error.main' : 'text.secondary' }}>
          {sayMinutes(entry.bookedMinutes)} of {sayMinutes(entry.benchMinutes)}
          {over && ', over'}
        </Box>
        <Box sx={{ fontSize: 12, color: 'text.secondary' }}>
          {entry.humid && 'humid '}
          {spanMinutes > leastMinutes + 1 && `${sayMinutes(spanMinutes - leastMinutes)} of waiting`}
        </Box>
        {spanMinutes > entry.benchMinutes + 1 && (
          <Box sx={{ fontSize: 12, color: 'error.main' }}>ends at +{sayMinutes(spanMinutes)}</Box>
        )}
      </Box>
      <Box sx={{ position: 'relative', minHeight: 74, overflow: 'hidden' }}>
        {Array.from({ length: hours - 1 }, (_, hour) => (
          <Box
            key={hour}
            sx={{
              position: 'absolute',
              left: `${String((hour + 1) * 60 * scale)}%`,
              top: 0,
              bottom: 0,
              borderLeft: 1,
              borderColor: 'divider',
            }}
          />
        ))}
        <Box
          title="the end of the hours"
          sx={{
            position: 'absolute',
            left: `${String(entry.benchMinutes * scale)}%`,
            top: 0,
            bottom: 0,
            borderLeft: '4px double',
            borderColor: 'rim',
          }}
        />
        {tasks.map((task) => (
          <Strip
            key={task.key}
            task={task}
            day={entry.day}
            scale={scale}
            onOpen={(anchor) => {
              onOpen(task, entry.day, anchor);
            }}
          />
        ))}
      </Box>
    </Box>
  );
}

interface Opened {
  readonly task: BenchTask;
  readonly day: string;
  readonly anchor: HTMLElement;
}

/** What can be done with a making: move it, pin it, open its recipe. Days on which it cannot be say why. */
function StripMenu({
  opened,
  plan,
  season,
  onClose,
}: {
  opened: Opened;
  plan: PlanAnswer;
  season: SeasonBook;
  onClose: () => void;
}) {
  const move = useMove();
  const navigate = useNavigate();
  const [pin] = usePinMakingMutation();
  const { task, day, anchor } = opened;
  const { recipeId } = task;
  if (recipeId === null) return null;
  const days = plan.days.filter((entry) => entry.benchMinutes > 0 && entry.day !== day);
  return (
    <Menu anchorEl={anchor} open onClose={onClose}>
      <MenuItem
        onClick={() => {
          onClose();
          void pin({ recipeId, day, pinned: !task.pinned });
        }}
      >
        {task.pinned ? 'Let it go' : 'Pin it here'}
      </MenuItem>
      <MenuItem onClick={() => void navigate(`/recipes/${recipeId}`)}>Open the recipe</MenuItem>
      <ListSubheader sx={{ bgcolor: 'transparent' }}>Move it to</ListSubheader>
      {days.map((entry) => {
        const [why] = whyNotTo(plan, recipeId, day, entry.day, season.book, plan.today);
        return (
          <MenuItem
            key={entry.day}
            disabled={why !== undefined}
            onClick={() => {
              onClose();
              void move(recipeId, task.name, day, entry.day);
            }}
            sx={{ display: 'block', whiteSpace: 'normal', maxWidth: 360, '&.Mui-disabled': { opacity: 0.75 } }}
          >
            {sayDay(entry.day)}
            <Box sx={{ fontSize: 12.5, color: 'text.secondary' }}>
              {why ?? `${sayMinutes(Math.max(0, entry.benchMinutes - entry.bookedMinutes))} free`}
            </Box>
          </MenuItem>
        );
      })}
    </Menu>
  );
}

/** The bench sheet: a row a day, minutes to the right, strips of tape for hands, lines under them for what rests. */
export function BenchSheet({ plan }: { plan: PlanAnswer }) {
  const { season, error, again } = useSeasonBook();
  const [opened, setOpened] = useState<Opened | null>(null);
  const move = useMove();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  if (!season) return <Waiting error={error} again={again} />;
  const days = plan.days.filter(({ bookedMinutes, benchMinutes }) => bookedMinutes > 0 || benchMinutes > 0);
  const longest = Math.max(
    60,
    ...days.map((entry) => Math.max(entry.benchMinutes, benchDay(plan, entry.day, season.book).spanMinutes)),
  );
  const hours = Math.min(MOST_HOURS, Math.ceil(longest / 60));
  return (
    <DndContext
      sensors={sensors}
      onDragEnd={({ active, over }) => {
        const { recipeId, name, from } = active.data.current as { recipeId: string | null; name: string; from: string };
        if (over && recipeId !== null) void move(recipeId, name, from, String(over.id));
      }}
    >
      <Paper variant="outlined" role="region" aria-label="Bench sheet" tabIndex={0} sx={{ overflowX: 'auto' }}>
        <Box sx={{ minWidth: 860 }}>
          <Box
            aria-hidden
            sx={{ position: 'relative', height: 22, ml: `${String(LABEL_WIDTH)}px`, fontFamily: FIGURES, fontSize: 12 }}
          >
            {Array.from({ length: hours }, (_, hour) => (
              <Box
                key={hour}
                sx={{
                  position: 'absolute',
                  left: `${String((hour * 100) / hours)}%`,
                  color: 'text.secondary',
                  pl: 0.5,
                }}
              >
                +{hour} h
              </Box>
            ))}
          </Box>
          {days.map((entry) => (
            <Row
              key={entry.day}
              entry={entry}
              plan={plan}
              season={season}
              hours={hours}
              onOpen={(task, day, anchor) => {
                setOpened({ task, day, anchor });
              }}
            />
          ))}
        </Box>
      </Paper>
      {opened && (
        <StripMenu
          opened={opened}
          plan={plan}
          season={season}
          onClose={() => {
            setOpened(null);
          }}
        />
      )}
    </DndContext>
  );
}
