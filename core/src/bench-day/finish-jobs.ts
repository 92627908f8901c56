import type { Book } from '../book/index.js';
import { finishStages, sayStage, type PieceFacts } from '../piece/index.js';
import { mouldShareOf, nutClass, partShares, toFridge, type FinishWork, type PlanWork } from '../plan/index.js';
import { sayCount, type Day } from '../quantity/index.js';
import { HELPER, MAKER, plain, shared, type Operation, type OperationWords } from './operation.js';

/** One stage of finishing pieces of a kind on a day. */
interface StageOnDay {
  readonly stage: FinishWork;
  count: number;
  minutes: number;
  /** Whether a body of it is made on the same day. */
  sameDay: boolean;
}

/** What is done on a day of each kind of piece, stage by stage. */
function stagesOn(plan: PlanWork, day: Day): Map<string, StageOnDay[]> {
  const found = new Map<string, StageOnDay[]>();
  for (const { pieceId, count, madeOn, work } of plan.finishings)
    for (const stage of work) {
      if (stage.day !== day) continue;
      const list = found.get(pieceId) ?? [];
      const same = list.find((each) => each.stage.stage === stage.stage);
      if (same) {
        same.count += count;
        same.minutes += stage.handsMinutes;
        same.sameDay ||= madeOn === day;
      } else list.push({ stage, count, minutes: stage.handsMinutes, sameDay: madeOn === day });
      found.set(pieceId, list);
    }
  return found;
}

/** Pieces that are cut, rolled, dipped or filled; divided in two when somebody helps. What leaves its moulds goes before what is filled. */
export function finishJobs(
  plan: PlanWork,
  day: Day,
  book: Book,
  makes: readonly Operation[],
  helped: boolean,
): Operation[] {
  const onDay = [...stagesOn(plan, day)].flatMap(([pieceId, list]) => list.map((each) => ({ pieceId, ...each })));
  const keyOf = (pieceId: string, { stage }: FinishWork, part: number) =>
    `finish ${pieceId} ${String(stage)} ${String(part)}`;
  const partsOf = ({ count, minutes }: StageOnDay) => shared(count, minutes, helped);
  return onDay.flatMap((each) => {
    const { pieceId, stage, sameDay } = each;
    const facts = book.pieces.get(pieceId);
    const taken = new Set(
      facts && partShares(facts).flatMap(({ part, stage: at }) => (at === stage.stage ? [part.recipeId] : [])),
    );
    const waitsFor = new Set(
      (facts?.parts ?? []).flatMap(({ recipeId, role }) =>
        (role === 'body' ? sameDay && stage.stage === 0 : taken.has(recipeId)) ? [recipeId] : [],
      ),
    );
    const after = makes
      .filter(({ words }) => words.recipeId !== null && waitsFor.has(words.recipeId))
      .map(({ activity, words }) => ({ key: activity.key, lag: words.hold?.minutes ?? 0 }));
    // What belongs to another part of the day goes before or after it by its nuts.
    const leaving = onDay.filter((other) => {
      const theirs = book.pieces.get(other.pieceId);
      return (
        other.stage.stage > stage.stage &&
        facts &&
        theirs &&
        nutClass(facts.contains) === nutClass(theirs.contains) &&
        mouldShareOf(facts) !== null &&
        mouldShareOf(facts)?.key === mouldShareOf(theirs)?.key
      );
    });
    const free = leaving.flatMap((other) =>
      partsOf(other).map((_part, index) => ({ key: keyOf(other.pieceId, other.stage, index), lag: 0 })),
    );
    return partsOf(each).map((part, index): Operation => ({
      activity: {
        key: keyOf(pieceId, stage, index),
        minutes: part.minutes,
        uses: [{ offset: 0, minutes: part.minutes, anyOf: [MAKER, HELPER] }],
        after: [...after, ...free],
      },
      words: plain('finish', `${sayStage(stage)} ${facts?.piece.name ?? pieceId}`, sayCount(part.count, 'piece'), {
        pieceId,
        stage: stage.stage,
        isLastStage: facts !== undefined && stage.stage === finishStages(facts.piece).length - 1,
        pinned: stage.pinned,
        hold: facts ? restOfStage(facts, stage, day, book) : null,
      }),
      contains: facts?.contains ?? [],
    }));
  });
}

/** What rests after a stage of finishing: in its moulds over night, or in the fridge where the room is too warm to set it. */
function restOfStage(facts: PieceFacts, { stage }: FinishWork, day: Day, book: Book): OperationWords['hold'] {
  const next = finishStages(facts.piece)[stage + 1];
  const cold = toFridge(facts, day, book.kitchen);
  if (next) return { text: cold ? 'sets over night, in the fridge' : 'sets over night in its moulds', minutes: null };
  return cold ? { text: 'sets in the fridge', minutes: null } : null;
}
