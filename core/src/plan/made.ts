import { gramsOf, type BatchFiled } from '../batch/index.js';
import type { Book } from '../box/index.js';
import type { Finding } from '../finding/index.js';
import { bodyForm, piecesPerBatch, type PieceFacts } from '../piece/index.js';
import { addDays, type Day } from '../quantity/index.js';
import type { BatchCount, RecipeFacts } from '../recipe/index.js';
import { groupBy } from '../record/index.js';
import { spareFor, type PieceDemand } from './demand.js';
import { pieceKey, type Guide } from './guide.js';
import { mergeUses, sharedGrams, type Making } from './making.js';
import {
  bodyNeed,
  bodyWindow,
  canBeMade,
  componentNeeds,
  partNeeds,
  partOf,
  usableWindow,
  type Finishing,
  type Need,
} from './needs.js';
import { usersFirst } from './users-first.js';
import { finishingDay, type Window } from './windows.js';

/** Batches of one recipe that were made on one day, and what they serve: a fact, whatever is planned. */
export interface Made extends Making {
  readonly batchIds: readonly string[];
  /** These and those that failed. */
  readonly tried: readonly BatchCount[];
  /** The day on which their pieces were cut, rolled or dipped; null as long as some are not. */
  readonly finishedOn: Day | null;
}

/** What batches of one recipe, made on one day, have to give, and what they give it to. */
export interface Supply {
  readonly facts: RecipeFacts;
  readonly day: Day;
  readonly batches: readonly BatchFiled[];
  readonly gaveGrams: number;
  readonly finishedOn: Day | null;
  readonly needs: Need[];
}

/** What batches that are made already serve, and what is still to be done. */
export interface Settled {
  /** Pieces that are still to be made. */
  readonly demand: readonly PieceDemand[];
  /** Pieces for which no bench day is left: they are not made, and the orders that want them are reported. */
  readonly outside: readonly PieceDemand[];
  /** What is to be provided for the pieces that are still to be made, by recipe. */
  readonly bodies: readonly (readonly [recipeId: string, need: Need])[];
  /** Pieces whose body is made and that are still to be cut, rolled or dipped, and what that takes. */
  readonly finishings: readonly Finishing[];
  readonly parts: readonly (readonly [recipeId: string, need: Need])[];
  /** By recipe, the oldest first. */
  readonly supplies: ReadonlyMap<string, readonly Supply[]>;
  /** {@link pieceKey} -> the earliest day on which a body of it was made. */
  readonly madeOn: ReadonlyMap<string, Day>;
  /** Minutes that today's batches, those made already, have taken. */
  readonly doneMinutes: number;
  readonly findings: readonly Finding[];
}

const WHOLE = 1e-9;

/** Whole pieces of one kind that a supply gives when nothing else is made of it. */
function piecesOf({ batches, facts }: Supply, { piece }: PieceFacts): number {
  const form = bodyForm(piece.form);
  return batches.reduce((sum, batch) => {
    const share = gramsOf(batch, facts) / (batch.size * facts.yieldGrams || 1);
    const pieces =
      share < 1
        ? piecesPerBatch(form, batch.size, facts.yieldGrams) * share
        : piecesPerBatch(form, batch.size, facts.yieldGrams * share);
    return sum + Math.floor(pieces + WHOLE);
  }, 0);
}

/** Pieces of each kind that a supply serves. */
function servedPieces({ needs }: Supply): Map<PieceFacts, number> {
  const served = new Map<PieceFacts, number>();
  for (const { body } of needs) if (body) served.set(body.facts, (served.get(body.facts) ?? 0) + body.count);
  return served;
}

/** What is left of a supply beside the pieces that it serves and everything else, g; each way of cutting it costs a piece for the joint. */
export function leftGramsOf(supply: Supply, alsoCut?: PieceFacts): number {
  const served = servedPieces(supply);
  if (alsoCut && !served.has(alsoCut)) served.set(alsoCut, 0);
  const cut = [...served].reduce((sum, [of, count]) => sum + sharedGrams(of, supply.facts) * (count + 1), 0);
  const used = supply.needs.reduce((sum, { body, use }) => sum + (body ? 0 : use.grams), 0);
  return Math.max(0, supply.gaveGrams - cut - used);
}

/** How much more of a need a supply can serve: whole pieces, or grams with the pool beside them. */
function roomFor(supply: Supply, { body, use }: Need): number {
  if (!body) return Math.max(0, leftGramsOf(supply) - use.poolGrams);
  const alone = supply.needs.every((need) => need.body?.facts === body.facts);
  if (alone) return piecesOf(supply, body.facts) - (servedPieces(supply).get(body.facts) ?? 0);
  return Math.floor(leftGramsOf(supply, body.facts) / (sharedGrams(body.facts, supply.facts) || Infinity) + WHOLE);
}

