import Box from '@mui/material/Box';
import type { Book } from '@usual-pantry/core/book';
import type { BoxFacts } from '@usual-pantry/core/box';
import { PieceDrawing } from '../forms/PieceDrawing';

/** The tray in small, from above. */
export const MiniTray = ({ facts, book }: { facts: BoxFacts; book: Book }) => {
  const { box } = facts;
  return (
    <Box
      aria-hidden
      sx={{
        display: 'grid',
        gridTemplateColumns: `repeat(${box.columns}, 1fr)`,
        width: 84,
        flexShrink: 0,
        p: 0.4,
        border: 2,
        borderColor: 'rim',
        borderRadius: 1,
        bgcolor: 'background.default',
      }}
    >
      {box.cells.slice(0, box.rows * box.columns).map((cell, index) => {
        const piece = cell && book.pieces.get(cell.pieceId)?.piece;
        return (
          <Box key={index} sx={{ aspectRatio: '1', display: 'grid', placeItems: 'center' }}>
            {piece && (
              <PieceDrawing kind={piece.form.kind} colour={piece.colour} size={Math.min(26, 70 / box.columns)} />
            )}
          </Box>
        );
      })}
    </Box>
  );
};
