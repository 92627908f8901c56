import { gramsOf, type BatchFiled } from '../batch/index.js';
import type { Book } from '../book/index.js';
import { bodyForm, piecesPerBatch, type PieceFacts } from '../piece/index.js';
import { addDays, type Day } from '../quantity/index.js';
import type { BatchCount, RecipeFacts } from '../recipe/index.js';
import { groupBy } from '../record/index.js';
import type { Guide } from './guide.js';
import { sharedGrams } from './run.js';
import { bodyWindow, partOf, usableWindow, type Need } from './needs.js';
import type { Window } from './windows.js';

/** What batches of one recipe, made on one day, have to give, and what they give it to. */
export interface Supply {
  readonly facts: RecipeFacts;
  readonly day: Day;
  readonly batches: readonly BatchFiled[];
  readonly gaveGrams: number;
  readonly finishedOn: Day | null;
  /** The days on which the first stages of finishing its pieces were done. */
  readonly stageDays: readonly Day[];
  readonly needs: Need[];
}

const WHOLE = 1e-9;

/** Whole pieces of one kind that a supply gives when nothing else is made of it. */
export function piecesOf({ batches, facts }: Supply, { piece }: PieceFacts): number {
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
export function servedPieces({ needs }: Supply): Map<PieceFacts, number> {
  const served = new Map<PieceFacts, number>();
  for (const { body } of needs) if (body) served.set(body.facts, (served.get(body.facts) ?? 0) + body.count);
  return served;
}

/** What is left of a supply beside the pieces that it serves and everything else, g; each way of cutting it costs a piece for the joint. */
export function leftGramsOf(supply: Supply, alsoCut?: PieceFacts): number {
  const served = servedPieces(supply);
  if (alsoCut && !served.has(alsoCut)) served.set(alsoCut, 0);
  const cut = [...served].reduce((sum, [of, count]) => sum + sharedGrams(of, supply.facts) * (count + 1), 0);
  const used = supply.needs.reduce((sum, { body, peg }) => sum + (body ? 0 : peg.grams), 0);
  return Math.max(0, supply.gaveGrams - cut - used);
}

/** How much more of a need a supply can serve: whole pieces, or grams with the pool beside them. */
function roomFor(supply: Supply, { body, peg }: Need): number {
  if (!body) return Math.max(0, leftGramsOf(supply) - peg.poolGrams);
  const alone = supply.needs.every((need) => need.body?.facts === body.facts);
  if (alone) return piecesOf(supply, body.facts) - (servedPieces(supply).get(body.facts) ?? 0);
  return Math.floor(leftGramsOf(supply, body.facts) / (sharedGrams(body.facts, supply.facts) || Infinity) + WHOLE);
}

/** The days on which something may have been made that serves a need: what is there already may be finished later than it is planned. */
function madeWindow({ body, peg }: Need, facts: RecipeFacts, book: Book): Window {
  if (!body) return usableWindow(peg.on, facts, book);
  const { from } = bodyWindow(body.facts, peg.on, facts, book).window;
  return { from, to: addDays(peg.on, -facts.recipe.restDays) };
}

const amountOf = ({ body, peg }: Need): number => (body ? body.count : peg.grams);

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
  const dated = [...needs].sort((a, b) => (a.peg.on < b.peg.on ? -1 : a.peg.on > b.peg.on ? 1 : 0));
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

/** Batches of one recipe by size, the largest first. */
export const countsOf = (batches: readonly BatchFiled[]): BatchCount[] =>
  [...groupBy(batches, ({ size }) => size)]
    .map(([size, same]) => ({ size, count: same.length }))
    .sort((a, b) => b.size - a.size);

/** What was made, by recipe, the oldest first; nothing of it is given to anything yet. */
export function suppliesOf(book: Book): Map<string, Supply[]> {
  const found = new Map<string, Supply[]>();
  for (const batches of groupBy(book.batches, ({ recipeId, on }) => `${recipeId} ${on}`).values()) {
    const [first] = batches;
    const facts = first && book.recipes.get(first.recipeId);
    if (!facts) continue;
    const good = batches.filter(({ state }) => state === 'done');
    const finished = good.map(({ finishedOn }) => finishedOn);
    // A stage is done when it is done with every batch.
    const stages = Math.min(...good.map(({ stageDays }) => stageDays.length));
    const supply: Supply = {
      facts,
      day: first.on,
      batches,
      gaveGrams: batches.reduce((sum, batch) => sum + gramsOf(batch, facts), 0),
      finishedOn: finished.includes(null) ? null : (finished.sort().at(-1) ?? null),
      stageDays: Array.from(
        { length: Number.isFinite(stages) ? stages : 0 },
        (_, at) =>
          good
            .map(({ stageDays }) => stageDays[at] ?? '')
            .sort()
            .at(-1) ?? '',
      ),
      needs: [],
    };
    found.set(first.recipeId, [...(found.get(first.recipeId) ?? []), supply]);
  }
  for (const supplies of found.values()) supplies.sort((a, b) => (a.day < b.day ? -1 : 1));
  return found;
}
