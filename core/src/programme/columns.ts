import { daysBetween, type Day } from '../quantity/index.js';
import { groupBy } from '../record/index.js';
import {
  type PieceDemand,
  pieceKey,
  type Netted,
  leftGramsOf,
  sharedGrams,
  bodyWindow,
  usableWindow,
  byLowLevelCode,
  finishingDay,
  isHumid,
  type Window,
  readyOn,
} from '../plan/index.js';
import type { Book } from '../book/index.js';
import type { PieceFacts } from '../piece/index.js';
import { daysOfWork, leastMinutesOf } from '../recipe/index.js';
import type { Term } from '../solver/index.js';
import { leastMade, type SpannedDemand } from './least.js';
import {
  componentsOf,
  weights,
  type BatchColumn,
  type ProgrammeBuilder,
  type ProgrammeInput,
  type Serve,
} from './builder.js';

/** Every recipe that pieces need, and those that pieces take whose body is made already, through all components. */
function recipesFor(pieces: Iterable<PieceFacts>, { parts: taken }: Netted, book: Book): Set<string> {
  const found = new Set<string>();
  const visit = (id: string) => {
    const facts = book.recipes.get(id);
    if (!facts || found.has(id)) return;
    found.add(id);
    for (const component of componentsOf(facts).keys()) visit(component);
  };
  for (const { parts } of pieces) for (const { recipeId } of parts) visit(recipeId);
  for (const [recipeId] of taken) visit(recipeId);
  return found;
}

/** The most base batches of a recipe that any plan could want on one day: all that is needed, rounded up to whole batches. */
function mostNeeded(demand: readonly PieceDemand[], netted: Netted, book: Book): Map<string, number> {
  const most = new Map<string, number>();
  const add = (id: string, batches: number) => most.set(id, (most.get(id) ?? 0) + batches);
  for (const { pieceId, count, spare } of demand) {
    const facts = book.pieces.get(pieceId);
    for (const part of facts?.parts ?? []) {
      const recipe = book.recipes.get(part.recipeId);
      if (!facts || !recipe || recipe.yieldGrams <= 0) continue;
      const grams = part.role === 'body' ? sharedGrams(facts, recipe) : part.readyGrams;
      add(part.recipeId, (grams * (count + spare)) / recipe.yieldGrams);
    }
  }
  for (const [id, { peg }] of netted.parts) {
    const { yieldGrams = 0 } = book.recipes.get(id) ?? {};
    if (yieldGrams > 0) add(id, (peg.grams + peg.poolGrams) / yieldGrams);
  }
  for (const id of [...book.componentsFirst].reverse()) {
    const facts = book.recipes.get(id);
    const own = most.get(id);
    if (!facts || own === undefined) continue;
    const largest = Math.max(...facts.recipe.batchSizes);
    // Each run may have to be rounded up, and a joint be charged.
    const rounded = Math.ceil(own / largest + 2) * largest;
    most.set(id, rounded);
    for (const [component, grams] of componentsOf(facts)) {
      const of = book.recipes.get(component);
      if (of && of.yieldGrams > 0) add(component, (grams * rounded) / of.yieldGrams);
    }
  }
  return most;
}

/** The days between which a recipe may be of use: what pieces take, and what is made of it, lies within. */
function reachOf({ demand, netted, book }: ProgrammeInput): Map<string, Window> {
  const reach = new Map<string, Window>();
  const widen = (id: string, { from, to }: Window) => {
    const before = reach.get(id);
    reach.set(id, {
      from: before && before.from < from ? before.from : from,
      to: before && before.to > to ? before.to : to,
    });
  };
  /** @param used the days between which something is used */
  const useBetween = (id: string, used: Window) => {
    const facts = book.recipes.get(id);
    if (facts)
      widen(id, { from: usableWindow(used.from, facts, book).from, to: usableWindow(used.to, facts, book).to });
  };
  for (const { pieceId, day } of demand) {
    const facts = book.pieces.get(pieceId);
    const bodyId = facts?.parts.find(({ role }) => role === 'body')?.recipeId;
    const body = book.recipes.get(bodyId ?? '');
    if (!facts || bodyId === undefined || !body) continue;
    const { window, finishBy } = bodyWindow(facts, day, body, book);
    widen(bodyId, window);
    for (const { recipeId, role } of facts.parts)
      if (role !== 'body') useBetween(recipeId, { from: window.from, to: finishBy });
  }
  for (const [id, { peg }] of netted.parts) useBetween(id, { from: peg.on, to: peg.on });
  for (const id of byLowLevelCode(book)) {
    const own = reach.get(id);
    const facts = book.recipes.get(id);
    if (own && facts) for (const component of componentsOf(facts).keys()) useBetween(component, own);
  }
  return reach;
}

