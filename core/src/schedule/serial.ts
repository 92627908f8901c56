import type { Activity, Placed, PlacedUse, Resource, Schedule } from './project.js';

const EPSILON = 1e-6;

interface Busy {
  readonly from: number;
  readonly until: number;
}

/** What is taken of one resource, and whether there is room for one more. */
class Calendar {
  private readonly busy: Busy[] = [];

  constructor(private readonly resource: Resource) {}

  take(from: number, until: number): void {
    this.busy.push({ from, until });
  }

  /** The minute up to which a use has to wait that would like to begin at `from`; `from` itself when it can begin. */
  freeAt(from: number, minutes: number): number {
    const { capacity, from: opens = -Infinity, until: closes = Infinity } = this.resource;
    if (from < opens - EPSILON) return opens;
    if (from + minutes > closes + EPSILON) return Infinity;
    const within = this.busy.filter((each) => each.from < from + minutes - EPSILON && each.until > from + EPSILON);
    if (within.length < capacity) return from;
    // The most at once is reached where one of them begins, or at the start.
    const full = [from, ...within.map((each) => each.from)].some((at) => {
      const here = within.filter((each) => each.from <= at + EPSILON && each.until > at + EPSILON);
      return at >= from - EPSILON && here.length >= capacity;
    });
    return full ? Math.min(...within.map(({ until }) => until)) : from;
  }
}

/**
 * Places activities one after another, each as early as what was placed before it allows (the serial schedule generation scheme).
 * @param order every activity after all that must be done before it
 * @returns null when an activity never fits, since a resource is missing or gone by then
 */
export function placeInOrder(order: readonly Activity[], resources: readonly Resource[]): Schedule | null {
  const calendars = new Map(resources.map((each) => [each.key, new Calendar(each)] as const));
  const ends = new Map<string, number>();
  const placed: Placed[] = [];
  for (const activity of order) {
    let start = Math.max(0, ...activity.after.map(({ key, lag }) => (ends.get(key) ?? 0) + lag));
    let uses: PlacedUse[] | null = null;
    while (uses === null) {
      if (start === Infinity) return null;
      uses = [];
      let later = start;
      for (const { offset, minutes, anyOf } of activity.uses) {
        if (minutes <= EPSILON) continue;
        const from = start + offset;
        let soonest = Infinity;
        let chosen: string | undefined;
        for (const key of anyOf) {
          const free = calendars.get(key)?.freeAt(from, minutes) ?? Infinity;
          if (free < soonest - EPSILON) [soonest, chosen] = [free, key];
        }
        if (chosen === undefined) return null;
        if (soonest > from + EPSILON) later = Math.max(later, soonest - offset);
        else uses.push({ resource: chosen, from, until: from + minutes });
      }
      if (later > start + EPSILON) {
        start = later;
        uses = null;
      }
    }
    for (const { resource, from, until } of uses) calendars.get(resource)?.take(from, until);
    const end = start + activity.minutes;
    ends.set(activity.key, end);
    placed.push({ activity, start, end, uses });
  }
  placed.sort((a, b) => a.start - b.start);
  return { placed, span: placed.reduce((span, { end }) => Math.max(span, end), 0) };
}
