/** One wrong value and where it stands. */
export interface WrongValue {
  readonly path: readonly PropertyKey[];
  readonly message: string;
}

/** `['orders', 3, 'handOver']` as `orders[3].handOver`; an empty path is `(file)`. */
export const sayPath = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (text, key) => (typeof key === 'number' ? `${text}[${key}]` : text === '' ? String(key) : `${text}.${String(key)}`),
    '',
  ) || '(file)';

/** The same wrong values, one level further down. */
export const under = (path: readonly PropertyKey[], wrong: readonly WrongValue[]): WrongValue[] =>
  wrong.map((each) => ({ ...each, path: [...path, ...each.path] }));

/** Whether a record is there. */
export type Known = (noun: 'ingredient' | 'recipe' | 'piece' | 'box', id: string) => boolean;

/** A wrong value for each reference whose record is not there. */
export const unknownReferences = (
  references: readonly {
    readonly noun: Parameters<Known>[0];
    readonly id: string;
    readonly path: readonly PropertyKey[];
  }[],
  known: Known,
): WrongValue[] =>
  references
    .filter(({ noun, id }) => !known(noun, id))
    .map(({ noun, id, path }) => ({ path, message: `there is no ${noun} "${id}"` }));
