import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { boundsOf, headsAndTails, type Bounds } from './bounds.js';
import { predecessorsFirst, type Activity, type Project, type Schedule } from './project.js';
import { placeInOrder } from './serial.js';

/** Gives the activities by a weight, the heaviest first, and still each after all that must be done before it. */
function byWeight(activities: readonly Activity[], weight: (activity: Activity) => number): Activity[] {
  const known = new Set(activities.map(({ key }) => key));
  const missing = new Map<string, number>();
  const followers = new Map<string, Activity[]>();
  for (const activity of activities) {
    const before = new Set(activity.after.flatMap(({ key }) => (known.has(key) ? [key] : [])));
    missing.set(activity.key, before.size);
    for (const key of before) {
      const list = followers.get(key);
      if (list) list.push(activity);
      else followers.set(key, [activity]);
    }
  }
  const places = new Map(activities.map((each, place) => [each, place] as const));
  const place = (each: Activity) => places.get(each) ?? 0;
  let able = activities.filter(({ key }) => missing.get(key) === 0);
  const order: Activity[] = [];
  while (able.length > 0) {
    const next = able.reduce((best, each) =>
      weight(each) > weight(best) || (weight(each) === weight(best) && place(each) < place(best)) ? each : best,
    );
    able = able.filter((each) => each !== next);
    order.push(next);
    for (const each of followers.get(next.key) ?? []) {
      const left = (missing.get(each.key) ?? 0) - 1;
      missing.set(each.key, left);
      if (left === 0) able.push(each);
    }
  }
  return order;
}

export interface BestSchedule extends Schedule {
  readonly bounds: Bounds;
}

/**
 * Finds a short schedule with few changeovers: the best of several orders (longest way to the end first, most work first, as given), then of orders in which one
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
  /** What a changeover takes of somebody's hands weighs as much as a day that ends later. */
  const costOf = ({ span, changeovers }: Schedule) => span + changeovers.length * (project.changeover?.minutes ?? 0);
  let best = placeInOrder(given, project);
  for (const weight of [tail, work]) {
    const tried = byWeight(activities, weight);
    const schedule = placeInOrder(tried, project);
    if (schedule && costOf(schedule) < (best ? costOf(best) : Infinity) - 1e-6) [best, order] = [schedule, tried];
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
    if (!schedule || costOf(schedule) > costOf(at) + 1e-6) continue;
    [at, order] = [schedule, sorted];
    if (costOf(at) < costOf(best) - 1e-6) best = at;
  }
  return { ...best, bounds };
}
