import type { Book } from '../book/index.js';
import { bodyForm, finishStages, type MouldStage, type PieceFacts, type PiecePart } from '../piece/index.js';
import { addDays, type Day } from '../quantity/index.js';
import { suitsFinishing } from './suits.js';
import { isBenchDay } from './windows.js';

/** What is done on one day to finish pieces. */
export interface FinishDay {
  readonly day: Day;
  /** Which of the stages of the piece it is, from 0. */
  readonly stage: number;
  /** What is done to a moulded piece; none where it is finished in one go. */
  readonly stages: readonly MouldStage[];
  /** Seconds of hands for each piece. */
  readonly handSeconds: number;
  /** Whether the maker wants it on this day. */
  readonly pinned: boolean;
  /** Whether it is done already. */
  readonly done: boolean;
}

/** Pieces of one making for one hand-over that are to be finished. */
export interface ToFinish {
  readonly facts: PieceFacts;
  readonly madeOn: Day;
  readonly handOver: Day;
  /** The first day on which their body has rested, and something is still to be done. */
  readonly from: Day;
  /** The last day on which they may be finished. */
  readonly by: Day;
  /** Days on which their first stages were done. */
  readonly done?: readonly Day[];
}

/** Under which key the maker's day for a stage is kept. */
export const stageKey = (pieceId: string, madeOn: Day, handOver: Day, stage: number): string =>
  `${pieceId} ${madeOn} ${handOver} ${String(stage)}`;

/** Whether the maker works on a day, and its air lets pieces be finished. */
export const canFinishOn = (facts: PieceFacts, day: Day, { kitchen }: Book): boolean =>
  isBenchDay(day, kitchen) && suitsFinishing(facts, day, kitchen);

/** The first day within a span on which pieces can be finished; the first of all when there is none. */
function firstDay(facts: PieceFacts, from: Day, by: Day, book: Book): Day {
  for (let day = from; day <= by; day = addDays(day, 1)) if (canFinishOn(facts, day, book)) return day;
  return from;
}

function daysFor({ facts, madeOn, handOver, from, by, done = [] }: ToFinish, book: Book, pinned: boolean): FinishDay[] {
  const days: FinishDay[] = [];
  let earliest = from;
  finishStages(facts.piece).forEach(({ nightsBefore, stages, handSeconds }, stage) => {
    const before = days.at(-1);
    if (before) earliest = addDays(before.day, nightsBefore) > from ? addDays(before.day, nightsBefore) : from;
    const was = done[stage];
    const wanted = pinned ? book.stagePins?.get(stageKey(facts.piece.id, madeOn, handOver, stage)) : undefined;
    const holds = wanted !== undefined && wanted >= earliest && wanted <= by && canFinishOn(facts, wanted, book);
    const day = was ?? (holds ? wanted : firstDay(facts, earliest, by, book));
    days.push({ day, stage, stages, handSeconds, pinned: was === undefined && holds, done: was !== undefined });
  });
  return days;
}

/**
 * The days on which pieces are cut, rolled, dipped or filled: the first bench days once their body has rested, each stage after the nights of
 * the one before, on days whose air suits them. Where the maker wants a stage on another day, and all still ends in time, it is that one.
 * @returns one entry for each stage; days after `by`, or that are none, when there is no time: see {@link canBeFinished}
 */
export function finishDays(toFinish: ToFinish, book: Book): readonly FinishDay[] {
  if (!book.stagePins || book.stagePins.size === 0) return daysFor(toFinish, book, false);
  const wanted = daysFor(toFinish, book, true);
  return canBeFinished(wanted, toFinish, book) ? wanted : daysFor(toFinish, book, false);
}

/** Whether days of finishing are bench days in time, with an air that suits them. */
export const canBeFinished = (days: readonly FinishDay[], { facts, by }: ToFinish, book: Book): boolean =>
  days.every(({ day, done }) => done || (day <= by && canFinishOn(facts, day, book)));

/** The day on which pieces are finished. */
export const lastOf = (days: readonly FinishDay[]): Day => days.at(-1)?.day ?? '';

/** The last day on which finishing may begin such that it ends in time; `by` itself when there is none within three weeks. */
export function lastStart(facts: PieceFacts, by: Day, book: Book): Day {
  const [first] = finishStages(facts.piece);
  const isPlain = finishStages(facts.piece).length === 1;
  if (isPlain && first && canFinishOn(facts, by, book)) return by;
  for (let back = 0; back < 21; back++) {
    const from = addDays(by, -back);
    const toFinish: ToFinish = { facts, madeOn: '', handOver: '', from, by };
    const days = daysFor(toFinish, book, false);
    if (canBeFinished(days, toFinish, book)) return days[0]?.day ?? from;
  }
  return by;
}

/** What of a part a stage of finishing takes. */
interface PartShare {
  readonly part: PiecePart;
  /** Which stage, from 0. */
  readonly stage: number;
  /** Of all that the piece takes of it. */
  readonly share: number;
}

/** In which stages the parts of a piece beside its body are used: of a moulded one the shell and the cap each in its own. */
export function partShares(facts: PieceFacts): PartShare[] {
  const body = bodyForm(facts.piece.form);
  const stages = finishStages(facts.piece);
  const last = stages.length - 1;
  const stageOf = (name: MouldStage, other: number): number => {
    const found = stages.findIndex((each) => each.stages.includes(name));
    return found < 0 ? other : found;
  };
  return facts.parts.flatMap((part): PartShare[] => {
    if (part.role === 'body') return [];
    if (body.kind !== 'moulded' || last === 0) return [{ part, stage: last, share: 1 }];
    if (part.role === 'layer') return [{ part, stage: stageOf('fill', 0), share: 1 }];
    if (part.role !== 'shell') return [{ part, stage: last, share: 1 }];
    const { shellPercent, capPercent } = body.shell;
    const cap = capPercent / (shellPercent + capPercent);
    const [shellStage, capStage] = [stageOf('shell', 0), stageOf('cap', last)];
    if (shellStage === capStage || cap === 0) return [{ part, stage: shellStage, share: 1 }];
    return [
      { part, stage: shellStage, share: 1 - cap },
      { part, stage: capStage, share: cap },
    ];
  });
}

/** What of a part a day of finishing takes. */
export interface PartUse {
  readonly part: PiecePart;
  readonly day: Day;
  /** For each piece, g: what is used up, and what must stand ready. */
  readonly drawnGrams: number;
  readonly readyGrams: number;
  readonly done: boolean;
}

/** On which days the parts of a piece beside its body are used. @param days one for each of its stages */
export const partUses = (facts: PieceFacts, days: readonly FinishDay[]): PartUse[] =>
  partShares(facts).flatMap(({ part, stage, share }): PartUse[] => {
    const on = days[stage];
    if (!on) return [];
    const { drawnGrams, readyGrams } = part;
    return [{ part, day: on.day, drawnGrams: drawnGrams * share, readyGrams: readyGrams * share, done: on.done }];
  });
