import type { CutForm } from './schema.js';

/** How a slab is cut. */
export interface CutGrid {
  readonly along: number;
  readonly across: number;
  readonly count: number;
  /** Share of the slab's area that ends up in pieces, 0 to 1; the rest is trim and kerf. */
  readonly usedShare: number;
}

/** Pieces of `piece` in `length`, with a cut of `kerf` between two of them; all in mm. */
const fit = (length: number, piece: number, kerf: number): number =>
  Math.max(0, Math.floor((length + kerf) / (piece + kerf) + 1e-9));

/**
 * The grid of whole pieces in one pan, all sizes in mm. Trim comes off every edge, kerf between two pieces.
 * Geometry; no source needed.
 * @returns a count of 0 when no piece fits
 * @example a 229 x 229 mm pan, 25 x 25 mm pieces, no trim: 9 x 9 = 81
 */
export function cutGrid(form: CutForm): CutGrid {
  const length = form.panLengthMm - 2 * form.edgeTrimMm;
  const width = form.panWidthMm - 2 * form.edgeTrimMm;
  const along = fit(length, form.pieceLengthMm, form.kerfMm);
  const across = fit(width, form.pieceWidthMm, form.kerfMm);
  const count = along * across;
  const usedShare = (count * form.pieceLengthMm * form.pieceWidthMm) / (form.panLengthMm * form.panWidthMm);
  return { along, across, count, usedShare };
}
