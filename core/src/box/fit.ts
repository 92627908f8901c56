import { sizeOfPiece, saySize, type PieceFacts, type PieceSize } from '../piece/index.js';
import type { BoxDraft } from './schema.js';

/** The inner size of a cell, mm. */
export interface CellSize {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly depthMm: number;
}

type Trayed = Pick<BoxDraft, 'rows' | 'columns' | 'tray'>;

/** The inner size of a cell by its number from 0; null when the tray's sizes are not known. */
export function cellSize({ rows, columns, tray }: Trayed, index: number): CellSize | null {
  if (!tray) return null;
  const at = index % (rows * columns);
  const widthMm = tray.columnsMm[at % columns];
  const lengthMm = tray.rowsMm[Math.floor(at / columns)];
  return widthMm === undefined || lengthMm === undefined ? null : { lengthMm, widthMm, depthMm: tray.depthMm };
}

/** A piece may be this much larger than worked out before it is turned away, mm: a worked-out size is no measurement. */
const GIVE_MM = 1;

/** Whether pieces of a size go into a cell: each by its sides, turned if need be, and all of them by their room. */
export function goesInto(size: PieceSize, cell: CellSize, count: number): boolean {
  const give = size.estimated ? GIVE_MM : 0;
  const [long, short] = [Math.max(size.lengthMm, size.widthMm), Math.min(size.lengthMm, size.widthMm)];
  const [longCell, shortCell] = [Math.max(cell.lengthMm, cell.widthMm), Math.min(cell.lengthMm, cell.widthMm)];
  return (
    long <= longCell + give &&
    short <= shortCell + give &&
    size.heightMm <= cell.depthMm + give &&
    (count === 1 || count * size.lengthMm * size.widthMm * size.heightMm <= cell.lengthMm * cell.widthMm * cell.depthMm)
  );
}

/**
 * Why pieces do not go into a cell, with the sizes.
 * @returns null when they do, or when either size is not known
 */
export function whyNotInto(box: Trayed, index: number, facts: PieceFacts, count = 1): string | null {
  const cell = cellSize(box, index);
  const size = sizeOfPiece(facts);
  if (!cell || !size || goesInto(size, cell, count)) return null;
  const inner = `${String(cell.lengthMm)} x ${String(cell.widthMm)} mm, ${String(cell.depthMm)} mm deep`;
  const what = count === 1 ? facts.piece.name : `${String(count)} of ${facts.piece.name}`;
  return `${what} does not fit: ${count === 1 ? 'it is' : 'each is'} ${saySize(size)}, cell ${String(index + 1)} is ${inner}.`;
}

/** Every cell whose pieces do not go into it, and why. */
export const misfits = (
  box: Pick<BoxDraft, 'cells'> & Trayed,
  pieces: ReadonlyMap<string, PieceFacts>,
): { readonly index: number; readonly why: string }[] =>
  box.cells.flatMap((cell, index) => {
    const facts = cell && pieces.get(cell.pieceId);
    const why = facts ? whyNotInto(box, index, facts, cell.count) : null;
    return why === null ? [] : [{ index, why }];
  });
