import { unknownReferences, type Known, type WrongValue } from '../record/index.js';
import { formRecipeIds } from './makeup.js';
import type { PieceFiled } from './schema.js';

/** Recipes of the form that are not there. */
export const wrongInPiece = (piece: Pick<PieceFiled, 'form'>, known: Known): WrongValue[] =>
  unknownReferences(
    formRecipeIds(piece.form).map((id) => ({ noun: 'recipe', id, path: ['form'] })),
    known,
  );
