import { gapOf, type LinearModel, type Solution, type SolveOptions } from './model.js';

interface HighsEvent {
  readonly data: {
    readonly mip_primal_bound?: number;
    readonly mip_dual_bound?: number;
    readonly mip_total_lp_iterations?: bigint;
  };
  /** Ends the search; there only where it may be ended. */
  readonly interrupt?: () => void;
}

interface HighsModel {
  readonly options: { set(options: Record<string, number | boolean | string>): unknown };
  readonly info: { get(name: string): unknown };
  run(callbacks?: Record<number, (event: HighsEvent) => void>): unknown;
  getModelStatus(): number;
  getObjectiveValue(): number;
  getSolution(): { readonly colValue: ArrayLike<number> };
  setSolution(solution: { readonly indices: Int32Array; readonly values: Float64Array }): unknown;
  dispose(): void;
}

/** The part of the HiGHS runtime that is used here; the runtime itself is handed in. */
export interface HighsRuntime {
  readonly constants: {
    readonly modelStatus: {
      readonly optimal: number;
      readonly infeasible: number;
      readonly unboundedOrInfeasible: number;
    };
    readonly callbackType: { readonly mipLogging: number; readonly mipInterrupt: number };
  };
  createModel(data: object): HighsModel;
}

/** The model as HiGHS reads it, row by row. */
function dataOf({ columns, rows, offset }: LinearModel): object {
  const starts = new Int32Array(rows.length + 1);
  const size = rows.reduce((sum, row) => sum + row.terms.length, 0);
  const indices = new Int32Array(size);
  const values = new Float64Array(size);
  let at = 0;
  rows.forEach((row, index) => {
    starts[index] = at;
    for (const [column, factor] of row.terms) {
      indices[at] = column;
      values[at] = factor;
      at += 1;
    }
  });
  starts[rows.length] = at;
  return {
    numCols: columns.length,
    numRows: rows.length,
    offset,
    colCost: Float64Array.from(columns, ({ cost }) => cost),
    colLower: Float64Array.from(columns, ({ lower }) => lower),
    colUpper: Float64Array.from(columns, ({ upper }) => upper),
    rowLower: Float64Array.from(rows, ({ lower }) => lower),
    rowUpper: Float64Array.from(rows, ({ upper }) => upper),
    matrix: { format: 'csr', numRows: rows.length, numCols: columns.length, starts, indices, values },
    integrality: Int32Array.from(columns, ({ whole }) => (whole ? 1 : 0)),
  };
}

/** The largest number that an option of HiGHS takes. */
const MOST_INTEGER = 2 ** 31 - 1;

const finite = (value: unknown): number | null => (typeof value === 'number' && Math.abs(value) < 1e20 ? value : null);

/** Gives the solution of a model without any decision: its rules hold, or they do not. */
function decided({ rows, offset }: LinearModel): Solution {
  if (rows.some(({ lower, upper }) => lower > 0 || upper < 0))
    return { status: 'impossible', objective: Infinity, bound: -Infinity, gap: Infinity, values: [], work: 0 };
  return { status: 'best', objective: offset, bound: offset, gap: 0, values: [], work: 0 };
}

/** So many entries of the matrix that are gone through are one unit of work. */
const ENTRIES_IN_A_UNIT = 2.6e7;
/** To read a model and to make it smaller takes as much as so many iterations. */
const ITERATIONS_TO_READ = 40;

/** Between two moments at which a search can be ended lies so much work at least: heuristics, cuts, whatever has no iterations. */
const WORK_OF_A_LOOK = 0.03;

/** Gives the work of one iteration of the simplex method: in proportion to the entries of the columns that are not held. */
function workOfIteration({ columns, rows }: LinearModel): number {
  const isFree = columns.map(({ lower, upper }) => lower < upper);
  let entries = columns.length;
  for (const { terms } of rows) for (const [column] of terms) if (isFree[column]) entries += 1;
  return entries / ENTRIES_IN_A_UNIT;
}

