import type { Book } from '../box/index.js';
import { finding, type Finding, type Subject } from '../finding/index.js';
import { bodyForm, piecesPerBatch, type PieceFacts, type PiecePart } from '../piece/index.js';
import { addDays, sayDay, type Day } from '../quantity/index.js';
import { chooseBatches, SIZE_STEP, type BatchCount, type BatchSize, type RecipeFacts } from '../recipe/index.js';
import type { PieceDemand } from './demand.js';
import { componentKey, pieceKey, type DayShare, type Guide } from './guide.js';
import {
  finishingDay,
  groupByDay,
  isBenchDay,
  isHumid,
  lastBenchDayBefore,
  makeWindow,
  placeOnDay,
  type Bookings,
  type Window,
  type Windowed,
} from './windows.js';

/** What one making is for. */
export interface Use {
  readonly kind: 'piece' | 'recipe';
  readonly id: string;
  readonly name: string;
  readonly role: PiecePart['role'] | 'component';
  /** Pieces that it serves; 0 for a recipe. */
  readonly pieces: number;
  /** What is used up, g. */
  readonly grams: number;
  /** What must stand ready beside it and goes back, g. */
  readonly poolGrams: number;
  /** The day on which it is used. */
  readonly on: Day;
  /** The hand-over that it is for; null for a recipe. */
  readonly handOver: Day | null;
  /** The days on which it could be made for this use. */
  readonly window: Window;
}

/** One recipe made on one day, in whole batches. */
export interface Making {
  readonly recipeId: string;
  readonly recipeName: string;
  readonly day: Day;
  readonly batches: readonly BatchCount[];
  readonly batchCount: number;
  readonly yieldGrams: number;
  /** What its uses take, g. */
  readonly usedGrams: number;
  /** Working pool: must stand ready beside what is used, and goes back to stock, g. */
  readonly poolGrams: number;
  /** Made and not used, g, the pool among it. */
  readonly leftOverGrams: number;
  /** The same in whole pieces, where the making is the body of one piece only; otherwise null. */
  readonly leftOverPieces: number | null;
  readonly uses: readonly Use[];
  /** Minutes of the maker's hands for all its batches. */
  readonly handsMinutes: number;
  /** Whether the maker wants it to stay where it is. */
  readonly pinned: boolean;
}

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

interface Need extends Windowed {
  readonly use: Omit<Use, 'window'>;
  /** Under which key a guide says who serves it. */
  readonly key: string;
  /** The body of a piece in this number; null for everything else. */
  readonly body: { readonly facts: PieceFacts; readonly count: number; readonly finishBy: Day } | null;
}

const clampToToday = (window: Window, today: Day): Window => ({
  from: window.from < today ? today : window.from,
  to: window.to < today ? today : window.to,
});

/** The one piece that takes the whole making as its body, so that its batches can be counted in pieces. */
function onlyPiece(needs: readonly Need[]): PieceFacts | null {
  const facts = needs[0]?.body?.facts ?? null;
  return facts && needs.every((need) => need.body?.facts === facts) ? facts : null;
}

/**
 * What one piece takes of the batches that it shares with others, g: charged with its batch's remainder at the size that leaves
 * most, so that whole pieces are covered whatever else is cut from the slab.
 */
export function sharedGrams(facts: PieceFacts, recipe: RecipeFacts): number {
  const form = bodyForm(facts.piece.form);
  return Math.max(
    ...recipe.recipe.batchSizes.map((size) => {
      const pieces = piecesPerBatch(form, size, recipe.yieldGrams);
      return pieces > 0 ? (recipe.yieldGrams * size) / pieces : 0;
    }),
  );
}

/** The most that must have been made for uses day by day: what is used up so far, and the pool that stands beside it, g. */
function standingGrams(needs: readonly Need[]): number {
  const days = [...new Set(needs.map(({ use }) => use.on))].sort();
  let used = 0;
  let most = 0;
  for (const day of days) {
    const today = needs.filter(({ use }) => use.on === day);
    used += today.reduce((sum, { use }) => sum + use.grams, 0);
    most = Math.max(most, used + today.reduce((sum, { use }) => sum + use.poolGrams, 0));
  }
  return most;
}

interface Cover {
  readonly batches: BatchCount[];
  /** Pieces beyond what is needed, where they can be counted. */
  readonly pieces: number | null;
}

const multipleOf = (batches: readonly BatchCount[]): number =>
  batches.reduce((sum, { size, count }) => sum + size * count, 0);

/**
 * Whole batches for needs that are made on one day, and how many pieces they give where that can be counted.
 * @param guided batches that were decided; taken when they are enough and no more than what would be chosen anew, or when pinned
 */