/** The days on which something may have been made that serves a need: what is there already may be finished later than it is planned. */
function madeWindow({ body, use }: Need, facts: RecipeFacts, book: Book): Window {
  if (!body) return usableWindow(use.on, facts);
  const { from } = bodyWindow(body.facts, use.on, facts, book).window;
  return { from, to: addDays(use.on, -facts.recipe.restDays) };
}

const amountOf = ({ body, use }: Need): number => (body ? body.count : use.grams);

/** Serves a need from supplies of its days, up to so much of it. @returns what is still wanted */
function serve(need: Need, supplies: readonly Supply[], book: Book, wanted: number): number {
  let rest = wanted;
  for (const supply of supplies) {
    if (rest <= 1e-6) break;
    const { from, to } = madeWindow(need, supply.facts, book);
    if (supply.day < from || supply.day > to) continue;
    const given = Math.min(rest, roomFor(supply, need));
    if (given <= 1e-6) continue;
    supply.needs.push(partOf(need, given));
    rest -= given;
  }
  return rest;
}

/**
 * Serves needs from what is made already: each first from the days that were decided for it, then from the oldest that will do.
 * @returns what is still to be made of them
 */
export function fromSupplies(
  needs: readonly Need[],
  supplies: readonly Supply[],
  guide: Guide | null,
  book: Book,
): Need[] {
  if (supplies.length === 0) return [...needs];
  const rests = new Map(needs.map((need) => [need, amountOf(need)]));
  const dated = [...needs].sort((a, b) => (a.use.on < b.use.on ? -1 : a.use.on > b.use.on ? 1 : 0));
  for (const need of dated)
    for (const { day, amount } of (need.body ? guide?.pieces : guide?.components)?.[need.key] ?? []) {
      const rest = rests.get(need) ?? 0;
      const wanted = Math.min(rest, need.body ? Math.round(amount) : amount);
      const same = supplies.filter((supply) => supply.day === day);
      rests.set(need, rest - wanted + serve(need, same, book, wanted));
    }
  for (const need of dated) rests.set(need, serve(need, supplies, book, rests.get(need) ?? 0));
  return needs.flatMap((need) => {
    const rest = rests.get(need) ?? 0;
    return rest <= 1e-6 ? [] : [rest >= amountOf(need) ? need : partOf(need, rest)];
  });
}

const countsOf = (batches: readonly BatchFiled[]): BatchCount[] =>
  [...groupBy(batches, ({ size }) => size)]
    .map(([size, same]) => ({ size, count: same.length }))
    .sort((a, b) => b.size - a.size);

function suppliesOf(book: Book): Map<string, Supply[]> {
  const found = new Map<string, Supply[]>();
  for (const batches of groupBy(book.batches, ({ recipeId, on }) => `${recipeId} ${on}`).values()) {
    const [first] = batches;
    const facts = first && book.recipes.get(first.recipeId);
    if (!facts) continue;
    const finished = batches.filter(({ state }) => state === 'done').map(({ finishedOn }) => finishedOn);
    const supply: Supply = {
      facts,
      day: first.on,
      batches,
      gaveGrams: batches.reduce((sum, batch) => sum + gramsOf(batch, facts), 0),
      finishedOn: finished.includes(null) ? null : (finished.sort().at(-1) ?? null),
      needs: [],
    };
    found.set(first.recipeId, [...(found.get(first.recipeId) ?? []), supply]);
  }
  for (const supplies of found.values()) supplies.sort((a, b) => (a.day < b.day ? -1 : 1));
  return found;
}

/** Minutes that batches made today have taken, with getting ready and the pieces that were finished today. */
function minutesDone(supplies: ReadonlyMap<string, readonly Supply[]>, today: Day, { kitchen }: Book): number {
  return [...supplies.values()].flat().reduce((sum, { day, facts, batches, finishedOn, needs }) => {
    const making = day === today ? batches.length * facts.recipe.handsMinutes + kitchen.setUpMinutes : 0;
    const finishing =
      finishedOn === today
        ? needs.reduce((all, { body }) => all + ((body?.count ?? 0) * (body?.facts.piece.handSeconds ?? 0)) / 60, 0)
        : 0;
    return sum + making + finishing;
  }, 0);
}

/**
 * What the batches that are made already serve: orders that are packed or handed over first, then what is still to be packed.
 * What made batches and finished pieces have used themselves comes from batches made before, as far as these are known.
 * @param open pieces of orders that are still to be packed
 * @param done pieces of orders that are packed or handed over: nothing more is made for them
 */
