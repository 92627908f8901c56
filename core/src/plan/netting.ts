import type { Book } from '../book/index.js';
import type { Finding } from '../finding/index.js';
import { finishStages, type PieceFacts } from '../piece/index.js';
import type { Day } from '../quantity/index.js';
import { spareFor, type PieceDemand } from './demand.js';
import { pieceKey, type Guide } from './guide.js';
import { finishDays } from './finish-days.js';
import {
  bodyNeed,
  canBeMade,
  componentNeeds,
  finishingOf,
  partNeeds,
  toFinishOf,
  type Finishing,
  type Need,
} from './needs.js';
import { countsOf, fromSupplies, suppliesOf, type Supply } from './supplies.js';
import { byLowLevelCode } from './low-level-code.js';

/** What batches that are made already serve, and what is still to be done. */
export interface Netted {
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
  /** {@link pieceKey} of what is packed or handed over though no batch of it is noted as made. */
  readonly unmade: ReadonlySet<string>;
  /** Minutes that today's batches, those made already, have taken. */
  readonly doneMinutes: number;
  readonly findings: readonly Finding[];
}

type Progress = Pick<Supply, 'finishedOn' | 'stageDays'>;

/**
 * The days on which stages of finishing were done. The last one is done when the batch is finished; what is finished without a word about its
 * stages had them all on that day.
 */
function stagesDone({ piece }: PieceFacts, { finishedOn, stageDays }: Progress): readonly Day[] {
  const stages = finishStages(piece);
  const before = stageDays.slice(0, stages.length - 1);
  return finishedOn === null ? before : stages.map((_stage, at) => before[at] ?? finishedOn);
}

/** Seconds of hands that a piece took on a day in the stages that are done. */
const secondsDoneOn = (on: Day, facts: PieceFacts, progress: Progress): number =>
  stagesDone(facts, progress).reduce(
    (sum, day, at) => sum + (day === on ? (finishStages(facts.piece)[at]?.handSeconds ?? 0) : 0),
    0,
  );

/** Minutes that batches made today have taken, with getting ready and the pieces that were finished today. */
function minutesDone(supplies: ReadonlyMap<string, readonly Supply[]>, today: Day, { kitchen }: Book): number {
  return [...supplies.values()].flat().reduce((sum, { day, facts, batches, finishedOn, stageDays, needs }) => {
    const run = day === today ? batches.length * facts.recipe.handsMinutes + kitchen.setUpMinutes : 0;
    const finishing = needs.reduce(
      (all, { body }) =>
        all + (body ? (body.count * secondsDoneOn(today, body.facts, { finishedOn, stageDays })) / 60 : 0),
      0,
    );
    return sum + run + finishing;
  }, 0);
}

/** The body of a piece in a number that nothing is made to spare for. */
function needOf(each: PieceDemand, book: Book, today: Day): Need[] {
  const facts = book.pieces.get(each.pieceId);
  const need = facts && bodyNeed({ ...each, spare: 0 }, facts, book, today)?.need;
  return need ? [need] : [];
}

/** What is still to be made of what is wanted, once made batches have given what they can. */
function stillToMake(open: readonly PieceDemand[], rests: ReadonlyMap<PieceDemand, number>, book: Book, today: Day) {
  const demand: PieceDemand[] = [];
  const outside: PieceDemand[] = [];
  const bodies: [string, Need][] = [];
  const findings: Finding[] = [];
  for (const each of open) {
    const count = rests.get(each) ?? each.count;
    const facts = book.pieces.get(each.pieceId);
    const rest = count === each.count ? each : { ...each, count, spare: spareFor(each.pieceId, count, book) };
    const worked = count > 0 && facts && bodyNeed(rest, facts, book, today);
    if (!worked) continue;
    findings.push(...worked.findings);
    if (canBeMade(facts, each.day, book, today)) {
      demand.push(rest);
      bodies.push([worked.recipeId, worked.need]);
    } else outside.push(rest);
  }
  return { demand, outside, bodies, findings };
}