/**
 * Solves a model with HiGHS; blocks until it is done, so that long ones belong in a worker. It runs on one thread and stops by work, so
 * that the same model gives the same answer on every machine.
 * @throws when HiGHS refuses the model
 */
export function solveWithHighs(
  highs: HighsRuntime,
  model: LinearModel,
  { work: most = Infinity, gap = 0, gapAbsolute = 1e-6, start, onProgress }: SolveOptions = {},
): Solution {
  if (model.columns.length === 0) return decided(model);
  const held = highs.createModel(dataOf(model));
  const eachTakes = workOfIteration(model);
  const mostIterations = Math.max(1, Math.floor(most / eachTakes) - ITERATIONS_TO_READ);
  let looks = 0;
  const whole = model.columns.some((column) => column.whole);
  let iterations = 0;
  const spent = () => (ITERATIONS_TO_READ + iterations) * eachTakes + looks * WORK_OF_A_LOOK;
  try {
    held.options.set({
      // What it logs calls back; nothing is written anywhere.
      output_flag: true,
      log_to_console: false,
      mip_rel_gap: gap,
      mip_abs_gap: gapAbsolute,
      random_seed: 1,
      // Found by trying on seasons: more heuristics than usual bring more than they cost.
      mip_heuristic_effort: 0.3,
    });
    // A programme that need not be whole has no other limit.
    if (!whole && mostIterations < MOST_INTEGER) held.options.set({ simplex_iteration_limit: mostIterations });
    if (start && start.length > 0)
      held.setSolution({
        indices: Int32Array.from(start, ([column]) => column),
        // What was decided before may be more than the model allows now.
        values: Float64Array.from(start, ([column, value]) => {
          const { lower = 0, upper = 0 } = model.columns[column] ?? {};
          return Math.min(upper, Math.max(lower, value));
        }),
      });
    const { mipLogging, mipInterrupt } = highs.constants.callbackType;
    held.run({
      [mipInterrupt]: (event) => {
        iterations = Math.max(iterations, Number(event.data.mip_total_lp_iterations ?? 0n));
        looks += 1;
        if (spent() >= most) event.interrupt?.();
      },
      ...(onProgress && {
        [mipLogging]: ({ data }: HighsEvent) => {
          const objective = finite(data.mip_primal_bound);
          const bound = finite(data.mip_dual_bound) ?? -Infinity;
          // What is completed from a start logs as if it were the whole: a bound that is met already is not the model's.
          if (objective !== null && bound >= objective - 1e-9 * Math.abs(objective)) return;
          onProgress({ work: spent(), objective, bound });
        },
      }),
    });
    const counted = held.info.get('simplex_iteration_count');
    if (typeof counted === 'number') iterations = Math.max(iterations, counted);
    const { optimal, infeasible, unboundedOrInfeasible } = highs.constants.modelStatus;
    const status = held.getModelStatus();
    const nothing = { objective: Infinity, bound: -Infinity, gap: Infinity, values: [], work: spent() };
    if (status === infeasible || status === unboundedOrInfeasible) return { ...nothing, status: 'impossible' };
    const objective = finite(held.getObjectiveValue());
    const found = held.info.get('primal_solution_status') === 2;
    if (objective === null || !found) return { ...nothing, status: 'none' };
    const bound = whole ? (finite(held.info.get('mip_dual_bound')) ?? -Infinity) : objective;
    const { colValue } = held.getSolution();
    return {
      status: status === optimal ? 'best' : 'good',
      objective,
      bound: Math.min(bound, objective),
      gap: gapOf(objective, bound),
      values: model.columns.map((column, index) => {
        const value = colValue[index] ?? 0;
        return column.whole ? Math.round(value) : value;
      }),
      work: spent(),
    };
  } finally {
    held.dispose();
  }
}
