/** Something of which there is so much at once: hands, burners, an oven, pans of one kind. */
export interface Resource {
  readonly key: string;
  /** How many activities can use it in the same minute; whole. */
  readonly capacity: number;
  /** Minutes between which it is there; always, when not said. */
  readonly from?: number;
  readonly until?: number;
}

/** A stretch in which an activity uses one unit of one resource. */
export interface Use {
  /** Minutes from the start of the activity. */
  readonly offset: number;
  readonly minutes: number;
  /** Any one of these will do; the first that is free is taken. */
  readonly anyOf: readonly string[];
}

/** What is done in one go: once it has begun, its stretches follow one another as they are laid down. */
export interface Activity {
  readonly key: string;
  /** From its start until it is done. */
  readonly minutes: number;
  readonly uses: readonly Use[];
  /** What its hands leave behind on the bench; see {@link Changeover}. */
  readonly kind?: string;
  /** What must be done before, and for how many minutes it must have rested then. */
  readonly after: readonly { readonly key: string; readonly lag: number }[];
}

/** What lies between work of two kinds: so many minutes of one resource, right before the later one begins. */
export interface Changeover {
  /** Whose uses make up the work: hands. */
  readonly hands: readonly string[];
  /** Who changes over. */
  readonly by: string;
  readonly minutes: number;
  /** Tells whether the bench must be changed over before the other kind, once the one was there; also when other work lay between. */
  readonly isNeeded: (from: string, to: string) => boolean;
}

export interface Project {
  readonly activities: readonly Activity[];
  readonly resources: readonly Resource[];
  readonly changeover?: Changeover | undefined;
}

/** A use with its place in time. */
export interface PlacedUse {
  readonly resource: string;
  readonly from: number;
  readonly until: number;
}

/** An activity with its place in time. */
export interface Placed {
  readonly activity: Activity;
  readonly start: number;
  readonly end: number;
  readonly uses: readonly PlacedUse[];
}

/** A changeover with its place in time. */
export interface ChangedOver {
  readonly from: number;
  readonly until: number;
  readonly fromKind: string;
  readonly toKind: string;
}

/** Activities in the order of their starts, and the minute in which the last is done. */
export interface Schedule {
  readonly placed: readonly Placed[];
  readonly changeovers: readonly ChangedOver[];
  readonly span: number;
}

/**
 * Activities so that each comes after all that must be done before it; what is named and not in the project is passed over.
 * @throws Error when activities wait for one another in a circle
 */
export function predecessorsFirst(activities: readonly Activity[]): Activity[] {
  const byKey = new Map(activities.map((each) => [each.key, each] as const));
  const state = new Map<string, 'open' | 'done'>();
  const order: Activity[] = [];
  const visit = (activity: Activity): void => {
    const found = state.get(activity.key);
    if (found === 'done') return;
    if (found === 'open') throw new Error(`"${activity.key}" would have to be done before itself`);
    state.set(activity.key, 'open');
    for (const { key } of activity.after) {
      const before = byKey.get(key);
      if (before) visit(before);
    }
    state.set(activity.key, 'done');
    order.push(activity);
  };
  activities.forEach(visit);
  return order;
}
