import { blocks } from '../finding/index.js';
import type { Book } from '../book/index.js';
import { findingsOfOrder, moreBoxes, whyTooFarAhead, type OrderFiled } from '../order/index.js';
import { addDays, sayDay, sayMinutes, type Day } from '../quantity/index.js';
import { relaxed, type Solver } from '../solver/index.js';
import { counted, type Counted } from './counted.js';
import { breachesOf, newBreaches, type Breach, type Guide, guideOf, planSeason, type Plan } from '../plan/index.js';
import { endsLate } from '../bench-day/index.js';
import { MOST_AHEAD, weekFrom, type WeekAhead } from './ahead.js';
import { findOffers, OFFER } from './find-offers.js';
import { handOverDays, largestFor, type Offer } from './offers.js';
import {
  buildProgramme,
  besideInput,
  programmeInput,
  searchProgramme,
  inTime,
  wholePieceGuide,
  workOf,
} from '../programme/index.js';

/** Whether an order can be promised for its day. */
export interface PromiseCheck {
  /**
   * `probably` when the plan as it stands has no room but there are hours enough, and another plan is still looked for; `not known` when neither
   * a plan with it was found, nor that there is none.
   */
  readonly verdict: 'feasible' | 'tight' | 'not feasible' | 'probably' | 'not known';
  /** What stands against it, or what makes it tight; each a sentence. */
  readonly why: readonly string[];
  /** What must be decided about it whatever the day: an exclusion that a box breaks, a box that is empty; each a sentence. */
  readonly toDecide: readonly string[];
  /** The earliest day from the asked one on for which a plan was found; null when none was, or none was looked for yet. */
  readonly earliest: Day | null;
  /** False for what is soon known, where another plan may be found by looking for it. */
  readonly isFinal: boolean;
}

/** What a promise is worked out from. */
export interface PromiseGround {
  readonly book: Book;
  /** All orders; one with the id of what is asked is left out. */
  readonly orders: readonly OrderFiled[];
  readonly today: Day;
  /** What was decided about the days: they are kept where that is possible. */
  readonly guide: Guide | null;
}

/** How a promise is looked for. */
export interface PromiseOptions {
  /** Looks for other plans than the decided one; without it only what is soon known is said. */
  readonly solver?: Solver;
  /** Work with which another plan is looked for, for the asked day, and after that for the days before the first that does as it is. */
  readonly work?: number;
  readonly laterWork?: number;
  /** Is waited for between two days. It may throw, to give up. */
  readonly between?: () => Promise<void>;
}

/** How many days after the asked one are looked at. */
const SEARCH_DAYS = 35;
/** From this share of its hours on a day is tight. */
const TIGHT = 0.9;
const WORK = 24;
/** A week asks it of many boxes: with less work for each. */
const WEEK_WORK = 4;
const LATER_WORK = 8;
/** A day that would end so much later than its hours and its overtime is not to be promised. */
const MOST_LATE_MINUTES = 120;
const TOO_MUCH_ALREADY = 'You already have more orders than you can make in time. Sort those out first.';
/** For less work it is not worth to begin. */
const LEAST_WORK = 0.3;
/** Any plan will do: one that costs this much more than the best is good enough. */
const GAP = 0.5;
/** The part of the work for one day that goes into finding room beside what is planned. */
const BESIDE_SHARE = 0.4;

/** An order under another name, as sentences about it shall call it. */
const calledAs = (name: string, order: OrderFiled): OrderFiled => ({ ...order, customer: { ...order.customer, name } });

/** The season without the order. */
interface Before {
  readonly plan: Plan;
  readonly others: readonly OrderFiled[];
  /** What it breaks already. */
  readonly breaches: readonly Breach[];
  /** Whether a day of it ends too late; worked out once. */
  readonly endsLate: (day: Day) => readonly Breach[];
}

interface Judged {
  /** What is against a plan with the order, each a sentence; none when it may be promised. */
  readonly stops: readonly string[];
  readonly tight: readonly string[];
  /** Days that end late, among what makes it tight. */
  readonly late: readonly string[];
  /** Whether the order itself is left out, since something of it cannot be made in time. */
  readonly isLate: boolean;
  /** Whether nothing is against it but days that end too late, for the rests in their work. */
  readonly onlyEnds: boolean;
}

