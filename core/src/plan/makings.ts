import type { Book } from '../box/index.js';
import { finding, type Finding, type Subject } from '../finding/index.js';
import { bodyForm, piecesPerBatch, type PieceFacts, type PiecePart } from '../piece/index.js';
import { addDays, sayDay, type Day } from '../quantity/index.js';
import { chooseBatches, SIZE_STEP, type BatchCount, type BatchSize, type RecipeFacts } from '../recipe/index.js';
import type { PieceDemand } from './demand.js';
import { groupByDay, makeWindow, placeOnDay, type Bookings, type Window, type Windowed } from './windows.js';

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
  /** Minutes of the maker's hands for all its batches, and for cutting, rolling or dipping the pieces from them. */
  readonly handsMinutes: number;
}

interface Need extends Windowed {
  readonly use: Use;
  /** Used up, g. */
  readonly grams: number;
  /** Must stand ready, g. */
  readonly readyGrams: number;
  /** The body of a piece in this number; null for everything else. */
  readonly body: { readonly facts: PieceFacts; readonly count: number } | null;
}

const clampToToday = (window: Window, today: Day): Window => ({
  from: window.from < today ? today : window.from,
  to: window.to < today ? today : window.to,
});

/** Adds needs of one use together, so that a making names each use once. */
function mergeUses(needs: readonly Need[]): Use[] {
  const merged = new Map<string, Use>();
  for (const { use } of needs) {
    const key = `${use.kind} ${use.id} ${use.role}`;
    const before = merged.get(key);
    merged.set(key, before ? { ...before, pieces: before.pieces + use.pieces, grams: before.grams + use.grams } : use);
  }
  return [...merged.values()];
}

/** The one piece that takes the whole making as its body, so that its batches can be counted in pieces. */
function onlyPiece(needs: readonly Need[]): PieceFacts | null {
  const facts = needs[0]?.body?.facts ?? null;
  return facts && needs.every((need) => need.body?.facts === facts) ? facts : null;
}

/**
 * What a body of pieces takes from its batches, g: each whole piece is charged with its batch's remainder at the
 * size that leaves most, and each further way of cutting one slab with one piece for the joint.
 */
function bodyGrams(facts: PieceFacts, count: number, recipe: RecipeFacts): number {
  const form = bodyForm(facts.piece.form);
  const perPiece = Math.max(
    ...recipe.recipe.batchSizes.map((size) => {
      const pieces = piecesPerBatch(form, size, recipe.yieldGrams);
      return pieces > 0 ? (recipe.yieldGrams * size) / pieces : 0;
    }),
  );
  return perPiece * (count + 1);
}

/** Whole batches for needs that are made on one day, and how many pieces they give where that can be counted. */
function coverNeeds(needs: readonly Need[], facts: RecipeFacts): { batches: BatchCount[]; pieces: number | null } {
  const { batchSizes } = facts.recipe;
  const piece = onlyPiece(needs);
  if (piece) {
    const form = bodyForm(piece.piece.form);
    const sizes: BatchSize[] = batchSizes.map((size) => ({
      size,
      covers: piecesPerBatch(form, size, facts.yieldGrams),
    }));
    const wanted = needs.reduce((sum, need) => sum + (need.body?.count ?? 0), 0);
    const batches = chooseBatches(wanted, sizes);
    const made = batches.reduce(
      (sum, { size, count }) => sum + count * piecesPerBatch(form, size, facts.yieldGrams),
      0,
    );
    return { batches, pieces: made - wanted };
  }
  const grams = needs.reduce(
    (sum, need) => sum + (need.body ? bodyGrams(need.body.facts, need.body.count, facts) : need.readyGrams),
    0,
  );
  if (facts.yieldGrams <= 0) return { batches: [], pieces: null };
  const sizes = batchSizes.map((size) => ({ size, covers: Math.round(size * SIZE_STEP) }));
  return {
    batches: chooseBatches((grams / facts.yieldGrams) * SIZE_STEP, sizes),
    pieces: null,
  };
}

/** Everything about a making but its day. */
function makeUp(needs: readonly Need[], facts: RecipeFacts): Omit<Making, 'day'> {
  const { batches, pieces } = coverNeeds(needs, facts);
  const multiple = batches.reduce((sum, { size, count }) => sum + size * count, 0);
  const batchCount = batches.reduce((sum, { count }) => sum + count, 0);
  const usedGrams = needs.reduce((sum, need) => sum + need.grams, 0);
  const yieldGrams = multiple * facts.yieldGrams;
  return {
    recipeId: facts.recipe.id,
    recipeName: facts.recipe.name,
    batches,
    batchCount,
    yieldGrams,
    usedGrams,
    poolGrams: needs.reduce((sum, need) => sum + need.readyGrams - need.grams, 0),
    leftOverGrams: Math.max(0, yieldGrams - usedGrams),
    leftOverPieces: pieces,
    uses: mergeUses(needs),
    handsMinutes:
      batchCount * facts.recipe.handsMinutes +
      needs.reduce((sum, { body }) => sum + ((body?.count ?? 0) * (body?.facts.piece.handSeconds ?? 0)) / 60, 0),
  };
}

