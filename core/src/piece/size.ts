import { kindOf, type Sides } from './forms/index.js';
import { bodyForm, type PieceFacts } from './makeup.js';
import { sayLength } from '../quantity/index.js';

/** How big a piece is, mm, and whether that was entered or worked out from its form. */
export interface PieceSize extends Sides {
  readonly estimated: boolean;
}

/**
 * The size of a piece: as entered; otherwise worked out from its form and weight.
 *
 * cut: its own length and width, and as high as its weight makes it; broken: a square shard of a usual thickness; rolled and piped:
 * a ball; moulded: half a ball of the cavity's volume; a coating adds to all sides alike.
 * @returns null for a jar or bag, whose size no form tells
 */
export function sizeOfPiece({ piece, weightGrams, parts }: PieceFacts): PieceSize | null {
  if (piece.sizeMm) return { ...piece.sizeMm, estimated: false };
  const body = bodyForm(piece.form);
  if (weightGrams <= 0) return null;
  const coating = parts.reduce((sum, part) => sum + (part.role === 'coating' ? part.grams : 0), 0);
  const centre = weightGrams - coating;
  const sides = kindOf(body).sides(body, centre);
  if (!sides) return null;
  const grown = Math.cbrt(weightGrams / Math.max(centre, 1e-9));
  return {
    lengthMm: sides.lengthMm * grown,
    widthMm: sides.widthMm * grown,
    heightMm: sides.heightMm * grown,
    estimated: true,
  };
}

/** `34 × 34 × 20 mm`, where there is little room. */
export const sayShortSize = ({ lengthMm, widthMm, heightMm }: PieceSize): string =>
  sayLength(lengthMm, widthMm, heightMm);

/** `34 × 34 × 20 mm`, with `about` where it was worked out. */
export const saySize = (size: PieceSize): string => `${size.estimated ? 'about ' : ''}${sayShortSize(size)}`;