/** A judgement, and whether it would be the same with any other plan. */
interface Proven extends Judged {
  readonly isProven: boolean;
}

/** Days that are booked for nearly all of their hours, or beyond, where the order adds to them. */
const tightDays = (before: Plan, after: Plan, { kitchen }: Book): string[] => {
  // Without any bench days set, no day has an end.
  if (kitchen.benchWeek.length === 0) return [];
  const was = new Map(before.days.map(({ day, bookedMinutes }) => [day, bookedMinutes]));
  return after.days.flatMap(({ day, bookedMinutes, benchMinutes }) =>
    bookedMinutes > (was.get(day) ?? 0) + 0.5 && bookedMinutes >= benchMinutes * TIGHT
      ? [`${sayDay(day)} would be booked for ${sayMinutes(bookedMinutes)} of its ${sayMinutes(benchMinutes)}.`]
      : [],
  );
};

/**
 * Judges a plan with the order in it: nothing of it may break a rule of the season's programme that was not broken before, whose order it may
 * be, and no day that the order changes may end too late that did not before.
 */
function judge(before: Before, after: Plan, asked: OrderFiled, book: Book): Judged {
  const own = after.findings.filter(
    (each) => blocks(each, 'order') && each.about.noun === 'order' && each.about.id === asked.id,
  );
  // What is against the season as it is, is not against the order.
  const broken = newBreaches(before.breaches, breachesOf(after, book));
  const stops = [...own.map(({ message }) => message), ...broken.map(({ message }) => message)];
  if (stops.length > 0) return { stops, tight: [], late: [], isLate: own.length > 0, onlyEnds: false };
  const changed = after.days.map(({ day }) => day).filter((day) => workOf(before.plan, day) !== workOf(after, day));
  const late = newBreaches(changed.flatMap(before.endsLate), endsLate(after, book, changed));
  const tooLate = late.filter(({ amount }) => amount > MOST_LATE_MINUTES).map(({ message }) => message);
  // The programme lets a day end late where nothing else is possible, at a price: it is said.
  const messages = late.map(({ message }) => message);
  const tight = [...messages, ...tightDays(before.plan, after, book)];
  return { stops: tooLate, tight, late: messages, isLate: false, onlyEnds: tooLate.length > 0 };
}

/** Two lists of decisions as one. */
function together(one: Guide, other: Guide): Guide {
  const shares = (a: Guide['pieces'], b: Guide['pieces']): Guide['pieces'] =>
    Object.fromEntries(
      [...new Set([...Object.keys(a), ...Object.keys(b)])].map((key) => [key, [...(a[key] ?? []), ...(b[key] ?? [])]]),
    );
  const batches = new Map<string, Guide['batches'][number]>();
  for (const each of [...one.batches, ...other.batches]) {
    const key = [each.recipeId, each.day, each.size].join(' ');
    batches.set(key, { ...each, count: each.count + (batches.get(key)?.count ?? 0) });
  }
  return {
    pieces: shares(one.pieces, other.pieces),
    components: shares(one.components, other.components),
    batches: [...batches.values()],
    pins: one.pins,
    ...(one.stagePins && { stagePins: one.stagePins }),
  };
}

/** Answers what can be promised over one book and one list of orders; what does not change between two questions is worked out once. */
export class PromiseDesk {
  private readonly befores = new Map<string, Before>();
  private readonly judged = new Map<string, Judged>();

  constructor(private readonly ground: PromiseGround) {}

