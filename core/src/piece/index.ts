export { cavityFill, fillCavity } from './cavity.js';
export { wrongInPiece } from './check.js';
export { pieceComposition } from './composition.js';
export { cutGrid } from './grid.js';
export { bodyForm, bodyRecipeId, formRecipeIds, type PieceFacts, piecesPerBatch, workOutPiece } from './makeup.js';
export { checkPans } from './pans.js';
export type { PiecePart } from './part.js';
export { batchesForPieces } from './scaling.js';
export {
  type BodyForm,
  type CentreForm,
  type CutForm,
  formSchema,
  type MouldedForm,
  type Piece,
  type PieceDraft,
  pieceDraftSchema,
  type PieceFiled,
  pieceFiledSchema,
  type PieceForm,
  pieceSchema,
  strongFlavours,
  textures,
  type Travel,
} from './schema.js';

export { type PieceSize, sayShortSize, saySize, sizeOfPiece } from './size.js';
