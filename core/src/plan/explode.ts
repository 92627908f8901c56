import type { Book } from '../book/index.js';
import { addDays, type Day } from '../quantity/index.js';
import { daysOfWork, type RecipeFacts } from '../recipe/index.js';
import { pieceKey, type DayShare, type Guide } from './guide.js';
import type { Netted } from './netting.js';
import { countsOf, fromSupplies } from './supplies.js';
import { raisedForPool } from './pool.js';
import { mergePegs, sizeRun, type ProductionRun } from './run.js';
import { finishDays } from './finish-days.js';
import { componentNeeds, finishingOf, partNeeds, partOf, toFinishOf, type Finishing, type Need } from './needs.js';
import { byLowLevelCode } from './low-level-code.js';
import { suitsMaking } from './suits.js';
import { groupByDay, placeOnDay, type Bookings, type DayGroup } from './windows.js';
import { isInPan, mouldShareOf, mouldsHeld, mouldsOf, panKinds, panShareOf, pansTaken } from './vessels.js';
import { workDays } from './work-days.js';

/** All runs of a season, the day on which each piece's body is made for each hand-over. */
export interface Explosion {
  readonly runs: readonly ProductionRun[];
  readonly finishings: readonly Finishing[];
  /** {@link pieceKey} -> the earliest day on which a body of it is made. */
  readonly madeOn: ReadonlyMap<string, Day>;
}

const NOTHING_DECIDED: Guide = { pieces: {}, components: {}, batches: [], pins: [] };

/**
 * Divides needs over the days that a guide serves them from. What it does not know of goes to the latest of its days that will do.
 * @param fits whether what a day then has to make finds its pans and moulds
 * @returns needs by day, and those that none of its days can serve
 */
function followGuide(
  needs: readonly Need[],
  guide: Guide,
  recipeId: string,
  fits: (needs: readonly Need[], day: Day) => boolean,
): [Map<Day, Need[]>, Need[]] {
  const days = new Map<Day, Need[]>();
  const free: Need[] = [];
  const made = [...new Set(guide.batches.filter((each) => each.recipeId === recipeId).map(({ day }) => day))].sort();
  const add = (day: Day, need: Need) => {
    const list = days.get(day);
    if (list) list.push(need);
    else days.set(day, [need]);
  };
  const within = (day: Day, { window }: Need) => day >= window.from && day <= window.to;
  // Grams used on one day by several users share one entry of the guide.
  const left = new Map<string, DayShare[]>();
  const sharesOf = (need: Need): DayShare[] => {
    const kept = left.get(need.key);
    if (kept) return kept;
    const known = (need.body ? guide.pieces : guide.components)[need.key] ?? [];
    const shares = known.filter(({ day }) => made.includes(day)).map((each) => ({ ...each }));
    left.set(need.key, shares);
    return shares;
  };
  for (const need of needs) {
    let rest = need.body ? need.body.count : need.peg.grams;
    const shares = sharesOf(need);
    for (const [index, share] of shares.entries()) {
      if (rest <= 1e-9 || !within(share.day, need)) continue;
      const taken = Math.min(rest, share.amount);
      if (taken <= 1e-9) continue;
      add(share.day, partOf(need, taken));
      shares[index] = { ...share, amount: share.amount - taken };
      rest -= taken;
    }
    if (rest <= 1e-6) continue;
    const more = partOf(need, rest);
    const day = made.findLast((each) => within(each, need) && fits([...(days.get(each) ?? []), more], each));
    if (day === undefined) free.push(more);
    else add(day, more);
  }
  return [days, free];
}

const byDay = (a: ProductionRun, b: ProductionRun): number => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0);

/** A season while it is exploded: what is needed of each recipe so far, and what the days and the vessels are taken by. */
class Explode {
  readonly runs: ProductionRun[] = [];
  readonly finishings: Finishing[];
  readonly madeOn: Map<string, Day>;
  private readonly booked: Bookings;
  private readonly needs = new Map<string, Need[]>();
  private readonly workedOut = new Set<string>();
  private readonly madeRuns: readonly Pick<ProductionRun, 'recipeId' | 'day' | 'batches'>[];

