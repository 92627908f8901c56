import type { Book } from '../box/index.js';
import { packingOf, type PackedAs } from '../order/index.js';
import { addDays, type Day } from '../quantity/index.js';
import type { BoxDemand, PieceDemand } from './demand.js';
import { pieceKey } from './guide.js';
import { nutClass, type NutClass } from './clean-downs.js';
import { benchHours, type Bookings } from './windows.js';

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

/** The last bench day before a hand-over, at most a week earlier; otherwise the day before. */
function packingDay(handOver: Day, book: Book, today: Day): Day {
  for (let back = 1; back <= 7; back++) {
    const day = addDays(handOver, -back);
    if (day < today) break;
    if (benchHours(day, book.kitchen) > 0) return day;
  }
  return handOver > today ? addDays(handOver, -1) : today;
}

/** What is packed on which day, and the minutes that takes. */
export interface Packing {
  readonly minutes: Bookings;
  readonly packs: ReadonlyMap<Day, readonly Pack[]>;
}

/** @param outside pieces that cannot be made any more: boxes with them are not packed */
export function bookPacking(
  boxes: readonly BoxDemand[],
  outside: readonly PieceDemand[],
  book: Book,
  today: Day,
): Packing {
  const missing = new Set(outside.map(({ pieceId, day }) => pieceKey(pieceId, day)));
  const minutes: Bookings = new Map();
  const packs = new Map<Day, Pack[]>();
  for (const box of boxes) {
    const { day: handOver, boxId, facts, count } = box;
    const canPack = facts?.pieces.every(
      ({ pieceId }) => book.pieces.has(pieceId) && !missing.has(pieceKey(pieceId, handOver)),
    );
    if (!facts || !canPack) continue;
    const day = packingDay(handOver, book, today);
    const took = count * facts.box.packMinutes;
    minutes.set(day, (minutes.get(day) ?? 0) + took);
    const nuts = nutClass(facts.pieces.flatMap(({ pieceId }) => book.pieces.get(pieceId)?.contains ?? []));
    const pack: Pack = { boxId, boxName: facts.box.name, ...packingOf(box), handOver, count, minutes: took, nuts };
    packs.set(day, [...(packs.get(day) ?? []), pack]);
  }
  return { minutes, packs };
}
