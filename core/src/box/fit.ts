import { sayCount, sayLength } from '../quantity/index.js';
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

/** How many times a side goes along another, with a hair for the arithmetic. */
const times = (along: number, side: number): number => Math.floor(along / side + 1e-9);

/** How many rectangles lie in a larger one, all of them straight: in columns the one way round, in what is left the other. */
function layFlat(length: number, width: number, cellLength: number, cellWidth: number): number {
  const blocks = (a: number, b: number, along: number, across: number): number[] =>
    Array.from({ length: times(along, a) + 1 }, (_none, columns) => {
      const left = along - columns * a;
      return columns * times(across, b) + times(left, b) * times(across, a);
    });
  return Math.max(
    ...blocks(length, width, cellLength, cellWidth),
    ...blocks(width, length, cellLength, cellWidth),
    ...blocks(length, width, cellWidth, cellLength),
    ...blocks(width, length, cellWidth, cellLength),
  );
}

/**
 * How many pieces of a size lie in a cell: flat and straight, turned where that helps, in layers as deep as the cell is.
 * @returns 0 when not even one does
 */
export function mostIn(size: PieceSize, cell: CellSize): number {
  const give = size.estimated ? GIVE_MM : 0;
  const [length, width] = [cell.lengthMm + give, cell.widthMm + give];
  return layFlat(size.lengthMm, size.widthMm, length, width) * times(cell.depthMm + give, size.heightMm);
}

/** Whether so many pieces of a size lie in a cell. */
export const goesInto = (size: PieceSize, cell: CellSize, count: number): boolean => mostIn(size, cell) >= count;

/**
 * Why pieces do not go into a cell, with the sizes.
 * @returns null when they do, or when either size is not known
 */
export function whyNotInto(box: Trayed, index: number, facts: PieceFacts, count = 1): string | null {
  const cell = cellSize(box, index);
  const size = sizeOfPiece(facts);
  if (!cell || !size || goesInto(size, cell, count)) return null;
  const inner = `${sayLength(cell.lengthMm, cell.widthMm)}, ${sayLength(cell.depthMm)} deep`;
  const most = mostIn(size, cell);
  const where = `cell ${String(index + 1)} is ${inner}`;
  return most === 0
    ? `${facts.piece.name} does not fit: it is ${saySize(size)}, ${where}.`
    : `${String(count)} of ${facts.piece.name} do not fit: each is ${saySize(size)}, ${where}, and ${sayCount(most, 'lies', 'lie')} in it.`;
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
