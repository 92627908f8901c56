import type { Book } from '../book/index.js';
import type { BoxFacts } from '../box/index.js';
import type { Allergen } from '../ingredient/index.js';
import { packBox, packedAs, packedKey, packingOf, ruledOutOf, type OrderFiled, type PackedAs } from '../order/index.js';
import { addDays, type Day } from '../quantity/index.js';
import { oncePerPair } from '../record/index.js';
import type { BoxDemand } from './demand.js';
import { pieceKey } from './guide.js';
import { nutClass, type NutClass } from './clean-downs.js';
import type { Finishing } from './needs.js';
import { benchHours, lastBenchDayBefore, type Bookings } from './windows.js';

/** Equal boxes to pack. */
export interface Pack extends PackedAs {
  readonly boxId: string;
  readonly boxName: string;
  readonly handOver: Day;
  readonly count: number;
  readonly minutes: number;
  /** By the nuts in what is packed: it belongs to that part of the day. */
  readonly nuts: NutClass;
  /** What the orders that they are for rule out, whether anything had to be changed for that or not. */
  readonly ruledOut: readonly string[];
}

/** Gives the allergens in boxes that are packed, through all their pieces. */
export const inPack = (pack: Pick<Pack, 'boxId'> & PackedAs, book: Book): Allergen[] =>
  packBox(book, pack.boxId, pack)?.facts.pieces.flatMap(({ pieceId }) => book.pieces.get(pieceId)?.contains ?? []) ??
  [];

/**
 * The last bench day before a hand-over, or on it where nothing must be finished earlier; otherwise the day before.
 */
function packingDay(handOver: Day, book: Book, today: Day): Day {
  const latest = addDays(handOver, -Math.min(1, book.kitchen.packingLeadDays));
  const bench = lastBenchDayBefore(latest, book.kitchen);
  if (bench >= today) return bench;
  return latest < today ? today : latest;
}

/** What is packed on which day, and the minutes that takes. */
export interface Packing {
  readonly minutes: Bookings;
  readonly packs: ReadonlyMap<Day, readonly Pack[]>;
}

/** Boxes of one kind that are packed on one day. */
interface Portion {
  readonly box: BoxDemand & { readonly facts: BoxFacts };
  readonly day: Day;
  readonly count: number;
}

/** Boxes for one hand-over are packed on no more days than this. */
const MOST_PACKING_DAYS = 4;

/**
 * Divides boxes over the days on which they are packed: on the last bench day before the hand-over, as far as its hours and its overtime
 * allow, and on those before it.
 * @param isSpread whether boxes for a hand-over may be packed on several days
 */
function spread(
  boxes: readonly BoxDemand[],
  already: Bookings,
  isSpread: (handOver: Day) => boolean,
  book: Book,
  today: Day,
): Portion[] {
  const { kitchen } = book;
  const booked: Bookings = new Map(already);
  const roomOn = (day: Day): number =>
    kitchen.benchWeek.length === 0
      ? Infinity
      : benchHours(day, kitchen) * 60 + kitchen.overtimeMinutes - (booked.get(day) ?? 0);
  return boxes.flatMap((each): Portion[] => {
    const { day: handOver, facts } = each;
    if (!facts?.pieces.every(({ pieceId }) => book.pieces.has(pieceId))) return [];
    const box = { ...each, facts };
    const { packMinutes } = facts.box;
    const portions: Portion[] = [];
    let { count } = each;
    const last = packingDay(handOver, book, today);
    let day = last;
    for (let tried = 1; count > 0; tried++) {
      const before = lastBenchDayBefore(addDays(day, -1), kitchen);
      const isFirst = !isSpread(handOver) || tried === MOST_PACKING_DAYS || before < today || before >= day;
      const fit = packMinutes > 0 ? Math.floor(Math.max(0, roomOn(day)) / packMinutes + 1e-9) : count;
      // What finds no room at all stays on its last day, which is then said to be over.
      const here = isFirst && fit < count ? 0 : Math.min(count, fit);
      if (here > 0) {
        portions.unshift({ box, day, count: here });
        booked.set(day, (booked.get(day) ?? 0) + here * packMinutes);
        count -= here;
      }
      if (isFirst && count > 0) {
        for (const { day: taken, count: less } of portions)
          booked.set(taken, (booked.get(taken) ?? 0) - less * packMinutes);
        booked.set(last, (booked.get(last) ?? 0) + each.count * packMinutes);
        return [{ box, day: last, count: each.count }];
      }
      day = before;
    }
    return portions;
  });
}