  /**
   * Says whether an order can be promised for its day: a plan with it is found that breaks no rule, first as the days are decided, then by the
   * season's programme, which may move what is planned. It is never promised where the programme says that there is no plan. The same question
   * has the same answer on every machine: what is looked for ends by work, not by time.
   */
  async check(order: OrderFiled, options: PromiseOptions): Promise<PromiseCheck> {
    const asked = calledAs('It', order);
    const { book, today } = this.ground;
    const { on } = asked.handOver;
    const toDecide = findingsOfOrder(calledAs('The customer', order), book, today)
      .filter((each) => blocks(each, 'promise'))
      .map(({ message }) => message);
    const cannot = on < today ? `${sayDay(on)} has passed.` : whyTooFarAhead(on, today);
    if (cannot !== null && on >= today)
      return { verdict: 'not known', why: [cannot], toDecide, earliest: null, isFinal: true };
    const first = cannot === null ? await this.promised(asked, options, options.work ?? WORK) : null;
    if (first?.stops.length === 0)
      return {
        verdict: first.tight.length > 0 ? 'tight' : 'feasible',
        why: first.tight,
        toDecide,
        earliest: on,
        isFinal: true,
      };
    const isKnown = first === null || first.isProven;
    const why = [...(cannot === null ? [] : [cannot]), ...(first?.stops ?? [])];
    if (!options.solver)
      return {
        verdict: isKnown ? 'not feasible' : this.hasHours(asked) ? 'probably' : 'not known',
        why: [...new Set(why)],
        toDecide,
        earliest: null,
        isFinal: false,
      };
    const unproven = isKnown ? [] : ['There may still be room in another plan.'];
    return {
      verdict: isKnown ? 'not feasible' : 'not known',
      why: [...new Set([...why, ...unproven])],
      toDecide,
      earliest: await this.earliest(asked, on < today ? today : addDays(on, 1), options),
      isFinal: true,
    };
  }

  /**
   * Judges an order for its day by one rule, whoever asks: as the days are decided, and where that has no room and there is a solver, with the
   * season planned again.
   */
  private async promised(asked: OrderFiled, { solver, between }: PromiseOptions, work: number): Promise<Proven> {
    await between?.();
    const quick = this.quick(asked, asked.handOver.on);
    if (quick.stops.length === 0) {
      const cannot = solver !== undefined && (await this.isBeyondAllPlans(asked, solver, work));
      return cannot ? { ...quick, stops: [TOO_MUCH_ALREADY], isProven: true } : { ...quick, isProven: true };
    }
    // For what no bench day is left, no other plan has one.
    if (quick.isLate) return { ...quick, isProven: true };
    if (!solver) return { ...quick, isProven: false };
    await between?.();
    return this.byProgramme(asked, asked.handOver.on, quick, counted(solver, work));
  }

  /**
   * Tells whether a season that breaks rules as it is could be kept by no plan with the order: then the order is not promised, although it makes
   * nothing worse.
   */
  private async isBeyondAllPlans(asked: OrderFiled, solver: Solver, work: number): Promise<boolean> {
    const { book, today } = this.ground;
    const before = this.before(asked);
    if (before.breaches.length === 0) return false;
    const input = programmeInput({ book, orders: [...before.others, asked], today });
    const { model } = buildProgramme({ ...input, loose: true });
    return (await solver(model, { work, gap: GAP })).status === 'impossible';
  }

  /** Tells whether the days up to a hand-over have as many hours left, with their overtime, as an order would take. */
  private hasHours(asked: OrderFiled): boolean {
    const { plan } = this.before(asked);
    const { kitchen } = this.ground.book;
    const total = ({ days }: Plan) => days.reduce((sum, { bookedMinutes }) => sum + bookedMinutes, 0);
    const wanted = total(this.withOrder(asked).plan) - total(plan);
    const left = plan.days
      .filter(({ day, benchMinutes }) => day <= asked.handOver.on && benchMinutes > 0)
      .reduce(
        (sum, { benchMinutes, bookedMinutes }) =>
          sum + Math.max(0, benchMinutes + kitchen.overtimeMinutes - bookedMinutes),
        0,
      );
    return wanted <= left;
  }

  /** Finds the first day that does as the days are decided, or an earlier one for which there is work left to find another plan. */
  private async earliest(asked: OrderFiled, from: Day, options: PromiseOptions): Promise<Day | null> {
    const { solver, between, laterWork = LATER_WORK } = options;
    const not: { day: Day; judged: Judged }[] = [];
    let found: Day | null = null;
    for (let later = 0; later < SEARCH_DAYS && found === null; later++) {
      const day = addDays(from, later);
      await between?.();
      const judged = this.quick(asked, day);
      if (judged.stops.length === 0) found = day;
      else not.push({ day, judged });
    }
    if (!solver) return found;
    const on = (day: Day): OrderFiled => ({ ...asked, handOver: { ...asked.handOver, on: day } });
    if (found !== null && (await this.isBeyondAllPlans(on(found), solver, laterWork))) return null;
    const budget = counted(solver, laterWork);
    for (const { day, judged } of not) {
      await between?.();
      if ((await this.byProgramme(asked, day, judged, budget)).stops.length === 0) return day;
    }
    return found;
  }