/** What a making's components must provide, for all its batches. */
function componentNeeds(making: Making, facts: RecipeFacts, book: Book, today: Day): [string, Need][] {
  const multiple = making.batches.reduce((sum, { size, count }) => sum + size * count, 0);
  return facts.recipe.lines.flatMap((line, index): [string, Need][] => {
    if (line.uses.kind !== 'recipe') return [];
    const component = book.recipes.get(line.uses.id);
    if (!component) return [];
    const grams = (facts.lineGrams[index] ?? 0) * multiple;
    const window = clampToToday(
      {
        from: addDays(making.day, -component.recipe.keepsDays),
        to: addDays(making.day, -component.recipe.restDays),
      },
      today,
    );
    return [
      [
        line.uses.id,
        {
          window,
          grams,
          readyGrams: grams,
          body: null,
          use: {
            kind: 'recipe',
            id: facts.recipe.id,
            name: facts.recipe.name,
            role: 'component',
            pieces: 0,
            grams,
          },
        },
      ],
    ];
  });
}

/** What the parts of a piece must provide for one hand-over, and a finding when there is no day for it. */
function pieceNeeds(
  demand: PieceDemand,
  facts: PieceFacts,
  book: Book,
  today: Day,
): { needs: [string, Need][]; findings: Finding[] } {
  const { kitchen } = book;
  const findings: Finding[] = [];
  const { piece } = facts;
  const about: Subject = { noun: 'piece', id: piece.id, name: piece.name };
  const needs = facts.parts.flatMap((part): [string, Need][] => {
    const recipe = book.recipes.get(part.recipeId);
    if (!recipe) return [];
    const rest = recipe.recipe.restDays;
    const isBody = part.role === 'body';
    const exact = makeWindow(
      demand.day,
      isBody ? piece.keepsDays : recipe.recipe.keepsDays + kitchen.promisedDays,
      rest,
      kitchen,
    );
    if (isBody && exact.from > exact.to)
      findings.push(
        finding(
          'decide',
          'window-empty',
          about,
          `${piece.name} keeps ${piece.keepsDays} days: made ${kitchen.packingLeadDays + rest} days before ${sayDay(demand.day)}, it does not have the promised ${kitchen.promisedDays} days left.`,
        ),
      );
    else if (isBody && exact.to < today)
      findings.push(
        finding(
          'decide',
          'too-late',
          about,
          `${piece.name} for ${sayDay(demand.day)} should have been made by ${sayDay(exact.to)}.`,
        ),
      );
    const grams = part.drawnGrams * demand.count;
    return [
      [
        part.recipeId,
        {
          window: clampToToday(exact, today),
          grams,
          readyGrams: part.readyGrams * demand.count,
          body: isBody ? { facts, count: demand.count } : null,
          use: {
            kind: 'piece',
            id: piece.id,
            name: piece.name,
            role: part.role,
            pieces: demand.count,
            grams,
          },
        },
      ],
    ];
  });
  return { needs, findings };
}

/** All makings of a season, the day on which each piece's body is made for each hand-over, and what stands in the way. */
export interface Makings {
  readonly makings: readonly Making[];
  /** `pieceId day-of-hand-over` -> the day on which its body is made. */
  readonly madeOn: ReadonlyMap<string, Day>;
  readonly findings: readonly Finding[];
}

/** The key of {@link Makings.madeOn}. */
export const madeOnKey = (pieceId: string, handOver: Day): string => `${pieceId} ${handOver}`;

/**
 * Pieces -> component masses -> whole batches, level by level: a recipe is worked out after everything that uses it,
 * from the batches that are really made, not from what is eaten.
 *
 * Each recipe is made on the fewest days that its shelf life allows; each on the last bench day of its window that still has
 * the minutes free. A whole-season optimum it is not: days may go over, and the plan says so.
 * @param packing minutes that packing takes already, by day
 */
export function planMakings(demand: readonly PieceDemand[], book: Book, today: Day, packing: Bookings): Makings {
  const booked: Bookings = new Map(packing);
  const needsByRecipe = new Map<string, Need[]>();
  const findings: Finding[] = [];
  const bodyHandOvers = new Map<Need, string>();
  const add = ([recipeId, need]: [string, Need]) => {
    const list = needsByRecipe.get(recipeId);
    if (list) list.push(need);
    else needsByRecipe.set(recipeId, [need]);
  };

  for (const each of demand) {
    const facts = book.pieces.get(each.pieceId);
    if (!facts) continue;
    const worked = pieceNeeds(each, facts, book, today);
    findings.push(...worked.findings);
    for (const entry of worked.needs) {
      add(entry);
      if (entry[1].body) bodyHandOvers.set(entry[1], madeOnKey(each.pieceId, each.day));
    }
  }

  const makings: Making[] = [];
  const madeOn = new Map<string, Day>();
  for (const recipeId of [...book.componentsFirst].reverse()) {
    const facts = book.recipes.get(recipeId);
    const needs = needsByRecipe.get(recipeId);
    if (!facts || !needs) continue;
    for (const group of groupByDay(needs, book.kitchen)) {
      const made = makeUp(group.needs, facts);
      const day = placeOnDay(group.window, made.handsMinutes, booked, book.kitchen);
      booked.set(day, (booked.get(day) ?? 0) + made.handsMinutes);
      const making: Making = { ...made, day };
      makings.push(making);
      componentNeeds(making, facts, book, today).forEach(add);
      for (const need of group.needs) {
        const key = bodyHandOvers.get(need);
        if (key !== undefined) madeOn.set(key, day);
      }
    }
  }
  makings.sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
  return { makings, madeOn, findings };
}