function coverNeeds(needs: readonly Need[], facts: RecipeFacts, guided: readonly BatchCount[], pinned: boolean): Cover {
  const { batchSizes } = facts.recipe;
  const piece = onlyPiece(needs);
  if (piece) {
    const form = bodyForm(piece.piece.form);
    const sizes: BatchSize[] = batchSizes.map((size) => ({
      size,
      covers: piecesPerBatch(form, size, facts.yieldGrams),
    }));
    const given = (batches: readonly BatchCount[]) =>
      batches.reduce((sum, { size, count }) => sum + count * piecesPerBatch(form, size, facts.yieldGrams), 0);
    const wanted = needs.reduce((sum, need) => sum + (need.body?.count ?? 0), 0);
    const chosen = chooseBatches(wanted, sizes);
    const keep = given(guided) >= wanted && (pinned || multipleOf(guided) <= multipleOf(chosen) + 1e-9);
    const batches = keep ? [...guided] : chosen;
    return { batches, pieces: given(batches) - wanted };
  }
  if (facts.yieldGrams <= 0) return { batches: [], pieces: null };
  const bodies = new Map<PieceFacts, number>();
  for (const { body } of needs) if (body) bodies.set(body.facts, (bodies.get(body.facts) ?? 0) + body.count);
  const others = needs.filter(({ body }) => body === null);
  // Each further way of cutting one slab costs a piece for the joint.
  const grams =
    [...bodies].reduce((sum, [of, count]) => sum + sharedGrams(of, facts) * (count + 1), 0) + standingGrams(others);
  const drawn =
    [...bodies].reduce((sum, [of, count]) => sum + sharedGrams(of, facts) * (count + 1), 0) +
    others.reduce((sum, { use }) => sum + use.grams, 0);
  const sizes = batchSizes.map((size) => ({ size, covers: Math.round(size * SIZE_STEP) }));
  const chosen = chooseBatches((grams / facts.yieldGrams) * SIZE_STEP, sizes);
  // The pool may stand in another day's batches, which only the plan as a whole knows.
  const enough = multipleOf(guided) * facts.yieldGrams + 1e-6 >= drawn;
  const keep = enough && (pinned || multipleOf(guided) <= multipleOf(chosen) + 1e-9);
  return { batches: keep ? [...guided] : chosen, pieces: null };
}

/** Adds needs of one use on one day together, so that a making names each use once. */
function mergeUses(needs: readonly Need[]): Use[] {
  const merged = new Map<string, Use>();
  for (const { use, window } of needs) {
    const key = [use.kind, use.id, use.role, use.on, use.handOver].join(' ');
    const before = merged.get(key);
    merged.set(
      key,
      before
        ? {
            ...before,
            pieces: before.pieces + use.pieces,
            grams: before.grams + use.grams,
            poolGrams: before.poolGrams + use.poolGrams,
          }
        : { ...use, window },
    );
  }
  return [...merged.values()];
}

/** Everything about a making but its day. */
function makeUp(
  needs: readonly Need[],
  facts: RecipeFacts,
  guided: readonly BatchCount[] = [],
  pinned = false,
): Omit<Making, 'day'> {
  const { batches, pieces } = coverNeeds(needs, facts, guided, pinned);
  const batchCount = batches.reduce((sum, { count }) => sum + count, 0);
  const usedGrams = needs.reduce((sum, { use }) => sum + use.grams, 0);
  const yieldGrams = multipleOf(batches) * facts.yieldGrams;
  const others = needs.filter(({ body }) => body === null);
  return {
    recipeId: facts.recipe.id,
    recipeName: facts.recipe.name,
    batches,
    batchCount,
    yieldGrams,
    usedGrams,
    poolGrams: Math.max(0, standingGrams(others) - others.reduce((sum, { use }) => sum + use.grams, 0)),
    leftOverGrams: Math.max(0, yieldGrams - usedGrams),
    leftOverPieces: pieces,
    uses: mergeUses(needs),
    handsMinutes: batchCount * facts.recipe.handsMinutes,
    pinned,
  };
}

/** What a making's components must provide, for all its batches. */
function componentNeeds(making: Making, facts: RecipeFacts, book: Book, today: Day): [string, Need][] {
  const multiple = multipleOf(making.batches);
  return facts.recipe.lines.flatMap((line, index): [string, Need][] => {
    if (line.uses.kind !== 'recipe') return [];
    const component = book.recipes.get(line.uses.id);
    if (!component) return [];
    const grams = (facts.lineGrams[index] ?? 0) * multiple;
    const { id, name } = facts.recipe;
    return [
      [
        line.uses.id,
        {
          window: clampToToday(usableWindow(making.day, component), today),
          key: componentKey(line.uses.id, making.day),
          body: null,
          use: {
            kind: 'recipe',
            id,
            name,
            role: 'component',
            pieces: 0,
            grams,
            poolGrams: 0,
            on: making.day,
            handOver: null,
          },
        },
      ],
    ];
  });
}

/** The days on which something may be made that is used on a day: rested, and not too old. */
export const usableWindow = (usedOn: Day, { recipe }: RecipeFacts): Window => ({
  from: addDays(usedOn, -recipe.keepsDays),
  to: addDays(usedOn, -recipe.restDays),
});

