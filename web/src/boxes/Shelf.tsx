import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { useDraggable } from '@dnd-kit/core';
import { sayShortSize, sizeOfPiece, type PieceFacts } from '@usual-pantry/core/piece';
import { sayGrams } from '@usual-pantry/core/quantity';
import { AllergenTags } from '../parts/Allergens';
import { Panel } from '../parts/Panel';
import { PieceDrawing } from '../forms/PieceDrawing';
import type { SeasonBook } from '../data/useSeason';
import { FIGURES } from '../parts/theme';

/** The digit that places the shelf's piece at a position: 1 to 9, then 0. */
export const shelfDigit = (index: number): string | null => (index < 9 ? String(index + 1) : index === 9 ? '0' : null);

interface ShelfPieceProps {
  readonly facts: PieceFacts;
  readonly index: number;
  readonly onPick: (pieceId: string) => void;
}

/** One piece: pressed, dragged to a cell, or placed by its digit. */
function ShelfPiece({ facts, index, onPick }: ShelfPieceProps) {
  const { piece, weightGrams, contains } = facts;
  const size = sizeOfPiece(facts);
  const { listeners, setNodeRef, transform, isDragging } = useDraggable({ id: piece.id });
  return (
    <ButtonBase
      ref={setNodeRef}
      {...listeners}
      onClick={() => {
        onPick(piece.id);
      }}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 3 } : undefined}
      sx={{
        bgcolor: isDragging ? 'background.paper' : 'transparent',
        touchAction: 'manipulation',
        justifyContent: 'flex-start',
        textAlign: 'left',
        gap: 1,
        p: 0.75,
        borderRadius: 1,
        border: 1,
        borderColor: 'divider',
        '&:hover': { bgcolor: 'action.hover' },
      }}
    >
      <Box
        component="kbd"
        aria-hidden
        sx={{
          typography: 'fineFigures',
          width: 20,
          textAlign: 'center',
          border: 1,
          borderColor: 'divider',
          borderRadius: 0.5,
        }}
      >
        {shelfDigit(index) ?? ' '}
      </Box>
      <PieceDrawing kind={piece.form.kind} colour={piece.colour} size={30} />
      <Box sx={{ minWidth: 0 }}>
        <Box sx={{ fontWeight: 650, typography: 'note', lineHeight: 1.2 }}>{piece.name}</Box>
        <Box sx={{ typography: 'fine', color: 'text.secondary', fontFamily: FIGURES }}>
          {sayGrams(weightGrams)} · <AllergenTags codes={contains} />
          {size && <Box>{sayShortSize(size)}</Box>}
        </Box>
      </Box>
    </ButtonBase>
  );
}

/** Every piece, with the digit that places it. */
export function Shelf({ season, onPick }: { season: SeasonBook; onPick: (pieceId: string) => void }) {
  return (
    <Panel title="Shelf">
      <Box sx={{ display: 'grid', gap: 0.5, maxHeight: { xs: 190, md: 560 }, overflowY: 'auto' }}>
        {[...season.book.pieces.values()].map((facts, index) => (
          <ShelfPiece key={facts.piece.id} facts={facts} index={index} onPick={onPick} />
        ))}
      </Box>
      <Box sx={{ typography: 'note', color: 'text.secondary', mt: 1 }}>
        Drag it, press it, or press its digit in the tray; x clears.
      </Box>
    </Panel>
  );
}