  constructor(
    private readonly netted: Netted,
    private readonly book: Book,
    private readonly today: Day,
    private readonly guide: Guide,
    packing: Bookings,
  ) {
    this.booked = new Map(packing);
    this.finishings = [...netted.finishings];
    this.madeOn = new Map(netted.madeOn);
    this.madeRuns = [...netted.supplies].flatMap(([recipeId, list]) =>
      list.map(({ day, batches }) => ({ recipeId, day, batches: countsOf(batches) })),
    );
    for (const each of [...netted.bodies, ...netted.parts]) this.need(each);
    for (const { work } of netted.finishings) for (const { day, handsMinutes } of work) this.occupy(day, handsMinutes);
    this.occupy(today, netted.doneMinutes);
  }

  private need([recipeId, need]: readonly [string, Need]): void {
    const list = this.needs.get(recipeId);
    if (list) list.push(need);
    else this.needs.set(recipeId, [need]);
  }

  private occupy(day: Day, minutes: number): void {
    this.booked.set(day, (this.booked.get(day) ?? 0) + minutes);
  }

  /** Divides what is needed of a recipe over its days, and makes it on each. All that uses it must have been made before. */
  recipe(facts: RecipeFacts): void {
    const { netted, book, guide, today } = this;
    const recipeId = facts.recipe.id;
    const wanted = this.needs.get(recipeId) ?? [];
    const bodies = wanted.filter(({ body }) => body !== null);
    const others = wanted.filter(({ body }) => body === null);
    const needs = [...bodies, ...fromSupplies(others, netted.supplies.get(recipeId) ?? [], guide, book)];
    const [days, free] = followGuide(needs, guide, recipeId, (list, day) => this.hasVessels(list, facts, day));
    const pinnedDays = guide.pins.filter((pin) => pin.recipeId === recipeId).map(({ day }) => day);
    for (const day of pinnedDays) if (day >= today && !days.has(day)) days.set(day, []);
    for (const group of groupByDay(free, book.kitchen)) {
      const day = this.placed(group, facts);
      days.set(day, [...(days.get(day) ?? []), ...group.needs]);
    }
    const groups = [...days].sort(([a], [b]) => (a < b ? -1 : 1));
    const sized = groups.flatMap(([day, group]): ProductionRun[] => {
      const decided = guide.batches.filter((each) => each.recipeId === recipeId && each.day === day);
      if (group.length === 0 && decided.length === 0) return [];
      const batches = decided.map(({ size, count }) => ({ size, count }));
      return [{ ...sizeRun(group, facts, batches, pinnedDays.includes(day)), day }];
    });
    this.workedOut.add(recipeId);
    for (const run of facts.recipe.anySize ? this.raised(sized, facts) : sized)
      this.make(run, facts, days.get(run.day) ?? []);
  }

  private raised(runs: readonly ProductionRun[], facts: RecipeFacts): ProductionRun[] {
    const supplies = this.netted.supplies.get(facts.recipe.id) ?? [];
    const made = supplies.map(({ day, gaveGrams, needs }) => ({ day, yieldGrams: gaveGrams, pegs: mergePegs(needs) }));
    return raisedForPool(runs, made, facts);
  }

  /** The day on which needs without a day are made: the last of their window with the minutes and the vessels free. */
  private placed({ needs, window }: DayGroup<Need>, facts: RecipeFacts): Day {
    const { kitchen } = this.book;
    const [first] = daysOfWork(facts);
    const made = sizeRun(needs, facts);
    const minutes = made.batchCount * (first?.handsMinutes ?? 0) + kitchen.setUpMinutes;
    return placeOnDay(
      window,
      minutes,
      this.booked,
      kitchen,
      (on) => suitsMaking(facts, on, kitchen) && this.hasVessels(needs, facts, on),
    );
  }

  private make(run: ProductionRun, facts: RecipeFacts, needs: readonly Need[]): void {
    const { book, today } = this;
    const { kitchen } = book;
    this.occupy(run.day, kitchen.setUpMinutes);
    for (const work of workDays(facts, run.day, kitchen)) this.occupy(work.day, run.batchCount * work.handsMinutes);
    this.runs.push(run);
    for (const need of componentNeeds(run, facts, book, today)) this.need(need);
    for (const { body, peg } of needs) if (body) this.finish(run, facts, body, peg.handOver ?? peg.on);
  }

