import type { Book } from '../box/index.js';
import { isOpen, type OrderFiled } from '../order/index.js';
import type { Day } from '../quantity/index.js';

/** One box that is due on one day. */
export interface BoxDemand {
  readonly day: Day;
  readonly boxId: string;
  readonly count: number;
}

/** One piece that is due on one day. */
export interface PieceDemand {
  readonly day: Day;
  readonly pieceId: string;
  readonly count: number;
}

/** The boxes of all open orders, added up by hand-over day and box, the earliest first. */
export function boxDemand(orders: readonly OrderFiled[]): BoxDemand[] {
  const days = new Map<Day, Map<string, number>>();
  for (const order of orders) {
    if (!isOpen(order)) continue;
    let boxes = days.get(order.handOver.on);
    if (!boxes) days.set(order.handOver.on, (boxes = new Map<string, number>()));
    for (const { boxId, count } of order.lines) boxes.set(boxId, (boxes.get(boxId) ?? 0) + count);
  }
  return [...days]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .flatMap(([day, boxes]) => [...boxes].map(([boxId, count]) => ({ day, boxId, count })));
}

/** The pieces in those boxes, added up by day and piece. Boxes that are not in the book are passed over. */
export function pieceDemand(boxes: readonly BoxDemand[], book: Book): PieceDemand[] {
  const days = new Map<Day, Map<string, number>>();
  for (const { day, boxId, count } of boxes) {
    let pieces = days.get(day);
    if (!pieces) days.set(day, (pieces = new Map<string, number>()));
    for (const each of book.boxes.get(boxId)?.pieces ?? [])
      pieces.set(each.pieceId, (pieces.get(each.pieceId) ?? 0) + each.count * count);
  }
  return [...days].flatMap(([day, pieces]) => [...pieces].map(([pieceId, count]) => ({ day, pieceId, count })));
}
