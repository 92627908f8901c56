import { useDraggable } from '@dnd-kit/core';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import type { BenchTask } from '@usual-pantry/core/bench-day';
import { sayMinutes } from '@usual-pantry/core/quantity';

const tones: Record<BenchTask['kind'], { bg: string; edge: string }> = {
  make: { bg: 'tape.main', edge: 'hot.main' },
  finish: { bg: 'tape.main', edge: 'success.main' },
  pack: { bg: 'action.selected', edge: 'primary.main' },
  clean: { bg: 'background.paper', edge: 'divider' },
};

/** On a short strip the name has three small lines and the code none; a very short one has its colour alone. */
const SHORT = '@container (max-width: 88px)';
const VERY_SHORT = '@container (max-width: 28px)';
const words = { overflow: 'hidden', textOverflow: 'ellipsis' } as const;

/** What is dragged from a day. */
export interface Dragged {
  readonly task: BenchTask;
  readonly from: string;
}

interface Props {
  readonly task: BenchTask;
  /** When it begins, in words. */
  readonly at: string;
  readonly day: string;
  /** Percent of the row's width for a minute. */
  readonly scale: number;
  readonly top: number;
  readonly onOpen: (anchor: HTMLElement) => void;
}

/** What rests by itself after a strip: a line under it as long as the rest. */
function Hold({ task }: { task: BenchTask }) {
  if (!task.hold) return null;
  const { text, minutes } = task.hold;
  return (
    <>
      <Box
        sx={{
          position: 'absolute',
          top: 48,
          left: 0,
          width: minutes === null ? '160%' : `${String((minutes / task.minutes) * 100 + 100)}%`,
          borderTop: 2,
          borderTopColor: 'hot.main',
          pointerEvents: 'none',
        }}
      />
      <Box
        sx={{
          position: 'absolute',
          top: 51,
          left: 0,
          width: 'calc(100% - 3px)',
          color: 'text.secondary',
          typography: 'fine',
          lineHeight: 1.2,
          whiteSpace: 'nowrap',
          overflow: 'hidden',
          textOverflow: 'ellipsis',
        }}
      >
        {text}
      </Box>
    </>
  );
}

/** A strip of tape as long as it takes. What is made or finished can be dragged to another day, or moved by its menu. */
export function BenchStrip({ task, at, day, scale, top, onOpen }: Props) {
  const can = task.recipeId !== null || task.pieceId !== null;
  // What goes on from an earlier day is moved by its beginning, in its menu.
  const canBeDragged = task.pieceId !== null || task.begun === day;
  const { listeners, setNodeRef, transform, isDragging } = useDraggable({
    id: `${day} ${task.key}`,
    data: { task, from: day } satisfies Dragged,
    disabled: !canBeDragged,
  });
  const { bg, edge } = tones[task.kind];
  const who = task.who === 'helper' ? ', by the helper' : '';
  const text = `${task.name}, ${task.code}, ${sayMinutes(task.minutes)}, at ${at}${task.pinned ? ', pinned' : ''}${who}`;
  return (
    <Box
      sx={{
        position: 'absolute',
        left: `${String(task.from * scale)}%`,
        width: `${String(task.minutes * scale)}%`,
        top,
        containerType: 'inline-size',
      }}
    >
      <ButtonBase
        ref={setNodeRef}
        {...(canBeDragged ? listeners : {})}
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
          pl: 0.5,
          overflow: 'hidden',
          whiteSpace: 'nowrap',
          bgcolor: bg,
          color: task.kind === 'make' || task.kind === 'finish' ? 'tape.contrastText' : 'text.primary',
          borderLeft: 6,
          borderColor: edge,
          ...(task.kind === 'clean' ? { border: '1.5px dashed', borderColor: 'text.secondary' } : {}),
          touchAction: 'manipulation',
          cursor: canBeDragged ? 'grab' : can ? 'pointer' : 'default',
          boxShadow: isDragging ? 4 : 0,
        }}
      >
        <Box
          component="span"
          sx={{
            ...words,
            display: 'block',
            fontWeight: 650,
            typography: 'note',
            lineHeight: 1.25,
            [SHORT]: {
              display: '-webkit-box',
              WebkitBoxOrient: 'vertical',
              WebkitLineClamp: 3,
              whiteSpace: 'normal',
              textOverflow: 'clip',
              typography: 'fine',
              lineHeight: 1.2,
            },
            [VERY_SHORT]: { display: 'none' },
          }}
        >
          {task.pinned && '• '}
          {task.name}
        </Box>
        <Box
          component="span"
          sx={{ ...words, display: 'block', typography: 'fineFigures', [SHORT]: { display: 'none' } }}
        >
          {task.code}
        </Box>
      </ButtonBase>
      <Hold task={task} />
    </Box>
  );
}