type BodyNeed = Need & { readonly body: NonNullable<Need['body']> };
const isBody = (need: Need): need is BodyNeed => need.body !== null;

/** Pieces whose body is made: what of them is done, and what is still to be done from today on. */
function ofMade({ body, peg }: BodyNeed, supply: Supply, book: Book, today: Day) {
  const made = toFinishOf(body.facts, supply.facts, supply.day, peg.on, body.finishBy, book);
  const isFinished = supply.finishedOn !== null;
  const from = !isFinished && made.from < today ? today : made.from;
  const toFinish = { ...made, from, done: stagesDone(body.facts, supply) };
  return { toFinish, days: finishDays(toFinish, book) };
}

/**
 * What the batches that are made already serve: orders that are packed or handed over first, then what is still to be packed.
 * What made batches and finished pieces have used themselves comes from batches made before, as far as these are known.
 * @param open pieces of orders that are still to be packed
 * @param done pieces of orders that are packed or handed over: nothing more is made for them
 */
export function netDemand(
  open: readonly PieceDemand[],
  done: readonly PieceDemand[],
  book: Book,
  today: Day,
  guide: Guide | null = null,
): Netted {
  const supplies = suppliesOf(book);
  const bodyOf = ({ pieceId }: PieceDemand) =>
    book.pieces.get(pieceId)?.parts.find(({ role }) => role === 'body')?.recipeId;
  const rests = new Map<PieceDemand, number>();
  const used = new Map<string, Need[]>();
  const peg = ([recipeId, need]: [string, Need]) => used.set(recipeId, [...(used.get(recipeId) ?? []), need]);
  const finishings: Finishing[] = [];
  const parts: [string, Need][] = [];
  const madeOn = new Map<string, Day>();
  const wasMade = (key: string, day: Day) => {
    const before = madeOn.get(key);
    if (before === undefined || day < before) madeOn.set(key, day);
  };

  for (const id of supplies.size > 0 ? byLowLevelCode(book) : []) {
    const own = supplies.get(id) ?? [];
    if (own.length === 0) continue;
    const needsIn = (list: readonly PieceDemand[]) => list.flatMap((each) => needOf(each, book, today));
    fromSupplies(needsIn(done.filter((each) => bodyOf(each) === id)), own, guide, book);
    fromSupplies(used.get(id) ?? [], own, guide, book);
    const gone = new Set(own.flatMap(({ needs }) => needs));
    const wanted = open.filter((each) => bodyOf(each) === id);
    const left = fromSupplies(needsIn(wanted), own, guide, book);
    for (const each of wanted) {
      const key = pieceKey(each.pieceId, each.day);
      rests.set(each, left.find((need) => need.key === key)?.body?.count ?? 0);
    }
    for (const supply of own) {
      const { day, facts, batches, needs, finishedOn } = supply;
      componentNeeds({ day, batches: countsOf(batches) }, facts, book, today).forEach(peg);
      for (const need of needs.filter(isBody)) {
        const { body } = need;
        const handOver = need.peg.on;
        wasMade(pieceKey(body.facts.piece.id, handOver), day);
        const isGone = gone.has(need);
        const { toFinish, days } = ofMade(need, supply, book, isGone ? day : today);
        const isOpen = finishedOn === null && !isGone;
        if (isOpen) {
          finishings.push(finishingOf(toFinish, days, body.count));
          parts.push(...partNeeds(toFinish, days, body.count, false, book, today));
        } else partNeeds(toFinish, days, body.count, false, book, today).forEach(peg);
        partNeeds(toFinish, days, body.count, true, book, today).forEach(peg);
      }
    }
  }
  // What was packed without a word about its batches was made when it was decided.
  const unmade = new Set<string>();
  for (const each of done) {
    const key = pieceKey(each.pieceId, each.day);
    if (madeOn.has(key)) continue;
    unmade.add(key);
    for (const { day } of guide?.pieces[key] ?? []) wasMade(key, day);
  }
  const doneMinutes = minutesDone(supplies, today, book);
  return { ...stillToMake(open, rests, book, today), finishings, parts, supplies, madeOn, unmade, doneMinutes };
}
