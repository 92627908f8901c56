import type { Book } from '../book/index.js';
import { gravestFirst, type Finding } from '../finding/index.js';
import {
  doubleFindings,
  findingsWhenever,
  handOverOutOfReach,
  isOpen,
  isTooFarAhead,
  packingOf,
  type OrderFiled,
} from '../order/index.js';
import { pieceCosts } from '../money/index.js';
import { addDays, type Day } from '../quantity/index.js';
import { oncePerPair } from '../record/index.js';
import { ordersByDay, ordersOfDay, splitPacked, type DayOrders } from './by-day.js';
import { boxDemand, pieceDemand, piecesWanted, type BoxDemand, type PieceDemand } from './demand.js';
import { pieceKey, withoutMade, type Guide } from './guide.js';
import { madeRunsOf, triedOf } from './made-runs.js';
import { netDemand } from './netting.js';
import { kindsOf, mindedOf } from './clean-downs.js';
import { explodeDemand } from './explode.js';
import { stageKey } from './finish-days.js';
import { bookPacking, packingStarts, withRuledOut } from './packing.js';
import { planFindings, unmadeFindings } from './plan-findings.js';
import type { HandOverDay } from './hand-over.js';
import type { LabelRun, LateOrder, Plan } from './shape.js';
import { handOverOf, seasonDays } from './season-days.js';
import { shoppingList } from '../shopping/index.js';
import type { Bookings } from './windows.js';

/** Equal labels for each box and hand-over day: made on its oldest piece's day, best before its first piece ends. */
export function labelRuns(
  boxes: readonly BoxDemand[],
  madeOn: ReadonlyMap<string, Day>,
  unmade: ReadonlySet<string>,
  book: Book,
): LabelRun[] {
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
    const planned = facts.pieces.some(({ pieceId }) => unmade.has(pieceKey(pieceId, day)));
    return [{ ...run, madeOn: oldest, bestBefore: first, planned }];
  });
}

const keyOf = ({ pieceId, day }: PieceDemand): string => pieceKey(pieceId, day);

/**
 * Which of the orders that want something for which no bench day is left are left out. Where nothing of it is made, all; where some of it is
 * made already, the last ones, until what is made is enough.
 */
function leftOutNow(orders: readonly DayOrders[], { demand: wanted, outside }: NeededOf, book: Book): LateOrder[] {
  if (outside.length === 0) return [];
  const days = new Set(outside.map(({ day }) => day));
  const wanting = orders.flatMap(({ day, orders: list }) => (days.has(day) ? list : []));
  /** Leaves orders out that want something under those keys, until so many pieces of each are not wanted any more. */
  const lateOf = (list: readonly OrderFiled[], keys: Map<string, number>): LateOrder[] =>
    list.flatMap((order) => {
      const missing = [...piecesWanted(book, order)].filter(
        ([{ piece }]) => (keys.get(pieceKey(piece.id, order.handOver.on)) ?? 0) > 0,
      );
      for (const [{ piece }, count] of missing) {
        const key = pieceKey(piece.id, order.handOver.on);
        keys.set(key, (keys.get(key) ?? 0) - count);
      }
      return missing.length > 0 ? [{ order, missing: missing.map(([facts]) => facts) }] : [];
    });
  const counts = new Map(wanted.map((each) => [keyOf(each), each.count]));
  const whole = outside.filter((each) => counts.get(keyOf(each)) === each.count);
  if (whole.length > 0) return lateOf(wanting, new Map(whole.map((each) => [keyOf(each), Infinity])));
  return lateOf([...wanting].reverse(), new Map(outside.map((each) => [keyOf(each), each.count])));
}

interface NeededOf {
  readonly demand: readonly PieceDemand[];
  readonly outside: readonly PieceDemand[];
}

