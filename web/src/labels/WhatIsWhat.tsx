import Box from '@mui/material/Box';
import type { Book } from '@usual-pantry/core/book';
import type { BoxFacts } from '@usual-pantry/core/box';
import { Allergens } from '../parts/Allergens';
import { Panel } from '../parts/Panel';
import { MiniTray } from '../boxes/MiniTray';

/** Which piece is which: the tray from above, and each piece with its allergens beside it. */
export function WhatIsWhat({ facts, book }: { facts: BoxFacts; book: Book }) {
  return (
    <Panel title="What is what">
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        <MiniTray facts={facts} book={book} />
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 0.75, flex: 1, minWidth: 220 }}>
          {facts.pieces.map(({ pieceId, count }) => {
            const piece = book.pieces.get(pieceId);
            return piece ? (
              <li key={pieceId}>
                <strong>
                  {count} × {piece.piece.name}
                </strong>{' '}
                <Allergens codes={piece.contains} />
              </li>
            ) : null;
          })}
        </Box>
      </Box>
    </Panel>
  );
}
