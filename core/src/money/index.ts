export { type BoxCost, costBasis, type CostBasis, costOfBox, costOfBoxes, pieceCosts, workOfPiece } from './cost.js';