  /** Works out what every question about a new order begins with, so that the first need not wait for it. */
  begin(): void {
    this.before(null);
  }

  /** @param asked null for an order that is not stored */
  private before(asked: Pick<OrderFiled, 'id'> | null): Before {
    const { book, orders, today, guide } = this.ground;
    const isStored = asked !== null && orders.some(({ id }) => id === asked.id);
    const key = isStored ? asked.id : '';
    const there = this.befores.get(key);
    if (there) return there;
    const others = isStored ? orders.filter(({ id }) => id !== key) : orders;
    const plan = planSeason(book, others, today, guide ?? undefined);
    const ends = new Map<Day, readonly Breach[]>();
    const found: Before = {
      plan,
      others,
      breaches: breachesOf(plan, book),
      endsLate: (day) => {
        const late = ends.get(day) ?? endsLate(plan, book, [day]);
        ends.set(day, late);
        return late;
      },
    };
    this.befores.set(key, found);
    return found;
  }

  /** Judges the season as it is decided, with the order for a day in it. */
  private quick(asked: OrderFiled, day: Day): Judged {
    const moved = { ...asked, handOver: { ...asked.handOver, on: day } };
    const key = JSON.stringify(moved);
    const there = this.judged.get(key);
    if (there) return there;
    const { judged } = this.withOrder(moved);
    this.judged.set(key, judged);
    return judged;
  }

  /** The season as it is decided, with an order in it. */
  private withOrder(order: OrderFiled): { readonly plan: Plan; readonly judged: Judged } {
    const { book, today, guide } = this.ground;
    const before = this.before(order);
    const plan = planSeason(book, [...before.others, order], today, guide ?? undefined);
    return { plan, judged: judge(before, plan, order, book) };
  }

  /**
   * Further boxes that could be packed for a day of the season's hand-overs without one batch more, by the rules of a promise (see
   * {@link findOffers}).
   */
  async offers({ between }: Pick<PromiseOptions, 'between'> = {}): Promise<Offer[]> {
    const { book, orders, today, guide } = this.ground;
    const { plan: before } = this.before(null);
    return findOffers({
      book,
      before,
      days: handOverDays(orders, today),
      draft: async (order) => {
        await between?.();
        return planSeason(book, [...orders, order], today, guide ?? undefined);
      },
      promised: async (order) => {
        await between?.();
        const { plan, judged } = this.withOrder(order);
        return judged.stops.length === 0 && judged.late.length === 0 ? plan : null;
      },
    });
  }

  /**
   * Says what a week to come could still take, before anybody has ordered it: of each kind of box, for itself, the most that {@link check}
   * promises for the last open day of the week; without a solver as the plan stands, with one also where the season must be planned again.
   * @param index 0 for the week of today
   */
  async week(index: number, options: PromiseOptions = {}): Promise<WeekAhead> {
    const { book, today, guide } = this.ground;
    const before = this.before(null);
    const week = weekFrom(today, index, before.plan, book);
    const { handOver } = week;
    const boxes: WeekAhead['boxes'][number][] = [];
    for (const { box, complete } of book.boxes.values()) {
      if (!complete || handOver === null) continue;
      const order = (count: number) => moreBoxes({ boxes: [{ boxId: box.id, count }], on: handOver }, OFFER);
      // What a plan breaks is soon known; whether its days end in time takes longer, and is asked of no more than that.
      const draft = await largestFor(async (count) => {
        await options.between?.();
        const plan = planSeason(book, [...before.others, order(count)], today, guide ?? undefined);
        return !plan.leftOut.includes(OFFER) && newBreaches(before.breaches, breachesOf(plan, book)).length === 0;
      }, MOST_AHEAD);
      const judged = new Map<number, Proven>();
      const may = (how: PromiseOptions) => async (count: number) => {
        const found = await this.promised(calledAs('It', order(count)), how, options.work ?? WEEK_WORK);
        judged.set(count, found);
        return found.stops.length === 0;
      };
      const { between } = options;
      let most = await largestFor(may(between ? { between } : {}), draft);
      if (options.solver) most = await largestFor(may(options), MOST_AHEAD, most);
      const isTight = (judged.get(most)?.late.length ?? 0) > 0;
      boxes.push({ boxId: box.id, boxName: box.name, most, isTight: most > 0 && isTight });
    }
    return { ...week, boxes, isFinal: options.solver !== undefined };
  }

