import type { Book } from '../book/index.js';
import { bodyRecipeId } from '../piece/index.js';
import type { Day } from '../quantity/index.js';
import { mergePegs, type MadeRun } from './run.js';
import type { Netted } from './netting.js';
import type { Plan } from './shape.js';
import { countsOf, piecesOf, servedPieces } from './supplies.js';

/** What was tried, whatever came of it: it strikes off what was decided. */
export const triedOf = (made: readonly MadeRun[]) => made.map((each) => ({ ...each, batches: each.tried }));

/** What was made and what it serves, the earliest first. */
export const madeRunsOf = ({ supplies }: Netted): MadeRun[] =>
  [...supplies.values()]
    .flat()
    .map((supply): MadeRun => {
      const { facts, day, batches, gaveGrams, finishedOn, needs } = supply;
      const good = batches.filter(({ state }) => state === 'done');
      const usedGrams = needs.reduce((sum, { peg }) => sum + peg.grams, 0);
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
        pegs: mergePegs(needs),
        handsMinutes: batches.length * facts.recipe.handsMinutes,
        pinned: false,
        finishedOn,
      };
    })
    .sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));

/** What of a day's work is done: made on it, or finished on it. */
export const doneOn = ({ made }: Pick<Plan, 'made'>, on: Day): MadeRun[] =>
  made.filter(({ day, finishedOn }) => day === on || finishedOn === on);

/**
 * Batches whose pieces of one kind are finished on a day, or go through one of their stages; null as long as some of them are still to be made.
 * @param stage which one, from 0
 */
export function finishedWith(
  { made, finishings }: Pick<Plan, 'made' | 'finishings'>,
  pieceId: string,
  on: Day,
  stage: number,
  book: Pick<Book, 'pieces'>,
): MadeRun[] | null {
  const piece = book.pieces.get(pieceId)?.piece;
  const days = new Set(
    finishings
      .filter((each) => each.pieceId === pieceId && each.work.some((work) => work.day === on && work.stage === stage))
      .map(({ madeOn }) => madeOn),
  );
  const ready = made.filter(
    ({ recipeId, day, finishedOn }) =>
      piece && recipeId === bodyRecipeId(piece.form) && days.has(day) && finishedOn === null,
  );
  return ready.length > 0 && ready.length === days.size ? ready : null;
}
