import { mdiPlus } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import { bodyForm, bodyRecipeId, formRecipeIds, piecesPerBatch } from '@usual-pantry/core/piece';
import { sayCount, sayGrams } from '@usual-pantry/core/quantity';
import { Link as RouterLink } from 'react-router';
import { Icon } from '../parts/Icon';
import { PieceDrawing } from '../forms/PieceDrawing';
import type { SeasonBook } from '../data/useSeason';

/** The pieces that a recipe goes into. */
export function PiecesOf({ season, recipeId }: { season: SeasonBook; recipeId: string }) {
  const { book } = season;
  const facts = book.recipes.get(recipeId);
  const pieces = [...book.pieces.values()].filter(({ piece }) => formRecipeIds(piece.form).includes(recipeId));
  return (
    <>
      {pieces.map(({ piece, weightGrams }) => {
        const body = bodyForm(piece.form);
        const count = facts && bodyRecipeId(piece.form) === recipeId ? piecesPerBatch(body, 1, facts.yieldGrams) : null;
        return (
          <Box key={piece.id} sx={{ display: 'flex', alignItems: 'center', gap: 1.5, py: 0.75 }}>
            <PieceDrawing kind={piece.form.kind} colour={piece.colour} />
            <span>
              <Link component={RouterLink} to={`/pieces/${piece.id}`} sx={{ fontWeight: 650 }}>
                {piece.name}
              </Link>
              <br />
              {piece.form.kind}, {sayGrams(weightGrams, 0.1)} each
              {count !== null && `, ${sayCount(count, 'piece')} a batch`}
            </span>
          </Box>
        );
      })}
      <Button
        component={RouterLink}
        to={`/pieces/new?recipe=${recipeId}`}
        size="small"
        startIcon={<Icon path={mdiPlus} />}
      >
        Add a piece
      </Button>
    </>
  );
}