/** Columns for how many batches of each size of each recipe on each day, and for whether the recipe is made on it at all. */
export function addBatches({ input, model, days, minutesOn, rate, lost, batches, makes }: ProgrammeBuilder): void {
  const { demand, netted, book, before, bare = false } = input;
  const { kitchen } = book;
  const used = demand.flatMap(({ pieceId }) => book.pieces.get(pieceId) ?? []);
  const recipes = recipesFor(used, netted, book);
  const most = mostNeeded(demand, netted, book);
  const reach = reachOf(input);
  const pinned = (id: string, day: Day) => before?.pins.some((pin) => pin.recipeId === id && pin.day === day) ?? false;
  const pinnedCount = (id: string, day: Day, size: number) =>
    before?.batches.find((each) => each.recipeId === id && each.day === day && each.size === size)?.count ?? 0;
  const madeBefore = new Set(before?.batches.map(({ recipeId, day }) => `${recipeId} ${day}`));

  for (const id of recipes) {
    const facts = book.recipes.get(id);
    if (!facts || facts.yieldGrams <= 0) continue;
    const { recipe } = facts;
    // What is left over is what is made less what is used: pieces use the same whatever is decided, batches use their components.
    const value =
      facts.yieldGrams * lost(id) -
      [...componentsOf(facts)].reduce((sum, [component, grams]) => sum + grams * lost(component), 0);
    const firstHands = daysOfWork(facts)[0]?.handsMinutes ?? 0;
    const onDays = new Map<Day, readonly BatchColumn[]>();
    const made = new Map<Day, number>();
    for (const day of days) {
      if (recipe.hygroscopic && isHumid(day, kitchen) && !pinned(id, day)) continue;
      const within = reach.get(id);
      if (!(within && day >= within.from && day <= within.to) && !pinned(id, day)) continue;
      const moved = before && !madeBefore.has(`${id} ${day}`) ? weights.stabilityMinutes : 0;
      const make = model.choice(`make ${id} ${day}`, (kitchen.setUpMinutes + moved) * rate);
      made.set(day, make);
      // No more than is needed, and no more than the day has hands for.
      const hands =
        !bare && kitchen.benchWeek.length > 0 && firstHands > 0
          ? Math.floor((minutesOn(day) + kitchen.overtimeMinutes) / firstHands)
          : Infinity;
      const sizes = recipe.batchSizes.map((size): BatchColumn => {
        const upper = Math.min(hands, Math.ceil((most.get(id) ?? 0) / size));
        const fixed = pinned(id, day)
          ? { lower: pinnedCount(id, day, size), upper: pinnedCount(id, day, size) }
          : { upper };
        const column = model.column(`${id} ${day} x${String(size)}`, recipe.handsMinutes * rate + value * size, {
          whole: true,
          ...fixed,
        });
        model.atMost('only when it is made', [[column, 1], [make, -Math.max(1, fixed.upper)]], 0); // prettier-ignore
        return { size, column };
      });
      onDays.set(day, sizes);
    }
    batches.set(id, onDays);
    makes.set(id, made);
  }
}

