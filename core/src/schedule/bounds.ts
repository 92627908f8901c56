import { predecessorsFirst, type Activity, type Project, type Resource } from './project.js';

/** Why no schedule can be shorter. */
export interface Bounds {
  /** The longest chain of work and rests. */
  readonly chainMinutes: number;
  /** Everything that must be done with each resource, shared among what there is of it. */
  readonly resources: readonly { readonly key: string; readonly minutes: number }[];
  /** The largest of them. */
  readonly leastMinutes: number;
}

/** Everything that must be done before an activity, by its key. */
function ancestorsOf(order: readonly Activity[]): Map<string, ReadonlySet<string>> {
  const found = new Map<string, ReadonlySet<string>>();
  for (const { key, after } of order)
    found.set(key, new Set(after.flatMap((each) => [each.key, ...(found.get(each.key) ?? [])])));
  return found;
}

/**
 * For each activity, minutes that must pass before it can begin, and from its start to the end of all that waits for it: by the chain
 * of what waits for what, and by all that one resource has to do before it.
 */
export function headsAndTails({ activities, resources }: Project) {
  const order = predecessorsFirst(activities);
  const byKey = new Map(activities.map((each) => [each.key, each] as const));
  const ancestors = ancestorsOf(order);
  const capacities = new Map(resources.map(({ key, capacity }) => [key, capacity] as const));
  // What goes on after an activity is done counts as far as everything that waits for it must rest.
  const rests = new Map<string, number>();
  for (const { after } of order)
    for (const { key, lag } of after) rests.set(key, Math.min(rests.get(key) ?? Infinity, lag));
  /** The least minutes in which each resource can do its part of some activities, the wait before it among them. */
  const mostOf = (keys: Iterable<string>, headOf: (key: string) => number): number => {
    const loads = new Map<string, { minutes: number; head: number }>();
    for (const each of keys) {
      const activity = byKey.get(each);
      if (!activity) continue;
      const rest = rests.get(each) ?? 0;
      for (const { anyOf, minutes, offset } of activity.uses) {
        const [only] = anyOf;
        const within = Math.min(minutes, activity.minutes - offset + (rest === Infinity ? 0 : rest));
        // Only what a single resource can do counts: what another may take over holds nobody up.
        if (anyOf.length > 1 || only === undefined || within <= 0) continue;
        const before = loads.get(only);
        loads.set(only, {
          minutes: (before?.minutes ?? 0) + within / (capacities.get(only) ?? 1),
          head: Math.min(before?.head ?? Infinity, headOf(each) + offset),
        });
      }
    }
    return Math.max(0, ...[...loads.values()].map(({ minutes, head }) => head + minutes));
  };
  const heads = new Map<string, number>();
  for (const { key, after } of order)
    heads.set(
      key,
      Math.max(
        mostOf(ancestors.get(key) ?? [], (each) => heads.get(each) ?? 0),
        ...after.map((each) => (heads.get(each.key) ?? 0) + (byKey.get(each.key)?.minutes ?? -each.lag) + each.lag),
      ),
    );
  const descendants = new Map<string, string[]>();
  for (const [key, before] of ancestors)
    for (const each of before) descendants.set(each, [...(descendants.get(each) ?? []), key]);
  const tails = new Map<string, number>();
  for (const { key, minutes } of [...order].reverse()) {
    // Their heads are not known from here: what lies between counts as nothing.
    const rest = mostOf(descendants.get(key) ?? [], () => 0);
    tails.set(key, Math.max(tails.get(key) ?? 0, minutes + rest));
    for (const { key: before, lag } of byKey.get(key)?.after ?? []) {
      const activity = byKey.get(before);
      if (activity) tails.set(before, Math.max(tails.get(before) ?? 0, activity.minutes + lag + (tails.get(key) ?? 0)));
    }
  }
  return { heads, tails };
}

/**
 * Lower bounds of a project's span: the critical path, and for each resource the minutes that nothing else can do, with the shortest
 * wait before them and the shortest work after them.
 */
export function boundsOf(project: Project): Bounds {
  const { activities, resources } = project;
  const { heads, tails } = headsAndTails(project);
  const chainMinutes = Math.max(0, ...activities.map(({ key }) => (heads.get(key) ?? 0) + (tails.get(key) ?? 0)));
  // Resources that stand in for one another are one pool: together they must do all that only they can do.
  const poolOf = (key: string): ReadonlySet<string> => {
    const pool = new Set([key]);
    for (const { uses } of activities)
      for (const { anyOf } of uses) if (anyOf.includes(key)) anyOf.forEach((each) => pool.add(each));
    return pool;
  };
  const work = (pool: ReadonlySet<string>): number => {
    const there = resources.filter(({ key }) => pool.has(key));
    const lengthOf = ({ from = -Infinity, until = Infinity }: Resource) => until - from;
    const always = there.filter((each) => lengthOf(each) === Infinity).reduce((sum, each) => sum + each.capacity, 0);
    const awhile = there.filter((each) => lengthOf(each) < Infinity);
    let minutes = 0;
    let head = Infinity;
    let tail = Infinity;
    for (const { key, minutes: whole, uses } of activities)
      for (const use of uses) {
        // What goes on after an activity is done, as a pan over night, does not hold up the end.
        const within = Math.min(use.minutes, whole - use.offset);
        if (within <= 0 || !use.anyOf.every((each) => pool.has(each))) continue;
        minutes += within;
        head = Math.min(head, (heads.get(key) ?? 0) + use.offset);
        tail = Math.min(tail, Math.max(0, (tails.get(key) ?? 0) - use.offset - within));
      }
    if (minutes <= 0) return 0;
    const shared = minutes / (always + awhile.reduce((sum, each) => sum + each.capacity, 0));
    const helped = awhile.reduce((sum, each) => sum + each.capacity * lengthOf(each), 0);
    return head + Math.max(shared, always > 0 ? (minutes - helped) / always : 0) + tail;
  };
  const bounds = resources.map(({ key }) => ({
    key,
    minutes: Math.max(work(new Set([key])), work(poolOf(key))),
  }));
  return {
    chainMinutes,
    resources: bounds,
    leastMinutes: Math.max(chainMinutes, ...bounds.map(({ minutes }) => minutes)),
  };
}
