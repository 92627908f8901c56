import type { Book } from '../box/index.js';
import { packingOf, type PackedAs } from '../order/index.js';
import { addDays, type Day } from '../quantity/index.js';
import type { BoxDemand } from './demand.js';
import { pieceKey } from './guide.js';
import { nutClass, type NutClass } from './clean-downs.js';
import type { Finishing } from './needs.js';
import { lastBenchDayBefore, type Bookings } from './windows.js';

/** Equal boxes to pack. */
export interface Pack extends PackedAs {
  readonly boxId: string;
  readonly boxName: string;
  readonly handOver: Day;
  readonly count: number;
  readonly minutes: number;
  /** By the nuts in what is packed: it belongs to that turn of the day. */
  readonly nuts: NutClass;
}

/**
 * The last bench day before a hand-over, or on it where nothing must be finished earlier; otherwise the day before. Never before what goes
 * into a box is finished.
 */
function packingDay(handOver: Day, finished: Day, book: Book, today: Day): Day {
  const latest = addDays(handOver, -Math.min(1, book.kitchen.packingLeadDays));
  const bench = lastBenchDayBefore(latest, book.kitchen);
  const possible = bench >= today ? bench : latest < today ? today : latest;
  return finished > possible ? finished : possible;
}

/** What is packed on which day, and the minutes that takes. */
export interface Packing {
  readonly minutes: Bookings;
  readonly packs: ReadonlyMap<Day, readonly Pack[]>;
}

/**
 * @param boxes of the orders that the plan keeps
 * @param finishings pieces whose body is made already, and when they are finished
 */
export function bookPacking(
  boxes: readonly BoxDemand[],
  finishings: readonly Pick<Finishing, 'pieceId' | 'handOver' | 'day'>[],
  book: Book,
  today: Day,
): Packing {
  const finishedOn = new Map<string, Day>();
  for (const { pieceId, handOver, day } of finishings) {
    const key = pieceKey(pieceId, handOver);
    if (day > (finishedOn.get(key) ?? '')) finishedOn.set(key, day);
  }
  const minutes: Bookings = new Map();
  const packs = new Map<Day, Pack[]>();
  for (const box of boxes) {
    const { day: handOver, boxId, facts, count } = box;
    if (!facts?.pieces.every(({ pieceId }) => book.pieces.has(pieceId))) continue;
    const finished = facts.pieces.map(({ pieceId }) => finishedOn.get(pieceKey(pieceId, handOver)) ?? '');
    const day = packingDay(handOver, finished.sort().at(-1) ?? '', book, today);
    const took = count * facts.box.packMinutes;
    minutes.set(day, (minutes.get(day) ?? 0) + took);
    const nuts = nutClass(facts.pieces.flatMap(({ pieceId }) => book.pieces.get(pieceId)?.contains ?? []));
    const pack: Pack = { boxId, boxName: facts.box.name, ...packingOf(box), handOver, count, minutes: took, nuts };
    packs.set(day, [...(packs.get(day) ?? []), pack]);
  }
  return { minutes, packs };
}
