export { wrongInPiece } from './check.js';
export { pieceComposition } from './composition.js';
export {
  type BodyForm,
  cavityFill,
  type CentreForm,
  type CutForm,
  cutGrid,
  fillCavity,
  formSchema,
  freshCentre,
  freshForm,
  type MouldedForm,
  type MouldStage,
  mouldStages,
  type PieceForm,
  roomOf,
} from './forms/index.js';
export {
  bodyForm,
  bodyRecipeId,
  formRecipeIds,
  type PieceFacts,
  piecesPerBatch,
  piecesPerBase,
  workOutPiece,
} from './makeup.js';
export { checkPans } from './pans.js';
export { largestSize, type SizeBound, withLargestSizes } from './largest-size.js';
export type { PiecePart } from './part.js';
export { batchesForPieces, batchesOfPieces, piecesOfBatches } from './scaling.js';
export {
  type Piece,
  type PieceDraft,
  pieceDraftSchema,
  type PieceFiled,
  pieceFiledSchema,
  pieceSchema,
  strongFlavours,
  textures,
  type Travel,
} from './schema.js';

export { finishStages, type FinishStage, handSecondsOf, nightsInFinishing, sayStage, setsOverNight } from './stages.js';
export { type PieceSize, sayShortSize, saySize, sizeOfPiece } from './size.js';
