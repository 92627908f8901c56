import { gapOf, type LinearModel, type Solution, type SolveOptions } from './model.js';

interface HighsEvent {
  readonly data: {
    readonly running_time?: number;
    readonly mip_primal_bound?: number;
    readonly mip_dual_bound?: number;
  };
}

interface HighsModel {
  readonly options: { set(options: Record<string, number | boolean | string>): unknown };
  readonly info: { get(name: string): unknown };
  run(callbacks?: Record<number, (event: HighsEvent) => void>): unknown;
  getModelStatus(): number;
  getObjectiveValue(): number;
  getRunTime(): number;
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
    readonly callbackType: { readonly mipLogging: number };
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

const finite = (value: unknown): number | null => (typeof value === 'number' && Math.abs(value) < 1e20 ? value : null);

/** A model without any decision: its rules hold, or they do not. */
function decided({ rows, offset }: LinearModel): Solution {
  if (rows.some(({ lower, upper }) => lower > 0 || upper < 0))
    return { status: 'impossible', objective: Infinity, bound: -Infinity, gap: Infinity, values: [], seconds: 0 };
  return { status: 'best', objective: offset, bound: offset, gap: 0, values: [], seconds: 0 };
}

/**
 * Solves a model with HiGHS; blocks until it is done, so that long ones belong in a worker.
 * @throws when HiGHS refuses the model
 */
export function solveWithHighs(
  highs: HighsRuntime,
  model: LinearModel,
  { seconds, gap = 0, gapAbsolute = 1e-6, start, onProgress }: SolveOptions = {},
): Solution {
  if (model.columns.length === 0) return decided(model);
  const held = highs.createModel(dataOf(model));
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
    if (seconds !== undefined && seconds !== Infinity) held.options.set({ time_limit: Math.max(0, seconds) });
    if (start && start.length > 0)
      held.setSolution({
        indices: Int32Array.from(start, ([column]) => column),
        // What was decided before may be more than the model allows now.
        values: Float64Array.from(start, ([column, value]) => {
          const { lower = 0, upper = 0 } = model.columns[column] ?? {};
          return Math.min(upper, Math.max(lower, value));
        }),
      });
    held.run(
      onProgress && {
        [highs.constants.callbackType.mipLogging]: ({ data }) => {
          const objective = finite(data.mip_primal_bound);
          const bound = finite(data.mip_dual_bound) ?? -Infinity;
          // What is completed from a start logs as if it were the whole: a bound that is met already is not the model's.
          if (objective !== null && bound >= objective - 1e-9 * Math.abs(objective)) return;
          onProgress({ seconds: data.running_time ?? 0, objective, bound });
        },
      },
    );
    const { optimal, infeasible, unboundedOrInfeasible } = highs.constants.modelStatus;
    const status = held.getModelStatus();
    const nothing = { objective: Infinity, bound: -Infinity, gap: Infinity, values: [], seconds: held.getRunTime() };
    if (status === infeasible || status === unboundedOrInfeasible) return { ...nothing, status: 'impossible' };
    const objective = finite(held.getObjectiveValue());
    const found = held.info.get('primal_solution_status') === 2;
    if (objective === null || !found) return { ...nothing, status: 'none' };
    const whole = model.columns.some((column) => column.whole);
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
      seconds: held.getRunTime(),
    };
  } finally {
    held.dispose();
  }
}
