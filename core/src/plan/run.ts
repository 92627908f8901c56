import {
  batchesOfPieces,
  bodyForm,
  piecesOfBatches,
  piecesPerBase,
  piecesPerBatch,
  type PieceFacts,
} from '../piece/index.js';
import type { Day } from '../quantity/index.js';
import {
  batchesFor,
  leastSize,
  mostSize,
  multipleOf,
  roundedUp,
  type BatchCount,
  type RecipeFacts,
} from '../recipe/index.js';
import type { Need, Peg } from './needs.js';

/** One recipe made on one day, in whole batches. */
export interface ProductionRun {
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
  /** Pieces made beyond what is needed, in case the yield falls short; they count as left over in grams. */
  readonly sparePieces: number;
  /** What is left over beyond the spare ones in whole pieces, where the run is the body of one piece only; otherwise null. */
  readonly leftOverPieces: number | null;
  readonly pegs: readonly Peg[];
  /** Minutes of the maker's hands for all its batches. */
  readonly handsMinutes: number;
  /** Whether the maker wants it to stay where it is. */
  readonly pinned: boolean;
}

/** Batches of one recipe that were made on one day, and what they serve: a fact, whatever is planned. */
export interface MadeRun extends ProductionRun {
  readonly batchIds: readonly string[];
  /** These and those that failed. */
  readonly tried: readonly BatchCount[];
  /** The day on which their pieces were cut, rolled or dipped; null as long as some are not. */
  readonly finishedOn: Day | null;
}

/** The one piece that takes the whole run as its body, so that its batches can be counted in pieces. */
function onlyPiece(needs: readonly Need[]): PieceFacts | null {
  const facts = needs[0]?.body?.facts ?? null;
  return facts && needs.every((need) => need.body?.facts === facts) ? facts : null;
}

/**
 * What one piece takes of the batches that it shares with others, g: charged with its batch's remainder at the size that leaves
 * most, so that whole pieces are covered whatever else is cut from the slab. Of a recipe of any size a run of several batches has them
 * larger than half of the largest, and each leaves less than a piece.
 */
export function sharedGrams(facts: PieceFacts, { recipe, yieldGrams }: RecipeFacts): number {
  const form = bodyForm(facts.piece.form);
  if (recipe.anySize) {
    const each = piecesPerBase(form, yieldGrams);
    const inOne = Math.floor(each * Math.max(leastSize(recipe), mostSize(recipe) / 2));
    return each > 0 ? (yieldGrams / each) * (1 + 1 / Math.max(1, inOne)) : 0;
  }
  return Math.max(
    ...recipe.batchSizes.map((size) => {
      const pieces = piecesPerBatch(form, size, yieldGrams);
      return pieces > 0 ? (yieldGrams * size) / pieces : 0;
    }),
  );
}

/** The most that must have been made for uses day by day: what is used up so far, and the pool that stands beside it, g. */
function standingGrams(needs: readonly Need[]): number {
  const days = [...new Set(needs.map(({ peg }) => peg.on))].sort();
  let used = 0;
  let most = 0;
  for (const day of days) {
    const today = needs.filter(({ peg }) => peg.on === day);
    used += today.reduce((sum, { peg }) => sum + peg.grams, 0);
    most = Math.max(most, used + today.reduce((sum, { peg }) => sum + peg.poolGrams, 0));
  }
  return most;
}

/** Whole pieces to spare for all needs of one run. */
const spareOf = (needs: readonly Need[]): number =>
  Math.max(0, Math.ceil(needs.reduce((sum, { body }) => sum + (body?.spare ?? 0), 0) - 1e-9));

interface Cover {
  readonly batches: BatchCount[];
  /** Pieces beyond what is needed, where they can be counted. */
  readonly pieces: number | null;
}

/**
 * Whole batches for needs that are made on one day, and how many pieces they give where that can be counted.
 * @param guided batches that were decided; taken when they are enough and no more than what would be chosen anew, or when pinned
 */
