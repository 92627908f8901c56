import { boxAsSold, resolveBox, type Book, type ResolvedBox } from '../box/index.js';
import type { OrderDraft, OrderState } from './schema.js';

/** Whether an order still has to be made: neither handed over nor cancelled. */
export const isOpen = (order: Pick<OrderDraft, 'state'>): boolean =>
  order.state !== 'handed over' && order.state !== 'cancelled';

/** The part of an order that says how its boxes are packed. */
type Wishes = Pick<OrderDraft, 'exclusions' | 'agreed' | 'leftOut' | 'lines'>;

/** What a box of an order must be packed without: every exclusion that the customer has not agreed to break. */
export const withoutOf = (order: Pick<OrderDraft, 'exclusions' | 'agreed'>, boxId: string): string[] =>
  order.exclusions
    .filter((exclusion) => !order.agreed.some((each) => each.boxId === boxId && each.exclusion === exclusion))
    .sort();

const lineOf = (order: Pick<OrderDraft, 'lines'>, boxId: string) => order.lines.find((line) => line.boxId === boxId);

/** What was agreed to be left out of a box, where that still covers all that the order rules out. */
function leftOutOf(order: Wishes, boxId: string): OrderDraft['leftOut'][number] | undefined {
  const without = withoutOf(order, boxId);
  return order.leftOut.find((each) => each.boxId === boxId && without.every((code) => each.without.includes(code)));
}

/** A box as it is packed for an order: as it was sold, stand-ins in place; undefined when it is not there. */
export function boxFor(order: Wishes, boxId: string, book: Book): ResolvedBox | undefined {
  const facts = boxAsSold(book, boxId, lineOf(order, boxId)?.edition ?? null);
  const leaveOut = leftOutOf(order, boxId) !== undefined;
  return facts && resolveBox(facts, withoutOf(order, boxId), book.pieces, leaveOut);
}

/** What one box of an order costs the customer, minor units: its price as it was sold, less what was agreed for what is left out. */
export function unitPrice(order: Wishes, boxId: string, book: Book): number {
  const resolved = boxFor(order, boxId, book);
  if (!resolved) return 0;
  const less = resolved.leftOut > 0 ? (leftOutOf(order, boxId)?.lessMinor ?? 0) : 0;
  return Math.max(0, resolved.facts.box.priceMinor - less);
}

/** What all boxes of an order cost the customer, minor units. */
export const priceOfOrder = (order: Wishes, book: Book): number =>
  order.lines.reduce((sum, { boxId, count }) => sum + unitPrice(order, boxId, book) * count, 0);

/** What is still to be paid of an order, minor units: the price of its boxes less the deposit; nothing once it is paid. */
export function dueOf(order: Wishes & Pick<OrderDraft, 'state' | 'depositMinor'>, book: Book): number {
  if (order.state !== 'asked' && order.state !== 'confirmed') return 0;
  return Math.max(0, priceOfOrder(order, book) - order.depositMinor);
}

/** In what way a box is packed; boxes that are packed alike are made and labelled as one. */
export interface PackedAs {
  /** The number that it was sold under; null for the box as it is now. */
  readonly edition: number | null;
  /** What it is packed without, because stand-ins are in place or cells left out; empty for the box as it is sold. */
  readonly without: readonly string[];
  /** Whether cells without a stand-in stay empty. */
  readonly leaveOut: boolean;
}

/**
 * How a box of an order is packed. As long as something must still be settled, the box is planned as it is sold.
 */
export function packedAs(order: Wishes, boxId: string, book: Book): PackedAs {
  const sold = lineOf(order, boxId)?.edition ?? null;
  const edition = sold === (book.boxes.get(boxId)?.box.edition ?? null) ? null : sold;
  const resolved = boxFor(order, boxId, book);
  const changed = resolved?.clear === true && (resolved.standIns.length > 0 || resolved.leftOut > 0);
  return changed
    ? { edition, without: withoutOf(order, boxId), leaveOut: resolved.leftOut > 0 }
    : { edition, without: [], leaveOut: false };
}

/** The box packed in that way; undefined when it is not there. */
export function packBox(book: Book, boxId: string, { edition, without, leaveOut }: PackedAs): ResolvedBox | undefined {
  const facts = boxAsSold(book, boxId, edition);
  return facts && resolveBox(facts, without, book.pieces, leaveOut);
}

/** Two boxes with the same key are packed alike. */
export const packedKey = (boxId: string, { edition, without, leaveOut }: PackedAs): string =>
  [boxId, edition ?? '', leaveOut ? 'less' : '', ...without].join(' ');

/** States in which the boxes are still as the maker may change them. */
const unsold: readonly OrderState[] = ['asked', 'cancelled'];

/** The order with the number of each of its boxes written down, where it is more than asked for. */
export const sealOrder = <Order extends OrderDraft>(
  order: Order,
  boxes: ReadonlyMap<string, { readonly box: { readonly edition: number } }>,
): Order => ({
  ...order,
  lines: order.lines.map((line) => ({
    ...line,
    edition:
      order.state === 'asked'
        ? null
        : unsold.includes(order.state)
          ? line.edition
          : (line.edition ?? boxes.get(line.boxId)?.box.edition ?? null),
  })),
});

/**
 * The order as it is to be stored: its boxes keep the number that they were confirmed under, and a new state goes into its history.
 * @param before the order as it was, or null for a new one
 * @param at the moment of the edit, ISO 8601
 */
export function filedOrder(
  order: OrderDraft,
  before: OrderDraft | null,
  boxes: ReadonlyMap<string, { readonly box: { readonly edition: number } }>,
  at: string,
): OrderDraft {
  const history = before?.history ?? order.history;
  const last = history.at(-1)?.state;
  return {
    ...sealOrder(order, boxes),
    history: last === order.state ? history : [...history, { state: order.state, at }].slice(-200),
  };
}