/** Columns for which day's body serves which hand-over, and rows for each to be served. */
export function addServes({
  input,
  model,
  days,
  minutesOn,
  rate,
  costOf,
  lost,
  batches,
  serves,
  outside,
  claims,
}: ProgrammeBuilder): void {
  const { demand, book, bare = false, loose = false, wholePieces = false } = input;
  const { kitchen } = book;
  const mostOn = (day: Day): number =>
    kitchen.benchWeek.length > 0 ? minutesOn(day) + kitchen.overtimeMinutes : Infinity;
  for (const each of demand) {
    const facts = book.pieces.get(each.pieceId);
    const bodyId = facts?.parts.find(({ role }) => role === 'body')?.recipeId;
    const body = bodyId === undefined ? undefined : book.recipes.get(bodyId);
    if (!facts || bodyId === undefined || !body) continue;
    const { window, finishBy } = bodyWindow(facts, each.day, body, book);
    const able = days.flatMap((day) => {
      if (day < window.from || day > window.to || !batches.get(bodyId)?.has(day)) return [];
      const finishedOn = finishingDay(readyOn(body, day, kitchen), finishBy, kitchen);
      return days.includes(finishedOn) && finishedOn <= finishBy ? [{ day, finishedOn }] : [];
    });
    // What is finished on the day on which it is made must come to its end on it, unless it never could.
    const inTime = able.filter(
      ({ day, finishedOn }) =>
        bare || loose || finishedOn > day || leastMinutesOf(body) + facts.piece.handSeconds / 60 <= mostOn(day),
    );
    const ways = (inTime.length > 0 ? inTime : able).map(({ day, finishedOn }): Serve => {
      const ingredients = facts.parts.reduce((sum, part) => sum + part.drawnGrams * costOf(part.recipeId), 0);
      const column = model.column(
        `${each.pieceId} ${each.day} from ${day}`,
        ingredients * weights.earlyPerDay * daysBetween(day, each.day),
        { upper: each.count, whole: wholePieces },
      );
      return { demand: each, facts, bodyId, day, finishedOn, column };
    });
    if (ways.length === 0) {
      outside.push(each);
      continue;
    }
    model.always(
      each.count *
        ((rate * facts.piece.handSeconds) / 60 -
          facts.parts.reduce((sum, part) => sum + part.drawnGrams * lost(part.recipeId), 0)),
    );
    const row = model.atLeast(`${each.pieceId} for ${each.day}`, ways.map(({ column }): Term => [column, 1]), each.count); // prettier-ignore
    claims.push({ row, kind: 'hand-over', day: each.day, text: `${String(each.count)} × ${facts.piece.name}` });
    serves.push(...ways);
  }
}

/** What is true of every plan, said from the start: whole batches within each span of days. */
export function addLeast({ input: { book, netted }, model, batches, makes, serves }: ProgrammeBuilder): void {
  const spanned = [...groupBy(serves, ({ demand: of }) => pieceKey(of.pieceId, of.day)).values()].flatMap(
    (ways): SpannedDemand[] => {
      const [first, last] = [ways[0], ways.at(-1)];
      if (!first || !last) return [];
      const finish = ways.map(({ finishedOn }) => finishedOn).sort();
      return [
        {
          facts: first.facts,
          count: first.demand.count + first.demand.spare,
          from: first.day,
          to: last.day,
          finishFrom: finish[0] ?? first.day,
          finishTo: finish.at(-1) ?? last.day,
        },
      ];
    },
  );
  const left = new Map(
    [...netted.supplies].map(([id, list]) => [id, list.reduce((sum, each) => sum + leftGramsOf(each), 0)]),
  );
  for (const [id, leasts] of leastMade(spanned, book, left)) {
    const facts = book.recipes.get(id);
    for (const { from, to, multiple, batches: count } of leasts) {
      const span = [...(batches.get(id) ?? [])].filter(([day]) => day >= from && day <= to);
      if (span.length === 0) continue;
      const sizes = span.flatMap(([, list]) => list);
      const made = span.flatMap(([day]): Term[] => [[makes.get(id)?.get(day) ?? 0, 1]]);
      model.atLeast(`${id} at least`, sizes.map(({ size, column }): Term => [column, size]), multiple); // prettier-ignore
      if ((facts?.recipe.batchSizes.length ?? 0) > 1)
        model.atLeast(`${id} batches at least`, sizes.map(({ column }): Term => [column, 1]), count); // prettier-ignore
      model.atLeast(`${id} some day`, made, 1);
    }
  }
}
