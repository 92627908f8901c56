import type { Book } from '../book/index.js';
import { addDays, type Day } from '../quantity/index.js';
import { daysOfWork, type BatchCount, type RecipeFacts } from '../recipe/index.js';
import { pieceKey, type DayShare, type Guide } from './guide.js';
import type { Netted } from './netting.js';
import { countsOf, fromSupplies } from './supplies.js';
import { sizeRun, type ProductionRun } from './run.js';
import { componentNeeds, partNeeds, partOf, type Finishing, type Need } from './needs.js';
import { byLowLevelCode } from './low-level-code.js';
import { finishingDay, groupByDay, placeOnDay, type Bookings } from './windows.js';
import { isInPan, mouldShareOf, mouldsFilled, mouldsOf, panKinds, panShareOf, pansTaken } from './vessels.js';
import { readyOn, workDays } from './work-days.js';

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
 * @returns needs by day, and those that none of its days can serve
 */
function followGuide(needs: readonly Need[], guide: Guide, recipeId: string): [Map<Day, Need[]>, Need[]] {
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
    const day = made.filter((each) => within(each, need)).at(-1);
    if (day === undefined) free.push(partOf(need, rest));
    else add(day, partOf(need, rest));
  }
  return [days, free];
}

/**
 * Pieces -> component masses -> whole batches, level by level: a recipe is worked out after everything that uses it,
 * from the batches that are really made, not from what is eaten. What is made already is used up first.
 *
 * What a guide has decided is kept as far as it still serves the orders. Everything else is made on the fewest days that its shelf life
 * allows; each on the last bench day of its window that still has the minutes free. A whole-season optimum that is not: the solver's
 * guide is.
 * @param settled what is made already; what it gives to components is written down in it
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
  const { kitchen } = book;
  const booked: Bookings = new Map(packing);
  const needsByRecipe = new Map<string, Need[]>();
  const add = ([recipeId, need]: readonly [string, Need]) => {
    const list = needsByRecipe.get(recipeId);
    if (list) list.push(need);
    else needsByRecipe.set(recipeId, [need]);
  };
  const busy = (day: Day, minutes: number) => booked.set(day, (booked.get(day) ?? 0) + minutes);
  netted.bodies.forEach(add);
  netted.parts.forEach(add);
  for (const { day, handsMinutes } of netted.finishings) busy(day, handsMinutes);
  busy(today, netted.doneMinutes);

  const runs: ProductionRun[] = [];
  const madeRuns = [...netted.supplies].flatMap(([recipeId, list]) =>
    list.map(({ day, batches }) => ({ recipeId, day, batches: countsOf(batches) })),
  );
  const finishings: Finishing[] = [...netted.finishings];
  const madeOn = new Map(netted.madeOn);

  const make = (
    facts: RecipeFacts,
    needs: readonly Need[],
    day: Day,
    batches: readonly BatchCount[],
    pinned: boolean,
  ) => {
    const made = sizeRun(needs, facts, batches, pinned);
    const run: ProductionRun = { ...made, day };
    busy(day, kitchen.setUpMinutes);
    for (const work of workDays(facts, day, kitchen)) busy(work.day, made.batchCount * work.handsMinutes);
    runs.push(run);
    componentNeeds(run, facts, book, today).forEach(add);
    for (const { body, peg } of needs) {
      if (!body) continue;
      const { piece } = body.facts;
      const on = finishingDay(readyOn(facts, day, kitchen), body.finishBy, kitchen);
      const handsMinutes = (body.count * piece.handSeconds) / 60;
      const handOver = peg.handOver ?? peg.on;
      finishings.push({
        pieceId: piece.id,
        pieceName: piece.name,
        day: on,
        count: body.count,
        madeOn: day,
        handOver,
        handsMinutes,
      });
      busy(on, handsMinutes);
      partNeeds(body.facts, body.count, on, handOver, book, today).forEach(add);
      const before = madeOn.get(pieceKey(piece.id, handOver));
      if (before === undefined || day < before) madeOn.set(pieceKey(piece.id, handOver), day);
    }
  };

  /** Whether the pans in which a run rests, and the moulds in which its pieces are filled, are there on a day beside all others. */
  const vesselsHaveRoom = (
    needs: readonly Need[],
    made: Omit<ProductionRun, 'day'>,
    facts: RecipeFacts,
    on: Day,
  ): boolean => {
    const share = panShareOf(facts.recipe.id, book);
    const pan = share && panKinds(kitchen).find(({ key }) => key === share.key);
    if (share && pan) {
      const all = [...madeRuns, ...runs, { ...made, day: on }];
      for (let night = on; isInPan(share, on, night); night = addDays(night, 1))
        if (pansTaken(all, night, pan, book) > pan.count) return false;
    }
    const filled = needs.flatMap(({ body }) =>
      body
        ? [
            {
              pieceId: body.facts.piece.id,
              day: finishingDay(readyOn(facts, on, kitchen), body.finishBy, kitchen),
              count: body.count,
            },
          ]
        : [],
    );
    return filled.every(({ pieceId, day }) => {
      const piece = book.pieces.get(pieceId);
      const key = piece && mouldShareOf(piece)?.key;
      const mould = mouldsOf(book).find((each) => each.key === key);
      return !mould || mouldsFilled([...finishings, ...filled], day, mould, book) <= mould.count + 1e-6;
    });
  };

  for (const recipeId of byLowLevelCode(book)) {
    const facts = book.recipes.get(recipeId);
    if (!facts) continue;
    const wanted = needsByRecipe.get(recipeId) ?? [];
    const bodies = wanted.filter(({ body }) => body !== null);
    const others = wanted.filter(({ body }) => body === null);
    const needs = [...bodies, ...fromSupplies(others, netted.supplies.get(recipeId) ?? [], guide, book)];
    const { pins, batches } = guide ?? NOTHING_DECIDED;
    const [days, free] = followGuide(needs, guide ?? NOTHING_DECIDED, recipeId);
    const pinnedDays = pins.filter((pin) => pin.recipeId === recipeId).map(({ day }) => day);
    for (const day of pinnedDays) if (day >= today && !days.has(day)) days.set(day, []);
    for (const group of groupByDay(free, kitchen)) {
      const [first] = daysOfWork(facts);
      const made = sizeRun(group.needs, facts);
      const minutes = made.batchCount * (first?.handsMinutes ?? 0) + kitchen.setUpMinutes;
      const day = placeOnDay(group.window, minutes, booked, kitchen, (on) =>
        vesselsHaveRoom(group.needs, made, facts, on),
      );
      days.set(day, [...(days.get(day) ?? []), ...group.needs]);
    }
    for (const [day, group] of [...days].sort(([a], [b]) => (a < b ? -1 : 1))) {
      const decided = batches.filter((each) => each.recipeId === recipeId && each.day === day);
      const pinned = pinnedDays.includes(day);
      if (group.length === 0 && decided.length === 0) continue;
      make(
        facts,
        group,
        day,
        decided.map(({ size, count }) => ({ size, count })),
        pinned,
      );
    }
  }
  runs.sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
  return { runs, finishings, madeOn };
}
