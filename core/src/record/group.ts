/** The members of a list under their keys, in the order in which they come. */
export function groupBy<T, Key>(list: Iterable<T>, key: (each: T) => Key): Map<Key, T[]> {
  const groups = new Map<Key, T[]>();
  for (const each of list) {
    const found = groups.get(key(each));
    if (found) found.push(each);
    else groups.set(key(each), [each]);
  }
  return groups;
}
