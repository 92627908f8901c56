export { wrongInBox, wrongInBoxEdit } from './check.js';
export { asSold, contentOf, nextEdition } from './editions.js';
export { type BoxFacts, type PieceCount, workOutBox } from './facts.js';
export { cellSize, misfits, whyNotInto } from './fit.js';
export { allergenCells, mixingWarnings } from './mixing.js';
export {
  type Box,
  type BoxContent,
  type BoxDraft,
  boxDraftSchema,
  type BoxFiled,
  boxFiledSchema,
  boxSchema,
} from './schema.js';

export { nearness, type OwnStandIn, proposeStandIns, resolveBox, type ResolvedBox } from './stand-ins.js';
