import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import type { SheetGrid } from '@usual-pantry/core/label';

interface Props {
  readonly grid: SheetGrid;
  /** The first free label, from 1. */
  readonly start: number;
  readonly onStart: (cell: number) => void;
  /** How many labels are printed. */
  readonly count: number;
}

/** The first sheet: which labels of it are gone, and which will be printed. A press says where to begin. */
export function SheetMap({ grid, start, onStart, count }: Props) {
  return (
    <Box
      role="group"
      aria-label="First label of the sheet"
      sx={{
        display: 'grid',
        gridTemplateColumns: `repeat(${String(grid.columns)}, 1fr)`,
        gap: 0.5,
        width: 190,
        p: 1,
        border: 1,
        borderColor: 'divider',
        bgcolor: 'background.default',
      }}
    >
      {Array.from({ length: grid.columns * grid.rows }, (_, index) => {
        const cell = index + 1;
        const isGone = cell < start;
        const isPrinted = cell >= start && cell < start + count;
        return (
          <ButtonBase
            key={cell}
            aria-label={`Begin at label ${String(cell)}`}
            aria-pressed={cell === start}
            onClick={() => {
              onStart(cell);
            }}
            sx={{
              minHeight: 24,
              border: 1,
              borderColor: isPrinted ? 'primary.main' : 'divider',
              borderStyle: isGone ? 'dashed' : 'solid',
              bgcolor: isPrinted ? 'primary.main' : 'background.paper',
              color: isPrinted ? 'primary.contrastText' : 'text.secondary',
              typography: 'fineFigures',
            }}
          >
            {isGone ? '–' : cell}
          </ButtonBase>
        );
      })}
    </Box>
  );
}
