import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { boundsOf, headsAndTails, type Bounds } from './bounds.js';
import { predecessorsFirst, type Activity, type Project, type Schedule } from './project.js';
import { placeInOrder } from './serial.js';

/** The activities by a weight, the heaviest first, and still each after all that must be done before it. */
function byWeight(activities: readonly Activity[], weight: (activity: Activity) => number): Activity[] {
  const left = [...activities];
  const waiting = new Set(left.map(({ key }) => key));
  const order: Activity[] = [];
  while (left.length > 0) {
    const able = left.filter(({ after }) => after.every(({ key }) => !waiting.has(key)));
    const next = able.reduce<Activity | undefined>(
      (best, each) => (best === undefined || weight(each) > weight(best) ? each : best),
      undefined,
    );
    if (!next) break;
    left.splice(left.indexOf(next), 1);
    waiting.delete(next.key);
    order.push(next);
  }
  return order;
}

export interface BestSchedule extends Schedule {
  readonly bounds: Bounds;
}

/**
 * A short schedule: the best of several orders (longest way to the end first, most work first, as given), then of orders in which one
 * activity goes to another place, kept when it is no longer. The same project always gives the same schedule.
 * @param rounds how many changed orders are tried; none are when a lower bound is reached
 * @param enough a span that is short enough: nothing shorter is looked for
 * @returns null when some activity never fits
 * @throws Error when activities wait for one another in a circle
 */
export function bestSchedule(project: Project, rounds = 200, enough = 0): BestSchedule | null {
  const { activities } = project;
  const bounds = boundsOf(project);
  const { tails } = headsAndTails(project);
  const given = predecessorsFirst(activities);
  const tail = ({ key }: Activity) => tails.get(key) ?? 0;
  const work = ({ uses }: Activity) => uses.reduce((sum, { minutes }) => sum + minutes, 0);
  let order = given;
  let best = placeInOrder(given, project);
  for (const weight of [tail, work]) {
    const tried = byWeight(activities, weight);
    const schedule = placeInOrder(tried, project);
    if (schedule && schedule.span < (best?.span ?? Infinity) - 1e-6) [best, order] = [schedule, tried];
  }
  if (!best) return null;
  const random = xoroshiro128plus(1);
  const below = (count: number): number => uniformInt(random, 0, count - 1);
  let at: Schedule = best;
  const target = Math.max(bounds.leastMinutes, enough) + 1e-6;
  for (let round = 0; round < rounds && best.span > target && order.length > 1; round++) {
    const tried = [...order];
    // Now and then several at once, so as to come out of where one alone does not help.
    for (let moves = round % 8 === 7 ? 4 : 1; moves > 0; moves--) {
      const [moved] = tried.splice(below(tried.length), 1);
      if (moved) tried.splice(below(tried.length + 1), 0, moved);
    }
    const sorted = predecessorsFirst(tried);
    const schedule = placeInOrder(sorted, project);
    if (!schedule || schedule.span > at.span + 1e-6) continue;
    [at, order] = [schedule, sorted];
    if (at.span < best.span - 1e-6) best = at;
  }
  return { ...best, bounds };
}
