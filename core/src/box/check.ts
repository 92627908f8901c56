import { unknownReferences, type Known, type WrongValue } from '../record/index.js';
import type { PieceFacts } from '../piece/index.js';
import { misfits } from './fit.js';
import type { BoxDraft, BoxFiled } from './schema.js';

const piecesIn = (cells: BoxFiled['cells'], under: readonly PropertyKey[]) =>
  cells.flatMap((cell, index) =>
    cell
      ? [
          { noun: 'piece' as const, id: cell.pieceId, path: [...under, 'cells', index, 'pieceId'] },
          ...cell.standIns.map((id, at) => ({
            noun: 'piece' as const,
            id,
            path: [...under, 'cells', index, 'standIns', at],
          })),
        ]
      : [],
  );

/** Cells and stand-ins that name a piece that is not there, in what was sold before too. */
export const wrongInBox = (box: Pick<BoxFiled, 'cells' | 'editions'>, known: Known): WrongValue[] =>
  unknownReferences(
    [
      ...piecesIn(box.cells, []),
      ...box.editions.flatMap(({ content }, at) => piecesIn(content.cells, ['editions', at, 'content'])),
    ],
    known,
  );

/** A box without a piece, and cells whose pieces are too big for them: an edit that puts one there is refused, with the sizes. */
export const wrongInBoxEdit = (
  box: BoxDraft,
  before: BoxDraft | null,
  pieces: ReadonlyMap<string, PieceFacts>,
): WrongValue[] => {
  if (box.cells.every((cell) => cell === null))
    return [{ path: ['cells'], message: 'must have a piece in one cell at least' }];
  const known = new Set(before ? misfits(before, pieces).map(({ index }) => index) : []);
  return misfits(box, pieces)
    .filter(({ index }) => !known.has(index) || before?.cells[index]?.pieceId !== box.cells[index]?.pieceId)
    .map(({ index, why }) => ({ path: ['cells', index], message: why }));
};
