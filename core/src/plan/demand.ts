import type { Book } from '../book/index.js';
import type { BoxFacts } from '../box/index.js';
import { packBox, packedAs, packedKey, type OrderFiled, type PackedAs } from '../order/index.js';
import { bodyForm, piecesPerBatch, type PieceFacts } from '../piece/index.js';
import type { Day } from '../quantity/index.js';
import { sparePieces, yieldRecord } from '../recipe/index.js';
import { oncePerPair } from '../record/index.js';
import type { DayOrders } from './by-day.js';

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

/** The boxes of one line of an order. */
interface Wanted {
  readonly key: string;
  readonly boxId: string;
  readonly packed: PackedAs;
  readonly facts: BoxFacts | null;
  readonly count: number;
}

const wantedBy = oncePerPair((book: Book, order: OrderFiled): readonly Wanted[] =>
  order.lines.map((line): Wanted => {
    const { boxId, count } = line;
    const packed = packedAs(order, line, book);
    const facts = packBox(book, boxId, packed)?.facts ?? null;
    return { key: packedKey(boxId, packed), boxId, packed, facts, count };
  }),
);

/** How many of each piece an order wants. */
export const piecesWanted = oncePerPair((book: Book, order: OrderFiled): ReadonlyMap<PieceFacts, number> => {
  const counts = new Map<PieceFacts, number>();
  for (const { facts, count } of wantedBy(book, order))
    for (const each of facts?.pieces ?? []) {
      const piece = book.pieces.get(each.pieceId);
      if (piece) counts.set(piece, (counts.get(piece) ?? 0) + each.count * count);
    }
  return counts;
});

const boxesOfDay = oncePerPair((book: Book, { day, orders }: DayOrders): readonly BoxDemand[] => {
  const boxes = new Map<string, { readonly wanted: Wanted; count: number }>();
  for (const order of orders)
    for (const wanted of wantedBy(book, order)) {
      const before = boxes.get(wanted.key);
      if (before) before.count += wanted.count;
      else boxes.set(wanted.key, { wanted, count: wanted.count });
    }
  return [...boxes.values()].map(({ wanted: { boxId, packed, facts }, count }) => ({
    day,
    boxId,
    ...packed,
    facts,
    count,
  }));
});

/** The boxes of orders, added up by hand-over day, box and stand-ins, the earliest first. */
export const boxDemand = (days: readonly DayOrders[], book: Book): BoxDemand[] =>
  days.flatMap((day) => boxesOfDay(book, day));

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
