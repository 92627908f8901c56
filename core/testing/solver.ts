import loadHighs from 'highs';
import { solveWithHighs, type HighsRuntime, type Solver } from '../src/solver/index.js';

let loaded: Promise<HighsRuntime> | undefined;

/** The real solver, in the same process. */
export const solver: Solver = async (model, options) => {
  loaded ??= loadHighs() as unknown as Promise<HighsRuntime>;
  return solveWithHighs(await loaded, model, options);
};
