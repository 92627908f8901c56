import type { Activity, ChangedOver, Changeover, Placed, PlacedUse, Project, Resource, Schedule } from './project.js';

const EPSILON = 1e-6;

interface Busy {
  readonly from: number;
  readonly until: number;
}

/** Keeps what is taken of one resource, the earliest first, and finds where there is room for one more. */
class Calendar {
  private readonly busy: Busy[] = [];
  private longest = 0;

  constructor(private readonly resource: Resource) {}

  /** Gives the place in the list before which everything begins earlier than a minute. */
  private placeOf(minute: number): number {
    let [low, high] = [0, this.busy.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((this.busy[middle]?.from ?? Infinity) < minute) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  take(busy: Busy): void {
    this.busy.splice(this.placeOf(busy.from), 0, busy);
    this.longest = Math.max(this.longest, busy.until - busy.from);
  }

  giveBack(busy: Busy): void {
    const at = this.busy.indexOf(busy, this.placeOf(busy.from));
    if (at >= 0) this.busy.splice(at, 1);
  }

  /** Gives what lies over a stretch of time. */
  private within(from: number, until: number): Busy[] {
    const found: Busy[] = [];
    for (let at = this.placeOf(from - this.longest - 1); at < this.busy.length; at++) {
      const each = this.busy[at];
      if (!each || each.from >= until - EPSILON) break;
      if (each.until > from + EPSILON) found.push(each);
    }
    return found;
  }

  /** Gives the beginning of the first gap that is long enough, where only one use has room at a time: they stand one behind another. */
  private gapFrom(from: number, minutes: number): number {
    let at = from;
    for (let place = Math.max(0, this.placeOf(from) - 1); place < this.busy.length; place++) {
      const each = this.busy[place];
      if (!each || each.from >= at + minutes - EPSILON) break;
      if (each.until > at + EPSILON) at = each.until;
    }
    return at;
  }

  /** Gives the first minute from `from` on at which a use can begin; Infinity when it never can. */
  freeAt(from: number, minutes: number): number {
    const { capacity, from: opens = -Infinity, until: closes = Infinity } = this.resource;
    let at = from < opens - EPSILON ? opens : from;
    if (capacity === 1) {
      at = this.gapFrom(at, minutes);
      return at + minutes > closes + EPSILON ? Infinity : at;
    }
    for (;;) {
      if (at + minutes > closes + EPSILON) return Infinity;
      const within = this.within(at, at + minutes);
      if (within.length < capacity) return at;
      // The most at once is reached where one of them begins, or at the start.
      const full = [at, ...within.map((each) => each.from)].some((minute) => {
        if (minute < at - EPSILON) return false;
        const here = within.filter((each) => each.from <= minute + EPSILON && each.until > minute + EPSILON);
        return here.length >= capacity;
      });
      if (!full) return at;
      at = Math.min(...within.map(({ until }) => until));
    }
  }
}

interface Strip extends Busy {
  readonly kind: string;
}

/** The bench: what was done on it by kind, and the changeovers between. */
class Bench {
  private strips: Strip[] = [];
  changeovers: ChangedOver[] = [];

  constructor(
    private readonly changeover: Changeover,
    private readonly by: Calendar,
  ) {}

  private isClean(from: number, until: number): boolean {
    return this.changeovers.some((each) => each.from >= from - EPSILON && each.until <= until + EPSILON);
  }

  /**
   * Finds a place for a changeover right before a strip.
   * @returns the changeover, or the minute up to which the strip has to wait for one
   */
  private before(strip: Strip, fromKind: string, others: readonly Strip[]): ChangedOver | number {
    const { minutes } = this.changeover;
    const begin = strip.from - minutes;
    let free = begin < -EPSILON ? 0 : begin;
    for (const other of others)
      if (other.from < strip.from - EPSILON && other.until > begin + EPSILON) free = Math.max(free, other.until);
    free = this.by.freeAt(free, minutes);
    if (free > begin + EPSILON) return free + minutes;
    return { from: begin, until: strip.from, fromKind, toKind: strip.kind };
  }

  /**
   * Finds what must be changed over for some work: before it, for what was done since the last changeover, and before what comes after it.
   * @returns the minute up to which it has to wait, when that is not possible
   */
  fit(strip: Strip): { readonly waits: number } | { readonly needed: readonly ChangedOver[] } {
    const { isNeeded } = this.changeover;
    const { from, until, kind } = strip;
    let over = Infinity;
    let spoiling: string | undefined;
    let spoilt: Strip | undefined;
    for (const other of this.strips) {
      if (other.until <= from + EPSILON) {
        if (isNeeded(other.kind, kind) && !this.isClean(other.until, from)) spoiling = other.kind;
      } else if (other.from >= until - EPSILON) {
        const isFirst = !spoilt || other.from < spoilt.from;
        if (isFirst && isNeeded(kind, other.kind) && !this.isClean(until, other.from)) spoilt = other;
      } else if (isNeeded(other.kind, kind) || isNeeded(kind, other.kind)) over = Math.min(over, other.until);
    }
    // Nothing is worked on at a bench that is being changed over.
    for (const each of this.changeovers)
      if (each.from < until - EPSILON && each.until > from + EPSILON) over = Math.min(over, each.until);
    if (over < Infinity) return { waits: over };
    const needed: ChangedOver[] = [];
    if (spoiling !== undefined) {
      const found = this.before(strip, spoiling, this.strips);
      if (typeof found === 'number') return { waits: found };
      needed.push(found);
    }
    if (spoilt) {
      // What comes after stays where it is: there must be time to change over before it.
      const found = this.before(spoilt, kind, [...this.strips.filter((other) => other !== spoilt), strip]);
      if (typeof found === 'number') return { waits: spoilt.until };
      needed.push(found);
    }
    return { needed };
  }

  take(strip: Strip, needed: readonly ChangedOver[]): void {
    this.strips.push(strip);
    for (const each of needed) {
      this.changeovers.push(each);
      this.by.take(each);
    }
  }

  giveBack(strip: Strip, needed: readonly ChangedOver[]): void {
    this.strips = this.strips.filter((each) => each !== strip);
    this.changeovers = this.changeovers.filter((each) => !needed.includes(each));
    for (const each of needed) this.by.giveBack(each);
  }
}

/**
 * Places activities one after another, each as early as what was placed before it allows (the serial schedule generation scheme).
 * @param order every activity after all that must be done before it
 * @returns null when an activity never fits, since a resource is missing or gone by then
 */
export function placeInOrder(
  order: readonly Activity[],
  { resources, changeover }: Omit<Project, 'activities'>,
): Schedule | null {
  const calendars = new Map(resources.map((each) => [each.key, new Calendar(each)] as const));
  const by = calendars.get(changeover?.by ?? '');
  const bench = changeover && by ? new Bench(changeover, by) : null;
  const ends = new Map<string, number>();
  const placed: Placed[] = [];
  for (const activity of order) {
    const { kind } = activity;
    let start = Math.max(0, ...activity.after.map(({ key, lag }) => (ends.get(key) ?? 0) + lag));
    let uses: PlacedUse[] | null = null;
    const held = new Set<PlacedUse>();
    while (uses === null) {
      if (start === Infinity) return null;
      uses = [];
      const undo: (() => void)[] = [];
      held.clear();
      let later = start;
      for (const { offset, minutes, anyOf } of activity.uses) {
        if (minutes <= EPSILON) continue;
        const from = start + offset;
        let soonest = Infinity;
        let chosen: { readonly key: string; readonly calendar: Calendar } | undefined;
        for (const key of anyOf) {
          const calendar = calendars.get(key);
          const free = calendar?.freeAt(from, minutes) ?? Infinity;
          if (calendar && free < soonest - EPSILON) [soonest, chosen] = [free, { key, calendar }];
        }
        if (chosen === undefined) {
          for (const giveBack of undo) giveBack();
          return null;
        }
        if (soonest > from + EPSILON) {
          later = Math.max(later, soonest - offset);
          continue;
        }
        const { key, calendar } = chosen;
        const use = { resource: key, from, until: from + minutes };
        uses.push(use);
        if (!bench || kind === undefined || !changeover?.hands.includes(key)) continue;
        // What the same activity does next must not be changed over for in this time.
        calendar.take(use);
        held.add(use);
        undo.push(() => {
          calendar.giveBack(use);
        });
        const strip = { from, until: use.until, kind };
        const fit = bench.fit(strip);
        if ('waits' in fit) later = Math.max(later, fit.waits - offset);
        else {
          bench.take(strip, fit.needed);
          undo.push(() => {
            bench.giveBack(strip, fit.needed);
          });
        }
      }
      if (later > start + EPSILON) {
        for (const giveBack of undo) giveBack();
        start = later;
        uses = null;
      }
    }
    for (const use of uses) if (!held.has(use)) calendars.get(use.resource)?.take(use);
    const end = start + activity.minutes;
    ends.set(activity.key, end);
    placed.push({ activity, start, end, uses });
  }
  placed.sort((a, b) => a.start - b.start);
  const changeovers = [...(bench?.changeovers ?? [])].sort((a, b) => a.from - b.from);
  return { placed, changeovers, span: placed.reduce((span, { end }) => Math.max(span, end), 0) };
}
