/**
 * A function of two objects, worked out once for each pair as long as both are there. Both must be plain data that nobody changes.
 * @param work pure
 */
export function oncePerPair<A extends object, B extends object, Result>(
  work: (a: A, b: B) => Result,
): (a: A, b: B) => Result {
  const known = new WeakMap<A, WeakMap<B, { readonly result: Result }>>();
  return (a, b) => {
    let ofA = known.get(a);
    if (!ofA) known.set(a, (ofA = new WeakMap<B, { readonly result: Result }>()));
    let there = ofA.get(b);
    if (!there) ofA.set(b, (there = { result: work(a, b) }));
    return there.result;
  };
}

/** A function of one object, worked out once as long as it is there; it must be plain data that nobody changes. */
export function oncePer<A extends object, Result>(work: (a: A) => Result): (a: A) => Result {
  const known = new WeakMap<A, { readonly result: Result }>();
  return (a) => {
    let there = known.get(a);
    if (!there) known.set(a, (there = { result: work(a) }));
    return there.result;
  };
}

/** Remembers the results of the last few keys: what was asked for last stays longest. */
export class LastFew<Result> {
  private readonly kept = new Map<string, Result>();

  constructor(private readonly most: number) {}

  /** The result of a key, worked out when it is not remembered. */
  of(key: string, work: () => Result): Result {
    const there = this.kept.get(key);
    const result = there ?? work();
    this.kept.delete(key);
    this.kept.set(key, result);
    const [oldest] = this.kept.keys();
    if (oldest !== undefined && this.kept.size > this.most) this.kept.delete(oldest);
    return result;
  }
}
