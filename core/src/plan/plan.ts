import type { Book } from '../book/index.js';
import { gravestFirst } from '../finding/index.js';
import { boxFor, doubleFindings, findingsOfOrder, isOpen, packingOf, type OrderFiled } from '../order/index.js';
import { pieceCosts } from '../money/index.js';
import type { PieceFacts } from '../piece/index.js';
import { addDays, type Day } from '../quantity/index.js';
import { boxDemand, pieceDemand, type BoxDemand, type PieceDemand } from './demand.js';
import { pieceKey, withoutMade, type Guide } from './guide.js';
import { madeRunsOf, triedOf } from './made-runs.js';
import { netDemand } from './netting.js';
import { explodeDemand } from './explode.js';
import { bookPacking, packingStarts } from './packing.js';
import { planFindings } from './plan-findings.js';
import type { LabelRun, LateOrder, Plan } from './shape.js';
import { seasonDays } from './season-days.js';
import { shoppingList } from '../shopping/index.js';
import type { Bookings } from './windows.js';
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

/** Which of the orders that want something for which no bench day is left are left out: all, or the last where some of it is made already. */
function leftOutNow(orders: readonly OrderFiled[], { demand: wanted, outside }: NeededOf, book: Book): LateOrder[] {
  if (outside.length === 0) return [];
  const missingOf = (order: OrderFiled, keys: ReadonlySet<string>): PieceFacts[] => {
    const ids = order.lines.flatMap((line) => boxFor(order, line, book)?.facts.pieces ?? []);
    return [...new Set(ids.map(({ pieceId }) => pieceId))].flatMap((id) => {
      const facts = book.pieces.get(id);
      return facts && keys.has(pieceKey(id, order.handOver.on)) ? [facts] : [];
    });
  };
  const lateOf = (keys: ReadonlySet<string>) =>
    orders.flatMap((order) => {
      const missing = missingOf(order, keys);
      return missing.length > 0 ? [{ order, missing }] : [];
    });
  const counts = new Map(wanted.map((each) => [pieceKey(each.pieceId, each.day), each.count]));
  const keyOf = (each: PieceDemand) => pieceKey(each.pieceId, each.day);
  const none = lateOf(new Set(outside.filter((each) => counts.get(keyOf(each)) === each.count).map(keyOf)));
  return none.length > 0 ? none : lateOf(new Set(outside.map(keyOf))).slice(-1);
}

interface NeededOf {
  readonly demand: readonly PieceDemand[];
  readonly outside: readonly PieceDemand[];
}

/**
 * What the open orders want, and what of it is made already. An order of which something cannot be made in time is left out as a whole:
 * nothing is made, bought, packed or printed for it, and nothing that is made is kept for it.
 * @param packing minutes that packing takes beside, by day
 * @returns all that, and the book with the days on which packing begins where it takes several
 */
export function seasonNeeds(
  orders: readonly OrderFiled[],
  whole: Book,
  today: Day,
  guide: Guide | null,
  packing?: Bookings,
) {
  const inOneDay = new Set<Day>();
  let book = whole;
  const first = book.batches.reduce((day, { on }) => (on < day ? on : day), '9999-12-31');
  const handedOver = orders.filter(({ state, handOver }) => state === 'handed over' && handOver.on >= first);
  const late: LateOrder[] = [];
  let open = orders.filter(isOpen);
  for (;;) {
    const packed = open.filter(({ state }) => state === 'packed');
    const unpacked = open.filter(({ state }) => state !== 'packed');
    const toPack = boxDemand(unpacked, whole);
    const starts = packingStarts(toPack, inOneDay, whole, today, packing);
    book = starts.size > 0 ? { ...whole, packingStarts: starts } : whole;
    const boxes = packed.length === 0 ? toPack : boxDemand(open, book);
    const demand = pieceDemand(toPack, book);
    const done = pieceDemand(boxDemand([...handedOver, ...packed], book), book);
    const netted = netDemand(demand, done, book, today, guide);
    const leaving = leftOutNow(unpacked, { demand, outside: netted.outside }, book);
    if (leaving.length === 0) {
      const all = boxes === toPack ? demand : pieceDemand(boxes, book);
      return { open, late, boxes, demand: all, toPack, netted, book };
    }
    // What would be late only since its boxes take several days to pack is packed on one, however long that day then is.
    const spread = leaving.filter(({ order }) => starts.has(order.handOver.on));
    if (spread.length > 0) {
      for (const { order } of spread) inOneDay.add(order.handOver.on);
      continue;
    }
    late.push(...leaving);
    const gone = new Set(leaving.map(({ order }) => order));
    open = open.filter((order) => !gone.has(order));
  }
}

/**
 * The whole path: orders -> pieces -> component masses -> whole batches -> left-overs -> shopping, days and label dates.
 *
 * @param orders all of them; cancelled ones and those handed over are passed over
 * @param today the first day on which anything can be made
 * @param guide what was decided before, kept as far as it still serves the orders
 * @returns masses in g, money in minor units; findings beside the result, the gravest first
 */
export function planSeason(whole: Book, orders: readonly OrderFiled[], today: Day, guide?: Guide): Plan {
  const costOf = pieceCosts(whole);
  const { late, boxes, demand, toPack, netted, book } = seasonNeeds(orders, whole, today, guide ?? null);
  const asked = orders.filter(isOpen);
  const packing = bookPacking(toPack, netted.finishings, book, today);
  const decided = guide ? withoutMade(guide, triedOf(madeRunsOf(netted))) : null;
  const { runs, finishings, madeOn } = explodeDemand(netted, book, today, packing.minutes, decided);
  // What is ordered is counted, whether it can be made or not.
  const ordered = late.length > 0 ? boxDemand(asked, book) : boxes;
  const made = madeRunsOf(netted);
  const shopping = shoppingList(runs, book);
  const plan: Plan = {
    orders: asked.length,
    leftOut: late.map(({ order }) => order.id),
    boxes: ordered.reduce((sum, each) => sum + each.count, 0),
    pieces: (late.length > 0 ? pieceDemand(ordered, book) : demand).reduce((sum, each) => sum + each.count, 0),
    batches: runs.reduce((sum, each) => sum + each.batchCount, 0),
    made,
    runs,
    finishings,
    shopping,
    shoppingCostMinor: shopping.reduce((sum, line) => sum + line.costMinor, 0),
    days: seasonDays(asked, made, runs, finishings, packing, netted.doneMinutes, book, today),
    labels: labelRuns(boxes, madeOn, book),
    leftOverGrams: [...made, ...runs].reduce((sum, each) => sum + each.leftOverGrams, 0),
    findings: [],
  };
  return {
    ...plan,
    findings: gravestFirst([
      ...book.findings,
      ...asked.flatMap((order) => findingsOfOrder(order, book, today, costOf)),
      ...doubleFindings(asked),
      ...netted.findings,
      ...planFindings(plan, asked, late, decided, book, today),
    ]),
  };
}
