import { useDroppable } from '@dnd-kit/core';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import type { BoxDraft } from '@usual-pantry/core/box';
import type { Piece } from '@usual-pantry/core/piece';
import { useRef, type KeyboardEvent } from 'react';
import { flushSync } from 'react-dom';
import { useFormContext, useWatch } from 'react-hook-form';
import { PieceDrawing } from '../forms/PieceDrawing';
import type { SeasonBook } from '../data/useSeason';
import { shelfDigit } from './Shelf';

interface TrayProps {
  readonly season: SeasonBook;
  readonly cell: number;
  readonly onChoose: (cell: number) => void;
  readonly onPlace: (pieceId: string | null) => void;
}

const steps = (columns: number): Record<string, number> => ({
  ArrowLeft: -1,
  ArrowRight: 1,
  ArrowUp: -columns,
  ArrowDown: columns,
});

interface CellProps {
  readonly index: number;
  readonly cell: BoxDraft['cells'][number];
  readonly piece: Pick<Piece, 'name' | 'form' | 'colour'> | undefined;
  readonly chosen: boolean;
  readonly columns: number;
  /** Width over length. */
  readonly shape: string;
  readonly onFocus: () => void;
  readonly onClick: () => void;
}

/** One cell with its piece, which another that is dragged can be dropped into. */
function Cell({ index, cell, piece, chosen, columns, shape, onFocus, onClick }: CellProps) {
  const { setNodeRef, isOver } = useDroppable({ id: index });
  const count = cell?.count ?? 0;
  const name = piece ? `${count > 1 ? `${String(count)} × ` : ''}${piece.name}` : 'empty';
  return (
    <Box
      ref={setNodeRef}
      role="gridcell"
      aria-selected={chosen}
      sx={{ borderRadius: 1, outline: isOver ? '3px solid' : 'none', outlineColor: 'hot.main' }}
    >
      <ButtonBase
        aria-label={`Cell ${String(index + 1)}: ${name}`}
        tabIndex={chosen ? 0 : -1}
        onFocus={onFocus}
        onClick={onClick}
        sx={{
          width: '100%',
          aspectRatio: shape,
          flexDirection: 'column',
          gap: 0.25,
          p: 0.5,
          borderRadius: 1,
          bgcolor: 'background.paper',
          border: 3,
          borderColor: chosen ? 'hot.main' : 'transparent',
          typography: 'fine',
          lineHeight: 1.15,
          overflow: 'hidden',
        }}
      >
        {piece && (
          <PieceDrawing kind={piece.form.kind} colour={piece.colour} size={Math.max(26, 330 / (columns + 2))} />
        )}
        <Box
          component="span"
          sx={{
            display: { xs: columns > 3 ? 'none' : 'block', sm: columns > 5 ? 'none' : 'block' },
            color: piece ? 'text.primary' : 'text.secondary',
          }}
        >
          {name}
        </Box>
      </ButtonBase>
    </Box>
  );
}

/** Which layer of the box is looked at. */
const LayerPicker = ({ layers, layer, onPick }: { layers: number; layer: number; onPick: (layer: number) => void }) => (
  <ToggleButtonGroup
    exclusive
    size="small"
    aria-label="Layer"
    value={layer}
    onChange={(_event, next: number | null) => {
      if (next !== null) onPick(next);
    }}
    sx={{ mb: 1 }}
  >
    {Array.from({ length: layers }, (_, at) => (
      <ToggleButton key={at} value={at}>
        {at === 0 ? 'Upper layer' : `Layer ${String(at + 1)}`}
      </ToggleButton>
    ))}
  </ToggleButtonGroup>
);

/** How the cells of a layer lie, to scale: each column as wide and each row as long as it is. */
function useTray() {
  const [cells, rowCount, columns, layers, tray] = useWatch<BoxDraft, ['cells', 'rows', 'columns', 'layers', 'tray']>({
    name: ['cells', 'rows', 'columns', 'layers', 'tray'],
  });
  const widths = tray && tray.columnsMm.length === columns ? tray.columnsMm : new Array<number>(columns).fill(1);
  const lengths = tray && tray.rowsMm.length === rowCount ? tray.rowsMm : new Array<number>(rowCount).fill(1);
  return { cells, rowCount, columns, layers, layerSize: rowCount * columns, widths, lengths };
}

