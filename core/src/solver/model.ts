/** A decision of a linear model. */
export interface Column {
  readonly name: string;
  readonly cost: number;
  readonly lower: number;
  readonly upper: number;
  readonly whole: boolean;
}

/** A term of a row: the number of a column and its factor. */
export type Term = readonly [column: number, factor: number];

/** A rule of a linear model: `lower <= sum of the terms <= upper`. */
export interface Row {
  readonly name: string;
  readonly lower: number;
  readonly upper: number;
  readonly terms: readonly Term[];
}

/** A mixed integer programme that is to be minimised. */
export interface LinearModel {
  readonly columns: readonly Column[];
  readonly rows: readonly Row[];
  /** Added to the objective whatever is decided. */
  readonly offset: number;
}

/** Builds a model piece by piece; columns and rows are numbered from 0 in the order in which they are added. */
export class ModelBuilder {
  private readonly columns: Column[] = [];
  private readonly rows: Row[] = [];
  private offset = 0;

  /** A decision; at least 0 and continuous unless said otherwise. @returns its number */
  column(name: string, cost: number, more: Partial<Pick<Column, 'lower' | 'upper' | 'whole'>> = {}): number {
    return this.columns.push({ name, cost, lower: 0, upper: Infinity, whole: false, ...more }) - 1;
  }

  /** A yes-or-no decision. @returns its number */
  choice(name: string, cost: number): number {
    return this.column(name, cost, { upper: 1, whole: true });
  }

  /** @returns the number of the row */
  atLeast(name: string, terms: readonly Term[], lower: number): number {
    return this.rows.push({ name, lower, upper: Infinity, terms }) - 1;
  }

  /** @returns the number of the row */
  atMost(name: string, terms: readonly Term[], upper: number): number {
    return this.rows.push({ name, lower: -Infinity, upper, terms }) - 1;
  }

  exactly(name: string, terms: readonly Term[], value: number): void {
    this.rows.push({ name, lower: value, upper: value, terms });
  }

  /** A cost that no decision changes. */
  always(cost: number): void {
    this.offset += cost;
  }

  build(): LinearModel {
    return { columns: this.columns, rows: this.rows, offset: this.offset };
  }
}

/** How far a running solution is. */
export interface SolverProgress {
  /** Work done so far; see {@link SolveOptions.work}. */
  readonly work: number;
  /** The best found so far; null while there is none. */
  readonly objective: number | null;
  /** No solution can be better than this. */
  readonly bound: number;
}

export interface SolveOptions {
  /**
   * Stops after so much work with the best found so far: iterations of the simplex method, each by the size of the model. A unit takes about a
   * second where nothing else is going on; on a busy machine it takes longer, and finds the same.
   */
  readonly work?: number;
  /** Stops when the best found is proven to be within this share of the optimum; 0 for the optimum itself. */
  readonly gap?: number;
  /** Stops when the best found is proven to be within this much of the optimum. */
  readonly gapAbsolute?: number;
  /** Values of columns to start from; the solver finds the others. */
  readonly start?: readonly (readonly [column: number, value: number])[] | undefined;
  readonly onProgress?: (progress: SolverProgress) => void;
}

/** What a solver found. */
export interface Solution {
  /** `best`: proven within the gap asked for. `good`: the work was done. `none`: it was done and nothing was found. `impossible`: proven. */
  readonly status: 'best' | 'good' | 'none' | 'impossible';
  readonly objective: number;
  readonly bound: number;
  /** As {@link gapOf} counts it. */
  readonly gap: number;
  /** One value a column, whole where the column is whole. Empty when nothing was found. */
  readonly values: readonly number[];
  /** Work that it took; see {@link SolveOptions.work}. */
  readonly work: number;
}

/** How much less than what was found the optimum can be at most, as a share of what was found; 0 when both are 0. */
export const gapOf = (objective: number, bound: number): number =>
  Math.max(0, objective - bound) / Math.max(Math.abs(objective), 1e-9);

/** A solver of linear models. It is handed in, so that core needs none of its own. */
export type Solver = (model: LinearModel, options?: SolveOptions) => Promise<Solution>;

/**
 * A smallest set of rows that cannot hold together: each is left out in turn, and stays out when the rest is still impossible.
 * @param model one that is impossible
 * @param candidates numbers of the rows that may be to blame; all others always hold
 * @returns numbers of rows; without any one of them the model would be possible
 */
export async function smallestClash(
  model: LinearModel,
  candidates: readonly number[],
  solver: Solver,
): Promise<readonly number[]> {
  let blamed = [...candidates];
  for (const row of candidates) {
    const without = blamed.filter((each) => each !== row);
    const kept = new Set(without);
    const rows = model.rows.filter((_row, index) => kept.has(index) || !candidates.includes(index));
    const { status } = await solver({ ...model, rows, columns: model.columns.map((each) => ({ ...each, cost: 0 })) });
    if (status === 'impossible') blamed = without;
  }
  return blamed;
}