/**
 * Hand-overs whose boxes are packed on more than one day, and the first of these: by then all that goes into them is finished.
 * @param inOneDay hand-overs whose boxes are packed on one day all the same, since what goes into them is not finished earlier
 */
export function packingStarts(
  boxes: readonly BoxDemand[],
  inOneDay: ReadonlySet<Day>,
  book: Book,
  today: Day,
  already: Bookings = new Map(),
): Map<Day, Day> {
  const isSpread = (handOver: Day) => !inOneDay.has(handOver);
  const starts = new Map<Day, Day>();
  for (const { box, day } of spread(boxes, already, isSpread, book, today)) {
    const first = starts.get(box.day) ?? packingDay(box.day, book, today);
    starts.set(box.day, day < first ? day : first);
  }
  for (const [handOver, first] of starts) if (first === packingDay(handOver, book, today)) starts.delete(handOver);
  return starts;
}

/**
 * @param boxes of the orders that the plan keeps
 * @param finishings pieces whose body is made already, and when they are finished: nothing is packed before that
 * @param already minutes that packing takes beside, by day
 */
export function bookPacking(
  boxes: readonly BoxDemand[],
  finishings: readonly Pick<Finishing, 'pieceId' | 'handOver' | 'day'>[],
  book: Book,
  today: Day,
  already: Bookings = new Map(),
): Packing {
  const finishedOn = new Map<string, Day>();
  for (const { pieceId, handOver, day } of finishings) {
    const key = pieceKey(pieceId, handOver);
    if (day > (finishedOn.get(key) ?? '')) finishedOn.set(key, day);
  }
  const minutes: Bookings = new Map();
  const packs = new Map<Day, Pack[]>();
  const isSpread = (handOver: Day) => book.packingStarts?.has(handOver) ?? false;
  for (const { box, day: possible, count } of spread(boxes, already, isSpread, book, today)) {
    const { day: handOver, boxId, facts } = box;
    const finished = facts.pieces.map(({ pieceId }) => finishedOn.get(pieceKey(pieceId, handOver)) ?? '');
    const day = [possible, ...finished].sort().at(-1) ?? possible;
    const took = count * facts.box.packMinutes;
    minutes.set(day, (minutes.get(day) ?? 0) + took);
    const nuts = nutClass(facts.pieces.flatMap(({ pieceId }) => book.pieces.get(pieceId)?.contains ?? []));
    const pack: Pack = {
      boxId,
      boxName: facts.box.name,
      ...packingOf(box),
      handOver,
      count,
      minutes: took,
      nuts,
      ruledOut: [],
    };
    packs.set(day, [...(packs.get(day) ?? []), pack]);
  }
  return { minutes, packs };
}

/** Finds what an order rules out of each of its boxes, by the way in which they are packed; empty where nothing is ruled out. */
const wishesOf = oncePerPair((book: Book, order: OrderFiled): readonly (readonly [key: string, ruledOut: string[]])[] =>
  order.lines.flatMap((line) => {
    const ruledOut = ruledOutOf(order, line);
    if (ruledOut.length === 0) return [];
    return [[`${order.handOver.on} ${packedKey(line.boxId, packedAs(order, line, book))}`, ruledOut] as const];
  }),
);

/** Writes on all that is packed what the orders that it is for rule out: it stands wherever a box is packed. */
export function withRuledOut({ minutes, packs }: Packing, orders: readonly OrderFiled[], book: Book): Packing {
  const asked = new Map<string, Set<string>>();
  for (const order of orders)
    for (const [key, ruledOut] of wishesOf(book, order))
      asked.set(key, new Set([...(asked.get(key) ?? []), ...ruledOut]));
  if (asked.size === 0) return { minutes, packs };
  const ruledOutFor = (pack: Pack) => asked.get(`${pack.handOver} ${packedKey(pack.boxId, pack)}`) ?? [];
  return {
    minutes,
    packs: new Map(
      [...packs].map(([day, list]) => [
        day,
        list.map((pack) => ({ ...pack, ruledOut: [...ruledOutFor(pack)].sort() })),
      ]),
    ),
  };
}
