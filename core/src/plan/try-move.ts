import { sum } from 'es-toolkit';
import type { Book } from '../book/index.js';
import { blocks } from '../finding/index.js';
import type { OrderFiled } from '../order/index.js';
import { bodyRecipeId, finishStages } from '../piece/index.js';
import { addDays, sayDay, type Day } from '../quantity/index.js';
import { breachesOf, newBreaches } from './breaches.js';
import type { Guide, Pin, StagePin } from './guide.js';
import { guideOf, moveRun, whyNoBenchDay, whyNotTo } from './move.js';
import { bodyWindow } from './needs.js';
import { planSeason } from './plan.js';
import type { Plan } from './shape.js';
import { whyNotFinishedOn } from './suits.js';
import { readyOn } from './work-days.js';

/**
 * Why a run that could be made on a day is not moved there: what the plan would then break that it does not break now.
 * @param pins those that hold now
 * @returns each reason as a sentence, and the decisions with the move where there is none
 */
export function tryMove(
  { plan, recipeId, from, to, pins }: { plan: Plan; recipeId: string; from: Day; to: Day; pins: readonly Pin[] },
  orders: readonly OrderFiled[],
  book: Book,
  today: Day,
): { readonly why: readonly string[]; readonly guide: Guide | null } {
  const why = whyNotTo(plan, recipeId, from, to, book, today);
  if (why.length > 0) return { why, guide: null };
  return tried(plan, moveRun(guideOf(plan, pins), recipeId, from, to, plan), orders, book, today);
}

/**
 * What comes of decisions that were changed: what the plan would then break that it does not break now, or the decisions themselves.
 * @param whyNotMoved why the plan that they make does not have what was wanted; each a sentence
 */
function tried(
  plan: Plan,
  guide: Guide,
  orders: readonly OrderFiled[],
  book: Book,
  today: Day,
  whyNotMoved: (moved: Plan) => readonly string[] = () => [],
): { readonly why: readonly string[]; readonly guide: Guide | null } {
  const moved = planSeason(book, orders, today, guide);
  const broken = newBreaches(breachesOf(plan, book), breachesOf(moved, book));
  const left = moved.leftOut.filter((id) => !plan.leftOut.includes(id));
  const late = moved.findings.filter((each) => blocks(each, 'order') && left.includes(each.about.id));
  const messages = [...[...broken, ...late].map(({ message }) => message), ...whyNotMoved(moved)];
  return messages.length > 0 ? { why: messages, guide: null } : { why: [], guide };
}

/** A stage of finishing pieces that is to be done on another day. */
export interface StageMove {
  readonly pieceId: string;
  /** Which stage, from 0. */
  readonly stage: number;
  readonly from: Day;
  readonly to: Day;
  /** Only the pieces for this hand-over; null for all that are finished then. */
  readonly handOver: Day | null;
}

/** Why a stage of finishing cannot be on a day, by itself; each a sentence. */
export function whyNotStageTo(
  plan: Pick<Plan, 'finishings'>,
  { pieceId, stage, from, to, handOver }: StageMove,
  book: Book,
  today: Day,
): string[] {
  const facts = book.pieces.get(pieceId);
  const moved = movedBy(plan, { pieceId, stage, from, handOver });
  if (!facts || moved.length === 0) return ['That is not in the plan any more.'];
  const { name } = facts.piece;
  const why: string[] = [];
  if (to < today) why.push(`${sayDay(to)} has passed.`);
  why.push(...whyNoBenchDay(to, book.kitchen));
  const air = whyNotFinishedOn(facts, to, book.kitchen);
  if (air !== null) why.push(air);
  const body = book.recipes.get(bodyRecipeId(facts.piece.form));
  const nights = finishStages(facts.piece).map(({ nightsBefore }) => nightsBefore);
  for (const each of moved) {
    const before = each.work.find((work) => work.stage === stage - 1);
    const earliest = before
      ? addDays(before.day, nights[stage] ?? 0)
      : stage > 0
        ? // What comes before it is done.
          addDays(each.begun, sum(nights.slice(1, stage + 1)))
        : body
          ? readyOn(body, each.madeOn, book.kitchen)
          : to;
    if (to < earliest)
      why.push(`${name} can be worked on from ${sayDay(earliest)} on: it has to rest or set until then.`);
    const by = body && bodyWindow(facts, each.handOver, body, book).finishBy;
    const latest = by && addDays(by, -sum(nights.slice(stage + 1)));
    if (latest && to > latest)
      why.push(`${name} for ${sayDay(each.handOver)} must have this done by ${sayDay(latest)}.`);
  }
  return [...new Set(why)];
}

const movedBy = (
  { finishings }: Pick<Plan, 'finishings'>,
  { pieceId, stage, from, handOver }: Omit<StageMove, 'to'>,
): Plan['finishings'] =>
  finishings.filter(
    (each) =>
      each.pieceId === pieceId &&
      (handOver === null || each.handOver === handOver) &&
      each.work.some((work) => work.stage === stage && work.day === from),
  );

/**
 * Moves a stage of finishing pieces to another day and pins it there; what comes after it goes on from there.
 * @param pins those of runs that hold now
 * @returns each reason why not as a sentence, and the decisions with the move where there is none
 */
export function tryMoveStage(
  { plan, pins, ...move }: StageMove & { readonly plan: Plan; readonly pins: readonly Pin[] },
  orders: readonly OrderFiled[],
  book: Book,
  today: Day,
): { readonly why: readonly string[]; readonly guide: Guide | null } {
  const why = whyNotStageTo(plan, move, book, today);
  if (why.length > 0) return { why, guide: null };
  const { pieceId, stage, to } = move;
  const now = guideOf(plan, pins);
  const moved = movedBy(plan, move);
  const isMoved = (pin: StagePin) =>
    pin.pieceId === pieceId &&
    pin.stage >= stage &&
    moved.some(({ madeOn, handOver }) => madeOn === pin.madeOn && handOver === pin.handOver);
  const stagePins = [
    ...(now.stagePins ?? []).filter((pin) => !isMoved(pin)),
    ...moved.map(({ madeOn, handOver }): StagePin => ({ pieceId, madeOn, handOver, stage, day: to })),
  ];
  const isThere = (after: Plan) =>
    moved.every(({ madeOn, handOver }) =>
      movedBy(after, { pieceId, stage, from: to, handOver }).some((each) => each.madeOn === madeOn),
    );
  return tried(plan, { ...now, stagePins }, orders, book, today, (after) =>
    isThere(after) ? [] : [`On ${sayDay(to)} it would not be finished in time.`],
  );
}