/** The days on which the maker wants stages of finishing, by their keys; undefined when there are none. */
function stagePinsOf(guide: Guide | null): ReadonlyMap<string, Day> | undefined {
  const pins = guide?.stagePins ?? [];
  if (pins.length === 0) return undefined;
  return new Map(
    pins.map(({ pieceId, madeOn, handOver, stage, day }) => [stageKey(pieceId, madeOn, handOver, stage), day]),
  );
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
  const pins = stagePinsOf(guide);
  let book = whole;
  const first = book.batches.reduce((day, { on }) => (on < day ? on : day), '9999-12-31');
  const handedOver = orders.filter(({ state, handOver }) => state === 'handed over' && handOver.on >= first);
  const late: LateOrder[] = [];
  const asked = ordersByDay(orders.filter(isOpen), whole);
  const minded = mindedOf(
    asked.flatMap((day) => day.orders),
    whole,
  );
  // What is too far ahead is neither made nor bought for yet.
  let open = asked.filter(({ day }) => !isTooFarAhead(day, today));
  for (;;) {
    const split = open.map((day) => splitPacked(whole, day));
    const packed = split.flatMap((each) => each.packed);
    const unpacked = split.map((each) => each.unpacked);
    const toPack = boxDemand(unpacked, whole);
    const starts = packingStarts(toPack, inOneDay, whole, today, packing);
    book = starts.size > 0 || pins ? { ...whole, packingStarts: starts, ...(pins && { stagePins: pins }) } : whole;
    const boxes = packed.length === 0 ? toPack : boxDemand(open, whole);
    const demand = pieceDemand(toPack, book);
    const done = pieceDemand(boxDemand(ordersByDay([...handedOver, ...packed], whole), whole), book);
    const netted = netDemand(demand, done, book, today, guide);
    const leaving = leftOutNow(unpacked, { demand, outside: netted.outside }, whole);
    if (leaving.length === 0) {
      const all = boxes === toPack ? demand : pieceDemand(boxes, book);
      return { asked, late, boxes, demand: all, toPack, netted, book, minded };
    }
    // What would be late only since its boxes take several days to pack is packed on one, however long that day then is.
    const spread = leaving.filter(({ order }) => starts.has(order.handOver.on));
    if (spread.length > 0) {
      for (const { order } of spread) inOneDay.add(order.handOver.on);
      continue;
    }
    late.push(...leaving);
    const gone = new Set(leaving.map(({ order }) => order));
    open = open.map((day) =>
      day.orders.some((order) => gone.has(order))
        ? ordersOfDay(
            day.day,
            day.orders.filter((order) => !gone.has(order)),
            whole,
          )
        : day,
    );
  }
}

/** What must be decided about open orders whatever day it is, and which of them may be one, entered twice. */
const lastingFindings = oncePerPair((book: Book, { orders }: DayOrders): readonly Finding[] => [
  ...orders.flatMap((order) => findingsOf(book, order)),
  ...doubleFindings(orders),
]);

const findingsOf = oncePerPair((book: Book, order: OrderFiled) => findingsWhenever(order, book, pieceCosts(book)));

const handOversOf = oncePerPair((book: Book, { day, orders }: DayOrders): HandOverDay => ({
  day,
  orders: orders.map((order) => handOverOf(book, order)),
}));

/**
 * The whole path: orders -> pieces -> component masses -> whole batches -> left-overs -> shopping, days and label dates.
 *
 * @param orders all of them; cancelled ones and those handed over are passed over
 * @param today the first day on which anything can be made
 * @param guide what was decided before, kept as far as it still serves the orders
 * @returns masses in g, money in minor units; findings beside the result, the gravest first
 */
export function planSeason(whole: Book, orders: readonly OrderFiled[], today: Day, guide?: Guide): Plan {
  const needs = seasonNeeds(orders, whole, today, guide ?? null);
  const { asked: askedDays, late, boxes, demand, toPack, netted, book, minded } = needs;
  const asked = askedDays.flatMap((day) => day.orders);
  const packing = withRuledOut(bookPacking(toPack, netted.finishings, book, today), asked, whole);
  const decided = guide ? withoutMade(guide, triedOf(madeRunsOf(netted)), book) : null;
  const { runs, finishings, madeOn } = explodeDemand(netted, book, today, packing.minutes, decided);
  // What is ordered is counted, whether it can be made or not.
  const isAll = late.length === 0 && !askedDays.some(({ day }) => isTooFarAhead(day, today));
  const ordered = isAll ? boxes : boxDemand(askedDays, whole);
  const made = madeRunsOf(netted);
  const shopping = shoppingList(runs, book, today);
  const plan: Plan = {
    orders: asked.length,
    leftOut: late.map(({ order }) => order.id),
    boxes: ordered.reduce((sum, each) => sum + each.count, 0),
    pieces: (isAll ? demand : pieceDemand(ordered, book)).reduce((sum, each) => sum + each.count, 0),
    batches: runs.reduce((sum, each) => sum + each.batchCount, 0),
    made,
    runs,
    finishings,
    shopping,
    shoppingCostMinor: shopping.reduce((sum, line) => sum + line.costMinor, 0),
    days: seasonDays(
      askedDays,
      { made, runs, finishings, packing, doneMinutes: netted.doneMinutes, kinds: kindsOf(minded, whole) },
      whole,
      today,
    ),
    handOvers: askedDays.map((day) => handOversOf(whole, day)),
    labels: labelRuns(boxes, madeOn, new Set([...netted.unmade, ...netted.demand.map(keyOf)]), book),
    minded,
    leftOverGrams: [...made, ...runs].reduce((sum, each) => sum + each.leftOverGrams, 0),
    findings: [],
  };
  return {
    ...plan,
    findings: gravestFirst([
      ...book.findings,
      ...askedDays.flatMap((day) => [
        ...(day.day < today || isTooFarAhead(day.day, today)
          ? day.orders.flatMap((order) => handOverOutOfReach(order, today))
          : []),
        ...lastingFindings(whole, day),
      ]),
      ...netted.findings,
      ...planFindings(plan, asked, late, decided, book, today),
      ...unmadeFindings(asked, netted.unmade, book),
    ]),
  };
}
