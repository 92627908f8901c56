import type { Book } from '../book/index.js';
import type { BoxFacts } from '../box/index.js';
import { packBox, packedAs, packedKey, type OrderFiled, type PackedAs } from '../order/index.js';
import { bodyForm, piecesPerBatch } from '../piece/index.js';
import type { Day } from '../quantity/index.js';
import { sparePieces, yieldRecord } from '../recipe/index.js';
/** One box that is due on one day, packed in one way. */
export interface BoxDemand extends PackedAs {
  readonly day: Day;
  readonly boxId: string;
  /** Null when the box is not in the book. */
  readonly facts: BoxFacts | null;
  readonly count: number;
}

/** One piece that is due on one day. */
export interface PieceDemand {
  readonly day: Day;
  readonly pieceId: string;
  readonly count: number;
  /** Pieces to make beyond these, since the yield of their body varies. */
  readonly spare: number;
}

/** The boxes of orders, added up by hand-over day, box and stand-ins, the earliest first. */
export function boxDemand(orders: readonly OrderFiled[], book: Book): BoxDemand[] {
  const days = new Map<Day, Map<string, BoxDemand>>();
  for (const order of orders) {
    const day = order.handOver.on;
    let boxes = days.get(day);
    if (!boxes) days.set(day, (boxes = new Map<string, BoxDemand>()));
    for (const line of order.lines) {
      const { boxId, count } = line;
      const packed = packedAs(order, line, book);
      const key = packedKey(boxId, packed);
      const before = boxes.get(key);
      const facts = before ? before.facts : (packBox(book, boxId, packed)?.facts ?? null);
      boxes.set(key, { day, boxId, ...packed, facts, count: (before?.count ?? 0) + count });
    }
  }
  return [...days].sort(([a], [b]) => (a < b ? -1 : 1)).flatMap(([, boxes]) => [...boxes.values()]);
}

/** What is made to spare for so many pieces on one day. */
export function spareFor(pieceId: string, count: number, book: Book): number {
  const facts = book.pieces.get(pieceId);
  const body = book.recipes.get(facts?.parts.find(({ role }) => role === 'body')?.recipeId ?? '');
  if (!facts || !body) return 0;
  const perBatch = piecesPerBatch(bodyForm(facts.piece.form), Math.max(...body.recipe.batchSizes), body.yieldGrams);
  return sparePieces(count, perBatch, yieldRecord(body), book.kitchen.surePercent);
}

/** The pieces in those boxes, added up by day and piece. Boxes that are not in the book are passed over. */
export function pieceDemand(boxes: readonly BoxDemand[], book: Book): PieceDemand[] {
  const days = new Map<Day, Map<string, number>>();
  for (const { day, facts, count } of boxes) {
    let pieces = days.get(day);
    if (!pieces) days.set(day, (pieces = new Map<string, number>()));
    for (const each of facts?.pieces ?? [])
      pieces.set(each.pieceId, (pieces.get(each.pieceId) ?? 0) + each.count * count);
  }
  return [...days].flatMap(([day, pieces]) =>
    [...pieces].map(([pieceId, count]) => ({ day, pieceId, count, spare: spareFor(pieceId, count, book) })),
  );
}
