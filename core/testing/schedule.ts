import type { Project, Schedule } from '@usual-pantry/core/schedule';

const EPSILON = 1e-6;

/**
 * What is wrong with a schedule, in words: more of a resource than there is, begun before what it waits for, or not changed over between
 * two kinds of work. It asks nothing of the scheduler.
 */
export function faultsOf(schedule: Schedule, { activities, resources, changeover }: Project): string[] {
  const wrong: string[] = [];
  const ends = new Map(schedule.placed.map(({ activity, end }) => [activity.key, end] as const));
  for (const { key } of activities) if (!ends.has(key)) wrong.push(`${key} is not placed`);
  for (const { activity, start } of schedule.placed)
    for (const { key, lag } of activity.after)
      if (ends.has(key) && start < (ends.get(key) ?? 0) + lag - EPSILON)
        wrong.push(`${activity.key} begins before ${key}`);
  for (const { key, capacity, from = -Infinity, until = Infinity } of resources) {
    const uses = schedule.placed.flatMap((each) => each.uses.filter(({ resource }) => resource === key));
    for (const use of uses) {
      if (use.from < from - EPSILON || use.until > until + EPSILON) wrong.push(`${key} is not there`);
      const atOnce = uses.filter((each) => each.from <= use.from + EPSILON && each.until > use.from + EPSILON).length;
      if (atOnce > capacity)
        wrong.push(`${key} is used ${String(atOnce)} times at once, ${String(capacity)} are there`);
    }
  }
  if (!changeover) return wrong;
  const strips = schedule.placed.flatMap(({ activity: { key, kind }, uses }) =>
    uses.flatMap((use) =>
      kind !== undefined && changeover.hands.includes(use.resource) ? [{ ...use, key, kind }] : [],
    ),
  );
  for (const one of strips)
    for (const other of strips) {
      if (one.kind === other.kind || one.from > other.from) continue;
      if (one.until > other.from + EPSILON) wrong.push(`${one.key} and ${other.key} are on the bench together`);
      const isChanged = schedule.changeovers.some(
        ({ from, until }) => from >= one.until - EPSILON && until <= other.from + EPSILON,
      );
      if (changeover.isNeeded(one.kind, other.kind) && !isChanged)
        wrong.push(`${other.key} follows ${one.key} at once`);
    }
  const busy = schedule.placed.flatMap(({ uses }) => uses.filter(({ resource }) => resource === changeover.by));
  for (const { from, until } of schedule.changeovers)
    if (busy.some((use) => use.from < until - EPSILON && use.until > from + EPSILON))
      wrong.push(`nobody is free to change over at ${String(from)}`);
  return wrong;
}