  /** Cuts, rolls, dips or fills the pieces of a run once it has rested, and needs their parts for it. */
  private finish({ day }: ProductionRun, facts: RecipeFacts, body: NonNullable<Need['body']>, handOver: Day): void {
    const { book, today } = this;
    const toFinish = toFinishOf(body.facts, facts, day, handOver, body.finishBy, book);
    const days = finishDays(toFinish, book);
    const finishing = finishingOf(toFinish, days, body.count);
    this.finishings.push(finishing);
    for (const work of finishing.work) this.occupy(work.day, work.handsMinutes);
    for (const need of partNeeds(toFinish, days, body.count, false, book, today)) this.need(need);
    const key = pieceKey(finishing.pieceId, handOver);
    const before = this.madeOn.get(key);
    if (before === undefined || day < before) this.madeOn.set(key, day);
  }

  /** Whether what is made for needs on a day finds its pans and its moulds. */
  private hasVessels(needs: readonly Need[], facts: RecipeFacts, on: Day): boolean {
    const { recipe } = facts;
    if (panShareOf(recipe.id, this.book) && !this.panIsFree(sizeRun(needs, facts), facts, on)) return false;
    return this.mouldsAreFree(needs, facts, on);
  }

  /** Decided batches of recipes that are not worked out yet: their pans are taken too. */
  private decidedLater(recipeId: string): Pick<ProductionRun, 'recipeId' | 'day' | 'batches'>[] {
    return this.guide.batches
      .filter((each) => each.recipeId !== recipeId && !this.workedOut.has(each.recipeId))
      .map(({ recipeId: id, day, size, count }) => ({ recipeId: id, day, batches: [{ size, count }] }));
  }

  /** Whether the pan in which a run rests is there on every night of its rest, beside all others. */
  private panIsFree(run: Omit<ProductionRun, 'day'>, facts: RecipeFacts, on: Day): boolean {
    const { book } = this;
    const share = panShareOf(facts.recipe.id, book);
    const pan = share && panKinds(book.kitchen).find(({ key }) => key === share.key);
    if (!share || !pan) return true;
    const all = [...this.madeRuns, ...this.runs, ...this.decidedLater(facts.recipe.id), { ...run, day: on }];
    for (let night = on; isInPan(share, on, night); night = addDays(night, 1))
      if (pansTaken(all, night, pan, book) > pan.count) return false;
    return true;
  }

  /** Whether the moulds in which the pieces of a run are filled are there on their days, beside all others. */
  private mouldsAreFree(needs: readonly Need[], facts: RecipeFacts, on: Day): boolean {
    const { book } = this;
    const filled = needs.flatMap(({ body, peg }): Finishing[] => {
      if (!body) return [];
      const toFinish = toFinishOf(body.facts, facts, on, peg.handOver ?? peg.on, body.finishBy, book);
      return [finishingOf(toFinish, finishDays(toFinish, book), body.count)];
    });
    return filled.every(({ pieceId, begun, day: last }) => {
      const piece = book.pieces.get(pieceId);
      const key = piece && mouldShareOf(piece)?.key;
      const mould = mouldsOf(book).find((each) => each.key === key);
      if (!mould) return true;
      const all = [...this.finishings, ...filled];
      for (let day = begun; day <= last; day = addDays(day, 1))
        if (mouldsHeld(all, day, mould, book) > mould.count + 1e-6) return false;
      return true;
    });
  }
}

/**
 * Pieces -> component masses -> whole batches, level by level: a recipe is worked out after everything that uses it,
 * from the batches that are really made, not from what is eaten. What is made already is used up first.
 *
 * What a guide has decided is kept as far as it still serves the orders. Everything else is made on the fewest days that its shelf life
 * allows; each on the last bench day of its window that still has the minutes free. A whole-season optimum that is not: the solver's
 * guide is.
 * @param netted what is made already and what is still wanted; what is taken of supplies is written down in it
 * @param packing minutes that packing takes already, by day
 * @param guide what was decided, without what is made already
 */
export function explodeDemand(
  netted: Netted,
  book: Book,
  today: Day,
  packing: Bookings,
  guide: Guide | null = null,
): Explosion {
  const explode = new Explode(netted, book, today, guide ?? NOTHING_DECIDED, packing);
  for (const recipeId of byLowLevelCode(book)) {
    const facts = book.recipes.get(recipeId);
    if (facts) explode.recipe(facts);
  }
  const { runs, finishings, madeOn } = explode;
  return { runs: [...runs].sort(byDay), finishings, madeOn };
}