export function settle(
  open: readonly PieceDemand[],
  done: readonly PieceDemand[],
  book: Book,
  today: Day,
  guide: Guide | null = null,
): Settled {
  const supplies = suppliesOf(book);
  const bodyOf = ({ pieceId }: PieceDemand) =>
    book.pieces.get(pieceId)?.parts.find(({ role }) => role === 'body')?.recipeId;
  const rests = new Map(open.map((each) => [each, each.count]));
  const used = new Map<string, Need[]>();
  const use = ([recipeId, need]: [string, Need]) => used.set(recipeId, [...(used.get(recipeId) ?? []), need]);
  const finishings: Finishing[] = [];
  const parts: [string, Need][] = [];
  const madeOn = new Map<string, Day>();
  const wasMade = (key: string, day: Day) => {
    const before = madeOn.get(key);
    if (before === undefined || day < before) madeOn.set(key, day);
  };

  for (const id of supplies.size > 0 ? usersFirst(book) : []) {
    const own = supplies.get(id) ?? [];
    if (own.length === 0) continue;
    const needOf = (each: PieceDemand) => {
      const facts = book.pieces.get(each.pieceId);
      return (facts && bodyNeed({ ...each, spare: 0 }, facts, book, today)?.need) ?? [];
    };
    fromSupplies(done.filter((each) => bodyOf(each) === id).flatMap(needOf), own, guide, book);
    fromSupplies(used.get(id) ?? [], own, guide, book);
    const packed = new Set(own.flatMap(({ needs }) => needs));
    const wanted = open.filter((each) => bodyOf(each) === id);
    const left = fromSupplies(wanted.flatMap(needOf), own, guide, book);
    for (const each of wanted) {
      const key = pieceKey(each.pieceId, each.day);
      rests.set(each, left.find((need) => need.key === key)?.body?.count ?? 0);
    }
    for (const { day, facts, batches, needs, finishedOn } of own) {
      componentNeeds({ day, batches: countsOf(batches) }, facts, book, today).forEach(use);
      for (const need of needs) {
        const { body } = need;
        if (!body) continue;
        const { facts: of, count, finishBy } = body;
        const { piece } = of;
        const handOver = need.use.on;
        wasMade(pieceKey(piece.id, handOver), day);
        const rest = facts.recipe.restDays;
        if (finishedOn !== null || packed.has(need)) {
          const on = finishedOn ?? finishingDay(day, rest, finishBy, book.kitchen);
          partNeeds(of, count, on, handOver, book, today).forEach(use);
          continue;
        }
        const since = addDays(today, -rest);
        const on = finishingDay(day > since ? day : since, rest, finishBy, book.kitchen);
        const handsMinutes = (count * piece.handSeconds) / 60;
        finishings.push({
          pieceId: piece.id,
          pieceName: piece.name,
          day: on,
          count,
          madeOn: day,
          handOver,
          handsMinutes,
        });
        parts.push(...partNeeds(of, count, on, handOver, book, today));
      }
    }
  }
  // What was packed without a word about its batches was made when it was decided.
  for (const each of done) {
    const key = pieceKey(each.pieceId, each.day);
    if (!madeOn.has(key)) for (const { day } of guide?.pieces[key] ?? []) wasMade(key, day);
  }

  const demand: PieceDemand[] = [];
  const outside: PieceDemand[] = [];
  const bodies: [string, Need][] = [];
  const findings: Finding[] = [];
  for (const each of open) {
    const count = rests.get(each) ?? 0;
    const facts = book.pieces.get(each.pieceId);
    const rest = count === each.count ? each : { ...each, count, spare: spareFor(each.pieceId, count, book) };
    const worked = count > 0 && facts && bodyNeed(rest, facts, book, today);
    if (!worked) continue;
    findings.push(...worked.findings);
    if (!canBeMade(facts, each.day, book, today)) {
      outside.push(rest);
      continue;
    }
    demand.push(rest);
    bodies.push([worked.recipeId, worked.need]);
  }
  const doneMinutes = minutesDone(supplies, today, book);
  return { demand, outside, bodies, finishings, parts, supplies, madeOn, doneMinutes, findings };
}

/** What was tried, whatever came of it: it strikes off what was decided. */
export const triedOf = (made: readonly Made[]) => made.map((each) => ({ ...each, batches: each.tried }));

/** What was made and what it serves, the earliest first. */
export const madeOf = ({ supplies }: Settled): Made[] =>
  [...supplies.values()]
    .flat()
    .map((supply): Made => {
      const { facts, day, batches, gaveGrams, finishedOn, needs } = supply;
      const good = batches.filter(({ state }) => state === 'done');
      const usedGrams = needs.reduce((sum, { use }) => sum + use.grams, 0);
      const [first] = needs;
      const only = first?.body?.facts;
      const alone = only && needs.every(({ body }) => body?.facts === only);
      return {
        recipeId: facts.recipe.id,
        recipeName: facts.recipe.name,
        day,
        batches: countsOf(good),
        batchCount: good.length,
        batchIds: batches.map(({ id }) => id),
        tried: countsOf(batches),
        yieldGrams: gaveGrams,
        usedGrams,
        poolGrams: 0,
        leftOverGrams: Math.max(0, gaveGrams - usedGrams),
        sparePieces: 0,
        leftOverPieces: alone ? piecesOf(supply, only) - (servedPieces(supply).get(only) ?? 0) : null,
        uses: mergeUses(needs),
        handsMinutes: batches.length * facts.recipe.handsMinutes,
        pinned: false,
        finishedOn,
      };
    })
    .sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
