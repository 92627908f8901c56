import type { Book } from '../book/index.js';
import { sayDay, type Day } from '../quantity/index.js';
import { namedExclusion } from '../ingredient/index.js';
import { unknownReferences, type Known, type WrongValue } from '../record/index.js';
import { whyNoHandOver } from './horizon.js';
import { isOpen } from './packed.js';
import type { OrderDraft } from './schema.js';

/** Boxes, pieces and ingredients that an order names and that are not there. */
export function wrongInOrder(
  order: Pick<OrderDraft, 'lines' | 'agreed' | 'leftOut' | 'exclusions' | 'standIns'>,
  known: Known,
): WrongValue[] {
  const boxes = (['lines', 'agreed', 'leftOut', 'standIns'] as const).flatMap((part) =>
    order[part].map(({ boxId }, index) => ({ noun: 'box' as const, id: boxId, path: [part, index, 'boxId'] })),
  );
  const pieces = order.standIns.flatMap(({ pieceId, withId }, index) => [
    { noun: 'piece' as const, id: pieceId, path: ['standIns', index, 'pieceId'] },
    { noun: 'piece' as const, id: withId, path: ['standIns', index, 'withId'] },
  ]);
  const named = (codes: readonly string[], path: readonly PropertyKey[]) =>
    codes.flatMap((code, index) => {
      const thing = namedExclusion(code);
      return thing ? [{ ...thing, path: [...path, index] }] : [];
    });
  return unknownReferences(
    [
      ...boxes,
      ...pieces,
      ...named(order.exclusions, ['exclusions']),
      ...order.lines.flatMap(({ without }, index) => named(without, ['lines', index, 'without'])),
    ],
    known,
  );
}

/**
 * What keeps an edit of an order from being saved although each value is well formed: a hand-over in the past or beyond all plans, a box without
 * pieces.
 * What stood in the order before the edit is left alone, so that an old order can still be closed.
 * @param before the order as it was, or null for a new one
 */
export function wrongInOrderEdit(order: OrderDraft, before: OrderDraft | null, book: Book, today: Day): WrongValue[] {
  const { on } = order.handOver;
  const farOff = on === before?.handOver.on ? null : whyNoHandOver(on, today);
  if (farOff !== null) return [{ path: ['handOver', 'on'], message: farOff }];
  if (!isOpen(order)) return [];
  const wrong: WrongValue[] = order.lines.flatMap(({ boxId, edition }, index) => {
    const box = book.boxes.get(boxId)?.box;
    if (!box || edition === null || edition === box.edition) return [];
    if (box.editions.some((each) => each.edition === edition)) return [];
    return [{ path: ['lines', index, 'edition'], message: `${box.name} was never sold under number ${edition}` }];
  });
  if (on < today && on !== before?.handOver.on)
    wrong.push({
      path: ['handOver', 'on'],
      message: `${sayDay(on)} has passed: choose ${sayDay(today)} or later`,
    });
  order.lines.forEach(({ boxId }, index) => {
    const box = book.boxes.get(boxId);
    if (box?.pieceCount !== 0 || before?.lines.some((line) => line.boxId === boxId)) return;
    wrong.push({
      path: ['lines', index, 'boxId'],
      message: `${box.box.name} has no pieces yet: fill it before it is sold`,
    });
  });
  return wrong;
}
