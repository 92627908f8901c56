import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import type { Book } from '@usual-pantry/core/book';
import { RESTRICTED_ABV } from '@usual-pantry/core/cooking';
import {
  bodyForm,
  bodyRecipeId,
  cutGrid,
  pieceComposition,
  pieceDraftSchema,
  piecesPerBatch,
  setsOverNight,
  workOutPiece,
  type Piece,
  type PieceFacts,
} from '@usual-pantry/core/piece';
import { mouldShareOf, mouldsListed } from '@usual-pantry/core/plan';
import { sayCount, sayGrams, sayNumber } from '@usual-pantry/core/quantity';
import type { ReactNode } from 'react';
import { useWatch } from 'react-hook-form';
import { Allergens } from '../parts/Allergens';
import { AnswerLine, Mark } from '../parts/AnswerLine';
import { Figure, FigureList } from '../parts/Figures';
import { FieldFindings } from '../findings/FieldFindings';
import { PieceDrawing } from '../forms/PieceDrawing';
import { MouldDrawing } from './MouldDrawing';
import { PanDrawing } from './PanDrawing';
import type { SeasonBook } from '../data/useSeason';

interface PieceFiguresProps {
  readonly season: SeasonBook;
  readonly piece: Piece | null;
  /** The fields, at which what is wrong is said. */
  readonly children: ReactNode;
}

/** Weight, count and contents of the piece as it is typed. */
export function PieceFigures({ season, piece, children }: PieceFiguresProps) {
  const parsed = pieceDraftSchema.safeParse(useWatch());
  const { book } = season;
  const facts = parsed.success ? workOutPiece({ ...parsed.data, id: piece?.id ?? 'new' }, book) : null;
  return (
    <FieldFindings findings={facts?.findings.map((each) => ({ ...each, waysOut: [] })) ?? []}>
      {facts && <Figures facts={facts} book={book} />}
      {children}
    </FieldFindings>
  );
}

/** What follows from the piece, in figures and as a drawing. */
function Figures({ facts, book }: { facts: PieceFacts; book: Book }) {
  const { form, name, colour } = facts.piece;
  const body = bodyForm(form);
  const recipe = book.recipes.get(bodyRecipeId(form));
  const count = recipe ? piecesPerBatch(body, 1, recipe.yieldGrams) : 0;
  const made = pieceComposition(facts, book);
  const trim = body.kind === 'cut' ? (1 - cutGrid(body).usedShare) * 100 : null;
  return (
    <>
      <AnswerLine>
        {name}: {sayGrams(facts.weightGrams, 0.1)} each, <Mark tone="hot">{sayCount(count, 'piece')} a base batch</Mark>
        .
      </AnswerLine>
      <Paper
        variant="outlined"
        sx={{
          p: 2,
          display: 'grid',
          gap: 2,
          gridTemplateColumns: { xs: '1fr', sm: '210px 1fr' },
          alignItems: 'center',
        }}
      >
        <Box sx={{ textAlign: 'center' }}>
          {body.kind === 'cut' && <PanDrawing form={body} colour={colour} />}
          {body.kind === 'moulded' && <MouldDrawing form={body} colour={colour} />}
          {body.kind !== 'cut' && body.kind !== 'moulded' && (
            <PieceDrawing kind={form.kind} colour={colour} size={110} />
          )}
        </Box>
        <FigureList>
          {facts.parts.map((part) => (
            <Figure
              key={`${part.recipeId} ${part.role}`}
              name={`${book.recipes.get(part.recipeId)?.recipe.name ?? 'Not there'} (${part.role})`}
            >
              {sayGrams(part.grams, 0.1)}
              {part.drawnGrams > part.grams * 1.001 && `, takes ${sayGrams(part.drawnGrams, 0.1)}`}
            </Figure>
          ))}
          {body.kind === 'moulded' && (
            <Figure name={setsOverNight(facts.piece) ? 'In its moulds at once' : 'In its moulds, a day'}>
              {sayNumber(
                Math.floor(
                  (mouldsListed(body, book.kitchen) ?? body.moulds) / (mouldShareOf(facts)?.perPiece ?? Infinity),
                ),
              )}
            </Figure>
          )}
          <Figure name="Keeps">{sayCount(facts.keepsDays, 'day')}</Figure>
          {trim !== null && <Figure name="Trim and kerf">{sayNumber(trim, 1)} %</Figure>}
          {made && <Figure name="Energy">{sayNumber(made.energyKcal)} kcal each</Figure>}
          {made && made.abv > 0.005 && (
            <Figure name="Alcohol by volume">
              {sayNumber(made.abv, 2)} %{made.abv > RESTRICTED_ABV && ': restricted in many places'}
            </Figure>
          )}
          <Figure name="Contains">
            <Allergens codes={facts.contains} />
          </Figure>
        </FigureList>
      </Paper>
    </>
  );
}
