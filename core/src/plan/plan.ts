import type { Book } from '../box/index.js';
import { gravestFirst } from '../finding/index.js';
import { doubleFindings, findingsOfOrder, isOpen, packingOf, type OrderFiled } from '../order/index.js';
import { pieceCosts } from '../money/index.js';
import { addDays, type Day } from '../quantity/index.js';
import { boxDemand, pieceDemand, type BoxDemand } from './demand.js';
import { pieceKey, withoutMade, type Guide } from './guide.js';
import { madeOf, triedOf } from './made.js';
import { settle } from './settle.js';
import { planMakings } from './makings.js';
import { bookPacking } from './packing.js';
import { planFindings } from './plan-findings.js';
import type { LabelRun, Plan } from './shape.js';
import { seasonDays } from './season-days.js';
import { shoppingList } from './shopping.js';

/** Equal labels for each box and hand-over day: made on its oldest piece's day, best before its first piece ends. */
export function labelRuns(boxes: readonly BoxDemand[], madeOn: ReadonlyMap<string, Day>, book: Book): LabelRun[] {
  return boxes.flatMap((box) => {
    const { day, boxId, facts, count } = box;
    if (!facts) return [];
    let oldest: Day | undefined;
    let first: Day | undefined;
    for (const { pieceId } of facts.pieces) {
      const piece = book.pieces.get(pieceId);
      const made = madeOn.get(pieceKey(pieceId, day));
      if (!piece || made === undefined) continue;
      const ends = addDays(made, piece.keepsDays);
      if (oldest === undefined || made < oldest) oldest = made;
      if (first === undefined || ends < first) first = ends;
    }
    if (oldest === undefined || first === undefined) return [];
    const run = { boxId, boxName: facts.box.name, ...packingOf(box), handOver: day, count };
    return [{ ...run, madeOn: oldest, bestBefore: first }];
  });
}

/** What the open orders want, and what of it is made already. */
export function seasonNeeds(orders: readonly OrderFiled[], book: Book, today: Day, guide: Guide | null) {
  const open = orders.filter(isOpen);
  const boxes = boxDemand(open, book);
  const demand = pieceDemand(boxes, book);
  const packed = open.filter(({ state }) => state === 'packed');
  const first = book.batches.reduce((day, { on }) => (on < day ? on : day), '9999-12-31');
  const handedOver = orders.filter(({ state, handOver }) => state === 'handed over' && handOver.on >= first);
  const toPack =
    packed.length === 0
      ? boxes
      : boxDemand(
          open.filter((order) => !packed.includes(order)),
          book,
        );
  const done = pieceDemand(boxDemand([...handedOver, ...packed], book), book);
  const settled = settle(toPack === boxes ? demand : pieceDemand(toPack, book), done, book, today, guide);
  return { boxes, demand, toPack, settled };
}

/**
 * The whole path: orders -> pieces -> component masses -> whole batches -> left-overs -> shopping, days and label dates.
 *
 * @param orders all of them; cancelled ones and those handed over are passed over
 * @param today the first day on which anything can be made
 * @param guide what was decided before, kept as far as it still serves the orders
 * @returns masses in g, money in minor units; findings beside the result, the gravest first
 */
export function planSeason(book: Book, orders: readonly OrderFiled[], today: Day, guide?: Guide): Plan {
  const open = orders.filter(isOpen);
  const costOf = pieceCosts(book);
  const { boxes, demand, toPack, settled } = seasonNeeds(orders, book, today, guide ?? null);
  const packing = bookPacking(toPack, settled.outside, book, today);
  const decided = guide ? withoutMade(guide, triedOf(madeOf(settled))) : null;
  const { makings, finishings, madeOn } = planMakings(settled, book, today, packing.minutes, decided);
  const made = madeOf(settled);
  const shopping = shoppingList(makings, book);
  const plan: Plan = {
    orders: open.length,
    boxes: boxes.reduce((sum, each) => sum + each.count, 0),
    pieces: demand.reduce((sum, each) => sum + each.count, 0),
    batches: makings.reduce((sum, each) => sum + each.batchCount, 0),
    made,
    makings,
    finishings,
    shopping,
    shoppingCostMinor: shopping.reduce((sum, line) => sum + line.costMinor, 0),
    days: seasonDays(open, made, makings, finishings, packing, settled.doneMinutes, book, today),
    labels: labelRuns(boxes, madeOn, book),
    leftOverGrams: [...made, ...makings].reduce((sum, each) => sum + each.leftOverGrams, 0),
    findings: [],
  };
  return {
    ...plan,
    findings: gravestFirst([
      ...book.findings,
      ...open.flatMap((order) => findingsOfOrder(order, book, today, costOf)),
      ...doubleFindings(open),
      ...settled.findings,
      ...planFindings(plan, open, settled.outside, decided, book, today),
    ]),
  };
}
