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
  canBeFinished,
  finishDays,
  lastOf,
  suitsMaking,
  toFinishOf,
  type Window,
} from '../plan/index.js';
import type { Book } from '../book/index.js';
import { bodyForm, handSecondsOf, type PieceFacts, piecesPerBase } from '../piece/index.js';
import {
  daysOfWork,
  FREE_STEP,
  leastMinutesOf,
  leastSize,
  mostSize,
  multipleOf,
  type BatchCount,
  type RecipeFacts,
} from '../recipe/index.js';
import type { ModelBuilder, Term } from '../solver/index.js';
import { leastMade, type SpannedDemand } from './least.js';
import {
  componentsOf,
  countedIn,
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
    const largest = mostSize(facts.recipe);
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

/** One recipe on one day, while its columns are made. */
interface OnDay {
  readonly name: string;
  /** The column for whether it is made at all. */
  readonly make: number;
  /** The most batches of a size that can be of use and can be made. */
  readonly most: (size: number) => number;
  /** What is pinned to the day; null where the day is free. */
  readonly pinned: readonly BatchCount[] | null;
  /** What the hands of one batch cost. */
  readonly handsCost: number;
  /** What a base batch is worth that is left over and lost. */
  readonly value: number;
}

/** A column for each listed size. */
function addListed(model: ModelBuilder, { recipe }: RecipeFacts, onDay: OnDay): BatchColumn[] {
  const { name, make, most, pinned, handsCost, value } = onDay;
  return recipe.batchSizes.map((size) => {
    const count = pinned?.find((each) => each.size === size)?.count ?? 0;
    const bounds = pinned ? { lower: count, upper: count } : { upper: most(size) };
    const column = model.column(`${name} x${String(size)}`, handsCost + value * size, { whole: true, ...bounds });
    model.atMost('only when it is made', [[column, 1], [make, -Math.max(1, bounds.upper)]], 0); // prettier-ignore
    return { column, size, batches: 1, drawn: size, most: size };
  });
}

/**
 * A column for how many batches, and one for how much they are together: within the least and the largest size of each.
 * @param perBase the most pieces that a base batch gives, 0 where it is no body of a piece
 */
function addAnySize(model: ModelBuilder, { recipe }: RecipeFacts, onDay: OnDay, perBase: number): BatchColumn[] {
  const { name, make, most, pinned, handsCost, value } = onDay;
  const [least, largest] = [leastSize(recipe), mostSize(recipe)];
  const counted = pinned?.reduce((sum, { count }) => sum + count, 0) ?? 0;
  const counts = pinned ? { lower: counted, upper: counted } : { upper: most(largest) };
  const count = model.column(name, handsCost, { whole: true, ...counts });
  const pinnedMultiple = multipleOf(pinned ?? []);
  const amounts = pinned ? { lower: pinnedMultiple, upper: pinnedMultiple } : { upper: counts.upper * largest };
  const amount = model.column(`${name} of any size`, value, amounts);
  model.atMost('only when it is made', [[count, 1], [make, -Math.max(1, counts.upper)]], 0); // prettier-ignore
  model.atLeast('no batch is smaller', [[amount, 1], [count, -least]], 0); // prettier-ignore
  model.atMost('no batch is larger', [[amount, 1], [count, -largest]], 0); // prettier-ignore
  // A size is rounded up to a step, and to whole pieces.
  const rounding = Math.min(FREE_STEP + (perBase > 0 ? 1 / perBase : 0), largest - least);
  return [
    { column: count, size: 0, batches: 1, drawn: rounding, most: largest },
    { column: amount, size: 1, batches: 0, drawn: 1, most: largest },
  ];
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
  const perBaseOf = (id: string) =>
    Math.max(
      0,
      ...used.flatMap(({ piece, parts }) =>
        parts.some((part) => part.role === 'body' && part.recipeId === id)
          ? [piecesPerBase(bodyForm(piece.form), book.recipes.get(id)?.yieldGrams ?? 0)]
          : [],
      ),
    );
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
      if (!suitsMaking(facts, day, kitchen) && !pinned(id, day)) continue;
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
      const onDay: OnDay = {
        name: `${id} ${day}`,
        make,
        most: (size) => Math.min(hands, Math.ceil((most.get(id) ?? 0) / size)),
        pinned: pinned(id, day)
          ? (before?.batches.filter((each) => each.recipeId === id && each.day === day) ?? [])
          : null,
        handsCost: recipe.handsMinutes * rate,
        value,
      };
      const columns = recipe.anySize ? addAnySize(model, facts, onDay, perBaseOf(id)) : addListed(model, facts, onDay);
      if (!bare) model.atLeast('made is a batch', [...countedIn(columns), [make, -1]], 0);
      onDays.set(day, columns);
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
  makes,
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
      const toFinish = toFinishOf(facts, body, day, each.day, finishBy, book);
      const finish = finishDays(toFinish, book);
      return canBeFinished(finish, toFinish, book) ? [{ day, finish, finishedOn: lastOf(finish) }] : [];
    });
    // What is finished on the day on which it is made must come to its end on it, unless it never could.
    const inTime = able.filter(
      ({ day, finish: [first] }) =>
        bare || loose || !first || first.day > day || leastMinutesOf(body) + first.handSeconds / 60 <= mostOn(day),
    );
    const ways = (inTime.length > 0 ? inTime : able).map(({ day, finish, finishedOn }): Serve => {
      const ingredients = facts.parts.reduce((sum, part) => sum + part.drawnGrams * costOf(part.recipeId), 0);
      const column = model.column(
        `${each.pieceId} ${each.day} from ${day}`,
        ingredients * weights.earlyPerDay * daysBetween(day, each.day),
        { upper: each.count, whole: wholePieces },
      );
      const make = makes.get(bodyId)?.get(day);
      if (make !== undefined && !bare) model.atMost('served only from what is made', [[column, 1], [make, -each.count]], 0); // prettier-ignore
      return { demand: each, facts, bodyId, day, finish, finishedOn, column };
    });
    if (ways.length === 0) {
      outside.push(each);
      continue;
    }
    model.always(
      each.count *
        ((rate * handSecondsOf(facts.piece)) / 60 -
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
      const finish = ways.flatMap((way) => way.finish.map((stage) => stage.day)).sort();
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
        model.atLeast(`${id} batches at least`, countedIn(sizes), count); // prettier-ignore
      model.atLeast(`${id} some day`, made, 1);
    }
  }
}
