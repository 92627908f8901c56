import { isEqual } from 'es-toolkit/predicate';

/** What a record holds, without its id and version, as it is stored: text, numbers, lists and the like. */
export type Fields = Readonly<Record<string, unknown>>;

/**
 * What a change did to one record. A record that was added has no `before`, one that was deleted no `after`; of one that was edited both
 * hold only the fields that are not what they were.
 */
export interface Difference {
  readonly before: Fields | null;
  readonly after: Fields | null;
}

/** What a record becomes when a difference is taken back; or the fields in which it is no longer what the difference left. */
export type TakenBack =
  | { readonly kind: 'stands'; readonly record: Fields | null }
  | { readonly kind: 'in the way'; readonly fields: readonly string[] };

const WHOLE: readonly string[] = [];

/** The fields of a record that a change can have: without those that follow from others. */
const without = (fields: Fields, derived: readonly string[]): Fields =>
  Object.fromEntries(Object.entries(fields).filter(([field]) => !derived.includes(field)));

const someOf = (fields: Fields, names: readonly string[]): Fields =>
  Object.fromEntries(names.flatMap((name) => (name in fields ? [[name, fields[name]]] : [])));

const unlike = (left: Fields, right: Fields, names: readonly string[]): string[] =>
  names.filter((name) => !isEqual(left[name], right[name]));

const namesIn = (...records: readonly Fields[]): string[] => [...new Set(records.flatMap((each) => Object.keys(each)))];

/**
 * What is different after a change of one record.
 * @param derived fields that the record works out itself: they are not what the change was about
 * @returns null when nothing is
 * @example differenceOf({ name: 'Toffee', rest: 1 }, { name: 'Toffee', rest: 2 }) // { before: { rest: 1 }, after: { rest: 2 } }
 */
export function differenceOf(
  before: Fields | null,
  after: Fields | null,
  derived: readonly string[] = WHOLE,
): Difference | null {
  if (before === null || after === null) return before === after ? null : { before, after };
  const names = unlike(before, after, namesIn(without(before, derived), without(after, derived)));
  return names.length === 0 ? null : { before: someOf(before, names), after: someOf(after, names) };
}

/** The same difference the other way round: what taking it back did. */
export const turned = ({ before, after }: Difference): Difference => ({ before: after, after: before });

/**
 * Takes a difference back from a record as it is now. Fields that the difference did not touch stay as they are.
 * @param current null when there is no such record
 * @param derived fields that the record works out itself: they never stand in the way
 * @returns what the record becomes, null where it was added by the change; or, where a later edit changed the same fields, which they are:
 * none of them by name when the record as a whole is missing, or is there again
 */
export function takeBack(
  { before, after }: Difference,
  current: Fields | null,
  derived: readonly string[] = WHOLE,
): TakenBack {
  if (after === null) return current === null ? { kind: 'stands', record: before } : { kind: 'in the way', fields: [] };
  if (current === null) return { kind: 'in the way', fields: [] };
  const names = before === null ? namesIn(without(after, derived), without(current, derived)) : namesIn(before, after);
  const fields = unlike(current, after, names);
  if (fields.length > 0) return { kind: 'in the way', fields };
  if (before === null) return { kind: 'stands', record: null };
  return { kind: 'stands', record: { ...without(current, namesIn(after)), ...before } };
}

/** The fields that a difference is about; null when it is about the record as a whole. */
export const fieldsOf = ({ before, after }: Difference): readonly string[] | null =>
  before === null || after === null ? null : namesIn(before, after);
