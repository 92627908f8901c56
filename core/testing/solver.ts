import highsLoader from 'highs';
import { solveWithHighs, type HighsRuntime, type Solver } from '../src/solver/index.js';

const loadHighs = highsLoader as unknown as () => Promise<HighsRuntime>;
let loaded: Promise<HighsRuntime> | undefined;

/** The real solver, in the same process. */
export const solver: Solver = async (model, options) => {
  loaded ??= loadHighs();
  return solveWithHighs(await loaded, model, options);
};