function coverNeeds(needs: readonly Need[], facts: RecipeFacts, guided: readonly BatchCount[], pinned: boolean): Cover {
  const piece = onlyPiece(needs);
  if (piece) {
    const form = bodyForm(piece.piece.form);
    const given = (batches: readonly BatchCount[]) => piecesOfBatches(form, facts, batches);
    const wanted = needs.reduce((sum, need) => sum + (need.body?.count ?? 0), 0) + spareOf(needs);
    const chosen = batchesOfPieces(form, facts, wanted);
    const keep = given(guided) >= wanted && (pinned || multipleOf(guided) <= multipleOf(chosen) + 1e-9);
    const batches = keep ? [...guided] : chosen;
    return { batches, pieces: given(batches) - wanted };
  }
  if (facts.yieldGrams <= 0) return { batches: [], pieces: null };
  const bodies = new Map<PieceFacts, number>();
  for (const { body } of needs)
    if (body) bodies.set(body.facts, (bodies.get(body.facts) ?? 0) + body.count + body.spare);
  const others = needs.filter(({ body }) => body === null);
  // Each further way of cutting one slab costs a piece for the joint.
  const grams =
    [...bodies].reduce((sum, [of, count]) => sum + sharedGrams(of, facts) * (count + 1), 0) + standingGrams(others);
  const drawn =
    [...bodies].reduce((sum, [of, count]) => sum + sharedGrams(of, facts) * (count + 1), 0) +
    others.reduce((sum, { peg }) => sum + peg.grams, 0);
  const chosen = batchesFor(grams / facts.yieldGrams, facts.recipe);
  // The pool may stand in another day's batches, which only the plan as a whole knows.
  const enough = multipleOf(guided) * facts.yieldGrams + 1e-6 >= drawn;
  const keep = enough && (pinned || multipleOf(guided) <= multipleOf(chosen) + 1e-9);
  return { batches: keep ? [...guided] : chosen, pieces: null };
}

/** Adds needs of one use on one day together, so that a run names each use once. */
export function mergePegs(needs: readonly Need[]): Peg[] {
  const merged = new Map<string, Peg>();
  for (const { peg, window } of needs) {
    const key = [peg.kind, peg.id, peg.role, peg.on, peg.handOver].join(' ');
    const before = merged.get(key);
    merged.set(
      key,
      before
        ? {
            ...before,
            pieces: before.pieces + peg.pieces,
            grams: before.grams + peg.grams,
            poolGrams: before.poolGrams + peg.poolGrams,
          }
        : { ...peg, window },
    );
  }
  return [...merged.values()];
}

/** Everything about a run but its day. */
export function sizeRun(
  needs: readonly Need[],
  facts: RecipeFacts,
  guided: readonly BatchCount[] = [],
  pinned = false,
): Omit<ProductionRun, 'day'> {
  const { recipe } = facts;
  const decided = recipe.anySize ? guided.map(({ size, count }) => ({ size: roundedUp(size, recipe), count })) : guided;
  const { batches, pieces } = coverNeeds(needs, facts, decided, pinned);
  const batchCount = batches.reduce((sum, { count }) => sum + count, 0);
  const usedGrams = needs.reduce((sum, { peg }) => sum + peg.grams, 0);
  const yieldGrams = multipleOf(batches) * facts.yieldGrams;
  const others = needs.filter(({ body }) => body === null);
  return {
    recipeId: facts.recipe.id,
    recipeName: facts.recipe.name,
    batches,
    batchCount,
    yieldGrams,
    usedGrams,
    poolGrams: Math.max(0, standingGrams(others) - others.reduce((sum, { peg }) => sum + peg.grams, 0)),
    leftOverGrams: Math.max(0, yieldGrams - usedGrams),
    sparePieces: spareOf(needs),
    leftOverPieces: pieces,
    pegs: mergePegs(needs),
    handsMinutes: batchCount * facts.recipe.handsMinutes,
    pinned,
  };
}