/** The days on which the body of a piece may be made for a hand-over, and the last day on which it may be finished. */
export function bodyWindow(facts: PieceFacts, handOver: Day, body: RecipeFacts, book: Book) {
  const { kitchen } = book;
  const rest = body.recipe.restDays;
  const whole = makeWindow(handOver, facts.piece.keepsDays, rest, kitchen);
  const by = addDays(handOver, -kitchen.packingLeadDays);
  const bench = lastBenchDayBefore(by, kitchen);
  // A piece that does not keep long enough for the promise is made as late as can be, and reported.
  const from = whole.from <= whole.to ? whole.from : addDays(bench, -rest - 6);
  const finishBy = addDays(bench, -rest) >= from ? bench : by;
  return { whole, window: { from, to: addDays(finishBy, -rest) }, finishBy };
}

/** Whether a bench day is left on which the body can be made and one on which the piece can be finished. */
export function canBeMade(facts: PieceFacts, handOver: Day, book: Book, today: Day): boolean {
  const body = book.recipes.get(facts.parts.find(({ role }) => role === 'body')?.recipeId ?? '');
  if (!body) return false;
  const { kitchen } = book;
  const { window, finishBy } = bodyWindow(facts, handOver, body, book);
  const damp = body.recipe.hygroscopic;
  for (let day = window.from < today ? today : window.from; day <= window.to; day = addDays(day, 1)) {
    const on = finishingDay(day, body.recipe.restDays, finishBy, kitchen);
    if (isBenchDay(day, kitchen) && !(damp && isHumid(day, kitchen)) && isBenchDay(on, kitchen) && on <= finishBy)
      return true;
  }
  return false;
}

/** What the body of a piece must provide for one hand-over, and a finding when there is no day for it. */
function bodyNeed(demand: PieceDemand, facts: PieceFacts, book: Book, today: Day) {
  const { piece } = facts;
  const part = facts.parts.find(({ role }) => role === 'body');
  const body = part && book.recipes.get(part.recipeId);
  if (!part || !body) return null;
  const { kitchen } = book;
  const about: Subject = { noun: 'piece', id: piece.id, name: piece.name };
  const { whole, window, finishBy } = bodyWindow(facts, demand.day, body, book);
  const findings: Finding[] = [];
  if (whole.from > whole.to)
    findings.push(
      finding(
        'decide',
        'window-empty',
        about,
        `${piece.name} keeps ${piece.keepsDays} days: made ${kitchen.packingLeadDays + body.recipe.restDays} days before ${sayDay(demand.day)}, it does not have the promised ${kitchen.promisedDays} days left.`,
      ),
    );
  const need: Need = {
    window: clampToToday(window, today),
    key: pieceKey(piece.id, demand.day),
    body: { facts, count: demand.count, finishBy },
    use: {
      kind: 'piece',
      id: piece.id,
      name: piece.name,
      role: 'body',
      pieces: demand.count,
      grams: part.drawnGrams * demand.count,
      poolGrams: 0,
      on: demand.day,
      handOver: demand.day,
    },
  };
  return { recipeId: part.recipeId, need, findings };
}

/** What the other parts of pieces must provide on the day on which they are finished: coating, shell, further fillings, dust. */
function partNeeds(facts: PieceFacts, count: number, on: Day, handOver: Day, book: Book, today: Day): [string, Need][] {
  return facts.parts.flatMap((part): [string, Need][] => {
    const recipe = book.recipes.get(part.recipeId);
    if (part.role === 'body' || !recipe) return [];
    return [
      [
        part.recipeId,
        {
          window: clampToToday(usableWindow(on, recipe), today),
          key: componentKey(part.recipeId, on),
          body: null,
          use: {
            kind: 'piece',
            id: facts.piece.id,
            name: facts.piece.name,
            role: part.role,
            pieces: count,
            grams: part.drawnGrams * count,
            poolGrams: (part.readyGrams - part.drawnGrams) * count,
            on,
            handOver,
          },
        },
      ],
    ];
  });
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

/** Recipe ids so that every recipe comes after all that needs it: users before components, bodies before what goes onto them. */
export function usersFirst(book: Book): string[] {
  const needs = new Map<string, Set<string>>([...book.recipes.keys()].map((id) => [id, new Set<string>()]));
  for (const [id, { recipe }] of book.recipes)
    for (const { uses } of recipe.lines) if (uses.kind === 'recipe') needs.get(id)?.add(uses.id);
  const bodies = new Set<string>();
  for (const { parts } of book.pieces.values()) {
    const body = parts.find(({ role }) => role === 'body')?.recipeId;
    if (body === undefined) continue;
    bodies.add(body);
    for (const { recipeId } of parts) if (recipeId !== body) needs.get(body)?.add(recipeId);
  }
  const order: string[] = [];
  const state = new Map<string, 'open' | 'done'>();
  const visit = (id: string) => {
    if (state.has(id)) return;
    state.set(id, 'open');
    for (const next of needs.get(id) ?? []) visit(next);
    state.set(id, 'done');
    order.push(id);
  };
  for (const id of book.componentsFirst) visit(id);
  return order.reverse();
}

/** A part of a need; pieces stay whole. */
function part(need: Need, share: number): Need {
  const { use, body } = need;
  const scale = body ? share / body.count : share / (use.grams || 1);
  return {
    ...need,
    body: body && { ...body, count: share },
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
