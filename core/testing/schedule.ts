import type { Project, Schedule } from '@usual-pantry/core/schedule';

const EPSILON = 1e-6;

/**
 * What is wrong with a schedule, in words: more of a resource than there is, or begun before what it waits for. It asks
 * nothing of the scheduler.
 */
export function faultsOf(schedule: Schedule, { activities, resources }: Project): string[] {
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
  return wrong;
}
