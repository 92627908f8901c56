import { bodyForm, type PieceFacts } from './makeup.js';

/** How big a piece is, mm, and whether that was entered or worked out from its form. */
export interface PieceSize {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly estimated: boolean;
}

/** Fudge, ganache and toffee are about this dense, g/mL. Common practice, no source. */
const GRAMS_PER_ML = 1.25;
/** A slab that is broken by hand is about this thick, mm. Common practice, no source. */
const BROKEN_THICKNESS_MM = 8;

const cubicMm = (grams: number): number => (grams / GRAMS_PER_ML) * 1000;

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
  if (body.kind === 'portion' || weightGrams <= 0) return null;
  const coating = parts.reduce((sum, part) => sum + (part.role === 'coating' ? part.grams : 0), 0);
  const centre = weightGrams - coating;
  const grown = Math.cbrt(weightGrams / Math.max(centre, 1e-9));
  const grow = (lengthMm: number, widthMm: number, heightMm: number): PieceSize => ({
    lengthMm: lengthMm * grown,
    widthMm: widthMm * grown,
    heightMm: heightMm * grown,
    estimated: true,
  });
  switch (body.kind) {
    case 'cut':
      return grow(body.pieceLengthMm, body.pieceWidthMm, cubicMm(centre) / (body.pieceLengthMm * body.pieceWidthMm));
    case 'broken': {
      const side = Math.sqrt(cubicMm(centre) / BROKEN_THICKNESS_MM);
      return grow(side, side, BROKEN_THICKNESS_MM);
    }
    case 'moulded': {
      const radius = Math.cbrt((body.cavityMl * 1000 * 3) / (2 * Math.PI));
      return grow(2 * radius, 2 * radius, radius);
    }
    default: {
      const across = Math.cbrt((cubicMm(centre) * 6) / Math.PI);
      return grow(across, across, across);
    }
  }
}

/** `34 x 34 x 20 mm`, where there is little room. */
export const sayShortSize = ({ lengthMm, widthMm, heightMm }: PieceSize): string =>
  `${[lengthMm, widthMm, heightMm].map((side) => String(Math.round(side))).join(' x ')} mm`;

/** `34 x 34 x 20 mm`, with `about` where it was worked out. */
export const saySize = (size: PieceSize): string => `${size.estimated ? 'about ' : ''}${sayShortSize(size)}`;
