import type { OwnStandIn } from '../box/index.js';
import type { WayOutAction } from '../finding/index.js';
import { lineKey, type OrderDraft, type OrderLine, type OrderState } from './schema.js';

/** The order with the boxes of one line changed for others; counts add up where such a line is there already. */
export function swapBox(order: OrderDraft, from: Pick<OrderLine, 'boxId' | 'without'>, toBoxId: string): OrderDraft {
  const moved = order.lines.find((line) => lineKey(line) === lineKey(from));
  if (!moved) return order;
  const wanted = { ...moved, boxId: toBoxId, edition: null };
  const target = order.lines.find((line) => lineKey(line) === lineKey(wanted));
  const lines = target
    ? order.lines
        .filter((line) => line !== moved)
        .map((line) => (line === target ? { ...line, count: line.count + moved.count } : line))
    : order.lines.map((line) => (line === moved ? wanted : line));
  const gone = !lines.some(({ boxId }) => boxId === from.boxId);
  const kept = <T extends { readonly boxId: string }>(list: readonly T[]) =>
    list.filter(({ boxId }) => !gone || boxId !== from.boxId);
  return {
    ...order,
    lines,
    agreed: kept(order.agreed),
    leftOut: kept(order.leftOut),
    standIns: kept(order.standIns),
  };
}

/** The order with one breach marked as known to the customer. */
export const agreeTo = (order: OrderDraft, boxId: string, exclusion: string): OrderDraft => ({
  ...order,
  agreed: [
    ...order.agreed.filter((each) => each.boxId !== boxId || each.exclusion !== exclusion),
    { boxId, exclusion },
  ],
});

/** The order with pieces put in place of others in a box, where something is ruled out. */
export const standInFor = (order: OrderDraft, boxId: string, standIns: readonly OwnStandIn[]): OrderDraft => ({
  ...order,
  standIns: [
    ...standIns.map(({ pieceId, withId }) => ({ boxId, pieceId, withId })),
    ...order.standIns.filter(
      (each) =>
        each.boxId !== boxId ||
        !standIns.some(({ pieceId, withId }) => pieceId === each.pieceId && withId === each.withId),
    ),
  ],
});

/** The order with what breaks its exclusions left out of a box, for less money. */
export const leaveOutOf = (
  order: OrderDraft,
  boxId: string,
  without: readonly string[],
  lessMinor: number,
): OrderDraft => ({
  ...order,
  leftOut: [...order.leftOut.filter((each) => each.boxId !== boxId), { boxId, without: [...without], lessMinor }],
});

/** The order with a box as it is now in place of what was sold. */
export const renewBox = (order: OrderDraft, boxId: string): OrderDraft => ({
  ...order,
  lines: order.lines.map((line) => (line.boxId === boxId ? { ...line, edition: null } : line)),
});

/** A way out that changes an order. */
export type OrderAction = Extract<WayOutAction, { orderId: string }>;

/** Whether a way out changes an order. */
export const changesOrder = (action: WayOutAction): action is OrderAction => 'orderId' in action;

/** The order after a way out. */
export function afterWayOut(order: OrderDraft, action: OrderAction): OrderDraft {
  switch (action.kind) {
    case 'swap-box':
      return swapBox(order, { boxId: action.fromBoxId, without: [...action.without] }, action.toBoxId);
    case 'stand-in':
      return standInFor(order, action.boxId, action.standIns);
    case 'agree':
      return agreeTo(order, action.boxId, action.exclusion);
    case 'leave-out':
      return leaveOutOf(order, action.boxId, action.without, action.lessMinor);
    case 'move-order':
      return { ...order, handOver: { ...order.handOver, on: action.to } };
    case 'renew-box':
      return renewBox(order, action.boxId);
  }
}

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

/** What neither a file nor a shop can say of an order: it stays as it is, and of a new one there is nothing. */
export const unsaidOf = (before: OrderDraft | null | undefined) => ({
  agreed: before?.agreed ?? [],
  leftOut: before?.leftOut ?? [],
  labelSchool: before?.labelSchool ?? null,
  standIns: before?.standIns ?? [],
  history: before?.history ?? [],
  payments: before?.payments ?? [],
  words: before?.words ?? '',
});
