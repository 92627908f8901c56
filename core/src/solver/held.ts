import type { LinearModel } from './model.js';

/**
 * The model with some of its columns held at a value.
 * @param values one a column
 * @param isHeld whether the column of that number is held; the others stay free
 */
export const withHeld = (
  model: LinearModel,
  values: readonly number[],
  isHeld: (column: number) => boolean,
): LinearModel => ({
  ...model,
  columns: model.columns.map((column, index) => {
    if (!isHeld(index)) return column;
    const value = values[index] ?? 0;
    return { ...column, lower: value, upper: value };
  }),
});

/** The model as if nothing in it had to be whole: what it costs is a bound for the whole one. */
export const relaxed = (model: LinearModel): LinearModel => ({
  ...model,
  columns: model.columns.map((column) => ({ ...column, whole: false })),
});
