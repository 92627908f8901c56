import type { Book } from '../book/index.js';
import { finding, type Finding, type Subject } from '../finding/index.js';
import type { PieceFacts, PiecePart } from '../piece/index.js';
import { addDays, type Day } from '../quantity/index.js';
import { multipleOf, type BatchCount, type RecipeFacts } from '../recipe/index.js';
import type { PieceDemand } from './demand.js';
import { componentKey, pieceKey } from './guide.js';
import { canBeFinished, finishDays, lastStart, partUses, type FinishDay, type ToFinish } from './finish-days.js';
import { suitsMaking } from './suits.js';
import { isBenchDay, lastBenchDayBefore, makeWindow, type Window, type Windowed } from './windows.js';
import { latestBegin, readyOn } from './work-days.js';

/** What one run is for. */
export interface Peg {
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

/** One use of a recipe, with the days on which it may be made for it. */
export interface Need extends Windowed {
  readonly peg: Omit<Peg, 'window'>;
  /** Under which key a guide says who serves it. */
  readonly key: string;
  /** The body of a piece in this number; null for everything else. */
  readonly body: {
    readonly facts: PieceFacts;
    readonly count: number;
    /** Pieces beyond these, since its yield varies; a fraction where a need is divided over days. */
    readonly spare: number;
    readonly finishBy: Day;
  } | null;
}

/** What is done on one day to finish some pieces. */
export interface FinishWork extends Omit<FinishDay, 'handSeconds' | 'done'> {
  readonly handsMinutes: number;
}

/** Pieces that are cut, rolled, dipped or filled for one hand-over. */
export interface Finishing {
  readonly pieceId: string;
  readonly pieceName: string;
  /** The day on which they are finished. */
  readonly day: Day;
  readonly count: number;
  /** The day on which their body was made. */
  readonly madeOn: Day;
  readonly handOver: Day;
  /** What is still to be done, day by day. */
  readonly work: readonly FinishWork[];
  /** The first day on which they stand in their moulds, which may have passed. */
  readonly begun: Day;
}

/** The finishing of pieces as it is planned. */
export const finishingOf = (
  { facts, madeOn, handOver }: ToFinish,
  days: readonly FinishDay[],
  count: number,
): Finishing => ({
  pieceId: facts.piece.id,
  pieceName: facts.piece.name,
  day: days.at(-1)?.day ?? madeOn,
  count,
  madeOn,
  handOver,
  work: days
    .filter(({ done }) => !done)
    .map(({ handSeconds, done: _done, ...each }) => ({ ...each, handsMinutes: (count * handSeconds) / 60 })),
  begun: days[0]?.day ?? madeOn,
});

/** A part of a need; pieces stay whole. */
export function partOf(need: Need, share: number): Need {
  const { peg, body } = need;
  const scale = body ? share / body.count : share / (peg.grams || 1);
  return {
    ...need,
    body: body && { ...body, count: share, spare: body.spare * scale },
    peg: {
      ...peg,
      pieces: body ? share : peg.pieces * scale,
      grams: peg.grams * scale,
      poolGrams: peg.poolGrams * scale,
    },
  };
}

const clampToToday = (window: Window, today: Day): Window => ({
  from: window.from < today ? today : window.from,
  to: window.to < today ? today : window.to,
});

/** The days on which something may be made that is used on a day: rested, and not too old. */
export const usableWindow = (usedOn: Day, facts: RecipeFacts, { kitchen }: Book): Window => ({
  from: addDays(usedOn, -facts.recipe.keepsDays),
  to: latestBegin(facts, usedOn, kitchen),
});

/** The days on which the body of a piece may be made for a hand-over, and the last day on which it may be finished. */
export function bodyWindow(facts: PieceFacts, handOver: Day, body: RecipeFacts, book: Book) {
  const { kitchen } = book;
  const rest = body.recipe.restDays;
  const whole = makeWindow(handOver, facts.keepsDays, rest, kitchen);
  const lead = addDays(handOver, -kitchen.packingLeadDays);
  const packed = book.packingStarts?.get(handOver) ?? lead;
  const by = packed < lead ? packed : lead;
  const bench = lastBenchDayBefore(by, kitchen);
  // A piece that does not keep long enough for the promise is made as late as can be, and reported.
  const from = whole.from <= whole.to ? whole.from : addDays(bench, -rest - 6);
  const finishBy = addDays(bench, -rest) >= from ? bench : by;
  const startBy = lastStart(facts, finishBy, book);
  return { whole, window: { from, to: latestBegin(body, startBy, kitchen) }, finishBy };
}

/** The pieces of a body that is made on a day, as they are to be finished for a hand-over. */
export const toFinishOf = (
  facts: PieceFacts,
  body: RecipeFacts,
  madeOn: Day,
  handOver: Day,
  by: Day,
  book: Book,
): ToFinish => ({
  facts,
  madeOn,
  handOver,
  from: readyOn(body, madeOn, book.kitchen),
  by,
});

/** Whether a bench day is left on which the body can be made and one on which the piece can be finished. */
export function canBeMade(facts: PieceFacts, handOver: Day, book: Book, today: Day): boolean {
  const body = book.recipes.get(facts.parts.find(({ role }) => role === 'body')?.recipeId ?? '');
  if (!body) return false;
  const { kitchen } = book;
  const { window, finishBy } = bodyWindow(facts, handOver, body, book);
  for (let day = window.from < today ? today : window.from; day <= window.to; day = addDays(day, 1)) {
    if (!isBenchDay(day, kitchen) || !suitsMaking(body, day, kitchen)) continue;
    const toFinish = toFinishOf(facts, body, day, handOver, finishBy, book);
    if (canBeFinished(finishDays(toFinish, book), toFinish, book)) return true;
  }
  return false;
}

/** What the body of a piece must provide for one hand-over, and a finding when there is no day for it. */
export function bodyNeed(demand: PieceDemand, facts: PieceFacts, book: Book, today: Day) {
  const { piece } = facts;
  const part = facts.parts.find(({ role }) => role === 'body');
  const body = part && book.recipes.get(part.recipeId);
  if (!part || !body) return null;
  const { kitchen } = book;
  const about: Subject<'piece'> = { noun: 'piece', id: piece.id, name: piece.name };
  const { whole, window, finishBy } = bodyWindow(facts, demand.day, body, book);
  const findings: Finding[] = [];
  if (whole.from > whole.to)
    findings.push(
      finding(
        'window-empty',
        about,
        {
          keepsDays: facts.keepsDays,
          leadDays: kitchen.packingLeadDays + body.recipe.restDays,
          handOver: demand.day,
          promisedDays: kitchen.promisedDays,
        },
        { part: demand.day },
      ),
    );
  const need: Need = {
    window: clampToToday(window, today),
    key: pieceKey(piece.id, demand.day),
    body: { facts, count: demand.count, spare: demand.spare, finishBy },
    peg: {
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

/**
 * What the other parts of pieces must provide on the days on which they are finished: coating, shell, further fillings, dust.
 * @param days of their finishing
 * @param isDone whether of the days that are done, or of those that are still to come
 */
export function partNeeds(
  { facts, handOver }: ToFinish,
  days: readonly FinishDay[],
  count: number,
  isDone: boolean,
  book: Book,
  today: Day,
): [string, Need][] {
  return partUses(facts, days).flatMap(({ part, day: on, drawnGrams, readyGrams, done }): [string, Need][] => {
    const recipe = book.recipes.get(part.recipeId);
    if (!recipe || done !== isDone) return [];
    return [
      [
        part.recipeId,
        {
          window: clampToToday(usableWindow(on, recipe, book), today),
          key: componentKey(part.recipeId, on),
          body: null,
          peg: {
            kind: 'piece',
            id: facts.piece.id,
            name: facts.piece.name,
            role: part.role,
            pieces: count,
            grams: drawnGrams * count,
            poolGrams: (readyGrams - drawnGrams) * count,
            on,
            handOver,
          },
        },
      ],
    ];
  });
}

/** What a run's components must provide, for all its batches. */
export function componentNeeds(
  run: { readonly day: Day; readonly batches: readonly BatchCount[] },
  facts: RecipeFacts,
  book: Book,
  today: Day,
): [string, Need][] {
  const multiple = multipleOf(run.batches);
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
          window: clampToToday(usableWindow(run.day, component, book), today),
          key: componentKey(line.uses.id, run.day),
          body: null,
          peg: {
            kind: 'recipe',
            id,
            name,
            role: 'component',
            pieces: 0,
            grams,
            poolGrams: 0,
            on: run.day,
            handOver: null,
          },
        },
      ],
    ];
  });
}
