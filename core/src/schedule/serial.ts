import type { Activity, ChangedOver, Changeover, Placed, PlacedUse, Project, Resource, Schedule } from './project.js';

const EPSILON = 1e-6;

interface Busy {
  readonly from: number;
  readonly until: number;
}

/** What is taken of one resource, and whether there is room for one more. */
class Calendar {
  private readonly busy: Busy[] = [];

  constructor(private readonly resource: Resource) {}

  take(busy: Busy): void {
    this.busy.push(busy);
  }

  giveBack(busy: Busy): void {
    this.busy.splice(this.busy.lastIndexOf(busy), 1);
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
   * What must be changed over for some work, before it and before what comes after it.
   * @returns the minute up to which it has to wait, when that is not possible
   */
  fit({ from, until, kind }: Strip): { readonly waits: number } | { readonly needed: readonly ChangedOver[] } {
    const { minutes, isNeeded } = this.changeover;
    const others = this.strips.filter((strip) => strip.kind !== kind);
    const over = others.filter((strip) => strip.from < until - EPSILON && strip.until > from + EPSILON);
    if (over.length > 0) return { waits: Math.min(...over.map((strip) => strip.until)) };
    const needed: ChangedOver[] = [];
    const place = (at: number, since: number, fromKind: string, toKind: string): number => {
      if (!isNeeded(fromKind, toKind) || this.isClean(since, at)) return at;
      const begin = at - minutes;
      if (begin < since - EPSILON) return since + minutes;
      const free = this.by.freeAt(begin, minutes);
      if (free <= begin + EPSILON) needed.push({ from: begin, until: at, fromKind, toKind });
      return Math.max(at, free + minutes);
    };
    const before = this.strips.filter((strip) => strip.until <= from + EPSILON);
    const last = before.reduce<Strip | undefined>(
      (best, each) => (best && best.until >= each.until ? best : each),
      undefined,
    );
    const waits = last ? place(from, last.until, last.kind, kind) : from;
    if (waits > from + EPSILON) return { waits };
    const later = this.strips.filter((strip) => strip.from >= until - EPSILON);
    const next = later.reduce<Strip | undefined>(
      (best, each) => (best && best.from <= each.from ? best : each),
      undefined,
    );
    // What comes after stays where it is: there must be time to change over before it.
    if (next && place(next.from, until, kind, next.kind) > next.from + EPSILON) return { waits: next.until };
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
