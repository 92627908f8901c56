import type { Book } from '../box/index.js';
import type { Finding } from '../finding/index.js';
import type { Day } from '../quantity/index.js';
import type { BatchCount, RecipeFacts } from '../recipe/index.js';
import type { PieceDemand } from './demand.js';
import { pieceKey, type DayShare, type Guide } from './guide.js';
import { makeUp, type Making } from './making.js';
import { bodyNeed, canBeMade, componentNeeds, partNeeds, type Need } from './needs.js';
import { usersFirst } from './users-first.js';
import { finishingDay, groupByDay, placeOnDay, type Bookings } from './windows.js';

/** Pieces that are cut, rolled or dipped on one day. */
export interface Finishing {
  readonly pieceId: string;
  readonly pieceName: string;
  readonly day: Day;
  readonly count: number;
  /** The day on which their body was made. */
  readonly madeOn: Day;
  readonly handOver: Day;
  readonly handsMinutes: number;
}

/** All makings of a season, the day on which each piece's body is made for each hand-over, and what stands in the way. */
export interface Makings {
  readonly makings: readonly Making[];
  readonly finishings: readonly Finishing[];
  /** {@link pieceKey} -> the earliest day on which a body of it is made. */
  readonly madeOn: ReadonlyMap<string, Day>;
  /** Pieces for which no bench day is left: they are not made, and the orders that want them are reported. */
  readonly outside: readonly PieceDemand[];
  readonly findings: readonly Finding[];
}

/** A part of a need; pieces stay whole. */
function part(need: Need, share: number): Need {
  const { use, body } = need;
  const scale = body ? share / body.count : share / (use.grams || 1);
  return {
    ...need,
    body: body && { ...body, count: share, spare: body.spare * scale },
    use: {
      ...use,
      pieces: body ? share : use.pieces * scale,
      grams: use.grams * scale,
      poolGrams: use.poolGrams * scale,
    },
  };
}

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
    let rest = need.body ? need.body.count : need.use.grams;
    const shares = sharesOf(need);
    for (const [index, share] of shares.entries()) {
      if (rest <= 1e-9 || !within(share.day, need)) continue;
      const taken = Math.min(rest, share.amount);
      if (taken <= 1e-9) continue;
      add(share.day, part(need, taken));
      shares[index] = { ...share, amount: share.amount - taken };
      rest -= taken;
    }
    if (rest <= 1e-6) continue;
    const day = made.filter((each) => within(each, need)).at(-1);
    if (day === undefined) free.push(part(need, rest));
    else add(day, part(need, rest));
  }
  return [days, free];
}

const NO_GUIDE: Guide = { pieces: {}, components: {}, batches: [], pins: [] };

/**
 * Pieces -> component masses -> whole batches, level by level: a recipe is worked out after everything that uses it,
 * from the batches that are really made, not from what is eaten.
 *
 * What a guide has decided is kept as far as it still serves the orders. Everything else is made on the fewest days that its shelf life
 * allows; each on the last bench day of its window that still has the minutes free. A whole-season optimum that is not: the solver's
 * guide is.
 * @param packing minutes that packing takes already, by day
 */
export function planMakings(
  demand: readonly PieceDemand[],
  book: Book,
  today: Day,
  packing: Bookings,
  guide: Guide = NO_GUIDE,
): Makings {
  const { kitchen } = book;
  const booked: Bookings = new Map(packing);
  const needsByRecipe = new Map<string, Need[]>();
  const findings: Finding[] = [];
  const outside: PieceDemand[] = [];
  const add = ([recipeId, need]: [string, Need]) => {
    const list = needsByRecipe.get(recipeId);
    if (list) list.push(need);
    else needsByRecipe.set(recipeId, [need]);
  };

  for (const each of demand) {
    const facts = book.pieces.get(each.pieceId);
    const worked = facts && bodyNeed(each, facts, book, today);
    if (!worked) continue;
    findings.push(...worked.findings);
    if (!canBeMade(facts, each.day, book, today)) {
      outside.push(each);
      continue;
    }
    add([worked.recipeId, worked.need]);
  }

  const makings: Making[] = [];
  const finishings: Finishing[] = [];
  const madeOn = new Map<string, Day>();
  const busy = (day: Day, minutes: number) => booked.set(day, (booked.get(day) ?? 0) + minutes);

  const make = (
    facts: RecipeFacts,
    needs: readonly Need[],
    day: Day,
    batches: readonly BatchCount[],
    pinned: boolean,
  ) => {
    const made = makeUp(needs, facts, batches, pinned);
    const making: Making = { ...made, day };
    busy(day, made.handsMinutes + kitchen.setUpMinutes);
    makings.push(making);
    componentNeeds(making, facts, book, today).forEach(add);
    for (const { body, use } of needs) {
      if (!body) continue;
      const { piece } = body.facts;
      const on = finishingDay(day, facts.recipe.restDays, body.finishBy, kitchen);
      const handsMinutes = (body.count * piece.handSeconds) / 60;
      const handOver = use.handOver ?? use.on;
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

  for (const recipeId of usersFirst(book)) {
    const facts = book.recipes.get(recipeId);
    if (!facts) continue;
    const needs = needsByRecipe.get(recipeId) ?? [];
    const [days, free] = followGuide(needs, guide, recipeId);
    const pinnedDays = guide.pins.filter((pin) => pin.recipeId === recipeId).map(({ day }) => day);
    for (const day of pinnedDays) if (day >= today && !days.has(day)) days.set(day, []);
    for (const group of groupByDay(free, kitchen)) {
      const minutes = makeUp(group.needs, facts).handsMinutes + kitchen.setUpMinutes;
      const day = placeOnDay(group.window, minutes, booked, kitchen);
      days.set(day, [...(days.get(day) ?? []), ...group.needs]);
    }
    for (const [day, group] of [...days].sort(([a], [b]) => (a < b ? -1 : 1))) {
      const decided = guide.batches.filter((each) => each.recipeId === recipeId && each.day === day);
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
  makings.sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
  return { makings, finishings, madeOn, outside, findings };
}