/** What the keys do in the tray: see {@link Tray}. */
function useTrayKeys({ season, cell: chosen, onPlace }: TrayProps, choose: (index: number) => void) {
  const { cells, columns } = useTray();
  const { setValue } = useFormContext<BoxDraft>();
  const pieces = [...season.book.pieces.values()];
  const recount = (by: number) => {
    const cell = cells[chosen];
    if (!cell) return;
    const count = Math.min(200, Math.max(1, cell.count + by));
    setValue(`cells.${chosen}`, { ...cell, count }, { shouldDirty: true });
  };
  return (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const step = steps(columns)[event.key];
    const picked = pieces.find((_piece, index) => shelfDigit(index) === event.key);
    const next = chosen + (step ?? 0);
    if (step !== undefined && next >= 0 && next < cells.length) choose(next);
    else if (picked) {
      onPlace(picked.piece.id);
      choose(Math.min(chosen + 1, cells.length - 1));
    } else if (event.key === 'x' || event.key === 'Delete') onPlace(null);
    else if (event.key === '+') recount(1);
    else if (event.key === '-') recount(-1);
    else return;
    event.preventDefault();
    // In the tray a digit places a piece; elsewhere it goes to a screen.
    event.stopPropagation();
  };
}

/** The tray from above. Arrows move, digits place the shelf's pieces, + and - change the count, x clears. */
export function Tray(props: TrayProps) {
  const { season, cell: chosen, onChoose } = props;
  const { cells, rowCount, columns, layers, layerSize, widths, lengths } = useTray();
  const layer = Math.floor(chosen / layerSize);
  const grid = useRef<HTMLDivElement>(null);
  const choose = (index: number) => {
    // A cell of another layer is drawn first, and can be focused then.
    flushSync(() => {
      onChoose(index);
    });
    grid.current?.querySelectorAll<HTMLElement>('[role="gridcell"] button')[index % layerSize]?.focus();
  };
  const onKeyDown = useTrayKeys(props, choose);
  const rows = Array.from({ length: rowCount }, (_, row) => {
    const first = layer * layerSize + row * columns;
    return cells.slice(first, first + columns).map((cell, column) => ({ cell, index: first + column }));
  });
  return (
    <>
      {layers > 1 && (
        <LayerPicker
          layers={layers}
          layer={layer}
          onPick={(next) => {
            onChoose(next * layerSize);
          }}
        />
      )}
      <Box
        ref={grid}
        role="grid"
        aria-label="Tray"
        onKeyDown={onKeyDown}
        sx={{
          display: 'grid',
          gap: 0.75,
          p: 1.25,
          border: 4,
          borderColor: 'rim',
          borderRadius: 2,
          bgcolor: 'background.default',
          maxWidth: Math.min(620, columns * 150),
          mx: 'auto',
        }}
      >
        {rows.map((row, at) => (
          <Box
            key={at}
            role="row"
            sx={{
              display: 'grid',
              gap: 0.75,
              gridTemplateColumns: widths.map((mm) => `minmax(0, ${String(mm)}fr)`).join(' '),
            }}
          >
            {row.map(({ cell, index }, column) => (
              <Cell
                key={index}
                index={index}
                cell={cell}
                piece={cell ? season.book.pieces.get(cell.pieceId)?.piece : undefined}
                chosen={index === chosen}
                columns={columns}
                shape={`${String(widths[column] ?? 1)} / ${String(lengths[at] ?? 1)}`}
                onFocus={() => {
                  onChoose(index);
                }}
                onClick={() => {
                  choose(index);
                }}
              />
            ))}
          </Box>
        ))}
      </Box>
    </>
  );
}