  /**
   * Looks for another plan that has room: first beside all that is planned, then with everything planned anew; where only the ends of days
   * are against it, these are brought in time.
   */
  private async byProgramme(asked: OrderFiled, day: Day, quick: Judged, { solver, left }: Counted): Promise<Proven> {
    // For what no bench day is left, no other plan has one.
    if (quick.isLate) return { ...quick, isProven: true };
    if (left() < LEAST_WORK) return { ...quick, isProven: false };
    const { book, today } = this.ground;
    const before = this.before(asked);
    const orders = [...before.others, { ...asked, handOver: { ...asked.handOver, on: day } }];
    const decided = guideOf(before.plan, this.ground.guide?.pins ?? []);
    const judgeIt = (guide: Guide) => judge(before, planSeason(book, orders, today, guide), asked, book);
    const yes = (judged: Judged) => ({
      ...judged,
      tight: ['There is room for it once the season is planned again.', ...judged.late],
      isProven: true,
    });
    const no = (isProven: boolean) => ({ ...quick, isProven });

    const question = { book, orders, today, before: decided };
    const input = programmeInput(question);
    const limit = () => ({ work: Math.max(LEAST_WORK, left()) });
    // A day that ends late is no proof: the season would be planned with it. Only what holds without the rows of its end is one.
    const { model: loose } = buildProgramme({ ...input, loose: true });
    const isProven = async () => (await solver(loose, { ...limit(), gap: GAP })).status === 'impossible';
    // The relaxed season is soon done with: most that cannot be is shown by it.
    if ((await solver(relaxed(loose))).status === 'impossible') return no(true);

    // Beside all that is planned already, in what is left of the days, the moulds and the pans.
    const alone = besideInput({ book, orders: orders.slice(-1), today }, before.plan);
    const besideModel = buildProgramme(alone);
    const added = await solver(besideModel.model, { work: Math.max(LEAST_WORK, left() * BESIDE_SHARE), gap: GAP });
    if (added.values.length > 0) {
      const guide = await wholePieceGuide(alone, besideModel, added.values, solver);
      const judged = judgeIt(together(decided, guide));
      if (judged.stops.length === 0) return yes(judged);
    }
    if (left() < LEAST_WORK) return no(false);

    // With all that is planned anew.
    const built = buildProgramme(input);
    if ((await solver(relaxed(built.model))).status === 'impossible') return no(await isProven());
    // Any plan will do: the quick search finds one sooner; only the programme itself can say that there is none.
    const found =
      (await searchProgramme(built, solver, limit())) ??
      (await solver(built.model, { ...limit(), gap: GAP, start: built.start }));
    if (found.status === 'impossible') return no(await isProven());
    if (found.values.length === 0) return no(false);
    const guide = await wholePieceGuide(input, built, found.values, solver);
    const judged = judgeIt(guide);
    if (judged.stops.length === 0) return yes(judged);
    if (!judged.onlyEnds || left() < LEAST_WORK) return no(false);
    const { values, objective } = found;
    const ended = judgeIt((await inTime({ guide, values, objective, work: 0 }, input, question, solver, left())).guide);
    return ended.stops.length === 0 ? yes(ended) : no(false);
  }
}

/** Whether an order can be promised, asked once; see {@link PromiseDesk.check}. */
export const promiseCheck = (
  ground: PromiseGround,
  asked: OrderFiled,
  options: PromiseOptions,
): Promise<PromiseCheck> => new PromiseDesk(ground).check(asked, options);
