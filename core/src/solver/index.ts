export { relaxed, withHeld } from './held.js';
export { type HighsRuntime, solveWithHighs } from './highs.js';
export {
  gapOf,
  type LinearModel,
  ModelBuilder,
  type Row,
  smallestClash,
  type Solution,
  type SolveOptions,
  type Solver,
  type SolverProgress,
  type Term,
} from './model.js';
