import { z } from 'zod';
import { finding } from '../../finding/index.js';
import { idSchema } from '../../record/index.js';
import { cubicMm, type BodyKind } from './kind.js';
import { finishPart, finishSchema, layerParts, layersSchema, millimetres, smallMillimetres } from './schema.js';

/** A slab in a pan or on a sheet, poured in one layer or several, cut on a grid or with a round cutter. The base batch fills `pansPerBatch` pans. */
export const cutSchema = z
  .strictObject({
    kind: z.literal('cut'),
    recipeId: idSchema,
    panLengthMm: millimetres,
    panWidthMm: millimetres,
    edgeTrimMm: smallMillimetres.default(0),
    kerfMm: smallMillimetres.default(0),
    pieceLengthMm: millimetres,
    /** Of a round cutter the width is as its length: its diameter. */
    pieceWidthMm: millimetres,
    shape: z.enum(['rectangle', 'round']).default('rectangle'),
    layers: layersSchema,
    finish: finishSchema,
    pansPerBatch: z.number().positive('must be more than zero').max(50).default(1),
  })
  .meta({ id: 'CutForm' });
export type CutForm = z.infer<typeof cutSchema>;

/** How a slab is cut. */
export interface CutGrid {
  readonly along: number;
  readonly across: number;
  readonly count: number;
  /** Share of the slab's area that ends up in pieces, 0 to 1; the rest is trim and kerf. */
  readonly usedShare: number;
}

/** How wide one piece is: a disc is as wide as it is long, mm. */
const widthOf = ({ shape, pieceLengthMm, pieceWidthMm }: CutForm): number =>
  shape === 'round' ? pieceLengthMm : pieceWidthMm;

/** Of the slab that ends up in one piece, mm². */
const areaOf = (form: CutForm): number =>
  form.pieceLengthMm * widthOf(form) * (form.shape === 'round' ? Math.PI / 4 : 1);

/** Pieces of `piece` in `length`, with a cut of `kerf` between two of them; all in mm. */
const fit = (length: number, piece: number, kerf: number): number =>
  Math.max(0, Math.floor((length + kerf) / (piece + kerf) + 1e-9));

/**
 * The grid of whole pieces in one pan, all sizes in mm. Trim comes off every edge, kerf between two pieces; between discs what is left of their
 * squares is trim, too.
 * Geometry; no source needed.
 * @returns a count of 0 when no piece fits
 * @example a 229 x 229 mm pan, 25 x 25 mm pieces, no trim: 9 x 9 = 81
 */
export function cutGrid(form: CutForm): CutGrid {
  const length = form.panLengthMm - 2 * form.edgeTrimMm;
  const width = form.panWidthMm - 2 * form.edgeTrimMm;
  const along = fit(length, form.pieceLengthMm, form.kerfMm);
  const across = fit(width, widthOf(form), form.kerfMm);
  const count = along * across;
  const usedShare = (count * areaOf(form)) / (form.panLengthMm * form.panWidthMm);
  return { along, across, count, usedShare };
}

/** A nine-inch square pan in mm. */
const PAN_MM = 229;

export const cut: BodyKind<CutForm> = {
  fresh: (recipeId) => ({
    kind: 'cut',
    recipeId,
    panLengthMm: PAN_MM,
    panWidthMm: PAN_MM,
    edgeTrimMm: 3,
    kerfMm: 0,
    pieceLengthMm: 27,
    pieceWidthMm: 27,
    pansPerBatch: 1,
    shape: 'rectangle',
    layers: [],
    finish: null,
  }),
  recipeId: ({ recipeId }) => recipeId,
  piecesIn: (form, multiple) => multiple * form.pansPerBatch * cutGrid(form).count,
  // Its share of the slab by area; what is trimmed off is drawn, too.
  weight: (form, yieldGrams) => {
    const { count, usedShare } = cutGrid(form);
    if (count === 0) return { grams: 0, drawnGrams: 0 };
    const slabGrams = yieldGrams / form.pansPerBatch;
    return { grams: (slabGrams * usedShare) / count, drawnGrams: slabGrams / count };
  },
  moreParts: (form) => [...layerParts(form.layers, cutGrid(form).usedShare || 1), ...finishPart(form.finish)],
  // Its own length and width, and as high as its weight makes it.
  sides: (form, grams) => ({
    lengthMm: form.pieceLengthMm,
    widthMm: widthOf(form),
    heightMm: cubicMm(grams) / areaOf(form),
  }),
  findings: (form, about) => (cutGrid(form).count === 0 ? [finding('piece-does-not-fit', about, {})] : []),
};
