import type { Solver } from '../solver/index.js';

/** A solver with so much work to do, and what is left of it. */
export interface Counted {
  readonly solver: Solver;
  /** Work that is left; below zero when the last model took more. */
  readonly left: () => number;
}

/** Counts the work of a solver. @param work there is in all */
export function counted(solver: Solver, work: number): Counted {
  let left = work;
  return {
    left: () => left,
    solver: async (model, options) => {
      const found = await solver(model, options);
      left -= found.work;
      return found;
    },
  };
}
