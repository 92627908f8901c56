import { unknownReferences, type Known, type WrongValue } from '../record/index.js';
import type { BoxFiled } from './schema.js';

/** Cells and stand-ins that name a piece that is not there. */
export const wrongInBox = (box: Pick<BoxFiled, 'cells'>, known: Known): WrongValue[] =>
  unknownReferences(
    box.cells.flatMap((cell, index) =>
      cell
        ? [
            { noun: 'piece' as const, id: cell.pieceId, path: ['cells', index, 'pieceId'] },
            ...cell.standIns.map((id, at) => ({ noun: 'piece' as const, id, path: ['cells', index, 'standIns', at] })),
          ]
        : [],
    ),
    known,
  );
